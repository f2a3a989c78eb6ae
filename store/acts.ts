import { z } from '@/core/z';
import { factKinds, type Fact, type FactRef } from '@/core/formats/facts';
import { sameValue } from '@/core/formats/sameValue';

/** A record before and after; null where there was, or is, none. */
export interface Diff extends FactRef {
  readonly was: Fact['record'] | null;
  readonly is: Fact['record'] | null;
}

const headSchema = z.object({
  /** Counts up by one over all tabs. */
  seq: z.number().int().min(1),
  at: z.string(),
  words: z.string(),
  /** An act can be taken back; an undo cannot. */
  kind: z.enum(['act', 'undo']),
  /** The student whom it removed: such an act is kept for longer. */
  removed: z.object({ id: z.string(), name: z.string() }).optional(),
});
/** What was done, and when. */
export type ActHead = z.infer<typeof headSchema>;

export const actsSchema = z.object({ seq: z.number().int().min(0), heads: z.array(headSchema) });
export type Acts = z.infer<typeof actsSchema>;
export const noActs: Acts = { seq: 0, heads: [] };

const touchedSchema = z.object({
  kind: z.enum(factKinds),
  id: z.string(),
  how: z.enum(['came', 'changed', 'went']),
  /** The fields that changed. */
  fields: z.array(z.string()).optional(),
  /** Those fields as they were, or the whole record where it went. */
  was: z.record(z.string(), z.unknown()).optional(),
});
/** What an act did to one record, with what takes it back. */
export type Touched = z.infer<typeof touchedSchema>;
export const bodySchema = z.array(touchedSchema);

type Fields = Record<string, unknown>;

/** A difference as what is kept of it. */
export function touchedBy({ kind, id, was, is }: Diff): Touched {
  if (was === null) return { kind, id, how: 'came' };
  if (is === null) return { kind, id, how: 'went', was: was as unknown as Fields };
  const [before, after] = [was, is] as unknown as [Fields, Fields];
  const fields = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    // When a field was changed is no change of its own: it is known again from what is stored.
    (field) => field !== 'edits' && !sameValue(before[field], after[field]),
  );
  return {
    kind,
    id,
    how: 'changed',
    fields,
    was: Object.fromEntries(
      fields.flatMap((field) => (before[field] === undefined ? [] : [[field, before[field]]])),
    ),
  };
}

/** The record as it was before an act, given how it is now; null where there was none. */
export function takenBack({ how, fields, was }: Touched, now: unknown): unknown {
  if (how === 'came') return null;
  if (how === 'went') return was;
  const back = { ...(now as Fields) };
  for (const field of fields ?? []) {
    if (was && Object.hasOwn(was, field)) back[field] = was[field];
    else delete back[field];
  }
  return back;
}

/** Whether a later act stands on what an earlier one did: that one cannot be taken back alone. */
export const standsOn = (later: Touched, earlier: Touched): boolean =>
  later.kind === earlier.kind &&
  later.id === earlier.id &&
  (later.how !== 'changed' ||
    earlier.how !== 'changed' ||
    (later.fields ?? []).some((field) => (earlier.fields ?? []).includes(field)));

export const MOST_ACTS = 20;
/** So many more are kept before they go together. */
const GO_TOGETHER = 10;
/** For so many days a removed student can be brought back. */
export const DAYS_TO_BRING_BACK = 30;
const DAY_MS = 86_400_000;

/** Acts that removed a student who can still be brought back. */
const removals = (heads: readonly ActHead[], now: string) =>
  heads.filter(
    ({ removed, at }) => removed && Date.parse(now) - Date.parse(at) < DAYS_TO_BRING_BACK * DAY_MS,
  );

/**
 * Heads that are worth keeping on, and those that go: the last twenty acts and undos, and removed students for thirty
 * days. The older ones go some at a time, so that most changes only add, which storage does in one piece.
 */
export function keptHeads(
  heads: readonly ActHead[],
  now: string,
): { kept: ActHead[]; gone: ActHead[] } {
  const late = (kind: ActHead['kind']) => {
    const all = heads.filter((one) => one.kind === kind);
    return all.length > MOST_ACTS + GO_TOGETHER ? all.slice(-MOST_ACTS) : all;
  };
  const stays = new Set([...late('act'), ...late('undo'), ...removals(heads, now)]);
  return {
    kept: heads.filter((one) => stays.has(one)),
    gone: heads.filter((one) => !stays.has(one)),
  };
}

/** Acts that can be taken back, the newest last. */
export const undoable = (heads: readonly ActHead[]) =>
  heads.filter(({ kind }) => kind === 'act').slice(-MOST_ACTS);
/** Students who were removed and can be brought back, the newest first. */
export const removedStudents = (heads: readonly ActHead[], now: string) =>
  removals(heads, now).reverse();
