import { recordIn } from '@/core/recordIn';
import type { Book } from '@/core/formats/book';
import { factsOfBook, type AsideText } from '@/core/formats/bookText';
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
  readonly setAside: readonly AsideText[];
}

/** Compares a book with what is stored, by id. */
export function mergeBook(book: Book, facts: Facts): Merge {
  const fresh: Fact[] = [];
  const conflicts: Conflict[] = [];
  let same = 0;
  for (const fact of factsOfBook(book)) {
    const here = recordIn<Fact['record']>(facts[fact.kind], fact.id);
    // Settings that nobody chose are the usual ones, here and in the book.
    if (sameValue(here ?? (fact.kind === 'settings' ? usualSettings : undefined), fact.record))
      same += 1;
    else if (here === undefined) fresh.push(fact);
    else conflicts.push({ fact, here });
  }
  return { fresh, same, conflicts, setAside: book.setAside ?? [] };
}

/** One value that differs, with where it stands: `Answers, hip-replacement, at`. */
export interface Difference {
  readonly field: string;
  readonly here: string;
  readonly there: string;
}

const written = (value: unknown) =>
  value === undefined ? 'nothing' : typeof value === 'string' ? value : JSON.stringify(value);
const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;
/** Parts by their own ids where they have some, else by their place. */
const partsOf = (value: Record<string, unknown>): Record<string, unknown> =>
  Array.isArray(value)
    ? Object.fromEntries(
        value.map((one: unknown, i) => [
          isObject(one) ? String(one.id ?? one.pose ?? one.slot ?? i + 1) : String(i + 1),
          one,
        ]),
      )
    : value;

function differing(here: unknown, there: unknown, path: readonly string[]): Difference[] {
  if (sameValue(here, there)) return [];
  if (!isObject(here) || !isObject(there) || Array.isArray(here) !== Array.isArray(there))
    return [{ field: path.join(', '), here: written(here), there: written(there) }];
  const [mine, theirs] = [partsOf(here), partsOf(there)];
  const found = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].flatMap((part) =>
    differing(mine[part], theirs[part], [...path, part]),
  );
  // Parts of one name, or in another order: the whole is told.
  return found.length > 0
    ? found
    : [{ field: path.join(', '), here: written(here), there: written(there) }];
}

/** Every value in which a record of the book differs from the one here. */
export function differences({ fact, here }: Conflict): Difference[] {
  const [mine, theirs] = [here, fact.record] as unknown as [
    Record<string, unknown>,
    Record<string, unknown>,
  ];
  return [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].flatMap((field) =>
    differing(mine[field], theirs[field], [fieldName(field)]),
  );
}

export const mergeChange = ({ fresh, conflicts }: Merge, takeConflicts: boolean): Change => ({
  words: 'Book imported',
  put: takeConflicts ? [...fresh, ...conflicts.map(({ fact }) => fact)] : fresh,
  remove: [],
});
