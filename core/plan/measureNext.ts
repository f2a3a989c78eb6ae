import { narrowingOf, type Band } from '../geometry/band';
import { sdOnDay, type Estimates, type RangeEstimate } from '../estimate/estimate';
import { splitKey, type RangeId, type RangeKey, type ReadingSide } from '../ranges/ranges';

export interface NextReading {
  readonly range: RangeId;
  readonly side: ReadingSide;
  /** By how much the heights of the plan would narrow, summed over its slots. */
  readonly gainCm: number;
}

const READINGS = 2;
const LEAST_GAIN_CM = 0.3;

/** Spread of a range after a reading that is off by so much, without taking it: updating a Gaussian needs no value. */
const sdAfter = ({ sd, daySwing }: Pick<RangeEstimate, 'sd' | 'daySwing'>, error: number) =>
  Math.sqrt(1 / (1 / sd ** 2 + 1 / (error ** 2 + daySwing ** 2)));

/**
 * Readings ranked by how much each, taken twice, would narrow the bands of the plan; those that would do so by next to
 * nothing, and those that may not be taken, are not among them.
 *
 * @param errorOf how far off readings of a range would be; null where none may be taken.
 */
export function measureNext(
  bands: readonly Band[],
  estimates: Estimates,
  readToday: ReadonlySet<RangeKey>,
  errorOf: (range: RangeId, side: ReadingSide, mean: number, readings: number) => number | null,
): NextReading[] {
  const keys = new Set(bands.flatMap(({ parts }) => parts.map(({ key }) => key)));
  return [...keys]
    .flatMap((key): NextReading[] => {
      const estimate = estimates[key as RangeKey];
      if (!estimate || readToday.has(key as RangeKey) || key === 'hamstringCoupling') return [];
      const { id, side } = splitKey(key as RangeKey);
      const error = errorOf(id, side, estimate.mean, READINGS);
      if (error === null) return [];
      const shrink = sdOnDay(estimate, sdAfter(estimate, error)) / sdOnDay(estimate, estimate.sd);
      const gainCm = bands.reduce((sum, band) => sum + narrowingOf(band, key, shrink), 0);
      return gainCm >= LEAST_GAIN_CM ? [{ range: id, side, gainCm }] : [];
    })
    .sort((a, b) => b.gainCm - a.gainCm);
}
