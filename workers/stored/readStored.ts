import {
  factKinds,
  personOf,
  readFact,
  type Fact,
  type FactKind,
  type FactOf,
  type FactRef,
  type Facts,
  type Read,
} from '@/core/formats/facts';
import { wordsIn } from '@/ui/words/words';
import { AHEAD, isAside, refOf, shortKey } from './keys';

/** A stored text that is no record, with the reason. */
export interface Unread {
  readonly key: string;
  readonly text: string;
  readonly words: string;
}

/** Whether a record belongs to somebody who is not here. */
export const isStray = (
  kind: FactKind,
  record: Fact['record'],
  people: Readonly<Record<string, unknown>>,
) => {
  const person = personOf({ kind, record } as Fact);
  return person !== null && people[person] === undefined;
};

/** The record that a text holds for its place: it must carry the id of that place, or it would be there twice. */
export function readAt<K extends FactKind>(
  { kind, id }: { readonly kind: K; readonly id: string },
  text: string,
): Read<FactOf[K]> {
  const read = readFact(kind, text);
  return read.ok && (read.record as { id: string }).id !== id
    ? { ok: false, faults: [{ path: 'id', says: { code: 'other-id', id } }] }
    : read;
}

const STRAY = 'The student to whom it belongs is not here.';
/** Why a record cannot be read, or not be taken in. */
export function wordsOn(
  key: string,
  read: ReturnType<typeof readFact> | null,
  free: boolean,
): string {
  if (key === shortKey(AHEAD))
    return 'A change was cut off while it was being written, and never began.';
  if (key.startsWith('draft/')) return 'A session under way that this version cannot go on with.';
  if (read === null) return 'This version knows no record of this kind.';
  if (!read.ok) return wordsIn('cm').faults(read.faults);
  return free ? STRAY : 'Another record has taken its place.';
}

/**
 * Stored texts as facts, and those that cannot be facts with the reason. `people` is who is here, where they were read
 * before.
 */
export function readStored(
  texts: Readonly<Record<string, string | null>>,
  people: Readonly<Record<string, unknown>> | null,
): { facts: Facts; unread: Unread[] } {
  const facts = Object.fromEntries(factKinds.map((kind) => [kind, {}])) as Record<
    FactKind,
    Record<string, unknown>
  >;
  const unread: Unread[] = [];
  const owned: { key: string; text: string; ref: FactRef; record: Fact['record'] }[] = [];
  for (const [key, text] of Object.entries(texts)) {
    if (text === null || isAside(key)) continue;
    const ref = refOf(key);
    const read = ref && readAt(ref, text);
    if (!ref || !read || !read.ok)
      unread.push({ key, text, words: wordsOn(shortKey(key), read, true) });
    else if (personOf({ kind: ref.kind, record: read.record } as Fact) !== null)
      owned.push({ key, text, ref, record: read.record });
    else facts[ref.kind][ref.id] = read.record;
  }
  for (const { key, text, ref, record } of owned) {
    if (isStray(ref.kind, record, people ?? facts.people)) unread.push({ key, text, words: STRAY });
    else facts[ref.kind][ref.id] = record;
  }
  return { facts: facts as unknown as Facts, unread };
}
