import { narrowingOf, type Band } from '../geometry/band';
import { sdOnDay, type Estimates } from '../estimate/estimate';
import { reading } from '../parameters';
import { methods, protocolsOf } from '../ranges/protocols';
import { splitKey, type RangeId, type RangeKey, type ReadingSide } from '../ranges/ranges';

export interface NextReading {
  readonly range: RangeId;
  readonly side: ReadingSide;
  /** By how much the heights of the plan would narrow, summed over its slots. */
  readonly gainCm: number;
}

const READINGS = 2;
const LEAST_GAIN_CM = 0.3;

/** Spread of a range after two readings by the usual method, without taking them: updating a Gaussian needs no value. */
function sdAfter(sd: number): number {
  const error = (methods.protractor.semDeg ?? 3) ** 2 / READINGS + reading.daySwing.value ** 2;
  return Math.sqrt(1 / (1 / sd ** 2 + 1 / error));
}

/** Readings ranked by how much each would narrow the bands of the plan; those that would do so by next to nothing, and those that a caution leaves out, are not among them. */
export function measureNext(bands: readonly Band[], estimates: Estimates, readToday: ReadonlySet<RangeKey>, mayRead: (range: RangeId, side: ReadingSide) => boolean): NextReading[] {
  const keys = new Set(bands.flatMap(({ parts }) => parts.map(({ key }) => key)));
  return [...keys].flatMap((key): NextReading[] => {
    const estimate = estimates[key as RangeKey];
    if (!estimate || readToday.has(key as RangeKey) || key === 'hamstringCoupling') return [];
    const { id, side } = splitKey(key as RangeKey);
    if (protocolsOf(id).length === 0 || !mayRead(id, side)) return [];
    const shrink = sdOnDay(estimate.key, sdAfter(estimate.sd)) / sdOnDay(estimate.key, estimate.sd);
    const gainCm = bands.reduce((sum, band) => sum + narrowingOf(band, key, shrink), 0);
    return gainCm >= LEAST_GAIN_CM ? [{ range: id, side, gainCm }] : [];
  }).sort((a, b) => b.gainCm - a.gainCm);
}
