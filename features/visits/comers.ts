import type { ClassRecord, Visit } from '@/core/formats/book';
import type { LocalDay } from '@/core/formats/time';

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

/** In the order of days and hours; those without an hour come last in their day. */
export const inOrder = <M extends Meeting>(those: readonly Occurrence<M>[]): Occurrence<M>[] => {
  const key = ({ on, what }: Occurrence) => `${on} ${what.time ?? '99:99'} ${what.id}`;
  return [...those].sort((a, b) => key(a).localeCompare(key(b)));
};

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
