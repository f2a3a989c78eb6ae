import type { SlotId } from '../slots';

/**
 * How the body meets a place of a pose.
 *
 * - `on`: something lies there.
 * - `bare`: nothing needs to: it comes down by itself.
 * - `free`: what is asked for lies nowhere, so that it stays up.
 */
export type Meets = 'on' | 'bare' | 'free';

/**
 * A line that speaks of a support: what is said as it lies there, and where it does not; nothing where nothing is
 * written.
 */
export interface SupportCue {
  readonly slot: SlotId;
  readonly on?: Cue;
  readonly bare?: Cue;
  /** As `bare` where it is left out. */
  readonly free?: Cue;
}

/** A line of how a pose is entered or looked at; one that speaks of a support is true of what is built. */
export type Cue = string | SupportCue;

/** A line that is said as a support lies. */
export const cueAt = (slot: SlotId, said: Omit<SupportCue, 'slot'>): SupportCue => ({
  slot,
  ...said,
});

function said(cue: Cue | undefined, meets: (slot: SlotId) => Meets): readonly string[] {
  if (cue === undefined) return [];
  if (typeof cue === 'string') return [cue];
  const how = meets(cue.slot);
  return said(how === 'free' ? (cue.free ?? cue.bare) : cue[how], meets);
}

/** The lines as they are said where the body meets its places so. */
export const linesOf = (cues: readonly Cue[], meets: (slot: SlotId) => Meets): readonly string[] =>
  cues.flatMap((cue) => said(cue, meets));

/** Every line that may be said, whatever lies there. */
export const allLines = (cues: readonly Cue[]): readonly string[] =>
  cues.flatMap((cue) =>
    typeof cue === 'string'
      ? [cue]
      : allLines([cue.on, cue.bare, cue.free].filter((one) => one !== undefined)),
  );
