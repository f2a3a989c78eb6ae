import type { ChoiceId, QuestionId } from '../approaches/approaches';
import type { FamilyId } from '../geometry/families';
import type { RangeId } from '../ranges/ranges';
import type { PoseTraits, Trait } from './traits';
import type { SlotId, SlotName } from '../slots';

export interface Stage {
  readonly id: string;
  readonly name: string;
  /** The stage holds while this slot stands at least so high; the last stage has no limit. */
  readonly from?: { readonly slot: SlotName; readonly cm: number };
}

/** What may go wrong, what is seen, and which support mends it. */
export interface PoseFault {
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
  /** Slots that are offered with their heights and built only on request. */
  readonly optional?: readonly SlotId[];
  /** Questions of the approach whose answer changes this pose; the rest concern every pose alike. */
  readonly asks?: readonly QuestionId[];
  /** What it does to a body, which is what cautions speak of. */
  readonly traits: PoseTraits;
  /** What it does more where a question is answered so. */
  readonly traitsIf?: Readonly<Partial<Record<ChoiceId, readonly Trait[]>>>;
  /** Most supported first. */
  readonly stages: readonly Stage[];
  /** Three to five things to look at. */
  readonly look: readonly string[];
  readonly entry: readonly string[];
  readonly exit: readonly string[];
  readonly needs: readonly RangeId[];
  /** Slots in the order in which they come down, hips before knees before head. */
  readonly comesDown: readonly SlotName[];
  /** The slot that goes up, by what was seen or felt. */
  readonly goesUp: GoesUp;
  readonly faults: readonly PoseFault[];
  readonly warmUps: readonly string[];
  readonly counterposes: readonly string[];
  readonly easier?: string;
  readonly harder?: string;
  /** Another pose serves better once this slot would have to stand higher. */
  readonly insteadOver?: { readonly slot: SlotName; readonly cm: number; readonly pose: string };
  /** What builds it at home, and where nothing safe does. */
  readonly atHome: string;
  /** Hold by progress, in seconds: a first one and the longest. */
  readonly hold: { readonly firstSeconds: number; readonly mostSeconds: number };
}

/** The slot that goes up, by what was seen or felt; none in a pose without supports. */
export type GoesUp = Readonly<Record<RaiseReason, SlotName | null>>;

/** One slot for everything, and others for what they mend better. */
export const goesUpAt = (
  slot: SlotName | null,
  others: Partial<Record<RaiseReason, SlotName>> = {},
): GoesUp => ({
  joint: slot,
  strong: slot,
  rolled: slot,
  arched: slot,
  'low-back': slot,
  other: slot,
  ...others,
});
