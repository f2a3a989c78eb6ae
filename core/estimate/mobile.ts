import type { Person } from '../formats/book';
import { reading as parameter } from '../parameters';
import { priorOf, ranges, type Prior, type RangeId } from '../ranges/ranges';

/** Whether a student is marked as very mobile, by the teacher or at intake; undefined where nobody said. */
export function saidVeryMobile({ veryMobile, cautions }: Person): boolean | undefined {
  if (veryMobile !== undefined) return veryMobile;
  return cautions.some(({ id, answer }) => id === 'very-mobile' && answer === 'yes') || undefined;
}

/**
 * What is believed of a range of this student before any reading. Who is marked as very mobile is believed freer in
 * what was never read, too: joints that are loose are seldom loose alone.
 */
export function priorFor(id: RangeId, person: Person): Prior {
  const prior = priorOf(id, person.sex);
  if (!ranges[id].warms || saidVeryMobile(person) !== true) return prior;
  return { mean: prior.mean + parameter.mobileShift.value * prior.sd, sd: prior.sd };
}
