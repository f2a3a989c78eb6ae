import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { z } from '@/core/z';
import { visitKinds, type VisitKind } from '@/core/visitKinds';
import { methodIds, type MethodId } from '@/core/protocols/protocols';
import { pictureSchema } from '@/core/formats/facts';
import { rangeIds, type RangeId, type Side } from '@/core/ranges/ranges';

/** One range on one side, half read: values taken and not kept yet. */
const entrySchema = z.object({
  range: z.enum(rangeIds),
  side: z.enum(['left', 'right']),
  protocol: z.string(),
  values: z.array(z.number()).max(9),
  /** Errors that the readings themselves told, beside their values; empty where the method's holds. */
  sems: z.array(z.number()).max(9),
  warm: z.boolean(),
  seat: z.string(),
  note: z.string(),
});
export type Entry = z.infer<typeof entrySchema>;

/** Measuring under way: it survives a reload, and becomes facts reading by reading. */
export const measuringSchema = z.object({
  person: z.string(),
  /** A led visit: what was read and what was passed over; null when ranges are picked one by one. */
  visit: z
    .object({
      kind: z.enum(visitKinds),
      done: z.array(z.enum(rangeIds)),
      passed: z.array(z.enum(rangeIds)),
    })
    .nullable(),
  entry: entrySchema.nullable(),
  /** The method at hand, kept from range to range. */
  method: z.enum(methodIds),
});
export type Measuring = z.infer<typeof measuringSchema>;

const startOf = (person: string, before: Measuring | null): Measuring =>
  before?.person === person
    ? before
    : { person, visit: null, entry: null, method: before?.method ?? 'protractor' };

/** The pictures that were ticked to be kept, beside the values taken so far; null beside one without. */
export const picturesSchema = z
  .array(pictureSchema.omit({ id: true, person: true }).nullable())
  .max(9);
export type PictureToKeep = NonNullable<z.infer<typeof picturesSchema>[number]>;

export const measuringSlice = createSlice({
  name: 'measuring',
  initialState: { now: null as Measuring | null, pictures: [] as z.infer<typeof picturesSchema> },
  reducers: {
    /** Kept apart from the rest: a picture is large, and is written only when it changes. */
    picturesChanged: (state, { payload }: PayloadAction<z.infer<typeof picturesSchema>>) => {
      state.pictures = payload;
    },
    measuringRestored: (state, { payload }: PayloadAction<Measuring | null>) => {
      state.now = payload;
    },
    visitBegan: (
      state,
      { payload: { person, kind } }: PayloadAction<{ person: string; kind: VisitKind }>,
    ) => {
      state.now = {
        ...startOf(person, state.now),
        visit: { kind, done: [], passed: [] },
        entry: null,
      };
    },
    visitEnded: ({ now }) => {
      if (now) Object.assign(now, { visit: null, entry: null });
    },
    rangeOpened: (
      state,
      {
        payload: { person, range, side, protocol },
      }: PayloadAction<{ person: string; range: RangeId; side: Side; protocol: string }>,
    ) => {
      const before = state.now?.person === person ? state.now.entry : null;
      state.now = {
        ...startOf(person, state.now),
        entry: {
          range,
          side,
          protocol,
          values: [],
          sems: [],
          warm: before?.warm ?? false,
          seat: '0',
          note: '',
        },
      };
    },
    rangeClosed: ({ now }) => {
      if (now) now.entry = null;
    },
    methodChosen: ({ now }, { payload }: PayloadAction<MethodId>) => {
      if (!now) return;
      now.method = payload;
      if (now.entry) Object.assign(now.entry, { values: [], sems: [] });
    },
    entryChanged: ({ now }, { payload }: PayloadAction<Partial<Entry>>) => {
      if (now?.entry) Object.assign(now.entry, payload);
    },
    /** A side was read and stored: the next one, with nothing taken yet; null when the range is done. */
    sideKept: ({ now }, { payload: next }: PayloadAction<Side | null>) => {
      if (!now?.entry) return;
      const { range } = now.entry;
      if (now.visit && !now.visit.done.includes(range)) now.visit.done.push(range);
      if (next === null) now.entry = null;
      else Object.assign(now.entry, { side: next, values: [], sems: [], note: '' });
    },
    rangePassed: ({ now }, { payload }: PayloadAction<RangeId>) => {
      if (!now?.visit) return;
      if (!now.visit.passed.includes(payload)) now.visit.passed.push(payload);
      now.entry = null;
    },
  },
});

export const {
  measuringRestored,
  picturesChanged,
  visitBegan,
  visitEnded,
  rangeOpened,
  rangeClosed,
  methodChosen,
  entryChanged,
  sideKept,
  rangePassed,
} = measuringSlice.actions;
