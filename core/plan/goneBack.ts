import type { Choices } from '../approaches/approaches';
import type { SessionPose } from '../formats/book';
import { askedForMore } from '../learn/decide';
import { feltAnswer } from '../learn/evidence';
import { decision as parameter } from '../parameters';
import type { Remedy } from '../poses/pose';
import { stagesOf, wayOf, type Pose } from '../poses/poses';
import { mostCmAt } from '../prepare/limits';
import { meansSlot, slotKey, slotRefOf, type SlotId } from '../slots';

/** With no pain at all accepted, a pull this mild still counts as easy. */
const STRENGTH_WITHOUT_PAIN = 4;
/** A pull no stronger than this counts as easy. */
export const strengthAllowedBy = ({ strength }: Choices): number =>
  strength === 'none' ? STRENGTH_WITHOUT_PAIN : parameter.easyFeeling.value;

/** A way that asked too much, with nothing in it that could rise. */
export interface WentTooFar {
  /** The ways that it was, as far as the record tells. */
  readonly from: readonly string[];
  /** The way that is gone back to; where there is none, the way itself is stayed in. */
  readonly to: string;
}

/** The ways in which a pose was done at an earlier time, as far as its stage and what lay there tell. */
export function waysThen(pose: Pose, { stage, settled }: SessionPose) {
  const at = (pose.ways ?? []).filter(({ id }) =>
    stagesOf(pose, id).some((one) => one.id === stage),
  );
  const fits = at.filter(({ slots }) =>
    settled.every(({ slot }) => slots === undefined || slots.includes(slot)),
  );
  return fits.length > 0 ? fits : at;
}

/**
 * Whether a remedy could do something there: its support stood under the most that anybody builds, or was not laid yet.
 */
const couldHelp = (
  pose: Pose,
  { settled }: SessionPose,
  builds: readonly SlotId[],
  remedy: Remedy,
) => {
  if (!('slot' in remedy)) return true;
  const lay = settled.filter((one) => meansSlot(remedy.slot, slotKey(one)));
  return lay.length > 0
    ? lay.some(
        ({ heightCm }) => heightCm <= mostCmAt(pose, remedy.slot) - parameter.leastRung.value,
      )
    : builds.includes(slotRefOf(remedy.slot).slot);
};

/** What eased the complaint of an earlier time, by the spot that was tapped or by the pose. */
function remediesOf(pose: Pose, outcome: SessionPose, strengthAllowed: number): readonly Remedy[] {
  const more = askedForMore(outcome, strengthAllowed);
  if (!more) return [];
  const felt = feltAnswer(pose, outcome, more.why);
  return felt ? (felt.answer.by ?? []) : [pose.eases[more.why] ?? []].flat();
}

/**
 * Where an earlier time asked too much and nothing could rise for it, what is gone back to: a way whose own supports are
 * others. Null where something could rise, and where the pose has no way to go back to.
 */
export function wentTooFar(
  pose: Pose,
  outcome: SessionPose,
  strengthAllowed: number,
): WentTooFar | null {
  if (!pose.ways?.some(({ backTo }) => backTo)) return null;
  const remedies = remediesOf(pose, outcome, strengthAllowed);
  if (remedies.length === 0) return null;
  // Of ways that look alike in the record, those in which nothing could be done.
  const then = waysThen(pose, outcome).filter(
    ({ slots = pose.slots }) => !remedies.some((one) => couldHelp(pose, outcome, slots, one)),
  );
  const [way] = then;
  if (!way) return null;
  const to = wayOf(pose, then.find(({ backTo }) => backTo)?.backTo ?? '') ?? way;
  // What stood as high as it goes there stands no higher in a way that builds it, too.
  const hadIt = remedies.some(
    (one) => 'slot' in one && outcome.settled.some(({ slot }) => slot === slotRefOf(one.slot).slot),
  );
  const buildsIt = remedies.some(
    (one) => 'slot' in one && (to.slots ?? pose.slots).includes(slotRefOf(one.slot).slot),
  );
  if (hadIt && buildsIt) return null;
  return { from: to === way ? [] : then.map(({ id }) => id), to: to.id };
}
