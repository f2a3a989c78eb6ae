import { RRule } from 'rrule';
import type { ClassRecord, Visit } from '@/core/formats/book';
import { dayOf, type LocalDay } from '@/core/formats/time';

/** What falls on days: a student's visit, or a class. */
export type Meeting = Pick<Visit, 'id' | 'time' | 'repeats' | 'except'> & {
  readonly on?: string | undefined;
};

/** One time that it falls on. */
export interface Occurrence<M extends Meeting = Meeting> {
  readonly what: M;
  readonly on: LocalDay;
}

/** All that falls on some days: single students, and classes. */
export interface Coming {
  readonly visits: readonly Occurrence<Visit>[];
  readonly classes: readonly Occurrence<ClassRecord>[];
}

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

/** In the order of days and hours; those without an hour come last in their day. */
export const inOrder = <M extends Meeting>(those: readonly Occurrence<M>[]): Occurrence<M>[] => {
  const key = ({ on, what }: Occurrence) => `${on} ${what.time ?? '99:99'} ${what.id}`;
  return [...those].sort((a, b) => key(a).localeCompare(key(b)));
};

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

/** Everybody who comes on a day, each once, in the order of hours, with the first that they come to. */
export interface Comer {
  readonly person: string;
  readonly time?: string | undefined;
  /** A visit of their own. */
  readonly visit?: Occurrence<Visit>;
  /** A class that they are in. */
  readonly inClass?: ClassRecord;
}

export function comersOf({ visits, classes }: Coming): readonly Comer[] {
  const all = inOrder<Visit | ClassRecord>([...visits, ...classes]).flatMap((one): Comer[] =>
    'person' in one.what
      ? [{ person: one.what.person, time: one.what.time, visit: one as Occurrence<Visit> }]
      : ((one.what as ClassRecord).people ?? []).map((person) => ({
          person,
          time: one.what.time,
          inClass: one.what as ClassRecord,
        })),
  );
  const first = new Map<string, Comer>();
  for (const one of all) if (!first.has(one.person)) first.set(one.person, one);
  return [...first.values()];
}
