import type { Bears } from './bears';
import type { Body } from '../body/body';
import { keyOf, sides, type RangeId, type ReadingSide, type Side } from '../ranges/ranges';
import type { HeightReason, Surface, WayRuledOut } from '../reasons';
import type { InputValues, InputKey } from './inputs';
import type { Posture } from './posture';
import type { DialValues } from '../dials';
import type { SlotKey, SlotRef } from '../slots';

/** What the teaching approach and the cautions settle before anything is reckoned. */
export interface PoseSettings {
  /** Share of a muscle's range that the pose may use. */
  readonly share: number;
  readonly pelvisTargetDeg: number;
  /** Where this pelvis sits well, from standing, where it was read. */
  readonly sitsDeg?: number;
  readonly spineShareDeg: number;
  readonly kneeMarginDeg: number;
  /** Whose knee keeps that margin: the other one keeps the usual. */
  readonly kneeMarginSide?: ReadingSide;
  /** What a knee keeps of which no caution speaks. */
  readonly otherKneeMarginDeg: number;
  readonly lumbarAllowanceDeg: number;
  readonly behindKneeCm: number;
  /** The same in Child, where some schools lay a brick there. */
  readonly childPadCm: number;
  /** Which support rises first when a long sit rolls back. */
  readonly firstToRise: 'knees' | 'seat';
  readonly standingKneeDeg: number;
  /** Limits set by cautions. */
  readonly hipFlexionMostDeg: number;
  readonly pitchMostDeg: number;
  readonly inclineLeastDeg: number;
  readonly childKnees: 'wide' | 'together';
  /** Bend of pigeon's front knee: the closer the heel, the less rotation it asks. */
  readonly pigeonKneeDeg: number;
  /** What holds the legs in reclined soles-together. */
  readonly reclinedOpenHeld: 'outerHip' | 'underThigh' | 'by ramp';
  /** Fold under a knee that is down and bears weight, where the pose does not lay one there by itself. */
  readonly kneePadCm: number;
  /** Blanket under the shins when kneeling, feet over its edge. */
  readonly underShinCm: number;
  /** Roll under the front of the ankles, at least so high. */
  readonly ankleLeastCm: number;
  /** Knees that are not to close under the body's weight: a squat sits on something. */
  readonly squatsOnSeat: boolean;
  /** Nothing strong: what can be rested on is offered first. */
  readonly restful: boolean;
  /** The way in which the pose is set up; empty where it has but one. */
  readonly way: string;
  /** What is set of the pose itself; what is absent is reckoned. */
  readonly dials: DialValues;
  /** Seat of the chair at hand, loaded. */
  readonly chairSeatCm: number;
}

/** What the knee of a side keeps to spare, in degrees: a sore one more than the other. */
export const kneeMarginOf = (
  {
    kneeMarginDeg,
    kneeMarginSide = 'both',
    otherKneeMarginDeg,
  }: Pick<PoseSettings, 'kneeMarginDeg' | 'kneeMarginSide' | 'otherKneeMarginDeg'>,
  side: Side,
): number =>
  kneeMarginSide === 'both' || kneeMarginSide === side
    ? kneeMarginDeg
    : Math.min(kneeMarginDeg, otherKneeMarginDeg);

/** Height that a slot asks for: below 0 means room to spare over the floor. */
export interface SlotNeed extends SlotRef {
  readonly side: ReadingSide;
  readonly rawCm: number;
  /** What the height stands on, where it is not the floor. */
  readonly over?: Surface | undefined;
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
  readonly values: InputValues;
  readonly settings: PoseSettings;
  /** The side that works: the folded, raised, front or crossed leg; both where a pose has no sides. */
  readonly side: ReadingSide;
}

/** Whether a caution keeps the hips from folding as far as they go. */
export const isHipLimited = ({ hipFlexionMostDeg }: PoseSettings): boolean =>
  hipFlexionMostDeg < HALF_TURN_DEG;
/** Whether a caution keeps the head from coming low. */
export const isHeadLimited = ({ pitchMostDeg }: PoseSettings): boolean =>
  pitchMostDeg < HALF_TURN_DEG;
/** A limit that limits nothing. */
const HALF_TURN_DEG = 180;

/** The legs that a pose asks the same of. */
export const workingLegs = (side: ReadingSide): readonly Side[] =>
  side === 'both' ? sides : [side];
/** Right for left, left for right. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
/** The leg that a one-sided pose works; the left one stands for both where a pose has no sides. */
export const worked = (side: ReadingSide): Side => (side === 'both' ? 'left' : side);
/** Keys of ranges on the given legs. */
export function keysOn(legs: readonly Side[], ...ids: readonly RangeId[]): InputKey[] {
  const keys: InputKey[] = [];
  for (const id of ids) for (const side of legs) keys.push(keyOf(id, side));
  return keys;
}

/** Why a way is not taken; a firm reason stands over the teacher's own choice of it. */
export interface RuledOut {
  readonly because: WayRuledOut;
  readonly firm: boolean;
}

/** Heights that really lie there, by slot key; a slot left empty because nothing may stand so high is absent. */
export type Built = Readonly<Partial<Record<SlotKey, number>>>;
export interface Figure {
  readonly posture: Posture;
  readonly demands: readonly Demand[];
  /** Numbers worth saying, such as `rollBackDeg`. */
  readonly findings: Readonly<Record<string, number>>;
}

/** One way of sitting, kneeling, reclining or folding: what it needs, and how a body looks in it. */
export interface Family {
  readonly id: string;
  /** How it bears on its supports, where that is not the usual way. */
  readonly bears?: Bears;
  /** Inputs that the heights lean on, for bands and for what to measure next. */
  readonly needs: (side: ReadingSide) => readonly InputKey[];
  /** Least heights for this body, before anything is built. */
  readonly heights: (input: FamilyInput) => SlotNeed[];
  /** Heights that depend on what was really built under other slots. */
  readonly afterBuilt?: (input: FamilyInput, built: Built) => SlotNeed[];
  /**
   * What rules out the way that `settings.way` names, for this body and what is settled for it; null where the body is
   * carried in it and nothing is asked that cannot be.
   */
  readonly rulesOut?: (input: FamilyInput) => RuledOut | null;
  /** What the pose is set to for this body, where nobody set it otherwise. */
  readonly dials?: (input: FamilyInput) => DialValues;
  /** The support that mends a pelvis that rolls back on what was built; the pose's own table says it for the rest. */
  readonly mendsRollBack?: (input: FamilyInput, built: Built) => SlotKey;
  /** The figure on what was really built. */
  readonly figure: (input: FamilyInput, built: Built) => Figure;
  /** Why a slot is as high as it is: codes with numbers, in the order in which they are said. */
  readonly why: (input: FamilyInput, need: SlotNeed) => readonly HeightReason[];
}
