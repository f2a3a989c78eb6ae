import { RRule } from 'rrule';
import type { Visit } from '@/core/formats/book';
import { dayOf, type LocalDay } from '@/core/formats/time';

/** One time that somebody comes. */
export interface Occurrence {
  readonly visit: Visit;
  readonly on: LocalDay;
}

const asDate = (day: string) => new Date(`${day}T00:00:00Z`);

/** The days on which a visit falls, both ends taken in; a rule that nobody can read falls on its first day alone. */
function daysOf({ on, repeats }: Visit, from: LocalDay, to: LocalDay): string[] {
  if (repeats !== undefined) {
    try {
      return new RRule({ ...RRule.parseString(repeats), dtstart: asDate(on) })
        .between(asDate(from), asDate(to), true)
        .map((at) => dayOf(at.toISOString()));
    } catch {
      // Said as it is kept: the first day stays.
    }
  }
  return on >= from && on <= to ? [on] : [];
}

/** Who comes from one day to another, in the order of days and hours; those without an hour come last in their day. */
export function occurrencesBetween(
  visits: readonly Visit[],
  from: LocalDay,
  to: LocalDay,
): Occurrence[] {
  const key = ({ on, visit }: Occurrence) => `${on} ${visit.time ?? '99:99'} ${visit.person}`;
  return visits
    .flatMap((visit) =>
      daysOf(visit, from, to)
        .filter((day) => !visit.except?.includes(day))
        .map((day): Occurrence => ({ visit, on: day as LocalDay })),
    )
    .sort((a, b) => key(a).localeCompare(key(b)));
}
