import { bookFields, type Book } from './book';
import { inTime } from './time';
import {
  SETTINGS_ID,
  usualSettings,
  type Fact,
  type FactKind,
  type Facts,
  type SettingsRecord,
} from './facts';

/** A text that could not be read as a record, as a book carries it: fields that came beside it go along. */
export interface AsideText {
  /** What it was: `people/p1`. */
  readonly key: string;
  readonly text: string;
}

/** A record that could not be read: kept as it is, shown, never fatal. */
export interface SetAside {
  /** Where it is kept now. */
  readonly at: string;
  readonly of: AsideText;
  readonly words: string;
}

/** Records under their own ids: no id stands twice in a book, whatever they are kept by. */
const eachOnce = <T extends { readonly id: string }>(records: Readonly<Record<string, T>>): T[] =>
  Object.entries(records).flatMap(([id, record]) => (record.id === id ? [record] : []));

/**
 * All facts as a book, oldest first where they have a date; with what was set aside, so that nothing is lost on the
 * way.
 */
export function bookOf(facts: Facts, setAside: readonly AsideText[] = []): Book {
  const { id: _id, ...settings } = facts.settings[SETTINGS_ID] ?? usualSettings;
  return {
    format: 'ojas-book/1',
    people: eachOnce(facts.people),
    readings: inTime(eachOnce(facts.readings)),
    shelf: eachOnce(facts.shelf) as Book['shelf'],
    sessions: inTime(eachOnce(facts.sessions)),
    classes: eachOnce(facts.classes),
    visits: eachOnce(facts.visits),
    practices: inTime(eachOnce(facts.practices)),
    settings,
    ...Object.fromEntries(
      Object.values(facts.extras)
        .filter(({ id }) => !bookFields.has(id))
        .map(({ id, value }) => [id, value]),
    ),
    ...(Object.keys(facts.gone).length > 0 ? { gone: eachOnce(facts.gone) } : {}),
    ...(setAside.length > 0 ? { setAside: [...setAside] } : {}),
  };
}

const factsAs = <K extends FactKind>(kind: K, records: readonly { id: string }[]): Fact[] =>
  records.map((record) => ({ kind, id: record.id, record }) as Fact);

/** What a book holds, as facts: its settings, and fields that this version does not know, too. */
export function factsOfBook(book: Book): Fact[] {
  const extras = Object.entries(book as Record<string, unknown>)
    .filter(([field]) => !bookFields.has(field))
    .map(([id, value]) => ({ id, value }));
  const settings: SettingsRecord = { ...book.settings, id: SETTINGS_ID };
  return [
    ...factsAs('people', book.people),
    ...factsAs('readings', book.readings),
    ...factsAs('shelf', book.shelf),
    ...factsAs('sessions', book.sessions),
    ...factsAs('classes', book.classes),
    ...factsAs('visits', book.visits),
    ...factsAs('practices', book.practices),
    ...factsAs('settings', [settings]),
    ...factsAs('extras', extras),
    ...factsAs('gone', book.gone ?? []),
  ];
}

/** How many records a book holds, of whatever kind, with those that could not be read. */
export const recordsIn = (book: Book): number =>
  Object.values(book).reduce<number>(
    (sum, part) => sum + (Array.isArray(part) ? part.length : 0),
    0,
  );

const SLICE = 2000;

/**
 * A book as the parts of a file, to be written one after another: a line for each record, so that a fault can be named
 * by its line and a book of many years takes no more room than it must.
 */
export const bookParts = (book: Book): string[] => [...eachPart(book)];

/** The same one part at a time, so that no two need be held. */
export function* eachPart(book: Book): Generator<string> {
  yield '{';
  for (const [i, [field, value]] of Object.entries(book).entries()) {
    yield `${i > 0 ? ',' : ''}\n${JSON.stringify(field)}:`;
    if (!Array.isArray(value) || value.length === 0) {
      yield JSON.stringify(value);
      continue;
    }
    for (let from = 0; from < value.length; from += SLICE)
      yield `${from === 0 ? '[' : ','}\n${value
        .slice(from, from + SLICE)
        .map((one) => JSON.stringify(one))
        .join(',\n')}`;
    yield '\n]';
  }
  yield '\n}\n';
}
