import { askedFor, counted, type AskedFor, type Counted } from './asked';
import type { z } from '../z';
import type { ReadingRefused } from './readingRefused';

/** What kind of value stands, or should stand, in a field. */
export type JsonKind =
  'text' | 'number' | 'whole-number' | 'truth' | 'object' | 'list' | 'null' | 'nothing';

/** What is wrong in a file, or worth a word about it: by code, with what its sentence needs. */
export interface FileFaults extends Readonly<Record<AskedFor, object>> {
  'no-utf8': object;
  'no-json': object;
  /** A record's text ends too early. */
  'broken-off': object;
  /** A book's text ends too early, or was changed. */
  cut: object;
  'no-field': object;
  'too-long': { readonly letters: number };
  'too-deep': { readonly levels: number };
  'own-name': object;
  /** Faults that are not listed. */
  more: { readonly many: number };
  twice: { readonly id: string };
  'no-person': { readonly person: string };
  'field-name': { readonly name: string };
  'after-today': { readonly day: string; readonly today: string };
  'repeats-unread': { readonly repeats: string };
  /** Named by a later version: the record lies aside, or the usual one serves meanwhile. */
  'unknown-aside': { readonly name: string };
  'unknown-beside': { readonly name: string };
  'other-id': { readonly id: string };
  reading: { readonly refused: ReadingRefused };
  kind: { readonly expected: JsonKind | null; readonly stands: JsonKind };
  'too-big': { readonly most: number; readonly of: Counted | null };
  'too-small': { readonly least: number; readonly of: Counted | null };
  'not-one-of': { readonly values: readonly string[] };
  'begins-otherwise': object;
  'written-otherwise': object;
  'unknown-fields': { readonly names: readonly string[] };
  'unknown-name': object;
  'no-multiple': { readonly of: number };
  unreadable: object;
  /** Of a table: columns that are missing, or a cell that says nothing known. */
  'no-columns': { readonly columns: readonly string[] };
  'no-student': { readonly name: string };
  'two-students': { readonly name: string };
  'day-to-come': { readonly day: string };
  'no-value': object;
  cell: { readonly is: 'range' | 'pose' | 'slot' | 'day' | 'number'; readonly text: string };
}
export type FileFaultCode = keyof FileFaults;
export type FileFault = {
  [K in FileFaultCode]: { readonly code: K } & Readonly<FileFaults[K]>;
}[FileFaultCode];

/** Something wrong in a file, and where it is. */
export interface Fault {
  /** `readings[3].values[0]`; nothing for all of it. */
  readonly path: string;
  /** The line of the file, from 1, where it is known. */
  readonly line?: number;
  readonly says: FileFault;
}

/** A path in a file as it is written: `people[2].name`; nothing for all of it. */
export const writtenPath = (path: readonly PropertyKey[]) =>
  path.reduce<string>(
    (sum, step) =>
      typeof step === 'number'
        ? `${sum}[${step}]`
        : sum === ''
          ? String(step)
          : `${sum}.${String(step)}`,
    '',
  );

const isOf = <T extends string>(words: readonly T[], word: string): word is T =>
  (words as readonly string[]).includes(word);

const kinds: Readonly<Record<string, JsonKind>> = {
  string: 'text',
  number: 'number',
  nan: 'number',
  int: 'whole-number',
  boolean: 'truth',
  object: 'object',
  record: 'object',
  array: 'list',
  tuple: 'list',
  null: 'null',
  undefined: 'nothing',
};
const kindNamed = (type: string): JsonKind | null =>
  Object.hasOwn(kinds, type) ? (kinds[type] as JsonKind) : null;
const kindOf = (value: unknown): JsonKind =>
  value === null ? 'null' : Array.isArray(value) ? 'list' : (kindNamed(typeof value) ?? 'nothing');

/** What stands at a place of a JSON value, if anything does. */
export const standsAt = (json: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (value, step) =>
      typeof value === 'object' && value !== null && Object.hasOwn(value, step)
        ? (value as Record<PropertyKey, unknown>)[step]
        : undefined,
    json,
  );

const countedIn = ({ message, origin }: { message: string; origin: string }): Counted | null =>
  isOf(counted, message)
    ? message
    : origin === 'string'
      ? 'letters'
      : origin === 'array' || origin === 'set'
        ? 'entries'
        : null;

function faultOf(issue: z.core.$ZodIssue, json: unknown): FileFault {
  if (isOf(askedFor, issue.message)) return { code: issue.message };
  switch (issue.code) {
    case 'invalid_type':
      return {
        code: 'kind',
        expected: kindNamed(issue.expected),
        stands: kindOf(standsAt(json, issue.path)),
      };
    case 'too_big':
      return { code: 'too-big', most: Number(issue.maximum), of: countedIn(issue) };
    case 'too_small':
      return { code: 'too-small', least: Number(issue.minimum), of: countedIn(issue) };
    case 'invalid_value':
      return { code: 'not-one-of', values: issue.values.map(String) };
    case 'invalid_format':
      return issue.format === 'date'
        ? { code: 'day' }
        : { code: issue.format === 'starts_with' ? 'begins-otherwise' : 'written-otherwise' };
    case 'unrecognized_keys':
      return { code: 'unknown-fields', names: issue.keys };
    case 'invalid_key':
      return { code: 'unknown-name' };
    case 'not_multiple_of':
      return { code: 'no-multiple', of: issue.divisor };
    default:
      return { code: 'unreadable' };
  }
}

/** How a schema is asked: its messages are our codes, and where it has none the kind of fault tells. */
export const inCodes = { error: () => '' };

/** What the shape of a file breaks, asked `inCodes`. */
export const faultsIn = ({ issues }: z.ZodError, json: unknown): Fault[] =>
  issues.map((issue) => ({ path: writtenPath(issue.path), says: faultOf(issue, json) }));
