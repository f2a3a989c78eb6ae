import type { Settled } from '../formats/book';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { poseById } from '../poses/poses';
import type { Stack } from '../props/stack';
import { standsIn } from '../prepare/limits';
import { isWanted } from '../lies';

/** A slot whose height is known: nothing at all lies in one that came down to the floor. */
const standsOrLiesEmpty = ({ pose: id }: PlanPose) => {
  const pose = poseById(id);
  return (slot: PlanSlot) =>
    slot.stack.length > 0
      ? !slot.isLength
      : pose !== undefined &&
        standsIn(pose, slot) &&
        (slot.lastCm !== null || !isWanted(slot.targetCm));
};

/** What the plan lays out, as what would be settled on. */
export const asPlanned = (planned: PlanPose): Settled[] =>
  planned.slots
    .filter(standsOrLiesEmpty(planned))
    .map(({ slot, part, side, stackCm, stack }) =>
      asSettled({ slot, ...(part ? { part } : {}), side }, { pieces: stack, heightCm: stackCm }),
    );

/** One slot with what lies there, to the millimetre. */
export const asSettled = (
  slot: Pick<Settled, 'slot' | 'part' | 'side'>,
  { pieces, heightCm }: Stack,
): Settled => ({ ...slot, heightCm: Math.round(heightCm * 10) / 10, pieces: [...pieces] });
