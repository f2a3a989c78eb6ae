import type { Book, ClassRecord } from './book';
import { dayOf, daysBetween, shiftDays, type LocalDay } from './time';

/** The latest day on which anything was read or done; null for a book without either. */
export function lastDay({ readings, sessions }: Book): string | null {
  return [...readings, ...sessions].reduce<string | null>(
    (last, { at }) => (last === null || dayOf(at) > last ? dayOf(at) : last),
    null,
  );
}

/**
 * A copy of a book with every date moved so that its last day falls `daysBefore` days before `today`; for sample books.
 */
export function shiftBook(book: Book, today: LocalDay, daysBefore: number): Book {
  const last = lastDay(book);
  if (last === null) return book;
  const days = daysBetween(last, today) - daysBefore;
  const moved = <T extends Pick<ClassRecord, 'on' | 'except'>>(one: T): T => ({
    ...one,
    ...(one.on ? { on: shiftDays(one.on, days) } : {}),
    ...(one.except ? { except: one.except.map((day) => shiftDays(day, days)) } : {}),
  });
  return {
    ...book,
    people: book.people.map((person) => ({
      ...person,
      cautions: person.cautions.map((answer) => ({
        ...answer,
        at: shiftDays(answer.at, days),
        ...(answer.goAheadAt ? { goAheadAt: shiftDays(answer.goAheadAt, days) } : {}),
      })),
    })),
    readings: book.readings.map((one) => ({ ...one, at: shiftDays(one.at, days) })),
    sessions: book.sessions.map((one) => ({ ...one, at: shiftDays(one.at, days) })),
    practices: book.practices.map((one) => ({ ...one, at: shiftDays(one.at, days) })),
    visits: book.visits.map(moved),
    classes: book.classes.map(moved),
  };
}
