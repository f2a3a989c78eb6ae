import { inverseMills } from '../normal';
import { filter } from '../parameters';

/** Level of a range and its drift per week, with their covariance. */
export interface Trend {
  readonly level: number;
  readonly drift: number;
  readonly levelVar: number;
  readonly driftVar: number;
  readonly covariance: number;
}

/** A value with the variance of its error. */
export interface Value {
  readonly mean: number;
  readonly variance: number;
}

/** What one day says of a range. All its looks share how far that day's value lies off the level. */
export interface DayLooks {
  readonly reads: readonly Value[];
  /** Of these it is only known that the day's value is at least so much. */
  readonly limits: readonly Value[];
  readonly swingVar: number;
}

/** What is believed before any look. `scale` is 1 for degrees, smaller for ratios. */
export const trendFrom = (mean: number, sd: number, scale: number): Trend => ({
  level: mean,
  drift: 0,
  levelVar: sd ** 2,
  driftVar: (filter.driftSd.value * scale) ** 2,
  covariance: 0,
});

/** How fast drift fades, per week. */
const fadesPerWeek = -Math.log(filter.driftDamping.value);

/** Sum of a drift that fades over so many weeks, per unit of that drift: it never exceeds `1 / fadesPerWeek`. */
const faded = (weeks: number) => -Math.expm1(-fadesPerWeek * weeks) / fadesPerWeek;

/**
 * Carries a trend forward: the drift fades, wanders, and moves the level, which wanders too. The closed form over any
 * time, so that a year at once is the same as its weeks one by one.
 */
export function predict(trend: Trend, weeks: number, scale: number): Trend {
  if (weeks <= 0) return trend;
  const keep = Math.exp(-fadesPerWeek * weeks);
  const gain = faded(weeks);
  const twice = faded(2 * weeks) / 2;
  const levelNoise = (filter.levelNoise.value * scale) ** 2;
  const driftNoise = (filter.driftNoise.value * scale) ** 2;
  const { level, drift, levelVar, driftVar, covariance } = trend;
  // What the wandering drift has moved the level by since: its variance grows with the cube of a short time.
  const carried = Math.max(0, weeks - 2 * gain + twice) / fadesPerWeek ** 2;
  return {
    level: level + gain * drift,
    drift: keep * drift,
    levelVar:
      levelVar +
      2 * gain * covariance +
      gain ** 2 * driftVar +
      weeks * levelNoise +
      carried * driftNoise,
    covariance: keep * (covariance + gain * driftVar) + (gain ** 2 / 2) * driftNoise,
    driftVar: keep ** 2 * driftVar + twice * driftNoise,
  };
}

/** A value once another look at it was taken. */
function seen(value: Value, look: Value): Value {
  const gain = value.variance / (value.variance + look.variance);
  return {
    mean: value.mean + gain * (look.mean - value.mean),
    variance: value.variance * (1 - gain),
  };
}

/** A value once it is known to be at least so much: the moments of what is left of its bell above the limit. */
function atLeast(value: Value, limit: Value): Value {
  const sd = Math.sqrt(value.variance + limit.variance);
  const over = (value.mean - limit.mean) / sd;
  const pull = inverseMills(over);
  return {
    mean: value.mean + (value.variance / sd) * pull,
    variance: value.variance * (1 - (value.variance / sd ** 2) * pull * (pull + over)),
  };
}

/** One order for the looks of a day, however they were entered; the highest limit first. */
const highestFirst = (looks: readonly Value[]) =>
  [...looks].sort((a, b) => b.mean - a.mean || a.variance - b.variance);

/** Several looks at the same value as one. */
export function pooled(looks: readonly Value[]): Value {
  const weight = looks.reduce((sum, { variance }) => sum + 1 / variance, 0);
  const sum = looks.reduce((of, { mean, variance }) => of + mean / variance, 0);
  return { mean: sum / weight, variance: 1 / weight };
}

/** Takes a day into account: its looks draw the day's own value, and that draws level and drift. */
export function update(trend: Trend, { reads, limits, swingVar }: DayLooks): Trend {
  const { level, levelVar, covariance, driftVar } = trend;
  const before: Value = { mean: level, variance: levelVar + swingVar };
  const read = reads.length > 0 ? seen(before, pooled(highestFirst(reads))) : before;
  const after = highestFirst(limits).reduce(atLeast, read);
  const [levelGain, driftGain] = [levelVar / before.variance, covariance / before.variance];
  const moved = after.mean - before.mean;
  const learned = before.variance - after.variance;
  return {
    level: level + levelGain * moved,
    drift: trend.drift + driftGain * moved,
    levelVar: levelVar - levelGain ** 2 * learned,
    covariance: covariance - levelGain * driftGain * learned,
    driftVar: driftVar - driftGain ** 2 * learned,
  };
}

/**
 * A trend as what came later tells it: one step back of a fixed-interval smoother.
 *
 * @param trend as it was believed then.
 * @param later as it is known now, so many weeks after.
 */
export function lookedBack(trend: Trend, later: Trend, weeks: number, scale: number): Trend {
  if (weeks <= 0) return later;
  const ahead = predict(trend, weeks, scale);
  const keep = Math.exp(-fadesPerWeek * weeks);
  const gain = faded(weeks);
  // Covariances of level and drift then with level and drift ahead.
  const [ll, ld] = [trend.levelVar + gain * trend.covariance, keep * trend.covariance];
  const [dl, dd] = [trend.covariance + gain * trend.driftVar, keep * trend.driftVar];
  const det = ahead.levelVar * ahead.driftVar - ahead.covariance ** 2;
  const over = (toLevel: number, toDrift: number) =>
    [
      (toLevel * ahead.driftVar - toDrift * ahead.covariance) / det,
      (toDrift * ahead.levelVar - toLevel * ahead.covariance) / det,
    ] as const;
  const [a, b] = over(ll, ld);
  const [c, d] = over(dl, dd);
  const level = later.level - ahead.level;
  const drift = later.drift - ahead.drift;
  const v = later.levelVar - ahead.levelVar;
  const w = later.covariance - ahead.covariance;
  const u = later.driftVar - ahead.driftVar;
  return {
    level: trend.level + a * level + b * drift,
    drift: trend.drift + c * level + d * drift,
    levelVar: trend.levelVar + a * a * v + 2 * a * b * w + b * b * u,
    covariance: trend.covariance + a * c * v + (a * d + b * c) * w + b * d * u,
    driftVar: trend.driftVar + c * c * v + 2 * c * d * w + d * d * u,
  };
}

/**
 * The level so many weeks before the first look: a drift that fades into the past as well, and no further off than the
 * doubt.
 */
export function levelBefore({ level, drift, levelVar }: Trend, weeks: number): number {
  const doubt = Math.sqrt(levelVar);
  return level - Math.max(-doubt, Math.min(doubt, faded(weeks) * drift));
}
