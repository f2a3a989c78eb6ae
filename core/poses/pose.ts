import type { QuestionId } from '../approaches/approaches';
import type { FamilyId } from '../geometry/families';
import type { SlotId } from '../props/slots';
import type { RangeId } from '../ranges/ranges';
import type { PoseTraits } from './traits';

export interface Stage {
  readonly id: string;
  readonly name: string;
  /** The stage holds while this slot stands at least so high; the last stage has no limit. */
  readonly from?: { readonly slot: string; readonly cm: number };
}

/** What may go wrong, what is seen, and which support mends it. */
export interface Fault {
  readonly id: string;
  readonly seen: string;
  readonly slot: SlotId;
  readonly way: 'raise' | 'lower';
}

/** Why a support goes up. */
export type RaiseReason = 'joint' | 'strong' | 'rolled' | 'arched' | 'low-back' | 'other';

/** A pose as its table writes it; that every other pose it names exists is checked where the tables come together. */
export interface PoseEntry {
  readonly id: string;
  readonly group: 'seated' | 'kneeling' | 'reclined' | 'forward-bending' | 'chair' | 'counter';
  readonly name: string;
  readonly sanskrit?: string;
  /** Both at once, or each side by itself. */
  readonly sides: 'both' | 'each';
  readonly family: FamilyId;
  readonly slots: readonly SlotId[];
  /** Questions of the approach whose answer changes this pose; the rest concern every pose alike. */
  readonly asks?: readonly QuestionId[];
  /** What it does to a body, which is what cautions speak of. */
  readonly traits: PoseTraits;
  /** Most supported first. */
  readonly stages: readonly Stage[];
  /** Three to five things to look at. */
  readonly look: readonly string[];
  readonly entry: readonly string[];
  readonly exit: readonly string[];
  readonly needs: readonly RangeId[];
  /** Slots in the order in which they come down, hips before knees before head. */
  readonly comesDown: readonly string[];
  /** The slot that goes up, by what was seen or felt. */
  readonly goesUp: Readonly<Record<RaiseReason, string>>;
  readonly faults: readonly Fault[];
  readonly warmUps: readonly string[];
  readonly counterposes: readonly string[];
  readonly easier?: string;
  readonly harder?: string;
  /** Another pose serves better once this slot would have to stand higher; `{cm}` in the words is the height. */
  readonly insteadOver?: {
    readonly slot: string;
    readonly cm: number;
    readonly pose: string;
    readonly words: string;
  };
  /** What builds it at home, and where nothing safe does. */
  readonly atHome: string;
  /** Hold by progress, in seconds: a first one and the longest. */
  readonly hold: { readonly firstSeconds: number; readonly mostSeconds: number };
}

const up = (
  slot: string,
  more: Partial<Record<RaiseReason, string>> = {},
): Record<RaiseReason, string> => ({
  joint: slot,
  strong: slot,
  rolled: slot,
  arched: slot,
  'low-back': slot,
  other: slot,
  ...more,
});
export const goesUpAt = up;
