import { filter } from '../parameters';

/** Level of a range and its drift per week, with their covariance. */
export interface Trend {
  readonly level: number;
  readonly drift: number;
  readonly levelVar: number;
  readonly driftVar: number;
  readonly covariance: number;
}

export interface RangeLook {
  readonly mean: number;
  readonly variance: number;
  readonly bound: 'equal' | 'atLeast';
}

/** What is believed before any look. `scale` is 1 for degrees, smaller for ratios. */
export const trendFrom = (mean: number, sd: number, scale: number): Trend => ({
  level: mean,
  drift: 0,
  levelVar: sd ** 2,
  driftVar: (filter.driftSd.value * scale) ** 2,
  covariance: 0,
});

/** Carries a trend forward: the drift fades by its damping each week, and doubt grows with the time since. */
export function predict(trend: Trend, weeks: number, scale: number): Trend {
  if (weeks <= 0) return trend;
  const keep = filter.driftDamping.value ** weeks;
  // Sum of the fading drift over the time passed.
  const gain = (1 - keep) / -Math.log(filter.driftDamping.value);
  const { level, drift, levelVar, driftVar, covariance } = trend;
  return {
    level: level + gain * drift,
    drift: keep * drift,
    levelVar:
      levelVar +
      2 * gain * covariance +
      gain ** 2 * driftVar +
      weeks * (filter.levelNoise.value * scale) ** 2,
    covariance: keep * (covariance + gain * driftVar),
    driftVar: keep ** 2 * driftVar + weeks * (filter.driftNoise.value * scale) ** 2,
  };
}

/** Takes one look into account. A limit that the level already keeps says nothing new. */
export function update(trend: Trend, look: RangeLook): Trend {
  if (look.bound === 'atLeast' && trend.level >= look.mean) return trend;
  const total = trend.levelVar + look.variance;
  const levelGain = trend.levelVar / total;
  const driftGain = trend.covariance / total;
  const surprise = look.mean - trend.level;
  return {
    level: trend.level + levelGain * surprise,
    drift: trend.drift + driftGain * surprise,
    levelVar: trend.levelVar * (1 - levelGain),
    covariance: trend.covariance * (1 - levelGain),
    driftVar: trend.driftVar - driftGain * trend.covariance,
  };
}
