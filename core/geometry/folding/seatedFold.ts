import { isMoved } from '../../lies';
import { floorAhead } from '../arms';
import { armCm, type Body } from '../../body/body';
import { fold as parameter, longSit as longSitParameter } from '../../parameters';
import type { HeightReason } from '../../reasons';
import { memoise } from '../../memoise';
import { firstZero } from '../root';
import { rangeValue, stifferSide } from '../inputs';
import {
  isHipLimited,
  type Built,
  type Family,
  type FamilyInput,
  type RuledOut,
  type SlotNeed,
} from '../family';
import {
  AT_REST,
  chestNeed,
  foldedTrunk,
  foldSupports,
  foldWhy,
  foreheadNeed,
  onFloor,
  restingOn,
  upperFigure,
  type FoldedTrunk,
  type Under,
} from '../foldedTrunk';
import {
  hamstringDemands,
  easyLegsApart,
  hamstringLegs,
  hipFlexionOf,
  kneesAtBendCm,
  kneesUpCm,
  leastKneesCm,
  longFoot,
  longLegs,
  longSit,
  longSitSupports,
  longSitWhy,
  mendsRollBack,
  plantedBend,
  pressedUp,
  rollBackDeg,
  rollUnderKneesCm,
  seatAndKnees,
  seatThenKnees,
  spreadDemands,
  straddleHalfAngleDeg,
  turnedOut,
  type LongLegs,
} from '../sitting/longSit';
import { between, handOnStrap, legWithFoot, postureFrom, type Point } from '../posture';

/**
 * Lean of the trunk's lower end past upright, minus when it rolls back, from what the hamstrings leave. A trunk stands
 * upright over a pelvis that sits well, and leans by every degree that the pelvis tips past that.
 */
const pelvisLeanDeg = (
  legs: LongLegs,
  { settings }: FamilyInput,
  hipFlexion: (kneeBendDeg: number) => number,
): number => hipFlexion(legs.kneeBendDeg) - (90 - legs.thighFallDeg) - settings.pelvisTargetDeg;

/** Height of the leg's upper surface at x, and its name. */
export function surfaceUnder(x: number, legs: LongLegs, body: Body): Under {
  const onLine = (a: Point, b: Point, ra: number, rb: number) => {
    const share = (x - a[0]) / (b[0] - a[0]);
    return a[1] + share * (b[1] - a[1]) + ra + share * (rb - ra);
  };
  if (x > legs.ankle[0] + 4) return { cm: 0, under: 'floor' };
  if (x > legs.ankle[0] - 4) return { cm: legs.ankle[1] + body.footCm * 0.5, under: 'foot' };
  if (x > legs.knee[0] + 4)
    return {
      cm: onLine(legs.knee, legs.ankle, body.thighRadiusAtKneeCm, body.calfRadiusCm),
      under: 'shin',
    };
  const thigh = onLine(legs.hip, legs.knee, body.thighRadiusAtHipCm, body.thighRadiusAtKneeCm);
  return { cm: thigh, under: x > legs.knee[0] - 6 ? 'knee' : 'thigh' };
}

/** Whether nothing comes up to a head, so that it stays up. */
const staysUp = ({ gapCm }: FoldedTrunk) =>
  gapCm > parameter.highestForeheadProp.value + parameter.headLetsDown.value;

interface Folded {
  readonly legs: LongLegs;
  readonly trunk: FoldedTrunk;
  readonly strapCm: number;
}

/** The trunk over long legs on a seat and a roll; spread legs leave the floor between them. */
function folded(
  seatCm: number,
  rollCm: number,
  input: FamilyInput,
  { spread = false }: FoldForm,
  built?: Built,
): Folded {
  const { body } = input;
  const legs = longLegs(seatCm, rollCm, body);
  const under = (x: number) => (spread ? onFloor() : surfaceUnder(x, legs, body));
  const lean = pelvisLeanDeg(legs, input, hipFlexionOf(input));
  const trunk = built
    ? restingOn(input, legs.hip, lean, under, built, AT_REST)
    : foldedTrunk(input, legs.hip, lean, under, AT_REST);
  const ball: Point = longFoot(legs, body).toe;
  // A head that rests lets the hands lie where they come to; one that stays up holds a strap.
  const stays = input.settings.way === 'upright' || staysUp(trunk);
  return {
    legs,
    trunk,
    strapCm: stays
      ? (input.settings.dials.strap ?? Math.max(0, between(trunk.shoulder, ball) - armCm(body)))
      : 0,
  };
}

/** What tells one long-legged fold from another. */
interface FoldForm {
  readonly spread?: boolean;
  /** One leg alone is long, and stays so: its foot is not planted. */
  readonly oneLong?: boolean;
}

/** The most that is laid under the long knee of a fold over one leg, its bend kept small on this seat. */
const longKneeMostCm = (seatCm: number, body: Body): number =>
  Math.min(parameter.kneesForHead.value, kneesAtBendCm(seatCm, parameter.longKneeBend.value, body));

/** The trunk over knees of any height, on one seat: each height is solved once. */
function trunkOverKnees(seatCm: number, input: FamilyInput, { spread = false }: FoldForm) {
  const { body } = input;
  const hipFlexion = hipFlexionOf(input);
  return memoise((kneesCm: number) => {
    const legs = longLegs(seatCm, kneesCm, body);
    const lean = pelvisLeanDeg(legs, input, hipFlexion);
    const under = (x: number) => (spread ? onFloor() : surfaceUnder(x, legs, body));
    return foldedTrunk(input, legs.hip, lean, under, AT_REST);
  });
}

const BELLY = 'belly-on-thighs';

/** Height of the backs of the knees: with the belly on the thighs they stand by themselves, however high. */
const kneesStandCm = (
  { settings }: FamilyInput,
  builtCm: number | undefined,
  askedCm: number,
  { spread }: FoldForm,
) => (settings.way === BELLY ? askedCm : kneesUpCm(builtCm, askedCm, spread));

/** A roll is built no nearer than this, and the head must not fall off the legs for it. */
const ROLL_NEAR_CM = 1.5;

/** Feet that stand hold the knees over whatever might have lain there. */
const PLANTED_CM = 1;

/**
 * Height of the knees that lets both the pelvis tip and the forehead come down: to something on the legs, else to a
 * stool or chair over them; where neither is to be had the trunk stays up.
 */
function kneesInFoldCm(seatCm: number, input: FamilyInput, form: FoldForm): number {
  return form.oneLong
    ? Math.min(longKneeMostCm(seatCm, input.body), kneesWishedCm(seatCm, input, form))
    : kneesWishedCm(seatCm, input, form);
}

function kneesWishedCm(seatCm: number, input: FamilyInput, form: FoldForm): number {
  const { kneeBend } = input.settings.dials;
  if (kneeBend !== undefined) return kneesAtBendCm(seatCm, kneeBend, input.body);
  if (input.settings.way === BELLY) return parameter.kneesWellBent.value;
  const forPelvis = rollUnderKneesCm(seatCm, input);
  const { way, firstToRise } = input.settings;
  return way === 'upright' || firstToRise !== 'knees'
    ? forPelvis
    : kneesForHeadCm(seatCm, input, form, forPelvis);
}

/** Knees lifted, from what the pelvis asks, until the head comes to rest. */
function kneesForHeadCm(
  seatCm: number,
  input: FamilyInput,
  form: FoldForm,
  forPelvis: number,
): number {
  const trunkOver = trunkOverKnees(seatCm, input, form);
  const least = (over: (trunk: FoldedTrunk) => number) =>
    leastKneesCm(seatCm, input.body, (kneesCm) => over(trunkOver(kneesCm)));
  const onChair = () => least(({ forehead }) => forehead[1] - parameter.onChair.value);
  if (form.spread) {
    // Between spread legs there is room for a stool or chair: knees stay on low rolls, or the trunk stays up.
    const forChair =
      least(({ forehead }) => forehead[1] - parameter.highestForeheadProp.value) ?? Infinity;
    return forChair <= parameter.kneesForHead.value ? Math.max(forChair, forPelvis) : forPelvis;
  }
  const forHead =
    least(({ overLegsCm }) => overLegsCm - parameter.onLegsMost.value + ROLL_NEAR_CM) ??
    onChair() ??
    0;
  if (forHead <= forPelvis) return forPelvis;
  if (form.oneLong) return forHead;
  const mostCm = longSitParameter.kneesMost.value;
  if (forHead <= mostCm) return forHead;
  const high = least(({ forehead }) => forehead[1] - parameter.highestForeheadProp.value);
  if (high !== undefined && high <= mostCm) return Math.max(high, forPelvis);
  // For the head's sake alone no foot is planted: the trunk stays up over its roll.
  return forPelvis > parameter.kneesForHead.value
    ? Math.max(forHead, mostCm + PLANTED_CM)
    : forPelvis;
}

/**
 * Seat and knees of a fold. Knees that are to be lifted anyway for the head are lifted before the seat rises; over one
 * long leg the seat rises until the roll that is left to its knee is enough.
 */
function seatAndKneesInFold(
  input: FamilyInput,
  form: FoldForm,
): { readonly seatCm: number; readonly kneesCm: number } {
  const kneesOn = (cm: number) => kneesInFoldCm(cm, input, form);
  const { seatCm } = seatThenKnees(input, () => 0);
  const { way, firstToRise } = input.settings;
  if (form.spread || firstToRise !== 'knees' || way === BELLY)
    return { seatCm, kneesCm: kneesOn(Math.max(0, seatCm)) };
  const most = (cm: number) =>
    form.oneLong ? longKneeMostCm(cm, input.body) : parameter.kneesForHead.value;
  const short = (cm: number) => rollUnderKneesCm(cm, input) - most(cm);
  const seatMostCm = longSitParameter.seatMost.value;
  if (form.oneLong) {
    const higher =
      short(Math.max(0, seatCm)) <= 0
        ? seatCm
        : firstZero(short, Math.max(0, seatCm), parameter.seatMost.value, CLOSE_CM);
    return { seatCm: higher, kneesCm: kneesOn(Math.max(0, higher)) };
  }
  const lower = short(0) <= 0 ? Math.min(0, seatCm) : firstZero(short, 0, seatMostCm, CLOSE_CM);
  const folds = Math.min(seatCm, Math.max(parameter.seatLeast.value, lower));
  return { seatCm: folds, kneesCm: kneesOn(Math.max(0, folds)) };
}
const CLOSE_CM = 0.01;

function upperNeeds(
  seatCm: number,
  rollCm: number,
  input: FamilyInput,
  form: FoldForm,
): SlotNeed[] {
  const { trunk, strapCm } = folded(seatCm, rollCm, input, form);
  return form.spread
    ? [chestNeed(trunk), foreheadNeed(trunk)]
    : [foreheadNeed(trunk), { slot: 'strap', side: 'both', rawCm: strapCm, isLength: true }];
}

const heightOf = (needs: readonly SlotNeed[], slot: string) =>
  Math.max(0, needs.find((need) => need.slot === slot)?.rawCm ?? 0);

/** A head that nothing reaches stays up, and the feet are held by a strap. */
function rulesOutRest(input: FamilyInput, form: FoldForm): RuledOut | null {
  const { way, hipFlexionMostDeg: deg } = input.settings;
  if (way === 'upright') return null;
  if (isHipLimited(input.settings)) return { because: { of: 'hip-limited', deg }, firm: true };
  if (way !== 'at-rest') return null;
  const { seatCm, kneesCm } = seatAndKneesInFold(input, form);
  const { trunk } = folded(Math.max(0, seatCm), kneesCm, input, form);
  return staysUp(trunk) ? { because: { of: 'head-far', cm: trunk.gapCm }, firm: false } : null;
}

/**
 * A fold over long legs: hinge at the hips as far as the hamstrings go, a little rounding along the spine, the forehead
 * on something.
 */
function foldOverLongLegs(id: string, form: FoldForm): Family {
  return {
    id,
    bears: {
      underKnees: { tilts: true, as: form.spread ? 'each its own' : 'one under both' },
      forehead: form.spread ? 'over the shins' : 'over the legs',
    },
    needs: longSit.needs,
    heights: (asked) => {
      const input = form.spread ? pressedUp(asked) : asked;
      const { seatCm, kneesCm } = seatAndKneesInFold(input, form);
      const needs = seatAndKnees(seatCm, kneesCm);
      return [
        ...needs,
        ...upperNeeds(heightOf(needs, 'seat'), heightOf(needs, 'underKnees'), input, form),
      ];
    },
    mendsRollBack,
    ...(form.spread ? {} : { rulesOut: (input: FamilyInput) => rulesOutRest(input, form) }),
    dials: (asked) => {
      const input = form.spread ? pressedUp(asked) : asked;
      const { seatCm: wished, kneesCm } = seatAndKneesInFold(input, form);
      const seatCm = Math.max(0, wished);
      const { strapCm } = folded(seatCm, kneesCm, input, form);
      return {
        ...(form.spread ? easyLegsApart(input) : {}),
        ...plantedBend(seatCm, kneesCm, input.body, form.spread),
        ...(form.spread || strapCm === 0 ? {} : { strap: strapCm }),
      };
    },
    afterBuilt: (asked, built: Built) => {
      const input = form.spread ? pressedUp(asked) : asked;
      const seatCm = built.seat ?? 0;
      const knees = kneesInFoldCm(seatCm, input, form);
      return [
        { slot: 'underKnees', side: 'both', rawCm: knees },
        ...upperNeeds(seatCm, kneesStandCm(input, built.underKnees, knees, form), input, form),
      ];
    },
    figure: (asked, built) => {
      const input = form.spread ? pressedUp(asked) : asked;
      const { body } = input;
      const seatCm = built.seat ?? 0;
      const rollCm = kneesStandCm(
        input,
        built.underKnees,
        kneesInFoldCm(seatCm, input, form),
        form,
      );
      const { legs, trunk, strapCm } = folded(seatCm, rollCm, input, form, built);
      const foot = longFoot(legs, body);
      const rollBack = rollBackDeg(seatCm, rollCm, input);
      const halfAngle = form.spread ? straddleHalfAngleDeg(input) : 0;
      const hands: Point = form.spread
        ? floorAhead(trunk.shoulder, body)
        : handOnStrap(trunk.shoulder, foot.toe, strapCm);
      return {
        posture: postureFrom({
          near: turnedOut(legWithFoot(legs.knee, legs.ankle, foot), legs.hip, halfAngle),
          hip: legs.hip,
          upper: upperFigure(input, trunk, hands, 1),
          pelvisDeg: trunk.leanDeg >= 0 ? trunk.leanDeg : input.settings.pelvisTargetDeg - rollBack,
          pelvisLeanDeg: trunk.leanDeg,
          supports: [
            ...longSitSupports(legs, seatCm, built.underKnees ?? 0, body, halfAngle),
            ...foldSupports(trunk, built),
          ],
        }),
        demands: [
          ...hamstringDemands(input, legs),
          ...(form.spread ? spreadDemands(input, halfAngle) : []),
        ],
        findings: {
          rollBackDeg: rollBack,
          foldDeg: Math.max(0, trunk.leanDeg),
          foreheadGapCm: trunk.gapCm,
          ...(form.spread ? { halfAngleDeg: halfAngle } : { strapCm }),
        },
      };
    },
    why: (input, need) => foldOrSitWhy(input, need, form.spread),
  };
}

/** Why a slot of a fold over a long sit stands as high as it does. */
export function foldOrSitWhy(
  input: FamilyInput,
  need: SlotNeed,
  spread = false,
): readonly HeightReason[] {
  if (need.slot === 'strap') {
    const side = stifferSide(input.values, 'hamstring', hamstringLegs(input));
    const deg = rangeValue(input.values, 'hamstring', side);
    return [{ code: 'strap-to-feet', deg, side, cm: need.rawCm }];
  }
  const own = foldWhy(need, parameter.highestForeheadProp.value, !spread);
  if (own) return own;
  const kneesFirst =
    need.slot === 'seat' && isMoved(Math.max(0, seatThenKnees(input, () => 0).seatCm - need.rawCm));
  return longSitWhy(input, need, spread).map((one) =>
    one.code === 'long-sit-seat' && kneesFirst ? { ...one, kneesFirst } : one,
  );
}

export const seatedFold = foldOverLongLegs('fold', {});
/** The same over one long leg, which stays long. */
export const foldOverOneLeg = foldOverLongLegs('fold over one leg', { oneLong: true });
export const straddleFold = foldOverLongLegs('straddle fold', { spread: true });
