import type { Book, Person } from '../formats/book';
import type { Eyes } from '../protocols/protocols';
import type { StudentRecord } from './estimate';

/** The facts of one student, with how the teacher's eye reads where that is proven. */
export function recordFrom(
  person: Person,
  { readings, sessions }: Pick<StudentRecord, 'readings' | 'sessions'>,
  { eyes }: Pick<Book['settings'], 'eyes'>,
): StudentRecord {
  return { person, readings, sessions, ...(eyes ? { eyes: eyes as Eyes } : {}) };
}

/** The facts of one student out of a book. */
export function recordOf(
  { readings, sessions, settings }: Pick<Book, 'readings' | 'sessions' | 'settings'>,
  person: Person,
): StudentRecord {
  const own = <T extends { person: string }>(records: readonly T[]) =>
    records.filter((one) => one.person === person.id);
  return recordFrom(person, { readings: own(readings), sessions: own(sessions) }, settings);
}
