import { clamp } from '../angles';
import type { Person } from '../formats/book';
import type { LocalDay } from '../formats/time';
import { reading as parameter } from '../parameters';
import { priorOf, ranges, type Prior, type RangeId } from '../ranges/ranges';

/** Whether a student is marked as very mobile, by the teacher or at intake; undefined where nobody said. */
export function saidVeryMobile({ veryMobile, cautions }: Person): boolean | undefined {
  if (veryMobile !== undefined) return veryMobile;
  return cautions.some(({ id, answer }) => id === 'very-mobile' && answer === 'yes') || undefined;
}

/** What age takes from a range, in its own unit; nothing where nobody said how old somebody is. */
function lessByAge(id: RangeId, { birthYear }: Person, on: LocalDay): number {
  const { lessPerDecade = 0 } = ranges[id];
  if (birthYear === undefined || lessPerDecade === 0) return 0;
  const { usualAge, leastAge, mostAge } = parameter;
  const age = Number(on.slice(0, 4)) - birthYear;
  return (lessPerDecade * (clamp(age, leastAge.value, mostAge.value) - usualAge.value)) / 10;
}

/**
 * What is believed of a range of this student before any reading, on a day. Some ranges are less with age. Who is marked
 * as very mobile is believed freer in what was never read, too: joints that are loose are seldom loose alone.
 */
export function priorFor(id: RangeId, person: Person, on: LocalDay): Prior {
  const { mean, sd } = priorOf(id, person.sex);
  const atAge = mean - lessByAge(id, person, on);
  const isFreer = ranges[id].warms && saidVeryMobile(person) === true;
  return { mean: isFreer ? atAge + parameter.mobileShift.value * sd : atAge, sd };
}
