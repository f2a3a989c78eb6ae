import { sameValue } from './sameValue';

/**
 * When each field of a record was last changed, and before that: marks, the newest first, under the field's name. A
 * record that carries another's newest mark among its own has seen that change, so that two devices can tell which of
 * them changed a field, and whether both did.
 */
export type Edits = Readonly<Record<string, readonly string[]>>;

type Fields = Readonly<Record<string, unknown>>;
/** How many changes of one field are remembered. */
export const MOST_MARKS = 12;
/** What is no field of its own: what a record is called by, and this very memory. */
const isOwnField = (field: string) => field !== 'id' && field !== 'edits';
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Parts of a list by their ids, where each has one of its own; else null. */
function byId(list: readonly unknown[]): Map<string, unknown> | null {
  const parts = new Map<string, unknown>();
  for (const one of list) {
    const id = isFields(one) ? one.id : undefined;
    if (typeof id !== 'string' || parts.has(id)) return null;
    parts.set(id, one);
  }
  return parts;
}

const nameOf = (field: string, part: string) => `${field}/${part}`;

/** A record in the parts that may be changed each by itself: its fields, and what stands in them by names or ids. */
export function partsOf(record: object): Map<string, unknown> {
  const parts = new Map<string, unknown>();
  for (const [field, value] of Object.entries(record)) {
    if (!isOwnField(field) || value === undefined) continue;
    const inside = Array.isArray(value)
      ? byId(value)
      : isFields(value)
        ? Object.entries(value)
        : null;
    if (inside === null) parts.set(field, value);
    else for (const [part, one] of inside) parts.set(nameOf(field, part), one);
  }
  return parts;
}

/** Names of the parts in which two records differ. */
export function changedParts(one: object, other: object): string[] {
  const [mine, theirs] = [partsOf(one), partsOf(other)];
  return [...new Set([...mine.keys(), ...theirs.keys()])].filter(
    (part) => !sameValue(mine.get(part), theirs.get(part)),
  );
}

const editsOf = (record: object): Edits => (record as { edits?: Edits }).edits ?? {};
const marksOf = (record: object, part: string): readonly string[] =>
  Object.hasOwn(editsOf(record), part) ? (editsOf(record)[part] as readonly string[]) : [];

/** A record as it is after a change, with what changed marked. */
export function marked<T extends object>(was: object, is: T, mark: string): T {
  const changed = changedParts(was, is);
  const { edits: _, ...rest } = is as T & { edits?: Edits };
  const edits = {
    ...editsOf(was),
    ...Object.fromEntries(
      changed.map((part) => [part, [mark, ...marksOf(was, part)].slice(0, MOST_MARKS)]),
    ),
  };
  return (Object.keys(edits).length > 0 ? { ...rest, edits } : rest) as T;
}

/** One part that two devices changed, each in its own way. */
export interface Clashing {
  readonly part: string;
  readonly here: unknown;
  readonly there: unknown;
}

/**
 * Two states of one record made one: what a single side changed is taken from it; what both did is left as it is here,
 * and told.
 */
export function mergedRecord<T extends object>(
  here: T,
  there: T,
): {
  readonly record: T;
  readonly taken: readonly string[];
  readonly clashing: readonly Clashing[];
} {
  const theirs = partsOf(there);
  const mine = partsOf(here);
  const taken: string[] = [];
  const clashing: Clashing[] = [];
  for (const part of changedParts(here, there)) {
    const [ours, others] = [marksOf(here, part), marksOf(there, part)];
    const seenHere = others.length === 0 || ours.includes(others[0] as string);
    const seenThere = ours.length === 0 || others.includes(ours[0] as string);
    if (seenHere === seenThere)
      clashing.push({ part, here: mine.get(part), there: theirs.get(part) });
    else if (seenThere) taken.push(part);
  }
  return { record: withParts(here, there, taken), taken, clashing };
}

/** A record with some parts as they are in another, and what is known of their changes. */
export function withParts<T extends object>(here: T, there: T, parts: readonly string[]): T {
  if (parts.length === 0) return here;
  const record = { ...here } as Record<string, unknown>;
  for (const part of parts) setPart(record, there, part);
  const edits = {
    ...editsOf(here),
    ...Object.fromEntries(
      parts.flatMap((part) => {
        const marks = [...new Set([...marksOf(there, part), ...marksOf(here, part)])];
        return marks.length > 0 ? [[part, marks.slice(0, MOST_MARKS)]] : [];
      }),
    ),
  };
  return { ...record, ...(Object.keys(edits).length > 0 ? { edits } : {}) } as T;
}

/** A record in which it was chosen, part by part, what shall stand: marked as having seen both. */
export function chosenParts<T extends object>(
  here: T,
  there: T,
  chosen: { readonly here: readonly string[]; readonly there: readonly string[] },
  mark: string,
): T {
  const record = withParts(here, there, chosen.there);
  const edits = {
    ...editsOf(record),
    ...Object.fromEntries(
      [...chosen.here, ...chosen.there].map((part) => [
        part,
        [...new Set([mark, ...marksOf(here, part), ...marksOf(there, part)])].slice(0, MOST_MARKS),
      ]),
    ),
  };
  return Object.keys(edits).length > 0 ? { ...record, edits } : record;
}

/** Puts one part as it stands in another record, where it stands in this one; what is not there goes. */
function setPart(record: Record<string, unknown>, from: object, part: string): void {
  const value = partsOf(from).get(part);
  const fields = from as Fields;
  const [field = '', inside] = splitPart(record, fields, part);
  if (inside === null) {
    if (value === undefined) delete record[field];
    else record[field] = value;
    return;
  }
  const before = record[field];
  if (Array.isArray(before ?? fields[field])) {
    const list = (before ?? []) as readonly { id: string }[];
    const at = list.findIndex(({ id }) => id === inside);
    record[field] =
      value === undefined
        ? list.filter(({ id }) => id !== inside)
        : at < 0
          ? [...list, value]
          : list.map((one, i) => (i === at ? value : one));
    return;
  }
  const { [inside]: _, ...others } = (before ?? {}) as Fields;
  record[field] = value === undefined ? others : { ...others, [inside]: value };
}

/** The field of a part and what stands in it; null for the field as a whole. */
function splitPart(one: Fields, other: Fields, part: string): [string, string | null] {
  if (Object.hasOwn(one, part) || Object.hasOwn(other, part)) return [part, null];
  const at = part.indexOf('/');
  return at < 0 ? [part, null] : [part.slice(0, at), part.slice(at + 1)];
}
