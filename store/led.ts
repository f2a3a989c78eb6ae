import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { z } from '@/core/z';
import { sideSchema } from '@/core/formats/book';

const ownStepSchema = z.object({
  is: z.enum(['pose', 'step']),
  id: z.string(),
  side: sideSchema,
  seconds: z.number(),
  times: z.number().nullable(),
  standsFor: z.string().nullable(),
  isSmaller: z.boolean(),
  mark: z.enum(['first', 'last']).nullable(),
});

/** A lesson that is led now: it survives a reload and a sleep, for where it is follows from the clock. */
export const ledSchema = z.object({
  lesson: z.object({ id: z.string(), name: z.string() }),
  /** Who is on a mat in it. */
  people: z.array(z.string()).min(1).max(60),
  startedAt: z.string(),
  steps: z.array(
    z.object({ of: z.number(), whose: z.record(z.string(), ownStepSchema.nullable()) }),
  ),
  segments: z.array(
    z.object({
      step: z.number().int(),
      phase: z.enum(['build', 'enter', 'hold', 'out', 'move', 'way']),
      seconds: z.number().min(0),
    }),
  ),
  at: z.number().int().min(0),
  sinceMs: z.number(),
  pausedMs: z.number().nullable(),
  moreSeconds: z.number(),
  /** Spent so far on setting up the pose that comes. */
  setUpSeconds: z.number(),
});
export type Led = z.infer<typeof ledSchema>;

export const ledSlice = createSlice({
  name: 'led',
  initialState: { now: null as Led | null },
  reducers: {
    ledStarted: (state, { payload }: PayloadAction<Led>) => {
      state.now = payload;
    },
    /** It goes on, stands still, is turned to another stretch. */
    ledMoved: (
      { now },
      {
        payload,
      }: PayloadAction<
        Partial<Pick<Led, 'at' | 'sinceMs' | 'pausedMs' | 'moreSeconds' | 'setUpSeconds'>>
      >,
    ) => {
      if (now) Object.assign(now, payload);
    },
    ledEnded: (state) => {
      state.now = null;
    },
  },
});

export const { ledStarted, ledMoved, ledEnded } = ledSlice.actions;
