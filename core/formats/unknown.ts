import type { z } from '../z';
import { pathWords, type Fault } from './limits';

/** Fields that name something of a table: a later version may name more. */
const naming = new Set([
  'range',
  'method',
  'kind',
  'slot',
  'dial',
  'place',
  'stop',
  'approach',
  'theme',
]);
/** Records that stand by themselves: one that names what is not known here lies aside until it is. */
const aside = new Set(['readings', 'shelf', 'sessions', 'classes', 'visits']);

type Json = Record<string, unknown>;
const isJson = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const at = (json: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (value, step) =>
      typeof value === 'object' && value !== null ? (value as Json)[step as string] : undefined,
    json,
  );

/** Whether a fault is only that a name is none that this version knows. */
const isUnknownName = (json: unknown, { code, path }: z.core.$ZodIssue): boolean =>
  code === 'invalid_value' &&
  naming.has(String(path.at(-1))) &&
  typeof at(json, path) === 'string' &&
  at(json, path) !== '';

/**
 * A book without what only a later version knows, where that is all that is wrong with it: readings, props, sessions and
 * the like that name something unknown lie aside with the reason; a student's unknown approach or prop at home and an
 * unknown theme wait beside, under `unknown`, while the usual one serves. Null where anything else is wrong.
 */
export function withoutUnknown(
  json: unknown,
  issues: readonly z.core.$ZodIssue[],
): { readonly json: Json; readonly notes: readonly Fault[] } | null {
  if (!isJson(json) || !issues.every((issue) => isUnknownName(json, issue))) return null;
  const book: Json = { ...json };
  const notes: Fault[] = [];
  const gone = new Map<string, Set<number>>();
  for (const { path } of issues) {
    const [field, index] = path as [string, number];
    const name = String(at(json, path));
    if (aside.has(field) && typeof index === 'number') {
      (gone.get(field) ?? gone.set(field, new Set()).get(field))?.add(index);
      notes.push(
        told(path, name, 'the record lies aside as it came, and is left out of everything'),
      );
    } else if (path.length === 2 && field === 'settings')
      book.settings = besides(book.settings, 'theme', 'theme');
    else if (field === 'people' && path.length === 3 && path[2] === 'approach')
      book.people = replaced(book.people, index, (one) => besides(one, 'approach', 'approach'));
    else if (field === 'people' && path[2] === 'home' && path.length === 5)
      book.people = replaced(book.people, index, (one) =>
        homeBesides(one, at(json, path.slice(0, 4))),
      );
    else return null;
    if (!aside.has(field))
      notes.push(told(path, name, 'it is kept, and the usual one serves meanwhile'));
  }
  const texts: { key: string; text: string }[] = [];
  for (const [field, indexes] of gone) {
    const records = book[field] as readonly unknown[];
    for (const index of indexes) {
      const record = records[index];
      const id = isJson(record) ? record.id : undefined;
      if (typeof id !== 'string' || id === '') return null;
      texts.push({ key: `${field}/${id}`, text: JSON.stringify(record) });
    }
    book[field] = records.filter((_, i) => !indexes.has(i));
  }
  if (texts.length > 0)
    book.setAside = [
      ...(Array.isArray(book.setAside) ? (book.setAside as unknown[]) : []),
      ...texts,
    ];
  return { json: book, notes };
}

const told = (path: readonly PropertyKey[], name: string, what: string): Fault => ({
  path: pathWords(path),
  words: `“${name.slice(0, 80)}” is not known to this version: ${what}.`,
});

/** A record whose field waits under `unknown`. */
function besides(record: unknown, field: string, name: string): Json {
  const { [field]: value, unknown, ...rest } = record as Json;
  return { ...rest, unknown: { ...(isJson(unknown) ? unknown : {}), [name]: value } };
}

/** A student without one prop at home that is of a kind not known here; it waits under `unknown`. */
function homeBesides(student: Json, item: unknown): Json {
  const { home, unknown, ...rest } = student;
  const before = isJson(unknown) ? unknown : {};
  return {
    ...rest,
    home: (home as readonly unknown[]).filter((one) => one !== item),
    unknown: { ...before, home: [...(Array.isArray(before.home) ? before.home : []), item] },
  };
}

const replaced = (list: unknown, index: number, by: (one: Json) => Json): unknown[] =>
  (list as readonly unknown[]).map((one, i) => (i === index ? by(one as Json) : one));
