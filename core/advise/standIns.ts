import { liesIn } from '../lies';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { poseById } from '../poses/poses';
import type { StandIns } from '../poses/pose';
import { HANGS } from '../prepare/limits';
import type { SlotId } from '../slots';
import { staysFreeIn } from './how';

/** What stands in for a support where a pose says nothing of its own. */
const usual: Readonly<Record<SlotId, string>> = {
  seat: 'firm cushion',
  underKnees: 'rolled blanket',
  behindKnee: 'folded towel',
  underThigh: 'cushions or folded towels',
  outerHip: 'rolled blankets',
  hipLevel: 'folded blanket',
  underShin: 'folded blanket',
  ankle: 'rolled towel',
  heels: 'a book or rolled mat',
  feet: 'thick books',
  hands: 'stacked books',
  forehead: 'books or a stool',
  chest: 'pillows',
  back: 'firm sofa cushions against a wall',
  neck: 'folded towel',
  shoulder: 'folded towel',
  strap: 'a belt or scarf',
};

/** What stands in at home for what a plan builds. */
export interface HomeStandIns {
  /** One for each slot in which something lies, or would have to; both sides of a pair are one. */
  readonly slots: readonly { readonly slot: PlanSlot; readonly said: string }[];
  /** What holds whatever lies there; null where nothing does. */
  readonly also: string | null;
}

/** Stand-ins for what lies in this plan of a pose, and for nothing else; none where the pose is not practised. */
export function standInsFor(planned: PlanPose): HomeStandIns {
  if (!planned.posture) return { slots: [], also: null };
  const { also, ...own }: StandIns = poseById(planned.pose)?.atHome ?? {};
  // A head that hangs is met by nothing: it would rest too high.
  const lying = planned.slots.filter(
    (one) => liesIn(one) || (staysFreeIn(one) && !HANGS.includes(one.slot)),
  );
  return {
    slots: lying
      .filter(({ slot }, i) => lying.findIndex((one) => one.slot === slot) === i)
      .map((one) => ({ slot: one, said: own[one.slot] ?? usual[one.slot] })),
    also: also ?? null,
  };
}
