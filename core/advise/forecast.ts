import type { Reason } from '../reasons';
import { sdOnDay, type Estimates, type RangeEstimate } from '../estimate/estimate';
import { predict } from '../estimate/levelAndDrift';
import { shiftDays, type LocalDay } from '../formats/time';
import { bandsOf } from '../geometry/band';
import type { Belief, InputKey } from '../geometry/inputs';
import { type Family, type FamilyInput } from '../geometry/family';
import { scaleOf, splitKey, type Prior, type RangeKey } from '../ranges/ranges';
import { slotKey, type SlotKey } from '../slots';

/** A height some weeks ahead: median, and the band that holds it four times in five. */
export interface HeightAhead {
  readonly weeks: number;
  readonly on: string;
  readonly cm: number;
  readonly lowCm: number;
  readonly highCm: number;
}

/** The heights to come, or why nothing can be said. Never a promise. */
export type Forecast =
  | { readonly enough: false; readonly reason: Reason<'no-such-support' | 'few-looks'> }
  | { readonly enough: true; readonly ahead: readonly HeightAhead[] };

/** Under so many dated readings of what limits a height, nothing is said. */
export const LEAST_LOOKS = 3;
const EVERY_WEEKS = 4;
/** Further than this, a drift of weeks says nothing. */
const FURTHEST_WEEKS = 52;

/** A range as it is believed to be some weeks from now. */
function carried(estimate: RangeEstimate, weeks: number): Prior {
  const { id } = splitKey(estimate.key);
  const trend = predict(
    {
      level: estimate.mean,
      drift: estimate.driftPerWeek,
      levelVar: estimate.sd ** 2,
      driftVar: estimate.driftSd ** 2,
      covariance: estimate.covariance,
    },
    weeks,
    scaleOf(id),
  );
  return { mean: trend.level, sd: sdOnDay(estimate, Math.sqrt(trend.levelVar)) };
}

/** Every range as it is believed to be some weeks from now; one that was hardly read stays as it is. */
export const estimatesAhead = (estimates: Estimates, weeks: number): Estimates =>
  Object.fromEntries(
    Object.entries(estimates).map(([key, estimate]) => [
      key,
      estimate && estimate.looks >= LEAST_LOOKS
        ? { ...estimate, mean: carried(estimate, weeks).mean }
        : estimate,
    ]),
  );

function beliefIn(estimates: Estimates, weeks: number): Belief {
  const belief: Partial<Record<InputKey, Prior>> = {};
  for (const estimate of Object.values(estimates))
    if (estimate)
      belief[estimate.key] =
        estimate.looks >= LEAST_LOOKS
          ? carried(estimate, weeks)
          : { mean: estimate.mean, sd: sdOnDay(estimate, estimate.sd) };
  return belief;
}

/**
 * Carries level and drift forward, through the geometry, to one slot's height. What was learned on the mat is added,
 * and the height never falls under the floor.
 *
 * @param offsetCm what the mat has taught over the reckoned height.
 */
export function forecastHeight(
  family: Family,
  input: Omit<FamilyInput, 'values'>,
  slot: SlotKey,
  estimates: Estimates,
  today: LocalDay,
  offsetCm = 0,
): Forecast {
  const now = bandsOf(family, input, beliefIn(estimates, 0)).find(
    ({ need }) => slotKey(need) === slot,
  );
  if (!now) return { enough: false, reason: { code: 'no-such-support' } };
  const limits = now.parts
    .map(({ key }) => estimates[key as RangeKey])
    .find((estimate) => estimate !== undefined);
  if (!limits || limits.looks < LEAST_LOOKS) {
    const seen = limits?.looks ?? 0;
    return {
      enough: false,
      reason: { code: 'few-looks', seen, asked: LEAST_LOOKS },
    };
  }
  const ahead = Array.from({ length: FURTHEST_WEEKS / EVERY_WEEKS + 1 }, (_, i): HeightAhead => {
    const weeks = i * EVERY_WEEKS;
    const band =
      bandsOf(family, input, beliefIn(estimates, weeks)).find(
        ({ need }) => slotKey(need) === slot,
      ) ?? now;
    const at = (cm: number) => Math.max(0, cm + offsetCm);
    return {
      weeks,
      on: shiftDays(today, 7 * weeks),
      cm: at(band.need.rawCm),
      lowCm: at(band.lowCm),
      highCm: at(band.highCm),
    };
  });
  return { enough: true, ahead };
}

/**
 * When a height is likely to be reached: the median, and the span of four in five; null where it lies further off than
 * can be said.
 */
export interface Reached {
  readonly likelyOn: string | null;
  readonly earliestOn: string | null;
  readonly latestOn: string | null;
}

/** When a height comes down to `cm`: the median, and the span of four in five. */
export function whenUnder(ahead: readonly HeightAhead[], cm: number): Reached {
  const first = (of: (one: HeightAhead) => number) =>
    ahead.find((one) => of(one) <= cm)?.on ?? null;
  return {
    likelyOn: first((one) => one.cm),
    earliestOn: first((one) => one.lowCm),
    latestOn: first((one) => one.highCm),
  };
}
