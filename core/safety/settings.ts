import type { Choices } from '../approaches/approaches';
import type { PoseSettings } from '../geometry/family';
import {
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
import { changed, type PoseChange } from './changes';

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

/** What the choices of an approach settle, before any caution changes it. */
function chosen(choices: Choices, chairSeatCm: number): PoseSettings {
  const kneesFirst = choices.rounding === 'back-first';
  const padCm = padOf[choices.behindKnee];
  return {
    share: shareOf[choices.hold],
    pelvisTargetDeg: pelvisTarget[choices.pelvis].value,
    spineShareDeg: spineOf[choices.spine],
    lumbarAllowanceDeg: reclinedHero.lumbarAllowance.value,
    firstToRise: kneesFirst ? 'knees' : 'seat',
    standingKneeDeg: (kneesFirst ? standingFold.bentKnee : standingFold.softKnee).value,
    kneeMarginDeg: kneeMargin.usual.value,
    otherKneeMarginDeg: kneeMargin.usual.value,
    behindKneeCm: padCm,
    childPadCm: choices.behindKnee === 'brick' ? kneeling.brickPad.value : padCm,
    underShinCm: choices.shins === 'blanket' ? kneeling.shinPad.value : 0,
    ankleLeastCm: 0,
    childKnees: choices.childKnees,
    pigeonKneeDeg: (choices.pigeonShin === 'square' ? pigeon.squareKnee : pigeon.closedKnee).value,
    reclinedOpenHeld: choices.reclinedOpen === 'knees' ? 'underThigh' : 'by ramp',
    hipFlexionMostDeg: 180,
    pitchMostDeg: 180,
    inclineLeastDeg: 0,
    way: '',
    dials: {},
    kneePadCm: 0,
    squatsOnSeat: false,
    restful: choices.strength === 'none',
    chairSeatCm,
  };
}

/** What choices settle where no caution changes anything, for as long as the choices stay the same. */
const unchanged = new WeakMap<Choices, PoseSettings>();

/**
 * What the approach's choices and the cautions' changes settle for the geometry. A caution always has the last word.
 */
export function settingsFor(
  choices: Choices,
  changes: ReadonlySet<PoseChange>,
  chairSeatCm: number = chair.seatHeight.value,
): PoseSettings {
  const known = unchanged.get(choices);
  const settings = known?.chairSeatCm === chairSeatCm ? known : chosen(choices, chairSeatCm);
  unchanged.set(choices, settings);
  return changed(settings, changes);
}
