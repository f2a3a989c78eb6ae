import type { Book } from '@/core/formats/book';
import { factsOfBook, type AsideText } from '@/core/formats/bookText';
import { chosenParts, mergedRecord, partsOf, type Clashing } from '@/core/formats/edits';
import {
  peopleFirst,
  personOf,
  usualSettings,
  type Fact,
  type FactRef,
  type Facts,
} from '@/core/formats/facts';
import { sameValue } from '@/core/formats/sameValue';
import { recordIn } from '@/core/recordIn';
import { fieldName, type Change } from './facts';

/** A record of which both sides changed the same fields, each in its own way. */
export interface Conflict {
  readonly fact: Fact;
  readonly here: Fact['record'];
  /** As it is here, with what the other side alone changed. */
  readonly merged: Fact['record'];
  readonly clashing: readonly Clashing[];
}

/** A record of the book that was removed here, with what is a removed student's. */
export interface RemovedHere {
  readonly fact: Fact;
  readonly at: string;
  readonly owned: readonly Fact[];
}

/** A record that is here, and was removed where the book was written. */
export interface RemovedThere {
  readonly fact: Fact;
  readonly at: string;
}

/** What an import would do, before anything is done. */
export interface Merge {
  readonly fresh: readonly Fact[];
  readonly same: number;
  /** Records of which each side changed other fields, or one side alone: as they become. */
  readonly merged: readonly Fact[];
  /** Nothing is overwritten unasked. */
  readonly conflicts: readonly Conflict[];
  /** Nothing comes back or goes unasked. */
  readonly removedHere: readonly RemovedHere[];
  readonly removedThere: readonly RemovedThere[];
  /** Records that were set aside where the book was written. */
  readonly setAside: readonly AsideText[];
}

/** A record by its name over all kinds. */
export const factKey = ({ kind, id }: FactRef) => `${kind}/${id}`;

/** Compares a book with what is stored, by id and field by field. */
export function mergeBook(book: Book, facts: Facts): Merge {
  const all = factsOfBook(book);
  const inBook = new Set(all.map(factKey));
  const merge = {
    fresh: [] as Fact[],
    same: 0,
    merged: [] as Fact[],
    conflicts: [] as Conflict[],
    removedThere: [] as RemovedThere[],
  };
  const removedHere = new Map<string, { fact: Fact; at: string; owned: Fact[] }>();
  /** A record that is not here: it comes, or was removed here, or is a removed student's. */
  const comes = (fact: Fact) => {
    const owner = removedHere.get(`people/${personOf(fact) ?? ''}`);
    const gone = recordIn(facts.gone, factKey(fact));
    if (owner) owner.owned.push(fact);
    else if (gone) removedHere.set(factKey(fact), { fact, at: gone.at, owned: [] });
    else merge.fresh.push(fact);
  };
  const wasRemoved = (fact: Fact & { kind: 'gone' }) => {
    const here = removedOf(fact.id, facts);
    if (here && !inBook.has(fact.id)) merge.removedThere.push({ fact: here, at: fact.record.at });
    else if (!here && !recordIn(facts.gone, fact.id)) merge.fresh.push(fact);
  };
  const meets = (fact: Fact, here: Fact['record']) => {
    const { record, taken, clashing } = mergedRecord(here, fact.record);
    if (clashing.length > 0) merge.conflicts.push({ fact, here, merged: record, clashing });
    else if (taken.length > 0) merge.merged.push({ ...fact, record } as Fact);
    else merge.same += 1;
  };
  // Students first: what is theirs follows them.
  for (const fact of peopleFirst(all)) {
    if (fact.kind === 'gone') {
      wasRemoved(fact);
      continue;
    }
    const here = recordIn<Fact['record']>(facts[fact.kind], fact.id);
    // Settings that nobody chose are the usual ones, here and in the book.
    const known = here ?? (fact.kind === 'settings' ? usualSettings : undefined);
    if (known !== undefined && isSame(known, fact.record)) merge.same += 1;
    else if (here === undefined) comes(fact);
    else meets(fact, here);
  }
  return { ...merge, removedHere: [...removedHere.values()], setAside: book.setAside ?? [] };
}

/** Whether two records say the same, whenever it was said. */
const isSame = (one: object, other: object) =>
  sameValue(one, other) ||
  sameValue(Object.fromEntries(partsOf(one)), Object.fromEntries(partsOf(other)));

/** The record that a removal elsewhere was of, where it is still here. */
function removedOf(id: string, facts: Facts): Fact | null {
  const at = id.indexOf('/');
  const [kind, own] = [id.slice(0, at), id.slice(at + 1)];
  if (!Object.hasOwn(facts, kind)) return null;
  const record = recordIn<Fact['record']>(facts[kind as Fact['kind']], own);
  return record ? ({ kind, id: own, record } as Fact) : null;
}

/** One value that differs, with where it stands: `Answers, hip-replacement, at`. */
export interface Difference {
  readonly field: string;
  readonly here: string;
  readonly there: string;
}

/** A value as it is read: what stands in an object by its names, without the id that it is told by. */
const written = (value: unknown): string =>
  value === undefined
    ? 'nothing'
    : typeof value === 'string'
      ? value
      : isObject(value) && !Array.isArray(value)
        ? Object.entries(value)
            .filter(([name]) => name !== 'id')
            .map(([name, one]) => `${fieldName(name).toLowerCase()} ${written(one)}`)
            .join(', ')
        : JSON.stringify(value);
const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;
/** Parts by their own ids where they have some, else by their place. */
const inside = (value: Record<string, unknown>): Record<string, unknown> =>
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
  const [mine, theirs] = [inside(here), inside(there)];
  const found = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].flatMap((part) =>
    differing(mine[part], theirs[part], [...path, part]),
  );
  // Parts of one name, or in another order: the whole is told.
  return found.length > 0
    ? found
    : [{ field: path.join(', '), here: written(here), there: written(there) }];
}

/** Every value in which a part that both sides changed differs. */
export const differences = ({ part, here, there }: Clashing): Difference[] => {
  const [field = '', ...rest] = part.split('/');
  return differing(here, there, [fieldName(field), ...(rest.length > 0 ? [rest.join('/')] : [])]);
};

/** What was chosen of what an import asks. */
export interface Chosen {
  /**
   * By record and part, whose value stands; what is not chosen stays as it is here, and is asked again another time.
   */
  readonly parts: Readonly<Record<string, 'here' | 'there'>>;
  /** Records removed here that come back, and records removed there that go here too, by their keys. */
  readonly back: ReadonlySet<string>;
  readonly go: ReadonlySet<string>;
}
export const nothingChosen: Chosen = { parts: {}, back: new Set(), go: new Set() };
export const partKey = (fact: FactRef, part: string) => `${factKey(fact)} ${part}`;

/** Every part that both sides changed, as it is in the book. */
export const allFromBook = ({ conflicts }: Merge): Chosen => ({
  ...nothingChosen,
  parts: Object.fromEntries(
    conflicts.flatMap(({ fact, clashing }) =>
      clashing.map(({ part }) => [partKey(fact, part), 'there'] as const),
    ),
  ),
});

/** The change that an import makes, as it was chosen; `mark` names this choice among the changes of each field. */
export function mergeChange(merge: Merge, { parts, back, go }: Chosen, mark: string): Change {
  const resolved = merge.conflicts.flatMap(({ fact, here, merged, clashing }): Fact[] => {
    const by = (whose: 'here' | 'there') =>
      clashing.flatMap(({ part }) => (parts[partKey(fact, part)] === whose ? [part] : []));
    const record = chosenParts(merged, fact.record, { here: by('here'), there: by('there') }, mark);
    return sameValue(record, here) ? [] : [{ ...fact, record } as Fact];
  });
  return {
    words: 'Book imported',
    put: [
      ...merge.fresh,
      ...merge.merged,
      ...resolved,
      ...merge.removedHere.flatMap(({ fact, owned }) =>
        back.has(factKey(fact)) ? [fact, ...owned] : [],
      ),
    ],
    remove: merge.removedThere.flatMap(({ fact }) => (go.has(factKey(fact)) ? [fact] : [])),
    isMerged: true,
  };
}
