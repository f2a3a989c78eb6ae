import { z } from '../z';
import type { ShelfItem } from '../props/shelf';
import {
  classSchema,
  goneSchema,
  practiceSchema,
  visitSchema,
  personSchema,
  readingSchema,
  sessionSchema,
  settingsSchema,
  shelfItemSchema,
  type ClassRecord,
  type Gone,
  type Person,
  type Practice,
  type Reading,
  type Session,
  type Settings,
  type Visit,
} from './book';
import { says } from './asked';
import { faultsIn, inCodes, type Fault } from './faults';
import { MOST_RECORD_LETTERS, unfitIn } from './limits';
import { isOwnName } from './ownName';
import { readingRefused } from './readingRefused';

/** Kinds of records of a book, each a list. */
export const bookLists = [
  'people',
  'readings',
  'shelf',
  'sessions',
  'classes',
  'visits',
  'practices',
] as const;
export type BookList = (typeof bookLists)[number];

/** The kinds of facts: all that is stored. Everything else is reckoned from them. */
export const factKinds = [...bookLists, 'settings', 'pictures', 'extras', 'gone'] as const;
export type FactKind = (typeof factKinds)[number];
/** Whether a name is that of a kind of fact. */
export const isFactKind = (kind: string): kind is FactKind =>
  (factKinds as readonly string[]).includes(kind);

/** Settings are one record with a fixed id. */
export const SETTINGS_ID = 'settings';
export type SettingsRecord = Settings & { readonly id: string };
export const usualSettings: SettingsRecord = { id: SETTINGS_ID, units: 'cm', theme: 'system' };

const id = z.string().min(1).max(400).refine(isOwnName, says('id-unfit'));

/** A picture that a teacher kept with a reading, on purpose. It stays on this device: no book carries it. */
export const pictureSchema = z.object({
  /** The id of its reading. */
  id,
  person: id,
  widthPx: z.number().positive(),
  heightPx: z.number().positive(),
  dataUrl: z.string().startsWith('data:image/').max(2_000_000),
  /** Where its points were placed, in its own pixels. */
  points: z.array(z.tuple([z.number(), z.number()])),
});
export type KeptPicture = z.infer<typeof pictureSchema>;

/** A field of a book that this version does not know, kept to go out again. */
export interface Extra {
  /** The field's name. */
  readonly id: string;
  readonly value: unknown;
}

export interface FactOf {
  people: Person;
  readings: Reading;
  shelf: ShelfItem;
  sessions: Session;
  classes: ClassRecord;
  visits: Visit;
  practices: Practice;
  settings: SettingsRecord;
  pictures: KeptPicture;
  extras: Extra;
  gone: Gone;
}

const factSchemas: { readonly [K in FactKind]: z.ZodType<FactOf[K]> } = {
  people: personSchema,
  readings: readingSchema,
  shelf: shelfItemSchema,
  sessions: sessionSchema,
  classes: classSchema,
  visits: visitSchema,
  practices: practiceSchema,
  settings: settingsSchema.extend({ id }),
  pictures: pictureSchema,
  extras: z.object({ id, value: z.unknown() }),
  gone: goneSchema,
};

export type Fact = {
  [K in FactKind]: { readonly kind: K; readonly id: string; readonly record: FactOf[K] };
}[FactKind];
export interface FactRef {
  readonly kind: FactKind;
  readonly id: string;
}
export type Facts = { readonly [K in FactKind]: Readonly<Record<string, FactOf[K]>> };
export const noFacts = Object.fromEntries(factKinds.map((kind) => [kind, {}])) as unknown as Facts;

/** Facts that belong to a student and go with them. */
export const ofAPerson = [
  'readings',
  'sessions',
  'pictures',
  'visits',
  'practices',
] as const satisfies readonly FactKind[];
/** The student to whom a record belongs; null for one that is nobody's. */
export const personOf = ({ kind, record }: Pick<Fact, 'kind' | 'record'>): string | null =>
  (ofAPerson as readonly FactKind[]).includes(kind) ? (record as { person: string }).person : null;

/** Students before all else, in the order they have: what is theirs leans on them. A new list. */
export const peopleFirst = <T extends { readonly kind: FactKind }>(those: readonly T[]): T[] =>
  [...those].sort((a, b) => Number(b.kind === 'people') - Number(a.kind === 'people'));

export type Read<T> =
  | { readonly ok: true; readonly record: T }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const refused = (faults: readonly Fault[]): Read<never> => ({ ok: false, faults });

/**
 * A record read back from its text: what storage gives at start, and what every change must pass before it is written.
 * Nothing is stored that this would refuse.
 */
export function readFact<K extends FactKind>(kind: K, text: string): Read<FactOf[K]> {
  if (text.length > MOST_RECORD_LETTERS)
    return refused([{ path: '', says: { code: 'too-long', letters: MOST_RECORD_LETTERS } }]);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refused([{ path: '', says: { code: 'broken-off' } }]);
  }
  const unfit = unfitIn(json);
  if (unfit) return refused([unfit]);
  const parsed = factSchemas[kind].safeParse(json, inCodes);
  if (!parsed.success) return refused(faultsIn(parsed.error, json));
  const faults = kind === 'readings' ? readingRefused(parsed.data as Reading) : [];
  return faults.length > 0
    ? refused(faults.map((one) => ({ path: 'values', says: { code: 'reading', refused: one } })))
    : { ok: true, record: parsed.data };
}
