import { contextOf, type Estimates, type StudentRecord } from '../estimate/estimate';
import { methodFor, semOf, semOfMean, wholeError, type MethodId } from '../protocols/protocols';
import type { RangeId, ReadingSide } from '../ranges/ranges';
import { wayFor } from '../safety/reading';
import { valueShowing } from './shown';

/**
 * How far off so many readings of a range would be together, in the range's own unit: by the method at hand where a way
 * of reading that the cautions leave open knows it, else by that way's own; null where every way is left out.
 */
export function readingErrorBy(
  method: MethodId,
  { person, eyes }: Pick<StudentRecord, 'person' | 'eyes'>,
  estimates: Estimates,
): (range: RangeId, side: ReadingSide, mean: number, readings: number) => number | null {
  const context = { ...contextOf(person, estimates), seatCm: 0 };
  return (range, side, mean, readings) => {
    const way = wayFor(range, side, method, person.cautions);
    if (!way) return null;
    const sem = semOfMean(semOf(way, methodFor(way, method), eyes), readings);
    return wholeError(way.convert(valueShowing(way, mean, context), sem, context));
  };
}
