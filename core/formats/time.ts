import { z } from '../z';

/**
 * A calendar day where the teacher stood, `2026-03-02`. What was done when is kept with the offset of that place
 * (`2026-03-02T21:30:00-08:00`), so that its day is its own first ten letters and never a matter of where it is read.
 */
export type LocalDay = `${number}-${number}-${number}`;

/** The local calendar day of an ISO date or date-time. */
export const dayOf = (at: string) => at.slice(0, 10) as LocalDay;

const DAY_MS = 86_400_000;
/** Days from one calendar day to another; minus when the second is earlier. */
export const daysBetween = (from: string, to: string) =>
  Math.round((Date.parse(dayOf(to)) - Date.parse(dayOf(from))) / DAY_MS);

/** An ISO date, or a date-time at the same hour of the same place, moved by whole days. */
export function shiftDays<T extends string>(at: T, days: number): T {
  const moved = new Date(Date.parse(dayOf(at)) + days * DAY_MS).toISOString().slice(0, 10);
  return `${moved}${at.slice(10)}` as T;
}

/** Whether a text is a day of the calendar: 2026-02-30 looks like one and is none. */
export const isDay = (text: string): text is LocalDay => day.safeParse(text).success;
const day = z.iso.date();

const inOrder = (a = '', b = '') => (a < b ? -1 : a > b ? 1 : 0);
/**
 * Things in the order of their days, within a day of their moments, and of one moment of their ids: the oldest first. A
 * new list.
 */
export function inTime<T extends { readonly at: string; readonly id?: string }>(
  things: readonly T[],
): T[] {
  return things
    .map((thing) => ({ thing, day: dayOf(thing.at), ms: Date.parse(thing.at) }))
    .sort((a, b) => inOrder(a.day, b.day) || a.ms - b.ms || inOrder(a.thing.id, b.thing.id))
    .map(({ thing }) => thing);
}
