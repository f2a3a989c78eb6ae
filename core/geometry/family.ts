import type { Body } from '../body/body';
import type { RangeId, ReadingSide } from '../ranges/ranges';
import type { Draw, InputKey } from './draw';
import type { Posture } from './posture';

/** What the teaching approach and the cautions settle before anything is reckoned. */
export interface Settings {
  /** Share of a muscle's range that the pose may use. */
  readonly share: number;
  readonly pelvisTargetDeg: number;
  readonly spineShareDeg: number;
  readonly kneeMarginDeg: number;
  readonly lumbarAllowanceDeg: number;
  readonly behindKneeCm: number;
  /** Which support rises first when a long sit rolls back. */
  readonly firstToRise: 'knees' | 'seat';
  readonly standingKneeDeg: number;
  /** Limits set by cautions. */
  readonly hipFlexionMostDeg: number;
  readonly pitchMostDeg: number;
  readonly inclineLeastDeg: number;
}

/** A slot of a pose; a ramp has two parts. */
export interface SlotRef {
  readonly slot: string;
  readonly part?: 'low' | 'high';
}

/** Height that a slot asks for: below 0 means room to spare over the floor. */
export interface SlotNeed extends SlotRef {
  readonly side: ReadingSide;
  readonly rawCm: number;
  /** What the height stands on, where it is not the floor. */
  readonly over?: string;
  /** A length rather than a height (a strap). */
  readonly isLength?: boolean;
  /** Chosen, not reckoned: it has no doubt and learns nothing. */
  readonly isChosen?: boolean;
}

export interface Demand {
  readonly range: RangeId;
  readonly side: ReadingSide;
  readonly needDeg: number;
  readonly haveDeg: number;
}

export interface FamilyInput {
  readonly body: Body;
  readonly draw: Draw;
  readonly settings: Settings;
}

/** Heights that really lie there, by slot key; a slot left empty because nothing may stand so high is absent. */
export type Built = Readonly<Record<string, number>>;
export const slotKey = ({ slot, part }: SlotRef) => (part ? `${slot}.${part}` : slot);

export interface Figure {
  readonly posture: Posture;
  readonly demands: readonly Demand[];
  /** Numbers worth saying, such as `rollBackDeg`. */
  readonly findings: Readonly<Record<string, number>>;
}

/** One way of sitting, kneeling, reclining or folding: what it needs, and how a body looks in it. */
export interface Family {
  readonly id: string;
  /** Inputs that the heights lean on, for bands and for what to measure next. */
  readonly needs: readonly InputKey[];
  /** Least heights for this body, before anything is built. */
  readonly heights: (input: FamilyInput) => SlotNeed[];
  /** Heights that depend on what was really built under other slots. */
  readonly afterBuilt?: (input: FamilyInput, built: Built) => SlotNeed[];
  /** The support that mends a pelvis that rolls back on what was built; the pose's own table says it for the rest. */
  readonly mendsRollBack?: (input: FamilyInput, built: Built) => string;
  /** The figure on what was really built. */
  readonly figure: (input: FamilyInput, built: Built) => Figure;
  /** One sentence with numbers for a slot's height. */
  readonly why: (input: FamilyInput, need: SlotNeed) => string;
}
