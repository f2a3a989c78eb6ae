import { sdOnDay, type RangeEstimate } from '../estimate/estimate';
import { reading as parameter } from '../parameters';
import { wholeError, type Converted } from '../protocols/protocols';
import type { RangeId } from '../ranges/ranges';
import type { Reason } from '../reasons';

/**
 * What is asked about a reading that lies far from what is believed: further than three times all that may lie between
 * the two, the doubt of both and the day's swing. Null where it may stand. A limit is far only beyond what is believed.
 */
export function farFromBelieved(
  range: RangeId,
  read: Converted,
  believed: RangeEstimate | undefined,
): Reason<'far-from-believed'> | null {
  if (!believed) return null;
  const sd = sdOnDay(believed, believed.sd);
  const gap = read.mean - believed.mean;
  if (read.bound === 'atLeast' && gap <= 0) return null;
  return Math.abs(gap) > parameter.surprise.value * Math.hypot(sd, wholeError(read))
    ? { code: 'far-from-believed', range, readDeg: read.mean, deg: believed.mean, sd: believed.sd }
    : null;
}
