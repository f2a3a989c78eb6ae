import type { SessionPose } from '../formats/book';
import { trial as parameter } from '../parameters';
import { answerAt } from '../poses/felt';
import { spotAt, spots } from '../spots';
import { meansSlot, slotIds, slotKey, type SlotId, type SlotKey } from '../slots';

type Noted = NonNullable<SessionPose['trials']>[number];
/** A step that was tried, in a slot that there is. */
export type TriedStep = Omit<Noted, 'slot'> & { readonly slot: SlotId };

const isKnown = (one: Noted): one is TriedStep =>
  (slotIds as readonly string[]).includes(one.slot) && one.heightCm <= parameter.mostHeight.value;

/** Steps that were tried, as far as anything can be made of them; what is left over is kept in the record alone. */
export const triedSteps = ({ trials = [] }: Pick<SessionPose, 'trials'>): readonly TriedStep[] =>
  trials.filter(isKnown);
/** Steps of slots that nobody here knows, or higher than anything that is built. */
export const untakenSteps = ({ trials = [] }: Pick<SessionPose, 'trials'>): readonly Noted[] =>
  trials.filter((one) => !isKnown(one));

/**
 * Whether what was felt at a spot speaks of a slot's height: where the spot has an answer of its own, only if that slot
 * is part of it; else any place but a muscle, which is there to be felt.
 */
export function speaksOf(pose: string, spot: string | undefined, key: SlotKey): boolean {
  const at = spotAt(spot);
  if (!at) return true;
  const felt = answerAt(pose, spot);
  if (!felt) return spots[at.spot] !== 'muscle';
  return (felt.answer.by ?? []).some((one) => 'slot' in one && meansSlot(one.slot, key));
}

/** Steps that were tried in a slot, and say something of its height. */
export const triedOf = (outcome: SessionPose, key: SlotKey): readonly TriedStep[] =>
  triedSteps(outcome).filter(
    (one) => slotKey(one) === key && !(one.word && !speaksOf(outcome.pose, one.spot, key)),
  );
