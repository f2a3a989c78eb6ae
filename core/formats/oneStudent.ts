import type { Book, Person } from './book';
import { usualSettings } from './facts';

/** What is said of a body's health: the answers at intake, and what was noted freely. */
function withoutHealth({ note: _note, edits, ...person }: Person): Person {
  const told = Object.entries(edits ?? {}).filter(([part]) => !/^(cautions|note)(\/|$)/.test(part));
  return {
    ...person,
    cautions: [],
    ...(edits ? { edits: Object.fromEntries(told) } : {}),
  };
}

/**
 * One student's record as a book of its own, to be given to them, to a therapist or to another teacher: their readings,
 * sessions and visits, and of the shelf what their sessions were built of. Nobody else stands in it, nor what the teacher
 * has set for themselves.
 *
 * @param withAnswers whether the answers on health and free notes go along.
 * @returns null where nobody is called so.
 */
export function bookOfOne(book: Book, person: string, withAnswers: boolean): Book | null {
  const one = book.people.find(({ id }) => id === person);
  if (!one) return null;
  const readings = book.readings.filter((reading) => reading.person === person);
  const sessions = book.sessions.filter((session) => session.person === person);
  const used = new Set(
    sessions.flatMap(({ poses }) =>
      poses.flatMap(({ settled }) =>
        settled.flatMap(({ pieces }) => pieces.map(({ item }) => item)),
      ),
    ),
  );
  const { id: _id, ...settings } = usualSettings;
  return {
    format: 'ojas-book/1',
    people: [withAnswers ? one : withoutHealth(one)],
    readings: withAnswers ? readings : readings.map((reading) => ({ ...reading, note: '' })),
    shelf: book.shelf.filter(({ id }) => used.has(id)),
    sessions: withAnswers ? sessions : sessions.map(({ note: _note, ...session }) => session),
    classes: [],
    visits: book.visits.filter((visit) => visit.person === person),
    practices: book.practices.filter((practice) => practice.person === person),
    settings: { ...settings, units: book.settings.units },
  };
}
