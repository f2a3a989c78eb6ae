import type { Book, Person } from '../formats/book';
import type { Eyes } from '../ranges/protocols';
import type { StudentRecord } from './estimate';

/** The facts of one student out of a book, with how the teacher's eye reads where that is proven. */
export function recordOf(
  book: Pick<Book, 'readings' | 'sessions' | 'settings'>,
  person: Person,
): StudentRecord {
  const own = <T extends { person: string }>(records: readonly T[]) =>
    records.filter((one) => one.person === person.id);
  const { eyes } = book.settings;
  return {
    person,
    readings: own(book.readings),
    sessions: own(book.sessions),
    ...(eyes ? { eyes: eyes as Eyes } : {}),
  };
}
