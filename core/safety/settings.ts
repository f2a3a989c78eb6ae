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
};
const shareOf: Record<Choices['hold'], number> = {
  breaths: workingShare.steady.value,
  minutes: workingShare.steady.value,
  long: workingShare.rest.value,
};

/** What the approach's choices and the cautions' changes settle for the geometry. A caution always has the last word. */
export function settingsFor(
  choices: Choices,
  changes: ReadonlySet<PoseChange>,
  chairSeatCm: number = chair.seatHeight.value,
): PoseSettings {
  const has = (change: PoseChange) => changes.has(change);
  const kneesFirst = choices.rounding === 'back-first' || has('knees bent');
  return {
    share: has('mid-range') ? workingShare.rest.value : shareOf[choices.hold],
    pelvisTargetDeg: pelvisTarget[choices.pelvis].value,
    spineShareDeg: has('spine straight')
      ? 0
      : has('spine quiet')
        ? spineShare.careful.value
        : spineOf[choices.spine],
    kneeMarginDeg:
      has('knee margin') || has('mid-range') || has('ankle roll')
        ? kneeMargin.careful.value
        : kneeMargin.usual.value,
    lumbarAllowanceDeg: has('no arch') ? 0 : reclinedHero.lumbarAllowance.value,
    behindKneeCm: has('knee spacer')
      ? Math.max(kneeling.strapPad.value, padOf[choices.behindKnee])
      : padOf[choices.behindKnee],
    firstToRise: kneesFirst ? 'knees' : 'seat',
    standingKneeDeg: has('knees bent')
      ? standingFold.carefulKnee.value
      : kneesFirst
        ? standingFold.bentKnee.value
        : standingFold.softKnee.value,
    hipFlexionMostDeg: has('hip flexion under 90') ? cautionLimits.hipFlexion.value : 180,
    pitchMostDeg: has('head not low') ? cautionLimits.pitch.value : 180,
    inclineLeastDeg: has('ramp stays high') ? cautionLimits.incline.value : 0,
    childKnees: has('belly room') ? 'wide' : choices.childKnees,
    pigeonKneeDeg:
      choices.pigeonShin === 'square' && !has('knee margin')
        ? pigeon.squareKnee.value
        : pigeon.closedKnee.value,
    reclinedOpenHeld: has('outer hips held')
      ? 'outerHip'
      : choices.reclinedOpen === 'knees'
        ? 'underThigh'
        : 'by ramp',
    underShinCm: has('ankle roll') ? kneeling.shinPad.value : 0,
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
