import type { PlanPose, PlanSlot } from '../formats/plan';
import { linesOf, type Meets } from '../poses/cues';
import type { PoseFault } from '../poses/pose';
import { entryOf, lookOf, poseById, type Pose } from '../poses/poses';
import { tooLowToFill } from '../props/slots';
import { slotKey, type SlotId } from '../slots';
import { HANGS, isShort, staysEmptyOver } from '../prepare/limits';
import { liesIn } from '../lies';

/** How a pose is entered, looked at and left, line by line. */
export interface How {
  readonly entry: readonly string[];
  readonly look: readonly string[];
  readonly exit: readonly string[];
  /** What may be seen to go wrong. */
  readonly faults: readonly PoseFault[];
}

/** A gap that is offered to be filled is at least so high, in cm. */
const WORTH_OFFERING_CM = 3;

/** Nobody piles higher under a head or a chest that hangs, in cm. */
const HANGING_MOST_CM = 30;

/** What can be laid as well, though the pose does without it. */
export const offeredIn = ({ pose, slots }: Pick<PlanPose, 'pose' | 'slots'>) =>
  slots.filter(
    ({ slot, stack, targetCm }) =>
      poseById(pose)?.optional?.includes(slot) === true &&
      stack.length === 0 &&
      targetCm >= WORTH_OFFERING_CM &&
      !(HANGS.includes(slot) && targetCm > HANGING_MOST_CM),
  );

const staysUp = (pose: Pose, slot: PlanSlot) =>
  isShort(slot) ||
  (slot.slot === 'hands' && slot.reasons.some(({ code }) => code === 'stays-free')) ||
  staysEmptyOver(pose, slotKey(slot), slot.reckonedCm) ||
  (HANGS.includes(slot.slot) && !tooLowToFill(slot.slot, slot.targetCm, 'fill'));

/** How the body meets a place of a pose, as it is built. */
function meetsIn(pose: Pose, slots: readonly PlanSlot[], id: SlotId): Meets {
  const here = slots.filter(({ slot }) => slot === id);
  if (here.some(liesIn)) return 'on';
  return here.some((slot) => staysUp(pose, slot)) ? 'free' : 'bare';
}

/**
 * How a planned pose is done, true of what is built: no line speaks of a support that does not lie there.
 */
export function howOf({
  pose: id,
  way,
  slots,
  answers,
}: Pick<PlanPose, 'pose' | 'way' | 'slots' | 'answers'>): How {
  const pose = poseById(id);
  if (!pose) return { entry: [], look: [], exit: [], faults: [] };
  const meets = (slot: SlotId) => meetsIn(pose, slots, slot);
  return {
    entry: linesOf(entryOf(pose, way, answers), meets),
    look: linesOf(lookOf(pose, way), meets),
    exit: pose.exit,
    faults: pose.faults.filter(({ onlyWith }) => !onlyWith || meets(onlyWith) === 'on'),
  };
}
