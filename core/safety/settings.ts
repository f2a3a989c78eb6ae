import type { Choices } from '../approaches/approaches';
import type { PoseSettings } from '../geometry/family';
import {
  cautionLimits,
  chair,
  kneeMargin,
  kneeling,
  pelvisTarget,
  pigeon,
  reclinedHero,
  spineShare,
  standingFold,
  workingShare,
} from '../parameters';
import type { PoseChange } from './cautions';

const spineOf: Record<Choices['spine'], number> = {
  long: spineShare.longBack.value,
  soft: spineShare.soft.value,
  curled: spineShare.curledRest.value,
};
const padOf: Record<Choices['behindKnee'], number> = {
  none: 0,
  strap: kneeling.strapPad.value,
  towel: kneeling.towelPad.value,
  fold: kneeling.foldPad.value,
  brick: kneeling.towelPad.value,
};
const shareOf: Record<Choices['hold'], number> = {
  breaths: workingShare.steady.value,
  minutes: workingShare.steady.value,
  long: workingShare.rest.value,
};

type Has = (change: PoseChange) => boolean;

/** Back, spine and what they ask of the legs; a caution always has the last word. */
function backSettings(choices: Choices, has: Has) {
  const spineShareDeg = has('spine straight')
    ? 0
    : has('spine quiet')
      ? spineShare.careful.value
      : spineOf[choices.spine];
  const kneesFirst = choices.rounding === 'back-first' || has('knees bent');
  const standingKnee = has('knees bent')
    ? standingFold.carefulKnee
    : kneesFirst
      ? standingFold.bentKnee
      : standingFold.softKnee;
  return {
    share: has('mid-range') ? workingShare.midRange.value : shareOf[choices.hold],
    pelvisTargetDeg: pelvisTarget[choices.pelvis].value,
    spineShareDeg,
    lumbarAllowanceDeg: has('no arch') ? 0 : reclinedHero.lumbarAllowance.value,
    firstToRise: kneesFirst ? 'knees' : 'seat',
    standingKneeDeg: standingKnee.value,
  } as const;
}

/** Knees, shins and hips that are held or turned. */
function legSettings(choices: Choices, has: Has) {
  const careful = has('knee margin') || has('mid-range') || has('ankle roll');
  const padCm = Math.max(
    has('knee spacer') ? kneeling.strapPad.value : 0,
    padOf[choices.behindKnee],
  );
  const square = choices.pigeonShin === 'square' && !has('knee margin');
  return {
    kneeMarginDeg: (careful ? kneeMargin.careful : kneeMargin.usual).value,
    behindKneeCm: padCm,
    childPadCm: choices.behindKnee === 'brick' ? kneeling.brickPad.value : padCm,
    underShinCm: choices.shins === 'blanket' ? kneeling.shinPad.value : 0,
    ankleLeastCm: has('ankle roll') ? kneeling.ankleRoll.value : 0,
    childKnees: has('belly room') ? 'wide' : choices.childKnees,
    pigeonKneeDeg: (square ? pigeon.squareKnee : pigeon.closedKnee).value,
    reclinedOpenHeld: has('outer hips held')
      ? 'outerHip'
      : choices.reclinedOpen === 'knees'
        ? 'underThigh'
        : 'by ramp',
  } as const;
}

/** Limits that only cautions set. */
const limitSettings = (has: Has) => ({
  hipFlexionMostDeg: has('hip flexion under 90') ? cautionLimits.hipFlexion.value : 180,
  pitchMostDeg: has('head not low') ? cautionLimits.pitch.value : 180,
  inclineLeastDeg: has('ramp stays high') ? cautionLimits.incline.value : 0,
});

/** What the approach's choices and the cautions' changes settle for the geometry. A caution always has the last word. */
export function settingsFor(
  choices: Choices,
  changes: ReadonlySet<PoseChange>,
  chairSeatCm: number = chair.seatHeight.value,
): PoseSettings {
  if (changes.size > 0) return settle(choices, changes, chairSeatCm);
  const known = unchanged.get(choices);
  if (known?.chairSeatCm === chairSeatCm) return known;
  const settings = settle(choices, changes, chairSeatCm);
  unchanged.set(choices, settings);
  return settings;
}
/** What choices settle where no caution changes anything, for as long as the choices stay the same. */
const unchanged = new WeakMap<Choices, PoseSettings>();

function settle(
  choices: Choices,
  changes: ReadonlySet<PoseChange>,
  chairSeatCm: number,
): PoseSettings {
  const has: Has = (change) => changes.has(change);
  return {
    ...backSettings(choices, has),
    ...legSettings(choices, has),
    ...limitSettings(has),
    way: '',
    dials: {},
    restful: choices.strength === 'none',
    chairSeatCm,
  };
}

/** Holds that a caution keeps short, in seconds; no limit where none does. */
export function longestHoldFor(changes: ReadonlySet<PoseChange>): number {
  return changes.has('brief')
    ? cautionLimits.briefHold.value
    : changes.has('short hold')
      ? cautionLimits.shortHold.value
      : Infinity;
}
