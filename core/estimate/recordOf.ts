import type { Book, Person } from '../formats/book';
import type { Eyes } from '../protocols/protocols';
import type { StudentRecord } from './estimate';

/** The facts of one student, with how the teacher's eye reads where that is proven. */
export function recordFrom(
  person: Person,
  { readings, sessions, practices = [] }: Omit<StudentRecord, 'person' | 'eyes'>,
  { eyes }: Pick<Book['settings'], 'eyes'>,
): StudentRecord {
  return {
    person,
    readings,
    sessions,
    ...(practices.length > 0 ? { practices } : {}),
    ...(eyes ? { eyes: eyes as Eyes } : {}),
  };
}

/** The facts of one student out of a book. */
export function recordOf(
  {
    readings,
    sessions,
    practices = [],
    settings,
  }: Pick<Book, 'readings' | 'sessions' | 'settings'> & Partial<Pick<Book, 'practices'>>,
  person: Person,
): StudentRecord {
  const own = <T extends { person: string }>(records: readonly T[]) =>
    records.filter((one) => one.person === person.id);
  return recordFrom(
    person,
    { readings: own(readings), sessions: own(sessions), practices: own(practices) },
    settings,
  );
}
