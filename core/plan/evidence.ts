import { askedForMore, wentWell, type Decision, type Earlier } from '../adapt/decide';
import { offsetFrom, type HeightEvidence, type Offset, type Spread } from '../adapt/offset';
import type { Session, SessionPose, Settled } from '../formats/book';
import { dayOf, inTime, type LocalDay } from '../formats/time';
import { Z90, type Band } from '../geometry/band';
import type { Built, Family, FamilyInput, SlotNeed } from '../geometry/family';
import type { InputKey, InputValues } from '../geometry/inputs';
import { groupedBy } from '../grouped';
import { decision as decisionParameter, offset as parameter } from '../parameters';
import type { RaiseReason } from '../poses/pose';
import type { Pose } from '../poses/poses';
import type { ReadingSide } from '../ranges/ranges';
import { sidelessKey, slotKey, slotRefOf, type SlotKey } from '../slots';
import { staysEmptyOver } from './limits';
import { atTheEdge, type Prepared } from './prepare';

/** Earlier times of every pose and side before today, oldest first; ask for one with `earlierOf`. */
export type History = ReadonlyMap<string, readonly Earlier[]>;

/** What was done before a day, by pose and side, oldest first. */
export function historyBefore(sessions: readonly Session[], today: LocalDay): History {
  const before = inTime(sessions.filter((one) => dayOf(one.at) < dayOf(today)));
  const times = before.flatMap(({ at, poses }) =>
    poses.map((outcome): Earlier => ({ at, outcome })),
  );
  return groupedBy(times, ({ outcome: { pose, side } }) => `${pose}/${side}`);
}

const NEVER: readonly Earlier[] = [];
/** Earlier times of a pose on a side; none where there are none. */
export const earlierOf = (
  history: History,
  pose: string,
  side: SessionPose['side'],
): readonly Earlier[] => history.get(`${pose}/${side}`) ?? NEVER;

/** What was settled on in a slot; undefined where nothing was noted. */
export const settledAt = (outcome: SessionPose, key: SlotKey): Settled | undefined =>
  outcome.settled.find((one) => slotKey(one) === key);

/** Heights that lay there at an earlier time. */
export const builtOf = (outcome: SessionPose): Built =>
  Object.fromEntries(outcome.settled.map((one) => [slotKey(one), one.heightCm]));

/** Less than this was not moved. */
const MOVED_CM = 0.5;

type HeightChange = NonNullable<SessionPose['changes']>[number];
const movedCm = (changes: readonly HeightChange[]) =>
  changes.reduce((sum, { fromCm, toCm }) => sum + toCm - fromCm, 0);

/**
 * Whether heights that were changed on the mat go against the advice: a slot that came down in the end, or one that was to
 * come down and went up. Each slot is judged by itself.
 */
export function goesAgainst(
  changes: readonly HeightChange[],
  { action, slot }: Pick<Decision, 'action' | 'slot'>,
): boolean {
  return [...groupedBy(changes, slotKey)].some(([key, own]) => {
    const moved = movedCm(own);
    return moved < -MOVED_CM || (moved > MOVED_CM && action === 'lower' && slot === key);
  });
}

/**
 * Whether the teacher chose this slot's height against the advice. A slot that was not moved was not chosen: lowering the
 * seat says nothing about the ramp. A record that does not say what was moved speaks for all its slots.
 */
export function chosenAgainst({ overruled, changes }: SessionPose, key: SlotKey): boolean {
  if (!overruled) return false;
  if (!changes || changes.length === 0) return true;
  const own = changes.filter((change) =>
    change.part === undefined && change.side === undefined
      ? slotRefOf(key).slot === change.slot
      : slotKey(change) === key,
  );
  return Math.abs(movedCm(own)) > MOVED_CM;
}

/**
 * What one earlier time says of a slot's height, against the height reckoned for that day.
 *
 * @param reckonedCm the height at the body's edge, or for what was chosen against the advice the target.
 * @param goesUp the slot that what was felt points at; null where nothing asked for more.
 */
export function evidenceOf(
  outcome: SessionPose,
  key: SlotKey,
  reckonedCm: number,
  goesUp: SlotKey | null,
): HeightEvidence[] {
  const settled = settledAt(outcome, key);
  if (!settled) return [];
  const overReckonedCm = settled.heightCm - reckonedCm;
  if (chosenAgainst(outcome, key)) return [{ says: 'settled', overReckonedCm }];
  // What was hardly felt would have been enough a little lower, too.
  if (wentWell(outcome))
    return [
      {
        says: 'enough',
        overReckonedCm:
          outcome.feeling.strength <= parameter.faintFeeling.value
            ? overReckonedCm - parameter.faintRoom.value
            : overReckonedCm,
      },
    ];
  // Only the slot that what was felt points at is too low; of the others nothing is known.
  if (goesUp !== null && sidelessKey(goesUp) === sidelessKey(key))
    return [{ says: 'tooLow', overReckonedCm }];
  return [];
}

/** The slot that goes up for what was felt or seen at an earlier time; null in a pose without supports. */
export function slotToRaise(
  pose: Pose,
  family: Family,
  input: FamilyInput,
  outcome: SessionPose | undefined,
  why: RaiseReason,
): SlotKey | null {
  return why === 'rolled' && outcome && family.mendsRollBack
    ? family.mendsRollBack(input, builtOf(outcome))
    : pose.goesUp[why];
}

/** What is not known of one slot's height: from the ranges, and from everything else. */
export interface SlotDoubt {
  readonly offset: Offset;
  /** What the swing of the day does to the height. */
  readonly range: Spread;
}

/** Standard deviations of a height from a share of each input's variance. */
function spreadOf({ parts }: Band, shareOf: (key: InputKey) => number): Spread {
  let [down, up] = [0, 0];
  for (const { key, downCm, upCm } of parts) {
    const share = shareOf(key);
    down += share * downCm * downCm;
    up += share * upCm * upCm;
  }
  return { downCm: Math.sqrt(down) / Z90, upCm: Math.sqrt(up) / Z90 };
}
const evenly = ({ downCm, upCm }: Spread) => (downCm + upCm) / 2;

/** Heights reckoned for one earlier day, on what then lay there. */
function reckonedThen(family: Family, input: FamilyInput, outcome: SessionPose) {
  const needs = [...family.heights(input), ...(family.afterBuilt?.(input, builtOf(outcome)) ?? [])];
  return new Map(needs.map((need) => [slotKey(need), need.rawCm]));
}

const learnsNothing = (pose: Pose, need: SlotNeed) =>
  need.isLength || need.isChosen || staysEmptyOver(pose, slotKey(need), need.rawCm);

interface OffsetContext {
  readonly likelyOn: (day: LocalDay) => InputValues;
  readonly dayShare: (key: InputKey) => number;
}

/**
 * Offsets per slot from every earlier time. What stays from day to day (the level's doubt, the parameters' own) is part of
 * what the offset learns, so it is counted once; so is a settled seat, which speaks here and not as a bound on the range.
 * The body answers at its edge; a teacher who chooses a height against the advice chooses with a margin, and is weighed
 * against the target.
 */
export function offsetsOf(
  { pose, family, body, settings }: Prepared,
  side: ReadingSide,
  bands: readonly Band[],
  earlier: readonly Earlier[],
  { likelyOn, dayShare }: OffsetContext,
): ReadonlyMap<SlotKey, SlotDoubt> {
  const edgeSettings = atTheEdge(settings);
  const then = earlier.map(({ at, outcome }) => {
    const atEdge = { body, settings: edgeSettings, side, values: likelyOn(dayOf(at)) };
    const more = askedForMore(outcome, decisionParameter.easyFeeling.value);
    return {
      outcome,
      edge: reckonedThen(family, atEdge, outcome),
      target: outcome.overruled ? reckonedThen(family, { ...atEdge, settings }, outcome) : null,
      goesUp: more && slotToRaise(pose, family, atEdge, outcome, more.why),
    };
  });
  return new Map(
    bands.map((band): [SlotKey, SlotDoubt] => {
      const { need } = band;
      const key = slotKey(need);
      const evidence = learnsNothing(pose, need)
        ? []
        : then.flatMap(({ outcome, edge, target, goesUp }) => {
            const reckoned = (target && chosenAgainst(outcome, key) ? target : edge).get(key);
            return evidenceOf(outcome, key, reckoned ?? need.rawCm, goesUp);
          });
      const stays = evenly(spreadOf(band, (input) => 1 - dayShare(input)));
      const priorSdCm = need.isChosen ? 0 : Math.hypot(parameter.priorSd.value, stays);
      return [key, { offset: offsetFrom(evidence, priorSdCm), range: spreadOf(band, dayShare) }];
    }),
  );
}
