import type { Book } from '@/core/formats/book';
import { factsOfBook, type Change, type Fact, type Facts } from './facts';

/** What an import would do, before anything is done. */
export interface Merge {
  readonly fresh: readonly Fact[];
  readonly same: number;
  /** Records that stand here with other contents: nothing is overwritten unasked. */
  readonly conflicts: readonly Fact[];
}

/** Records compared by what they say, whatever the order of their fields. */
export function sameRecord(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null || Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => sameRecord((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]));
}

/** Compares a book with what is stored, by id. */
export function mergeBook(book: Book, facts: Facts): Merge {
  const fresh: Fact[] = [];
  const conflicts: Fact[] = [];
  let same = 0;
  for (const fact of factsOfBook(book)) {
    const here = facts[fact.kind][fact.id];
    if (here === undefined) fresh.push(fact);
    else if (sameRecord(here, fact.record)) same += 1;
    else conflicts.push(fact);
  }
  return { fresh, same, conflicts };
}

export const mergeChange = ({ fresh, conflicts }: Merge, takeConflicts: boolean): Change => ({
  words: 'Book imported', put: takeConflicts ? [...fresh, ...conflicts] : fresh, remove: [],
});
