import { nextReading } from '@/core/advise/due';
import type { ClassRecord, Person, Visit } from '@/core/formats/book';
import type { LocalDay } from '@/core/formats/time';
import type { Entry } from './ics';

interface Kept {
  readonly people: readonly Person[];
  readonly visits: readonly Visit[];
  readonly classes: readonly ClassRecord[];
  /** When each was read last; undefined for somebody who never was. */
  readonly readAt: (person: string) => string | undefined;
}

/** As much of a name as a calendar needs to be told apart: "Marit O." */
export function shortName(name: string): string {
  const [first = '', ...more] = name.trim().split(/\s+/);
  const last = more.at(-1);
  return last ? `${first} ${last.slice(0, 1)}.` : first;
}

/** Visits, classes and the days on which somebody is due for a reading, as they stand in a calendar. */
export function entriesOf({ people, visits, classes, readAt }: Kept, today: LocalDay): Entry[] {
  const nameOf = new Map(people.map(({ id, name }) => [id, shortName(name)]));
  const named = (ids: readonly string[]) => ids.flatMap((id) => nameOf.get(id) ?? []).join(', ');
  return [
    ...visits.flatMap((one): Entry[] => {
      const words = nameOf.get(one.person);
      return words ? [{ ...one, words, on: one.on as LocalDay }] : [];
    }),
    ...classes.flatMap((one): Entry[] =>
      one.on
        ? [
            {
              ...one,
              words: one.name ?? 'Class',
              on: one.on as LocalDay,
              more: named(one.people ?? []),
            },
          ]
        : [],
    ),
    ...people.map(({ id }) => ({
      id: `reading-${id}`,
      words: `Due for a reading: ${nameOf.get(id) ?? ''}`,
      on: nextReading(readAt(id), today),
    })),
  ];
}

/** Poses of a sheet, every day from today for four weeks. */
export const dailyAtHome = (person: string, poses: readonly string[], today: LocalDay): Entry => ({
  id: `home-${person}`,
  words: `At home: ${poses.join(', ')}`,
  on: today,
  repeats: `FREQ=DAILY;COUNT=${WEEKS_AT_HOME * 7}`,
});
export const WEEKS_AT_HOME = 4;
