import { liesIn, staysFreeIn } from '../lies';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { poseById } from '../poses/poses';
import type { StandIn, StandIns } from '../poses/pose';
import { HANGS } from '../prepare/limits';
import type { SlotId } from '../slots';

/** What stands in for a support where a pose says nothing of its own: a towel is no cushion, and a pillow no ramp. */
const usual: Readonly<Record<SlotId, StandIn>> = {
  seat: [
    [6, 'folded blanket'],
    [16, 'firm cushion'],
    [Infinity, 'firm cushions on books, or a low stool'],
  ],
  underKnees: [
    [4, 'folded towel'],
    [14, 'rolled blanket'],
    [Infinity, 'sofa cushion, or stacked pillows'],
  ],
  behindKnee: 'folded towel',
  underThigh: [
    [6, 'folded towels'],
    [14, 'cushions'],
    [Infinity, 'sofa cushions, or books under towels'],
  ],
  outerHip: [
    [14, 'rolled blankets'],
    [Infinity, 'sofa cushions'],
  ],
  hipLevel: [
    [6, 'folded blanket'],
    [16, 'folded blankets or a firm cushion'],
    [Infinity, 'sofa cushions'],
  ],
  underShin: 'folded blanket',
  ankle: [
    [6, 'rolled towel'],
    [Infinity, 'rolled blanket'],
  ],
  heels: [
    [5, 'a book or rolled mat'],
    [Infinity, 'thick books'],
  ],
  feet: [
    [3, 'a book'],
    [Infinity, 'thick books'],
  ],
  hands: [
    [30, 'stacked books'],
    [Infinity, 'a chair or a stool'],
  ],
  forehead: 'books or a stool',
  chest: [
    [16, 'bed pillow lengthwise'],
    [Infinity, 'sofa cushions, a bed pillow lengthwise on top'],
  ],
  back: [
    [16, 'sofa cushion or pillows'],
    [Infinity, 'firm sofa cushions against a wall'],
  ],
  neck: [
    [8, 'folded towel'],
    [Infinity, 'pillow'],
  ],
  shoulder: [
    [8, 'folded towel'],
    [Infinity, 'pillow'],
  ],
  strap: 'a belt or scarf',
};

/** What stands in at a height. */
const saidAt = (standIn: StandIn, cm: number): string =>
  typeof standIn === 'string'
    ? standIn
    : (standIn.find(([upToCm]) => cm <= upToCm) ?? standIn.at(-1)!)[1];

/** As high as it stands on either side; where nothing lies, as it would have to. */
const highest = (slots: readonly PlanSlot[]): number =>
  Math.max(...slots.map((one) => (liesIn(one) ? one.stackCm : one.targetCm)));

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
  const { also, withSoreKnee, ...own }: StandIns = poseById(planned.pose)?.atHome ?? {};
  const isKneeSore = planned.reasons.some(
    (one) => one.code === 'caution' && one.caution.startsWith('knee-'),
  );
  // A head that hangs is met by nothing: it would rest too high.
  const lying = planned.slots.filter(
    (one) => liesIn(one) || (staysFreeIn(one) && !HANGS.includes(one.slot)),
  );
  return {
    slots: lying
      .filter(({ slot }, i) => lying.findIndex((one) => one.slot === slot) === i)
      .map((one) => ({
        slot: one,
        said: saidAt(
          own[one.slot] ?? usual[one.slot],
          highest(lying.filter(({ slot }) => slot === one.slot)),
        ),
      })),
    also: also ?? (isKneeSore ? withSoreKnee : undefined) ?? null,
  };
}
