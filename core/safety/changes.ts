import type { PoseSettings } from '../geometry/family';
import {
  cautionLimits,
  kneeMargin,
  kneeling,
  ladderStart,
  pigeon,
  spineShare,
  standingFold,
  workingShare,
} from '../parameters';
import type { SlotId } from '../slots';

/** Settings that are told by a number. */
type Numbers = {
  readonly [S in keyof PoseSettings as PoseSettings[S] extends number ? S : never]?: number;
};

/** What a change does to how a pose is set up; in whichever order changes are made, it comes to the same. */
export interface ChangeEffect {
  /** Settings that are no less, and no more, than this. */
  readonly atLeast?: Numbers;
  readonly atMost?: Numbers;
  /** Settings that are this, whatever the approach chose. */
  readonly sets?: Partial<
    Pick<PoseSettings, 'firstToRise' | 'childKnees' | 'reclinedOpenHeld' | 'squatsOnSeat'>
  >;
  /** Supports that it builds, though the pose leaves them to be asked for. */
  readonly builds?: readonly SlotId[];
  /** Supports that it takes away. */
  readonly leavesOut?: readonly SlotId[];
  /** No hold is longer. */
  readonly mostHoldSeconds?: number;
}

/** A change that the teacher makes: nothing that is built differs. */
export const wordsOnly = 'wordsOnly';

/** Knees kept further from their end. */
const MORE_IN_HAND: Numbers = { kneeMarginDeg: kneeMargin.careful.value };
const strapPadCm = kneeling.strapPad.value;

/** Every change that a caution makes to a pose, with what it does. */
export const poseChanges = {
  'knee margin': { atLeast: { ...MORE_IN_HAND, pigeonKneeDeg: pigeon.closedKnee.value } },
  'knee spacer': {
    atLeast: { behindKneeCm: strapPadCm, childPadCm: strapPadCm },
    builds: ['behindKnee'],
  },
  'kneecap spared': { atLeast: { kneeMarginDeg: kneeMargin.kneecap.value } },
  'knee filled behind': {
    atLeast: { behindKneeCm: kneeling.towelPad.value, childPadCm: kneeling.towelPad.value },
    builds: ['behindKnee'],
  },
  'thigh filled': { atLeast: MORE_IN_HAND, builds: ['underThigh', 'outerHip'] },
  'on a seat': { atLeast: MORE_IN_HAND, sets: { squatsOnSeat: true } },
  'spine quiet': { atMost: { spineShareDeg: spineShare.careful.value } },
  'spine straight': { atMost: { spineShareDeg: 0 } },
  'knees bent': {
    sets: { firstToRise: 'knees' },
    atLeast: { standingKneeDeg: standingFold.carefulKnee.value },
  },
  'no strap': { leavesOut: ['strap'] },
  'hip flexion under 90': { atMost: { hipFlexionMostDeg: cautionLimits.hipFlexion.value } },
  'mid-range': { atLeast: MORE_IN_HAND, atMost: { share: workingShare.midRange.value } },
  'no arch': { atMost: { lumbarAllowanceDeg: 0 } },
  'head not low': { atMost: { pitchMostDeg: cautionLimits.pitch.value, spineShareDeg: 0 } },
  'ramp stays high': { atLeast: { inclineLeastDeg: cautionLimits.incline.value } },
  'ankle roll': {
    atLeast: { ...MORE_IN_HAND, ankleLeastCm: kneeling.ankleRoll.value },
    builds: ['ankle'],
  },
  'ankle spared': {
    atLeast: MORE_IN_HAND,
    atMost: { share: workingShare.midRange.value },
    sets: { squatsOnSeat: true },
  },
  'knee padded': { atLeast: { ...MORE_IN_HAND, kneePadCm: ladderStart.kneePad.value } },
  'belly room': { sets: { childKnees: 'wide' } },
  'outer hips held': { sets: { reclinedOpenHeld: 'outerHip' } },
  'short hold': { mostHoldSeconds: cautionLimits.shortHold.value },
  brief: { mostHoldSeconds: cautionLimits.briefHold.value },
  'arms low': wordsOnly,
  'adult present': wordsOnly,
  'level hips': wordsOnly,
  'hold on': wordsOnly,
  'up in stages': wordsOnly,
} as const satisfies Readonly<Record<string, ChangeEffect | typeof wordsOnly>>;

export type PoseChange = keyof typeof poseChanges;

/** What a change does that is more than words. */
export function effectOfChange(change: PoseChange): ChangeEffect {
  const effect: ChangeEffect | typeof wordsOnly = poseChanges[change];
  return effect === wordsOnly ? {} : effect;
}

/** Settings with one change made. */
function changedBy(settings: PoseSettings, change: PoseChange): PoseSettings {
  const { atLeast = {}, atMost = {}, sets } = effectOfChange(change);
  const moved: { -readonly [N in keyof Numbers]: Numbers[N] } = {};
  for (const [name, least] of Object.entries(atLeast) as [keyof Numbers, number][])
    moved[name] = Math.max(settings[name], least);
  for (const [name, most] of Object.entries(atMost) as [keyof Numbers, number][])
    moved[name] = Math.min(settings[name], most);
  return { ...settings, ...sets, ...moved };
}

/** Settings with every change made. */
export const changed = (settings: PoseSettings, changes: ReadonlySet<PoseChange>): PoseSettings =>
  [...changes].reduce(changedBy, settings);

/** Whether a change takes a support away. */
export const leftOut = (changes: ReadonlySet<PoseChange>, slot: SlotId): boolean =>
  [...changes].some((change) => effectOfChange(change).leavesOut?.includes(slot));

/** Whether a change builds a support that is otherwise only offered. */
export const isBuiltFor = (changes: ReadonlySet<PoseChange>, slot: SlotId): boolean =>
  [...changes].some((change) => effectOfChange(change).builds?.includes(slot));

/** Whether a change keeps the back from rounding. */
export const keepsBack = (changes: ReadonlySet<PoseChange>): boolean =>
  [...changes].some((change) => effectOfChange(change).atMost?.spineShareDeg !== undefined);

/** Holds that a caution keeps short, in seconds; no limit where none does. */
export const longestHoldFor = (changes: ReadonlySet<PoseChange>): number =>
  Math.min(Infinity, ...[...changes].map((one) => effectOfChange(one).mostHoldSeconds ?? Infinity));

/** Whether a change keeps a knee further from its end. */
export function sparesKnee(change: PoseChange): boolean {
  const effect: ChangeEffect | typeof wordsOnly = poseChanges[change];
  return effect !== wordsOnly && effect.atLeast?.kneeMarginDeg !== undefined;
}
