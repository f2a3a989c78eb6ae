import { z } from 'zod';
import { classSchema, personSchema, readingSchema, sessionSchema, settingsSchema, shelfItemSchema, type Book, type ClassRecord, type Person, type Reading, type Session, type Settings } from '@/core/formats/book';
import type { ShelfItem } from '@/core/props/shelf';

/** The kinds of facts: all that is stored. Everything else is reckoned from them. */
export const factKinds = ['people', 'readings', 'shelf', 'sessions', 'classes', 'settings', 'pictures'] as const;
export type FactKind = (typeof factKinds)[number];

/** Settings are one record with a fixed id. */
export const SETTINGS_ID = 'settings';
export type SettingsRecord = Settings & { readonly id: string };

/** A picture that a teacher kept with a reading, on purpose. It stays on this device: no book carries it. */
export const pictureSchema = z.object({
  /** The id of its reading. */
  id: z.string(),
  person: z.string(),
  widthPx: z.number().positive(),
  heightPx: z.number().positive(),
  dataUrl: z.string().startsWith('data:image/').max(2_000_000),
  /** Where its points were placed, in its own pixels. */
  points: z.array(z.tuple([z.number(), z.number()])),
});
export type KeptPicture = z.infer<typeof pictureSchema>;

export interface FactOf {
  people: Person;
  readings: Reading;
  shelf: ShelfItem;
  sessions: Session;
  classes: ClassRecord;
  settings: SettingsRecord;
  pictures: KeptPicture;
}

export const factSchemas: { readonly [K in FactKind]: z.ZodType<FactOf[K]> } = {
  people: personSchema,
  readings: readingSchema,
  shelf: shelfItemSchema,
  sessions: sessionSchema,
  classes: classSchema,
  settings: settingsSchema.extend({ id: z.string() }),
  pictures: pictureSchema,
};

export type Fact = { [K in FactKind]: { readonly kind: K; readonly id: string; readonly record: FactOf[K] } }[FactKind];
export interface FactRef {
  readonly kind: FactKind;
  readonly id: string;
}

/** Records that come, change or go together: all of it happens, or none. */
export interface Change {
  /** What the teacher did, for the undo bar: "Reading deleted". */
  readonly words: string;
  readonly put: readonly Fact[];
  readonly remove: readonly FactRef[];
}

export type Facts = { readonly [K in FactKind]: Readonly<Record<string, FactOf[K]>> };
export const noFacts = Object.fromEntries(factKinds.map((kind) => [kind, {}])) as unknown as Facts;

export const put = <K extends FactKind>(kind: K, record: FactOf[K] & { id: string }): Fact => ({ kind, id: record.id, record }) as Fact;

/** The change that takes a change back, given the facts before it. */
export function reverse(change: Change, before: Facts): Change {
  const touched: FactRef[] = [...change.put.map(({ kind, id }) => ({ kind, id })), ...change.remove];
  return {
    words: `Undone: ${change.words}`,
    put: touched.flatMap(({ kind, id }) => {
      const record = before[kind][id];
      return record ? [put(kind, record as never)] : [];
    }),
    remove: touched.filter(({ kind, id }) => before[kind][id] === undefined),
  };
}

/** All facts as a book, oldest first where they have a date. */
export function bookOf(facts: Facts): Book {
  const byDate = (a: { at: string }, b: { at: string }) => a.at.localeCompare(b.at);
  const settings = facts.settings[SETTINGS_ID];
  return {
    format: 'ojas-book/1',
    people: Object.values(facts.people),
    readings: Object.values(facts.readings).sort(byDate),
    shelf: Object.values(facts.shelf) as Book['shelf'],
    sessions: Object.values(facts.sessions).sort(byDate),
    classes: Object.values(facts.classes),
    settings: { units: settings?.units ?? 'cm', theme: settings?.theme ?? 'system' },
  };
}

export const factsOfBook = (book: Book): Fact[] => [
  ...book.people.map((one) => put('people', one)),
  ...book.readings.map((one) => put('readings', one)),
  ...book.shelf.map((one) => put('shelf', one)),
  ...book.sessions.map((one) => put('sessions', one)),
  ...book.classes.map((one) => put('classes', one)),
];
