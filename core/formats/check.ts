import { lessonFileSchema } from './lesson';
import type { z } from '../z';
import { bookSchema, shelfFileSchema, type Book } from './book';
import { bookLists } from './facts';
import { faultsIn, inCodes, type Fault } from './faults';
import { unfitIn } from './limits';
import { isOwnName } from './ownName';
import { readingRefused } from './readingRefused';
import { isReadRule } from './repeats';
import { withoutUnknown } from './unknown';
import { dayOf, type LocalDay } from './time';

/** What was read, with what is worth a word about it; or what is wrong. */
export type Parsed<T> =
  | { readonly ok: true; readonly value: T; readonly notes: readonly Fault[] }
  | { readonly ok: false; readonly faults: readonly Fault[] };

export const MOST_FAULTS = 200;

/** The first faults, and how many more there are. */
const firstOf = (faults: readonly Fault[]): Fault[] =>
  faults.length <= MOST_FAULTS
    ? [...faults]
    : [
        ...faults.slice(0, MOST_FAULTS),
        { path: '', says: { code: 'more', many: faults.length - MOST_FAULTS } },
      ];

/** Where a JSON text breaks: its line, from the parser's own position where it gives one. */
function brokenAt(text: string, error: unknown): { readonly line?: number } {
  const position = /position (\d+)/.exec(String(error))?.[1];
  return position === undefined ? {} : { line: text.slice(0, Number(position)).split('\n').length };
}

const NEWLINE = 10;
/** The line, from 1, in which bytes first are no UTF-8. */
function badLine(bytes: Uint8Array): number {
  for (let line = 1, from = 0; from <= bytes.length; line++) {
    const end = bytes.indexOf(NEWLINE, from);
    const to = end < 0 ? bytes.length : end;
    try {
      new TextDecoder('utf-8', { fatal: true }).decode(bytes.subarray(from, to));
    } catch {
      return line;
    }
    from = to + 1;
  }
  return 1;
}

/** Reads a book from the bytes of a file, which must be UTF-8. `today` is a calendar day. */
export function parseBookFile(bytes: Uint8Array, today: LocalDay): Parsed<Book> {
  const text = textOf(bytes);
  return text.ok ? parseBook(text.value, today) : text;
}

/** The text of a file, which must be UTF-8. */
function textOf(bytes: Uint8Array): Parsed<string> {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return {
      ok: false,
      faults: [{ path: '', line: badLine(bytes), says: { code: 'no-utf8' } }],
    };
  }
  return { ok: true, value: text, notes: [] };
}

/**
 * Reads a book from text: JSON, then shape, then sense. What is dated after `today`, a calendar day, is taken in with
 * word of it.
 */
export function parseBook(text: string, today: LocalDay): Parsed<Book> {
  const json = jsonOf(text);
  return json.ok ? checkBook(json.value, today) : json;
}

/** Reads a small file of one kind from its bytes. */
function parseFile<T>(bytes: Uint8Array, schema: z.ZodType<T>): Parsed<T> {
  const text = textOf(bytes);
  const json = text.ok ? jsonOf(text.value) : text;
  if (!json.ok) return json;
  const unfit = unfitIn(json.value);
  if (unfit) return { ok: false, faults: [unfit] };
  const parsed = schema.safeParse(json.value, inCodes);
  return parsed.success
    ? { ok: true, value: parsed.data, notes: [] }
    : { ok: false, faults: firstOf(faultsIn(parsed.error, json.value)) };
}

/** Reads the props of a shelf from the bytes of a file: a shelf by itself, or the shelf of a book. */
export function parseShelfFile(bytes: Uint8Array): Parsed<z.infer<typeof shelfFileSchema>> {
  const parsed = parseFile(bytes, shelfFileSchema);
  const faults = parsed.ok ? repeated('shelf', parsed.value.shelf) : [];
  return faults.length > 0 ? { ok: false, faults: firstOf(faults) } : parsed;
}

/** Reads a lesson from the bytes of a file; steps that this version does not know are kept as they came. */
export const parseLessonFile = (bytes: Uint8Array): Parsed<z.infer<typeof lessonFileSchema>> =>
  parseFile(bytes, lessonFileSchema);

function jsonOf(text: string): Parsed<unknown> {
  let json: unknown;
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return {
      ok: false,
      faults: [{ path: '', ...brokenAt(text, error), says: { code: 'no-json' } }],
    };
  }
  return { ok: true, value: json, notes: [] };
}

/** Checks a book that was read already: the book with notes, or every fault with its place and remedy. */
export function checkBook(json: unknown, today: LocalDay): Parsed<Book> {
  const shaped = checkShape(json);
  if (!shaped.ok) return shaped;
  const faults = senseFaults(shaped.value);
  return faults.length > 0
    ? { ok: false, faults: firstOf(faults) }
    : {
        ok: true,
        value: shaped.value,
        notes: firstOf([...shaped.notes, ...notesOn(shaped.value, today)]),
      };
}

/** Checks the shape of a book alone: each record by itself, whatever the others are. */
export function checkShape(json: unknown): Parsed<Book> {
  const unfit = unfitIn(json);
  if (unfit) return { ok: false, faults: [unfit] };
  const first = bookSchema.safeParse(json, inCodes);
  // What a later version names is kept as it came, and no reason to refuse the rest.
  const known = first.success ? null : withoutUnknown(json, first.error.issues);
  const parsed = known ? bookSchema.safeParse(known.json, inCodes) : first;
  return parsed.success
    ? { ok: true, value: parsed.data, notes: known?.notes ?? [] }
    : { ok: false, faults: firstOf(faultsIn(parsed.error, known?.json ?? json)) };
}

function repeated(kind: string, records: readonly { id: string }[]): Fault[] {
  const seen = new Set<string>();
  return records.flatMap(({ id }, i) => {
    if (!seen.has(id)) {
      seen.add(id);
      return [];
    }
    return [{ path: `${kind}[${i}].id`, says: { code: 'twice', id } }];
  });
}

/** Letters that the name of a book's own field may have. */
const MOST_NAME_LETTERS = 400;
/** Fields of other versions are kept under their names: one whose name nothing can be kept under is refused. */
const unkeepable = (book: Book): Fault[] =>
  Object.keys(book)
    .filter((name) => name === '' || name.length > MOST_NAME_LETTERS || !isOwnName(name))
    .map((name) => ({ path: '', says: { code: 'field-name', name: name.slice(0, 40) } }));

/** Faults that only show when records are looked at together. */
function senseFaults(book: Book): Fault[] {
  const people = new Set(book.people.map(({ id }) => id));
  const unknown = (path: string, person: string): Fault[] =>
    people.has(person) ? [] : [{ path, says: { code: 'no-person', person } }];
  return [
    ...unkeepable(book),
    ...bookLists.flatMap((list) => repeated(list, book[list])),
    ...book.readings.flatMap((reading, i) => [
      ...unknown(`readings[${i}].person`, reading.person),
      ...readingRefused(reading).map((refused): Fault => ({
        path: `readings[${i}].values`,
        says: { code: 'reading', refused },
      })),
    ]),
    ...(['sessions', 'visits', 'practices'] as const).flatMap((list) =>
      book[list].flatMap(({ person }, i) => unknown(`${list}[${i}].person`, person)),
    ),
  ];
}

/**
 * What is no fault and still worth a word: a clock that was wrong once dates a record in the future, another program
 * repeats in its own way.
 */
export function notesOn(book: Book, today: LocalDay): Fault[] {
  const late = (kind: 'readings' | 'sessions' | 'practices') =>
    book[kind].flatMap(({ at }, i): Fault[] =>
      dayOf(at) > today
        ? [
            {
              path: `${kind}[${i}].at`,
              says: { code: 'after-today', day: dayOf(at), today },
            },
          ]
        : [],
    );
  const unread = (kind: 'visits' | 'classes') =>
    book[kind].flatMap(({ repeats }, i): Fault[] =>
      repeats === undefined || isReadRule(repeats)
        ? []
        : [
            {
              path: `${kind}[${i}].repeats`,
              says: { code: 'repeats-unread', repeats },
            },
          ],
    );
  return [
    ...late('readings'),
    ...late('sessions'),
    ...late('practices'),
    ...unread('visits'),
    ...unread('classes'),
  ];
}
