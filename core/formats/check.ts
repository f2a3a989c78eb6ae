import type { z } from 'zod';
import { protocolOf } from '../ranges/protocols';
import { ranges } from '../ranges/ranges';
import { bookSchema, type Book } from './book';
import { dayOf } from './time';

/** Something wrong in a file, where it is, and what to do about it. */
export interface Fault {
  /** `readings[3].values[0]`, or `line 12`. */
  readonly path: string;
  readonly words: string;
}

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly Fault[] };

export const pathWords = (path: readonly PropertyKey[]) =>
  path.reduce<string>((sum, step) => (typeof step === 'number' ? `${sum}[${step}]` : sum === '' ? String(step) : `${sum}.${String(step)}`), '') || 'the file';

const MOST_FAULTS = 200;

/** What Zod found, in words for a person. */
export function faultsOf(error: z.ZodError): Fault[] {
  return error.issues.slice(0, MOST_FAULTS).map((issue) => ({ path: pathWords(issue.path), words: issue.message }));
}

/** Where a JSON text breaks, as a line number, from the parser's own position where it gives one. */
function brokenAt(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))?.[1];
  return position === undefined ? 'the file' : `line ${text.slice(0, Number(position)).split('\n').length}`;
}

/** Reads a book from text: JSON, then shape, then sense. `today` is a calendar day; nothing may be dated after it. */
export function parseBook(text: string, today: string): Parsed<Book> {
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return { ok: false, faults: [{ path: brokenAt(text, error), words: 'This is not whole JSON: the file is broken off or is not an Ojas book. Export it again, or choose another file.' }] };
  }
  return checkBook(json, today);
}

export function checkBook(json: unknown, today: string): Parsed<Book> {
  const parsed = bookSchema.safeParse(json);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const faults = senseFaults(parsed.data, today);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: parsed.data };
}

function repeated(kind: string, records: readonly { id: string }[]): Fault[] {
  const seen = new Set<string>();
  return records.flatMap(({ id }, i) => {
    if (!seen.has(id)) {
      seen.add(id);
      return [];
    }
    return [{ path: `${kind}[${i}].id`, words: `${id} stands twice; every id may stand once.` }];
  });
}

/** Faults that only show when records are looked at together, or against the calendar. */
function senseFaults(book: Book, today: string): Fault[] {
  const people = new Set(book.people.map(({ id }) => id));
  const unknown = (path: string, person: string): Fault[] => (people.has(person) ? [] : [{ path, words: `there is no person ${person} in this book.` }]);
  const late = (path: string, at: string): Fault[] => (dayOf(at) > today ? [{ path, words: `${dayOf(at)} is after today, ${today}.` }] : []);
  return [
    ...repeated('people', book.people), ...repeated('readings', book.readings), ...repeated('shelf', book.shelf), ...repeated('sessions', book.sessions), ...repeated('classes', book.classes),
    ...book.readings.flatMap((reading, i) => [
      ...unknown(`readings[${i}].person`, reading.person), ...late(`readings[${i}].at`, reading.at), ...readingFaults(reading).map((words) => ({ path: `readings[${i}].values`, words })),
    ]),
    ...book.sessions.flatMap((session, i) => [...unknown(`sessions[${i}].person`, session.person), ...late(`sessions[${i}].at`, session.at)]),
  ].slice(0, MOST_FAULTS);
}

/** What is wrong with a reading's values: a range that no human has, or a way of reading that does not exist. */
export function readingFaults(reading: Pick<Book['readings'][number], 'range' | 'method' | 'protocol' | 'values' | 'side'>): string[] {
  const range = ranges[reading.range];
  const protocol = protocolOf(reading.range, reading.method, reading.protocol);
  if (reading.protocol !== undefined && !protocol) return [`${reading.protocol} is no way of reading ${range.name}.`];
  if (range.sided && reading.side === 'both') return [`${range.name} is read left and right apart; say which side.`];
  const { least, most } = protocol ?? range;
  const unit = protocol?.unit === 'cm' ? ' cm' : range.unit === 'deg' ? '°' : '';
  return reading.values.flatMap((value) =>
    value < least || value > most ? [`${value}${unit} is outside what a person can show for ${range.name.toLowerCase()} (${least} to ${most}${unit}); read it again.`] : []);
}
