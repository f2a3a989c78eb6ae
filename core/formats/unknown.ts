import type { z } from '../z';
import { bookLists } from './facts';
import { standsAt, writtenPath, type Fault } from './faults';

/** Fields that name something of a table: a later version may name more. */
const naming = new Set([
  'range',
  'method',
  'kind',
  'slot',
  'dial',
  'place',
  'stop',
  'felt',
  'approach',
  'theme',
]);
/** Records that stand by themselves: one that names what is not known here lies aside until it is. */
const aside: ReadonlySet<string> = new Set(bookLists.filter((list) => list !== 'people'));

type Json = Record<string, unknown>;
const isJson = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** Whether a fault is only that a name is none that this version knows. */
const isUnknownName = (json: unknown, { code, path }: z.core.$ZodIssue): boolean =>
  code === 'invalid_value' &&
  naming.has(String(path.at(-1))) &&
  typeof standsAt(json, path) === 'string' &&
  standsAt(json, path) !== '';

/**
 * A book without what only a later version knows, where that is all that is wrong with it: readings, props, sessions
 * and the like that name something unknown lie aside with the reason; a student's unknown approach or prop at home and
 * an unknown theme wait beside, under `unknown`, while the usual one serves. Null where anything else is wrong.
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
    const isAside = aside.has(field) && typeof index === 'number';
    if (isAside) gone.set(field, (gone.get(field) ?? new Set()).add(index));
    else if (!waitsBeside(book, json, path)) return null;
    notes.push({
      path: writtenPath(path),
      says: {
        code: isAside ? 'unknown-aside' : 'unknown-beside',
        name: String(standsAt(json, path)).slice(0, 80),
      },
    });
  }
  return layAside(book, gone) ? { json: book, notes } : null;
}

/** Lays records of a book aside, by their places in its lists; false where one has no id to lie under. */
function layAside(book: Json, gone: ReadonlyMap<string, ReadonlySet<number>>): boolean {
  const texts: { key: string; text: string }[] = [];
  for (const [field, indexes] of gone) {
    const records = book[field] as readonly unknown[];
    for (const index of indexes) {
      const id = standsAt(records, [index, 'id']);
      if (typeof id !== 'string' || id === '') return false;
      texts.push({ key: `${field}/${id}`, text: JSON.stringify(records[index]) });
    }
    book[field] = records.filter((_, i) => !indexes.has(i));
  }
  const before = Array.isArray(book.setAside) ? (book.setAside as unknown[]) : [];
  if (texts.length > 0) book.setAside = [...before, ...texts];
  return true;
}

/** Lets an unknown approach, prop at home or theme wait beside; false for a field of which there is no usual one. */
function waitsBeside(book: Json, json: Json, path: readonly PropertyKey[]): boolean {
  const [field, index, inside] = path as [string, number, string];
  const ofPeople = (by: (one: Json) => Json) => {
    book.people = (book.people as readonly unknown[]).map((one, i) =>
      i === index ? by(one as Json) : one,
    );
    return true;
  };
  if (field === 'settings' && path.length === 2) {
    book.settings = besides(book.settings, 'theme');
    return true;
  }
  if (field !== 'people') return false;
  if (inside === 'approach' && path.length === 3)
    return ofPeople((one) => besides(one, 'approach'));
  if (inside === 'home' && path.length === 5)
    return ofPeople((one) => homeBesides(one, standsAt(json, path.slice(0, 4))));
  return false;
}

/** A record whose field waits under `unknown`. */
function besides(record: unknown, field: string): Json {
  const { [field]: value, unknown, ...rest } = record as Json;
  return { ...rest, unknown: { ...(isJson(unknown) ? unknown : {}), [field]: value } };
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
