import { sameValue } from '@/core/formats/sameValue';
import { type Fact, type FactKind, type FactOf, type FactRef } from '@/core/formats/facts';

export { bookOf, factsOfBook } from '@/core/formats/bookText';
export {
  SETTINGS_ID,
  type Fact,
  type FactKind,
  type FactOf,
  type FactRef,
  type Facts,
  type KeptPicture,
  type SettingsRecord,
} from '@/core/formats/facts';

/** Why a record cannot be changed as asked: it says something else by now. */
export interface Clash {
  readonly clash: string;
}

/** A record changed where it stands: from what is stored at that moment, not from what a screen once saw. */
export interface Edit {
  readonly kind: FactKind;
  readonly id: string;
  /** The record as it shall be, given how it is. */
  readonly to: (now: never) => unknown;
}

/** Records that come, change or go together: all of it happens, or none. */
export interface Change {
  /** What the teacher did, for the undo bar: "Reading deleted". */
  readonly words: string;
  /** Records that are new, or replaced whole. */
  readonly put: readonly Fact[];
  readonly edit?: readonly Edit[];
  /** Records that go; with a student goes all that is theirs. */
  readonly remove: readonly FactRef[];
  /** The records were made one of two states, and carry themselves when which field was changed. */
  readonly isMerged?: boolean;
  /** Told how far a change of very many records is, and asked whether it is to end: then nothing of it is left. */
  readonly watch?: {
    readonly told: (done: number, of: number) => void;
    readonly stop: AbortSignal;
  };
}

export const put = <K extends FactKind>(kind: K, record: FactOf[K] & { id: string }): Fact =>
  ({ kind, id: record.id, record }) as Fact;

export const edit = <K extends FactKind>(
  kind: K,
  id: string,
  to: (now: FactOf[K]) => FactOf[K] | Clash,
): Edit => ({ kind, id, to });

const fieldNames: Readonly<Record<string, string>> = {
  name: 'Name',
  statureCm: 'Height',
  birthYear: 'Year of birth',
  sex: 'Usual ranges',
  approach: 'Approach',
  bodyCm: 'Lengths',
  cautions: 'Answers',
  choices: 'Choices',
  count: 'How many',
  states: 'Heights',
  values: 'Values',
  warm: 'Warm',
  note: 'Note',
  at: 'Date',
};
/** A field as the screens call it. */
export const fieldName = (field: string) =>
  Object.hasOwn(fieldNames, field) ? (fieldNames[field] as string) : field;

const said = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? `“${value}”` : 'something else';

/**
 * What a form changes: of the fields that it opened with, only those that it leaves different. A field that was changed
 * elsewhere while the form stood open is a clash, unless both want the same.
 */
export const editFields = <K extends FactKind>(
  kind: K,
  opened: FactOf[K] & { id: string },
  left: FactOf[K],
): Edit =>
  edit(kind, opened.id, (now) => {
    const [before, after, stored] = [opened, left, now] as unknown as Record<string, unknown>[] as [
      Record<string, unknown>,
      Record<string, unknown>,
      Record<string, unknown>,
    ];
    const changed = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
      (field) => field !== 'edits' && !sameValue(before[field], after[field]),
    );
    const clash = changed.find(
      (field) =>
        !sameValue(stored[field], before[field]) && !sameValue(stored[field], after[field]),
    );
    if (clash !== undefined)
      return {
        clash: `${fieldName(clash)} was changed elsewhere while this stood open, and says ${said(stored[clash])} now. Save again to put yours in its place.`,
      };
    const next = { ...stored };
    for (const field of changed) {
      if (after[field] === undefined) delete next[field];
      else next[field] = after[field];
    }
    return next as unknown as FactOf[K];
  });

export const isClash = (answer: unknown): answer is Clash =>
  typeof answer === 'object' &&
  answer !== null &&
  'clash' in answer &&
  typeof answer.clash === 'string' &&
  Object.keys(answer).length === 1;
