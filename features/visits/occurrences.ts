import { RRule } from 'rrule';
import { dayOf, type LocalDay } from '@/core/formats/time';
import { inOrder, type Meeting, type Occurrence } from './comers';

const asDate = (day: string) => new Date(`${day}T00:00:00Z`);

/** The days on which something falls, both ends taken in; a rule that nobody can read falls on its first day alone. */
function daysOf({ on, repeats }: Meeting, from: LocalDay, to: LocalDay): string[] {
  if (on === undefined) return [];
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

/** What falls on the days from one to another, in the order of days and hours. */
export function occurrencesBetween<M extends Meeting>(
  those: readonly M[],
  from: LocalDay,
  to: LocalDay,
): Occurrence<M>[] {
  return inOrder(
    those.flatMap((what) =>
      daysOf(what, from, to)
        .filter((day) => !what.except?.includes(day))
        .map((day) => ({ what, on: day as LocalDay })),
    ),
  );
}
