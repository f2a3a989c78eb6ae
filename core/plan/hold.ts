import { askedForMore, cutShortTwice, wentWell } from '../learn/decide';
import type { Choices } from '../approaches/approaches';
import type { SessionPose } from '../formats/book';
import { decision, hold as parameter } from '../parameters';
import type { HoldRule } from '../poses/pose';
import type { Pose } from '../poses/poses';

/** Breaths of a hold that is counted by them. */
const BREATHS: HoldRule = {
  firstSeconds: parameter.firstBreaths.value * parameter.breath.value,
  mostSeconds: parameter.mostBreaths.value * parameter.breath.value,
  growsSeconds: parameter.breath.value,
};

/** How a pose is held in an approach. */
function ruleFor({ hold }: Pick<Pose, 'hold'>, choices: Pick<Choices, 'hold'>): HoldRule {
  if (hold.isRest || hold.counted?.eachSeconds !== undefined) return hold;
  if (choices.hold === 'breaths') {
    const mostSeconds = Math.min(BREATHS.mostSeconds, hold.mostSeconds);
    return {
      ...BREATHS,
      mostSeconds,
      firstSeconds: Math.min(BREATHS.firstSeconds, hold.firstSeconds, mostSeconds),
    };
  }
  return choices.hold === 'long' ? (hold.long ?? hold) : hold;
}

/** Half a breath; nobody counts single seconds by the clock, and what is held for long is told in quarters of a minute. */
const [HALF_BREATH, WHOLE_SECONDS, LONG_WHOLE_SECONDS, LONG_SECONDS] = [3, 5, 15, 90];

/** Seconds as they are told: by the clock, or in halves of a breath. */
function toWhole(
  { hold }: Pick<Pose, 'hold'>,
  choices: Pick<Choices, 'hold'>,
  seconds: number,
): number {
  const isByClock = hold.isRest === true || (choices.hold !== 'breaths' && !hold.counted);
  const byClock = seconds >= LONG_SECONDS ? LONG_WHOLE_SECONDS : WHOLE_SECONDS;
  const whole = isByClock ? byClock : HALF_BREATH;
  return Math.round(seconds / whole) * whole;
}

/** Shorter than this nothing is held. */
const SHORTEST_SECONDS = 10;

/** Times that went well, to be held longer; with the breath every second one, with the clock each. */
const asksFor = (choices: Pick<Choices, 'hold'>, { hold }: Pick<Pose, 'hold'>) =>
  choices.hold === 'breaths' && !hold.isRest ? 2 : 1;

/** How long after a good time: what was made shorter for a complaint comes back by half, and not at a bound. */
const grownFrom = (planned: number, { firstSeconds, growsSeconds }: HoldRule): number =>
  planned < firstSeconds
    ? Math.min(firstSeconds, planned * parameter.comesBackBy.value)
    : planned + growsSeconds;

const complained = (outcome: SessionPose) =>
  outcome.stop !== undefined || askedForMore(outcome, decision.strongFeeling.value - 1) !== null;

/**
 * How long to hold, in seconds: it grows by its step after a time that went well, goes back by a third after pain, a
 * stop or a worse next day and on a cold, tired or sore day, is as long as what was held where it was cut short twice,
 * and stays otherwise; never more than doubled from last time.
 *
 * @param earlier what was done before, oldest first.
 * @param heavyDay whether the student comes cold, tired or sore, or only a shorter hold eases what was felt.
 * @param mayGrow false where all is to be as it was, or gentler.
 */
export function holdFor(
  pose: Pick<Pose, 'hold'>,
  earlier: readonly SessionPose[],
  choices: Pick<Choices, 'hold'>,
  heavyDay = false,
  mayGrow = true,
): number {
  const rule = ruleFor(pose, choices);
  const { firstSeconds, mostSeconds } = rule;
  const last = earlier.at(-1);
  const planned = last?.plannedSeconds ?? last?.heldSeconds ?? 0;
  const within = (seconds: number) => toWhole(pose, choices, Math.min(mostSeconds, seconds));
  if (!last || planned === 0) return within(firstSeconds);
  // An easier day is a third shorter, and says nothing of the next.
  if (complained(last) || heavyDay)
    return within(
      Math.min(
        planned,
        Math.max(parameter.leastShare.value * firstSeconds, planned * parameter.backTo.value),
      ),
    );
  // Who came out early twice is asked for what was held, and grows from there.
  if (cutShortTwice(earlier)) return within(Math.max(last.heldSeconds, SHORTEST_SECONDS));
  const good = earlier.slice(-asksFor(choices, pose));
  const grows =
    mayGrow &&
    good.length === asksFor(choices, pose) &&
    good.every((one) => wentWell(one) && (one.plannedSeconds ?? planned) === planned);
  const most = Math.max(firstSeconds, last.heldSeconds * parameter.longestGrowth.value);
  return within(grows ? Math.min(most, grownFrom(planned, rule)) : planned);
}

/** How many times what is counted is done; null for a pose that is held by the clock. */
export const timesFor = (
  { hold: { counted } }: Pick<Pose, 'hold'>,
  seconds: number,
): number | null =>
  counted
    ? Math.min(
        counted.most,
        Math.max(
          counted.first,
          Math.round(seconds / (counted.eachSeconds ?? parameter.breath.value)),
        ),
      )
    : null;
