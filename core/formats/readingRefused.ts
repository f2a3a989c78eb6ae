import { protocolOf, type ConversionContext, type Protocol } from '../protocols/protocols';
import { ranges } from '../ranges/ranges';
import type { Reason } from '../reasons';
import type { Reading } from './book';

/** Why a reading cannot be. */
export type ReadingRefused = Reason<
  'no-such-way' | 'side-missing' | 'outside-range' | 'beyond-lengths' | 'not-human'
>;

/**
 * What is wrong with a reading's values: a range that no human has, or a way of reading that does not exist; where it is
 * known whose body was read, also a length that comes to a range that none has.
 */
export function readingRefused(
  reading: Pick<Reading, 'range' | 'method' | 'protocol' | 'values' | 'side' | 'seatCm'>,
  context?: ConversionContext,
): ReadingRefused[] {
  const range = ranges[reading.range];
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (reading.protocol !== undefined && !protocol)
    return [{ code: 'no-such-way', way: reading.protocol, range: range.id }];
  if (range.sided && reading.side === 'both') return [{ code: 'side-missing', range: range.id }];
  const { least, most } = protocol ?? range;
  const unit = protocol?.unit ?? range.unit;
  const outside = reading.values
    .filter((value) => value < least || value > most)
    .map((value): ReadingRefused => {
      return { code: 'outside-range', range: range.id, value, least, most, unit };
    });
  if (outside.length > 0 || !protocol || !context || reading.values.length === 0) return outside;
  return comesToNone(reading, protocol, context);
}

/** What is wrong with what a reading comes to on this body. */
function comesToNone(
  { values, seatCm }: Pick<Reading, 'values' | 'seatCm'>,
  { range: id, unit, convert }: Protocol,
  context: ConversionContext,
): ReadingRefused[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const onSeat = seatCm === undefined ? context : { ...context, seatCm };
  const at = (value: number) => convert(value, 1, onSeat).mean;
  // Where a formula stands still, the bones have come to their end: nothing longer or shorter can be.
  if (unit === 'cm' && at(mean + A_STEP_CM) === at(mean - A_STEP_CM))
    return [{ code: 'beyond-lengths', range: id, cm: mean }];
  const deg = at(mean);
  const { least, most } = ranges[id];
  return deg >= least && deg <= most ? [] : [{ code: 'not-human', range: id, deg, least, most }];
}
const A_STEP_CM = 0.1;
