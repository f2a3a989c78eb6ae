import type { LocalDay } from '../formats/time';
import { groupedBy } from '../grouped';
import { reading } from '../parameters';

/** How far a look lay off what was expected of it, squared, beyond what its own error and the level's doubt explain. */
export interface Surprise {
  readonly day: LocalDay;
  readonly squaredDeg: number;
}

/**
 * How much one student's ranges swing from day to day, in degrees (1 sd): what is usual, until days enough have shown
 * another. Looks of one day share its swing and count as one.
 */
export function swingFrom(surprises: readonly Surprise[]): number {
  const { daySwing, swingDays, leastSwing, mostSwing } = reading;
  const days = [...groupedBy(surprises, ({ day }) => day).values()].map(
    (ofDay) => ofDay.reduce((sum, { squaredDeg }) => sum + squaredDeg, 0) / ofDay.length,
  );
  const usual = swingDays.value * daySwing.value ** 2;
  const squared = days.reduce((sum, one) => sum + one, usual) / (swingDays.value + days.length);
  return Math.min(mostSwing.value, Math.max(leastSwing.value, Math.sqrt(Math.max(0, squared))));
}
