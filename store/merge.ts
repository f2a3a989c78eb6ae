import type { Book } from '@/core/formats/book';
import { factsOfBook } from '@/core/formats/bookText';
import { usualSettings, type Fact, type Facts } from '@/core/formats/facts';
import { sameValue } from '@/core/formats/sameValue';
import { fieldName, type Change } from './facts';

/** A record that stands here with other contents. */
export interface Conflict {
  readonly fact: Fact;
  readonly here: Fact['record'];
}

/** What an import would do, before anything is done. */
export interface Merge {
  readonly fresh: readonly Fact[];
  readonly same: number;
  /** Nothing is overwritten unasked. */
  readonly conflicts: readonly Conflict[];
  /** Records that were set aside where the book was written. */
  readonly setAside: readonly { readonly key: string; readonly text: string }[];
}

/** Compares a book with what is stored, by id. */
export function mergeBook(book: Book, facts: Facts): Merge {
  const fresh: Fact[] = [];
  const conflicts: Conflict[] = [];
  let same = 0;
  for (const fact of factsOfBook(book)) {
    const here = facts[fact.kind][fact.id];
    // Settings that nobody chose are the usual ones, here and in the book.
    if (sameValue(here ?? (fact.kind === 'settings' ? usualSettings : undefined), fact.record)) same += 1;
    else if (here === undefined) fresh.push(fact);
    else conflicts.push({ fact, here });
  }
  return { fresh, same, conflicts, setAside: book.setAside ?? [] };
}

/** The fields in which a record of the book differs from the one here, with both values written out. */
export function differences({ fact, here }: Conflict): { field: string; here: string; there: string }[] {
  const [mine, theirs] = [here, fact.record] as unknown as [Record<string, unknown>, Record<string, unknown>];
  const written = (value: unknown) => (value === undefined ? 'nothing' : typeof value === 'string' ? value : JSON.stringify(value));
  return [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].filter((field) => !sameValue(mine[field], theirs[field]))
    .map((field) => ({ field: fieldName(field), here: written(mine[field]), there: written(theirs[field]) }));
}

export const mergeChange = ({ fresh, conflicts }: Merge, takeConflicts: boolean): Change => ({
  words: 'Book imported', put: takeConflicts ? [...fresh, ...conflicts.map(({ fact }) => fact)] : fresh, remove: [],
});
