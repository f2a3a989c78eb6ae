import type { TapedLength } from './body/lengths';
import type { RangeId, ReadingSide, Side } from './ranges/ranges';
import type { SpotId } from './spots';
import type { DialId } from './dials';
import type { SlotId, SlotName } from './slots';
import type { CautionId, ReadingRuleId, RuleId } from './safety/ids';

/** What a forehead, a knee or a seat stands on where that is not the floor. */
export type Surface =
  | 'floor'
  | 'foot'
  | 'shin'
  | 'shins'
  | 'knee'
  | 'thigh'
  | 'heels'
  | 'ramp'
  | 'seat'
  | 'chair'
  | 'lower ankle';
type RampPlace = 'low' | 'high';
/** A height that a slot asks for; nought or less where nothing is asked. */
interface Gap {
  readonly cm: number;
}
/** A range of the side that decides. */
interface OfSide {
  readonly deg: number;
  readonly side: Side;
}

/** Why a support stands as high as it does: by code, with its numbers. */
export interface HeightReasons {
  'palms-beside': Gap;
  /** How much more a pelvis asks for here that does not sit as is usual. */
  'own-pelvis': { readonly deg: number; readonly usualDeg: number; readonly moreCm: number };
  'long-sit-seat': Gap &
    OfSide & {
      readonly rollBackDeg: number;
      /** Lower than straight up on the same legs: in a fold the knees are lifted first. */
      readonly kneesFirst?: true;
    };
  'long-sit-knees': Gap &
    OfSide & { readonly backFirst: boolean; readonly planted: boolean; readonly spread: boolean };
  'twist-seat': Gap & OfSide;
  'strap-to-feet': Gap & OfSide;
  'fold-chest': Gap;
  'fold-forehead': Gap & {
    readonly over: Surface;
    readonly tooHigh: boolean;
    /** The legs lie beneath, too low to carry what it comes to rest on. */
    readonly overLegs?: boolean;
  };
  'thigh-to-chest': { readonly deg: number; readonly knees: 'wide' | 'together' };
  'spread-knees': OfSide;
  'frog-knees': object;
  'crossed-seat': Gap & OfSide & { readonly moreCm: number };
  'knee-laid-open': Gap & OfSide & { readonly over: Surface };
  'kneeling-seat': Gap &
    OfSide & { readonly marginDeg: number; readonly over: Surface; readonly moreCm: number };
  'ankle-points': OfSide & { readonly neededDeg: number };
  'under-shins': Gap;
  'behind-knee': Gap;
  'front-thigh-ramp': Gap & OfSide & { readonly inclineDeg: number; readonly place: RampPlace };
  'comfort-ramp': Gap & { readonly place: RampPlace };
  'head-on-ramp': Gap;
  'lying-head': Gap;
  'long-leg-knee': Gap;
  'hips-level': Gap;
  'outer-hip': Gap & OfSide & { readonly place: 'outerHip' | 'underThigh' };
  /** How far the pelvis tips forward standing, where that is why. */
  'rest-knees': Gap & { readonly standsDeg: number | null };
  'standing-foot': object;
  'strap-behind': Gap;
  'by-trying': Gap & {
    readonly under: 'top knee' | 'back foot' | 'shoulder' | 'knee';
    readonly side: ReadingSide;
  };
  'other-thigh': Gap;
  'raised-strap': Gap & OfSide & { readonly seated: boolean };
  'raised-seat': Gap & OfSide;
  lunge: Gap & {
    readonly backDeg: number;
    readonly back: Side;
    readonly stepCm: number;
    readonly frontDeg: number;
    readonly side: Side;
  };
  'knee-down': object;
  'horse-hands': Gap;
  'pigeon-hip': Gap & OfSide & { readonly closed: boolean };
  'pigeon-hands': Gap & OfSide;
  'strap-over-shoulder': Gap;
  'standing-hands': Gap & OfSide & { readonly kneeDeg: number; readonly onThighs: boolean };
  'stood-on': object;
  'belt-round': Gap;
  'squat-heels': Gap & OfSide & { readonly beyond: boolean };
  'squat-seat': Gap & { readonly kneeDeg: number };
  'hands-down': Gap;
  'chair-height': Gap & {
    readonly slot: 'feet' | 'seat';
    readonly behindKneeCm: number;
    readonly chairCm: number;
  };
  'strap-to-shin': Gap;
  'strap-overhead': Gap;
  'strap-to-soles': Gap;
  'table-hands': Gap;
  'dog-hands': object;
  'dog-heels': Gap & OfSide;
}

/** What the mat has taught of a height, and what today does to it. */
interface BuildReasons {
  learned: { readonly cm: number };
  'learned-much': object;
  'rung-lower': { readonly fromCm: number; readonly toCm: number };
  'rung-higher': {
    readonly fromCm: number;
    readonly toCm: number;
    readonly more: boolean;
  };
  /** Raised to what a caution or a reading asks for since the last time. */
  'asked-since': { readonly fromCm: number; readonly toCm: number };
  /** Built higher the first time than is likeliest to be needed, so that the joint keeps its margin. */
  'first-margin': { readonly cm: number };
  'shelf-ends': object;
  /** Held lower last time after trying: a fresh day begins higher, where it is sure. */
  'trial-start': { readonly heldCm: number; readonly fromCm: number };
  /** Ranges that nobody has read, which this height leans on: taken as is usual. */
  'not-read': { readonly ranges: readonly RangeId[] };
  /** It stays as it lay last time, though another height is reckoned. */
  'as-last': object;
  /** A ramp goes up by as much as the seat before it. */
  'follows-seat': { readonly cm: number };
  /** A comfort whose pieces serve under what carries the body. */
  'given-up': object;
  /** How likely the next rung down is to be enough, and how likely it must be: told under Why alone. */
  'rung-odds': { readonly toCm: number; readonly chance: number; readonly asked: number };
  'at-most': { readonly slot: SlotId };
  /** Asked for, and left empty: over the most that anybody builds, or with nothing near enough on the shelf. */
  'stays-free': { readonly slot: SlotId; readonly cm: number; readonly overMost: boolean };
  'way-not-taken': { readonly pose: string; readonly way: string; readonly because: WayRuledOut };
  /** What must carry the body cannot be built of this shelf. */
  'not-carried': { readonly slot: SlotId; readonly cm: number };
}

/** Why a way of setting a pose up is not the one that is taken. */
export type WayRuledOut =
  | { readonly of: 'caution'; readonly caution: CautionId; readonly rule: RuleId }
  /** Knees that do not close under the body's weight, by range or by caution: nothing would carry it. */
  | { readonly of: 'knees-open'; readonly deg: number; readonly cm: number }
  | { readonly of: 'heels-high'; readonly cm: number }
  | { readonly of: 'restful' }
  | { readonly of: 'ramp-high'; readonly cm: number }
  /** The trunk would come to lie lower than the front thighs let it. */
  | { readonly of: 'lies-low'; readonly deg: number; readonly leastDeg: number }
  /** Forearms on the floor behind hips that sit raised would draw the low back in. */
  | { readonly of: 'hips-raised'; readonly cm: number }
  /** A hip that a caution keeps from folding so far. */
  | { readonly of: 'hip-limited'; readonly deg: number }
  /** A head that a caution keeps no lower than the heart. */
  | { readonly of: 'head-low' }
  | { readonly of: 'head-far'; readonly cm: number }
  /** It asked too much lately, and nothing in it could rise. */
  | { readonly of: 'felt-there' }
  /** It spoke last time although nobody lay back on anything. */
  | { readonly of: 'felt-then' }
  /** A hand that would have to stand on more than a block on its end. */
  | { readonly of: 'hand-high'; readonly cm: number; readonly mostCm: number }
  /** What should come first has not been done often, long or low enough. */
  | { readonly of: 'early'; readonly first: Reason<'gate-record' | 'gate-range'> }
  /** This shelf does not build what carries the body in it. */
  | { readonly of: 'shelf'; readonly slot: SlotId; readonly cm: number };

/** What was felt or seen that asks for more support. */
export type Complaint =
  | {
      readonly of: 'joint' | 'low-back';
      /** Where on the body, as it was tapped; kept though nobody here may know it. */
      readonly spot?: string;
    }
  | { readonly of: 'breath' | 'rolled' | 'arched' | 'next-day' }
  | { readonly of: 'strong'; readonly strength: number; readonly overAllowed: boolean };
/** A stop that rests a pose. */
export type Alarm = 'sharp' | 'electric' | 'spreading' | 'numb' | 'nerve';

/** Why a pose is lowered, kept, raised or left out today. */
interface DecisionReasons {
  /** A first build: whether any range that it leans on was read, and what to read first where none was. */
  'first-time': {
    readonly isRead: boolean;
    readonly statureCm: number;
    readonly next: RangeId | null;
  };
  /** What is said where no support answers a complaint. */
  /** A dial is turned from where it stood, in its own unit. */
  'dial-turned': { readonly dial: DialId; readonly from: number; readonly to: number };
  /** What was eased may be given back. */
  'dial-back': { readonly good: number };
  /** What answers something felt at a spot. */
  'felt-answer': { readonly pose: string; readonly spot: SpotId };
  /** Felt at a spot last time, and eased there and then: what eased it still lies there. */
  'eased-then': { readonly spot: string };
  'ease-cue': { readonly pose: string; readonly why: string };
  /** What eases a pose in one of its ways, as it is said. */
  'way-cue': { readonly pose: string; readonly way: string };
  /** Nothing that lies there eases it. */
  'ease-less': object;
  /** The way that is gone back to from one that asked too much. */
  'gone-back': { readonly pose: string; readonly way: string };
  /** Set up in another way than the last time, though nothing was felt. */
  'way-anew': { readonly pose: string; readonly way: string; readonly was: string };
  'fault-cue': { readonly pose: string; readonly fault: string };
  'seen-again': { readonly fault: string; readonly on: string };
  /** The support stands at the most that anybody builds, and was not enough. */
  'at-limit': { readonly slot: SlotName; readonly cm: number };
  'fault-stands': { readonly on: string };
  'gate-range': {
    readonly range: RangeId;
    readonly side: Side;
    readonly leastDeg: number;
    /** Null where it was not measured. */
    readonly deg: number | null;
  };
  'gate-record': {
    readonly pose: string;
    readonly done: number;
    readonly sessions: number;
    readonly weeks: number;
    readonly slot: SlotName | null;
    readonly mostCm: number | null;
    /** The stage in which those times count; null for any. */
    readonly stage: string | null;
  };
  /** A range was read since the pose was last done, and what that does to the support that leans on it. */
  'read-since': {
    readonly side: ReadingSide;
    readonly range: RangeId;
    readonly deg: number;
    readonly slot: SlotId;
    readonly comes: 'down' | 'up' | 'stays';
  };
  'heavy-day': { readonly day: 'cold' | 'tired' | 'sore' };
  'left-out': { readonly alarm: Alarm; readonly on: string };
  'after-alarm': { readonly alarm: Alarm; readonly on: string };
  'after-dizzy': { readonly on: string };
  'last-time': { readonly on: string; readonly complaint: Complaint };
  'caution-since': { readonly cautions: readonly CautionId[] };
  'low-check': {
    readonly range: RangeId;
    readonly side: ReadingSide;
    readonly deg: number;
    readonly underDeg: number;
    readonly believableDeg: number;
  };
  /** Days since it was last seen, and how often it was done at home since. */
  'long-gap': { readonly days: number; readonly atHome?: number };
  /** Nothing goes deeper before a written go-ahead. */
  'go-ahead-first': object;
  'hurt-at-home': { readonly on: string };
  'much-at-home': { readonly times: number; readonly of: number };
  'once-much-at-home': { readonly on: string };
  'long-away': { readonly days: number };
  /** Nothing comes down while a body sinks to one side. */
  /** `sits`: on something that a fold under one side would level. */
  leaned: { readonly side: Side; readonly on: string; readonly sits: boolean };
  'not-held': {
    readonly heldSeconds: number;
    readonly plannedSeconds: number;
    /** The time before as well: then no more is asked for than was held. */
    readonly again: boolean;
  };
  'very-mobile': object;
  'more-sessions': {
    readonly good: number;
    readonly asked: number;
    readonly raised: boolean;
  };
  /** Nothing that could come down: the bare floor, or a strap alone. */
  'nothing-lies': { readonly withStrap: boolean };
  fitted: object;
  'no-step': { readonly cm: number };
  'range-supports': { readonly good: number; readonly toCm: number };
  /** The next rung is not likely enough: for want of range, or because what decides is read too roughly. */
  'range-unsure': {
    readonly good: number;
    readonly range: RangeId | null;
    readonly isRough: boolean;
  };
}

/** What an intake answer does, and where to turn. */
interface CautionReasons {
  caution: {
    readonly caution: CautionId;
    readonly rule: RuleId | ReadingRuleId;
    readonly goAheadOn: string | null;
  };
  'caution-unknown': { readonly caution: string; readonly reading: boolean };
  refer: { readonly caution: CautionId };
  'refer-alarm': object;
  'refer-dizzy': object;
  'refer-joint': object;
  /** A support would have to stand too high to be sensible. */
  'too-high': { readonly pose: string; readonly cm: number };
}

/** Why nothing is said of the weeks to come. */
interface ForecastReasons {
  'no-such-support': object;
  'few-looks': { readonly seen: number; readonly asked: number };
}

/** How a value that was read becomes its range. */
interface WorkingReasons {
  'working-triangle': {
    readonly thighCm: number;
    readonly heelCm: number;
    readonly cm: number;
    readonly kneeDeg: number;
    readonly behindDeg: number;
    readonly deg: number;
  };
  'working-straddle': {
    readonly cm: number;
    readonly spacingCm: number;
    readonly legCm: number;
    readonly deg: number;
  };
  'working-wall': {
    readonly cm: number;
    readonly toeCm: number;
    readonly kneeCm: number;
    readonly shinCm: number;
    readonly deg: number;
  };
  'working-sits': {
    readonly readDeg: number;
    readonly standingDeg: number;
    readonly deg: number;
  };
  'working-ankle-gap': {
    readonly cm: number;
    readonly footCm: number;
    readonly shortDeg: number;
    readonly flatDeg: number;
    readonly deg: number;
  };
  'working-crossed': {
    readonly kneeCm: number;
    readonly hipCm: number;
    readonly thighCm: number;
    readonly riseDeg: number;
    readonly deg: number;
  };
  'working-fingertip': {
    readonly armCm: number;
    readonly cm: number;
    readonly trunkCm: number;
    readonly deg: number;
  };
  'working-kneeling': { readonly cm: number; readonly thighCm: number; readonly deg: number };
  'working-first-pull': { readonly share: number; readonly readDeg: number; readonly deg: number };
  /** A thigh drawn to the chest with the pelvis let go, which rolls along. */
  'working-thigh-free': {
    readonly readDeg: number;
    readonly lessDeg: number;
    readonly deg: number;
  };
  'working-lag': { readonly coupling: number; readonly lagDeg: number; readonly deg: number };
  'working-table-edge': {
    readonly readDeg: number;
    readonly moreDeg: number;
    readonly deg: number;
  };
}

/** Why a reading cannot stand, or a length is asked about. */
interface RefusedReasons {
  'unlikely-length': {
    readonly length: TapedLength;
    readonly cm: number;
    readonly usualCm: number;
    readonly statureCm: number;
  };
  'no-such-way': { readonly way: string; readonly range: RangeId };
  'side-missing': { readonly range: RangeId };
  'outside-range': {
    readonly range: RangeId;
    readonly value: number;
    readonly least: number;
    readonly most: number;
    readonly unit: 'cm' | 'deg' | 'ratio';
  };
  /** What was read can be read, and comes to what no body shows. */
  'not-human': {
    readonly range: RangeId;
    readonly deg: number;
    readonly least: number;
    readonly most: number;
  };
  /** A length that no body with these bones can come to. */
  'beyond-lengths': { readonly range: RangeId; readonly cm: number };
  'far-from-believed': {
    readonly range: RangeId;
    readonly readDeg: number;
    readonly deg: number;
    readonly sd: number;
  };
}

/** Everything that the core gives as a reason, but for the heights of slots, by code: worded in `ui/words`, and nowhere else. */
export interface Reasons
  extends
    BuildReasons,
    DecisionReasons,
    CautionReasons,
    ForecastReasons,
    RefusedReasons,
    WorkingReasons {}
export type ReasonCode = keyof Reasons;
/** One reason: its code, with numbers whose names carry their units. */
export type Reason<C extends ReasonCode = ReasonCode> = {
  [K in C]: { readonly code: K } & Readonly<Reasons[K]>;
}[C];
/** Why a support stands as high as it does. */
export type HeightReason = {
  [K in keyof HeightReasons]: { readonly code: K } & Readonly<HeightReasons[K]>;
}[keyof HeightReasons];
/** What is said of a slot. Why it stands so high is worded with the slot at hand: whether anything lies there. */
export type SlotReason = HeightReason | Reason;
