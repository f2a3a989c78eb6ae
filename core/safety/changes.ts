import type { PoseSettings } from '../geometry/family';
import {
  cautionLimits,
  kneeMargin,
  kneeling,
  pigeon,
  spineShare,
  standingFold,
  workingShare,
} from '../parameters';
import type { SlotId } from '../slots';

/** What a change does to how a pose is set up. */
export interface ChangeEffect {
  /** Settings that it moves, given those of the approach's choices: only ever toward the safer end, in whichever order. */
  readonly settles?: (settings: PoseSettings) => Partial<PoseSettings>;
  /** Supports that it takes away. */
  readonly leavesOut?: readonly SlotId[];
  /** No hold is longer. */
  readonly mostHoldSeconds?: number;
}

/** A change that the teacher makes: nothing that is built differs. */
export const wordsOnly = 'wordsOnly';

/** Every change that a caution makes to a pose, with what it does. */
export const poseChanges = {
  'knee margin': {
    settles: (settings) => ({
      ...moreInHand(settings),
      pigeonKneeDeg: Math.max(settings.pigeonKneeDeg, pigeon.closedKnee.value),
    }),
  },
  'knee spacer': {
    settles: ({ behindKneeCm, childPadCm }) => ({
      behindKneeCm: Math.max(behindKneeCm, kneeling.strapPad.value),
      childPadCm: Math.max(childPadCm, kneeling.strapPad.value),
    }),
  },
  'spine quiet': {
    settles: ({ spineShareDeg }) => ({
      spineShareDeg: Math.min(spineShareDeg, spineShare.careful.value),
    }),
  },
  'spine straight': { settles: () => ({ spineShareDeg: 0 }) },
  'knees bent': {
    settles: ({ standingKneeDeg }) => ({
      firstToRise: 'knees',
      standingKneeDeg: Math.max(standingKneeDeg, standingFold.carefulKnee.value),
    }),
  },
  'no strap': { leavesOut: ['strap'] },
  'hip flexion under 90': {
    settles: ({ hipFlexionMostDeg }) => ({
      hipFlexionMostDeg: Math.min(hipFlexionMostDeg, cautionLimits.hipFlexion.value),
    }),
  },
  'mid-range': {
    settles: (settings) => ({
      ...moreInHand(settings),
      share: Math.min(settings.share, workingShare.midRange.value),
    }),
  },
  'no arch': { settles: () => ({ lumbarAllowanceDeg: 0 }) },
  'head not low': {
    settles: ({ pitchMostDeg }) => ({
      pitchMostDeg: Math.min(pitchMostDeg, cautionLimits.pitch.value),
    }),
  },
  'ramp stays high': {
    settles: ({ inclineLeastDeg }) => ({
      inclineLeastDeg: Math.max(inclineLeastDeg, cautionLimits.incline.value),
    }),
  },
  'ankle roll': {
    settles: (settings) => ({
      ...moreInHand(settings),
      ankleLeastCm: Math.max(settings.ankleLeastCm, kneeling.ankleRoll.value),
    }),
  },
  'belly room': { settles: () => ({ childKnees: 'wide' }) },
  'outer hips held': { settles: () => ({ reclinedOpenHeld: 'outerHip' }) },
  'short hold': { mostHoldSeconds: cautionLimits.shortHold.value },
  brief: { mostHoldSeconds: cautionLimits.briefHold.value },
  'arms low': wordsOnly,
  'adult present': wordsOnly,
  'level hips': wordsOnly,
  'hold on': wordsOnly,
  'up in stages': wordsOnly,
} as const satisfies Readonly<Record<string, ChangeEffect | typeof wordsOnly>>;

export type PoseChange = keyof typeof poseChanges;

/** Knees kept further from their end. */
function moreInHand({ kneeMarginDeg }: PoseSettings) {
  return { kneeMarginDeg: Math.max(kneeMarginDeg, kneeMargin.careful.value) };
}

/** What a change does that is more than words. */
export function effectOfChange(change: PoseChange): ChangeEffect {
  const effect: ChangeEffect | typeof wordsOnly = poseChanges[change];
  return effect === wordsOnly ? {} : effect;
}

/** Settings with every change made. */
export const changed = (settings: PoseSettings, changes: ReadonlySet<PoseChange>): PoseSettings =>
  [...changes].reduce<PoseSettings>(
    (before, change) => ({ ...before, ...effectOfChange(change).settles?.(before) }),
    settings,
  );

/** Whether a change takes a support away. */
export const leftOut = (changes: ReadonlySet<PoseChange>, slot: SlotId): boolean =>
  [...changes].some((change) => effectOfChange(change).leavesOut?.includes(slot));

/** Holds that a caution keeps short, in seconds; no limit where none does. */
export const longestHoldFor = (changes: ReadonlySet<PoseChange>): number =>
  Math.min(Infinity, ...[...changes].map((one) => effectOfChange(one).mostHoldSeconds ?? Infinity));
