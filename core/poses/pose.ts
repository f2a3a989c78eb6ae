import type { ChoiceId, QuestionId } from '../approaches/approaches';
import type { FamilyId } from '../geometry/families';
import type { RangeId } from '../ranges/ranges';
import type { Surface } from '../reasons';
import type { Cue } from './cues';
import type { PoseTraits, Trait } from './traits';
import type { DialId, DialTurn } from '../dials';
import type { SlotId, SlotName } from '../slots';

export interface Stage {
  readonly id: string;
  readonly name: string;
  /** The stage holds while this slot stands at least so high; the last stage has no limit. */
  readonly from?: { readonly slot: SlotName; readonly cm: number };
  /** The stage holds while the forehead rests on, or over, this. */
  readonly restsOn?: Surface;
  /** The stage holds while this slot would have to stand over its most, and so stays empty. */
  readonly over?: SlotName;
  /** The stage holds while the knee of the leg that works is bent by more than this, in degrees. */
  readonly kneeBentOver?: number;
}

/** What must come first: each leg's ranges as measured, and times that other poses went well. */
export interface Gate {
  readonly ranges?: readonly {
    readonly range: RangeId;
    readonly leastDeg: number;
    /** The leg that works, the other one, or both. */
    readonly of: 'worked' | 'other' | 'both';
  }[];
  readonly after?: readonly {
    readonly pose: string;
    /** So many times that went well, on this side where the pose has sides. */
    readonly sessions: number;
    /** From the first of them to the last. */
    readonly weeks?: number;
    /** With this slot no higher than so much. */
    readonly slot?: SlotName;
    readonly mostCm?: number;
    /** In one of these stages. */
    readonly stages?: readonly string[];
  }[];
  /** What to practise until it opens. */
  readonly instead: string;
  /** A way behind it is not taken before its time, though it was chosen. */
  readonly firm?: true;
}

/** One way of setting up a pose. */
export interface PoseWay {
  readonly id: string;
  readonly name: string;
  /** The slots that it builds; all of the pose's where none are named. */
  readonly slots?: readonly SlotId[];
  /** What can be set of the pose in this way; all of the pose's dials where none are named. */
  readonly dials?: readonly DialId[];
  readonly entry?: readonly Cue[];
  /** What to look at in this way, where it is not what the pose asks for. */
  readonly look?: readonly Cue[];
  readonly stages?: readonly Stage[];
  /** Proposed where a question is answered so. */
  readonly proposedIf?: ChoiceId;
  readonly gate?: Gate;
  /** What it does to a body more than the pose itself: a caution that forbids this forbids the way. */
  readonly also?: readonly Trait[];
  /** Held no longer than this. */
  readonly mostSeconds?: number;
  /** How it is held, where that is not as the pose itself is. */
  readonly hold?: PoseHold;
  /** What eases it here, where what eases the pose is not built. */
  readonly eases?: Remedy;
  /** The way that one goes back to where this one asked too much and nothing in it can rise for it. */
  readonly backTo?: string;
}

/** What eases a complaint or mends what is seen: a slot one rung up or down, a dial turned, or words alone. */
export type Remedy =
  | { readonly slot: SlotName; readonly way: 'raise' | 'lower' }
  | DialTurn
  | { readonly cue: string };

/** What may go wrong, what is seen, and what mends it. */
export type PoseFault = {
  readonly id: string;
  readonly seen: string;
  /** It can be seen only where something lies here. */
  readonly onlyWith?: SlotId;
} & Remedy;

/** What is counted: movements with the breath, quiet breaths in a hold, or whole rounds in and out. */
interface Counted {
  readonly first: number;
  readonly most: number;
  /** Movements, where nothing else is said. */
  readonly of?: 'breaths' | 'rounds';
  /** A breath, where nothing else is said. */
  readonly eachSeconds?: number;
}

/** How long a pose is held. */
export interface HoldRule {
  readonly firstSeconds: number;
  readonly mostSeconds: number;
  /** By so much after a time that went well. */
  readonly growsSeconds: number;
}

/** The hold of a pose, with what is told of it beside its three numbers. */
interface PoseHold extends HoldRule {
  /** In the approach that holds long and still. */
  readonly long?: HoldRule;
  /** A rest keeps its minutes, whatever the approach. */
  readonly isRest?: true;
  /** Counted rather than timed: how often at first, how often at most, of what, and how long one takes. */
  readonly counted?: Counted;
}

/** Held so many seconds at first, so many at most, and so many more after each time that went well. */
export const hold = (
  firstSeconds: number,
  mostSeconds: number,
  growsSeconds: number,
  more: Omit<PoseHold, keyof HoldRule> = {},
): PoseHold => ({ firstSeconds, mostSeconds, growsSeconds, ...more });

/** Why a pose is eased. */
export type RaiseReason = 'joint' | 'strong' | 'rolled' | 'arched' | 'low-back' | 'other';

/** A pose as its table writes it; that every other pose it names exists is checked where the tables come together. */
export interface PoseEntry {
  readonly id: string;
  readonly group: 'seated' | 'kneeling' | 'reclined' | 'forward-bending' | 'chair' | 'counter';
  readonly name: string;
  readonly sanskrit?: string;
  /** Both at once, or each side by itself. */
  readonly sides: 'both' | 'each';
  /** What a side stands for where it is not the leg that works: the shin that lies in front, or the leg on top. */
  readonly sideIs?: 'in front' | 'on top';
  readonly family: FamilyId;
  readonly slots: readonly SlotId[];
  /** Ways of setting it up; the first one is proposed where nothing speaks for another. */
  readonly ways?: readonly PoseWay[];
  /** What must come first. */
  readonly gate?: Gate;
  /** The way in where a question is answered so. */
  readonly entryIf?: Readonly<Partial<Record<ChoiceId, readonly Cue[]>>>;
  /** What can be set of the pose itself. */
  readonly dials?: readonly DialId[];
  /** Turned before any of these slots stands over its most. */
  readonly turnsFirst?: { readonly dial: DialId; readonly under: readonly SlotName[] };
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
  readonly look: readonly Cue[];
  readonly entry: readonly Cue[];
  readonly exit: readonly string[];
  readonly needs: readonly RangeId[];
  /** Slots in the order in which they come down, hips before knees before head. */
  readonly comesDown: readonly SlotName[];
  /** What eases it, by what was seen or felt. */
  readonly eases: Eases;
  readonly faults: readonly PoseFault[];
  readonly warmUps: readonly string[];
  readonly counterposes: readonly string[];
  readonly easier?: string;
  readonly harder?: string;
  /** Another pose serves better once this slot would have to stand higher. */
  readonly insteadOver?: { readonly slot: SlotName; readonly cm: number; readonly pose: string };
  /** What makes it more, once it is easy. */
  readonly more?: string;
  readonly atHome: StandIns;
  readonly hold: PoseHold;
  /** What to do at home every day, where it matters. */
  readonly homeDose?: string;
}

/** What stands in for a support: whatever its height, or each thing up to the height in cm that it reaches. */
export type StandIn = string | readonly (readonly [upToCm: number, said: string])[];

/**
 * What stands in for a pose's supports at home, slot by slot, where it is not what is usual; and what holds whatever
 * lies there.
 */
export type StandIns = Readonly<Partial<Record<SlotId, StandIn>>> & {
  readonly also?: string;
  /** Said where a caution of the knee speaks of the pose. */
  readonly withSoreKnee?: string;
};

/** What eases a pose, by what was seen or felt; null in a pose without supports. */
export type Eases = Readonly<Record<RaiseReason, Remedy | null>>;

/** One remedy for everything, and others for what they mend better; a slot alone goes up. */
export function easedBy(
  first: SlotName | Remedy | null,
  others: Partial<Record<RaiseReason, SlotName | Remedy>> = {},
): Eases {
  const remedy = (one: SlotName | Remedy | null): Remedy | null =>
    typeof one === 'string' ? { slot: one, way: 'raise' } : one;
  const of = (why: RaiseReason) => remedy(others[why] ?? first);
  return {
    joint: of('joint'),
    strong: of('strong'),
    rolled: of('rolled'),
    arched: of('arched'),
    'low-back': of('low-back'),
    other: of('other'),
  };
}
