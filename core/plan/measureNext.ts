import { narrowingOf } from '../geometry/band';
import { sdOnDay, type Estimates, type RangeEstimate } from '../estimate/estimate';
import type { Plan } from '../formats/plan';
import type { Planned } from './context';
import { isMoved } from '../lies';
import { splitKey, type RangeId, type RangeKey, type ReadingSide } from '../ranges/ranges';

type NextReading = Plan['measureNext'][number];
type Decided = NextReading['decides'][number];

const READINGS = 2;
const LEAST_GAIN_CM = 0.3;

/** Spread of a range after a reading that is off by so much, without taking it: updating a Gaussian needs no value. */
const sdAfter = ({ sd, daySwing }: Pick<RangeEstimate, 'sd' | 'daySwing'>, error: number) =>
  Math.sqrt(1 / (1 / sd ** 2 + 1 / (error ** 2 + daySwing ** 2)));

/** Both sides of a pose, and of a slot, are one height to a teacher. */
export const eachOnce = (all: readonly Decided[]): Decided[] => [
  ...new Map(all.map((one) => [`${one.pose}/${one.slot}`, one])).values(),
];

/**
 * Readings ranked by how much each, taken twice, would narrow the bands of the plan; those that would do so by next to
 * nothing, and those that may not be taken, are not among them.
 *
 * @param errorOf how far off readings of a range would be; null where none may be taken.
 */
export function measureNext(
  planned: readonly Planned[],
  estimates: Estimates,
  readToday: ReadonlySet<RangeKey>,
  errorOf: (range: RangeId, side: ReadingSide, mean: number, readings: number) => number | null,
): NextReading[] {
  const bands = planned.flatMap(({ planPose: { pose }, bands: own }) =>
    own.map((band) => ({ pose, band })),
  );
  const keys = new Set(bands.flatMap(({ band: { parts } }) => parts.map(({ key }) => key)));
  return [...keys]
    .flatMap((key): NextReading[] => {
      const estimate = estimates[key as RangeKey];
      if (!estimate || readToday.has(key as RangeKey) || key === 'hamstringCoupling') return [];
      const { id, side } = splitKey(key as RangeKey);
      const error = errorOf(id, side, estimate.mean, READINGS);
      if (error === null) return [];
      const shrink = sdOnDay(estimate, sdAfter(estimate, error)) / sdOnDay(estimate, estimate.sd);
      const gains = bands.map(({ pose, band }) => ({
        at: { pose, slot: band.need.slot },
        cm: narrowingOf(band, key, shrink),
      }));
      const gainCm = gains.reduce((sum, { cm }) => sum + cm, 0);
      if (gainCm < LEAST_GAIN_CM) return [];
      const decides = gains
        .filter(({ cm }) => isMoved(cm))
        .sort((a, b) => b.cm - a.cm)
        .map(({ at }) => at);
      return [{ range: id, side, gainCm, decides: eachOnce(decides) }];
    })
    .sort((a, b) => b.gainCm - a.gainCm);
}
