import { RRule } from 'rrule';
import { isReadRule } from '@/core/formats/repeats';
import { dayOf, daysBetween, shiftDays, type LocalDay } from '@/core/formats/time';
import { inOrder, type Meeting, type Occurrence } from './comers';

const asDate = (day: string) => new Date(`${day}T00:00:00Z`);
/** More days than any stretch that is looked at has: a bound, whatever a rule says. */
const MOST_DAYS = 400;
const DAYS_OF: Readonly<Record<number, number>> = { [RRule.DAILY]: 1, [RRule.WEEKLY]: 7 };

/** The days on which a rule falls. One that began long ago is taken up just before, by whole steps of its own. */
function daysOfRule(rule: string, on: LocalDay, from: LocalDay, to: LocalDay): LocalDay[] {
  const options = RRule.parseString(rule);
  const step = (DAYS_OF[options.freq ?? -1] ?? 0) * (options.interval ?? 1);
  const passed =
    step > 0 && options.count == null ? Math.floor(daysBetween(on, from) / step) - 1 : 0;
  return new RRule({ ...options, dtstart: asDate(shiftDays(on, Math.max(0, passed) * step)) })
    .between(asDate(from), asDate(to), true, (_, many) => many < MOST_DAYS)
    .map((at) => dayOf(at.toISOString()));
}

/** The days on which something falls, both ends taken in; with a rule that is not read here, its first day alone. */
function daysOf({ on, repeats }: Meeting, from: LocalDay, to: LocalDay): readonly string[] {
  if (on === undefined || on > to) return [];
  if (repeats !== undefined && isReadRule(repeats))
    return daysOfRule(repeats, on as LocalDay, from, to);
  return on >= from ? [on] : [];
}

/** The days of the last stretch that was asked for, by what falls on them: a screen asks again and again. */
const known = new WeakMap<Meeting, { stretch: string; days: readonly string[] }>();
function daysAgain(what: Meeting, from: LocalDay, to: LocalDay): readonly string[] {
  const stretch = `${from} ${to}`;
  const before = known.get(what);
  if (before?.stretch === stretch) return before.days;
  const days = daysOf(what, from, to).filter((day) => !what.except?.includes(day));
  known.set(what, { stretch, days });
  return days;
}

/** What falls on the days from one to another, in the order of days and hours. */
export function occurrencesBetween<M extends Meeting>(
  those: readonly M[],
  from: LocalDay,
  to: LocalDay,
): Occurrence<M>[] {
  return inOrder(
    those.flatMap((what) =>
      daysAgain(what, from, to).map((day) => ({ what, on: day as LocalDay })),
    ),
  );
}
