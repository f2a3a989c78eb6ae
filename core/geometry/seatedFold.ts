import { armCm, type Body } from '../body/body';
import { fold as parameter } from '../parameters';
import type { HeightReason } from '../reasons';
import { rangeValue, stifferSide } from './inputs';
import type { Built, Family, FamilyInput, SlotNeed } from './family';
import {
  chestNeed,
  floorAhead,
  foldedTrunk,
  foldSupports,
  foldWhy,
  foreheadNeed,
  onFloor,
  restingOn,
  upperFigure,
  type FoldedTrunk,
  type Under,
} from './foldedTrunk';
import {
  hamstringDemands,
  hamstringLegs,
  hipFlexionAt,
  longFoot,
  longLegs,
  longSit,
  longSitNeeds,
  longSitSupports,
  longSitWhy,
  mendsRollBack,
  rollBackDeg,
  rollUnderKneesCm,
  spreadDemands,
  straddleHalfAngleDeg,
  turnedOut,
  type LongLegs,
} from './longSit';
import { between, legWithFoot, postureFrom, type Point } from './posture';

/** Lean of the pelvis past upright, minus when it rolls back, from what the hamstrings leave. */
export function pelvisLeanDeg(legs: LongLegs, input: FamilyInput): number {
  const left = hipFlexionAt(legs.kneeBendDeg, input) - (90 - legs.thighFallDeg);
  // Between the sitting target and the standing pelvis the trunk is upright; only past either does it lean.
  if (left >= 0) return left;
  return Math.min(0, left - input.settings.pelvisTargetDeg);
}

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
  const lean = pelvisLeanDeg(legs, input);
  const trunk = built
    ? restingOn(input, legs.hip, lean, under, built)
    : foldedTrunk(input, legs.hip, lean, under);
  const ball: Point = longFoot(legs, body).toe;
  return { legs, trunk, strapCm: Math.max(0, between(trunk.shoulder, ball) - armCm(body)) };
}

/** What tells one long-legged fold from another. */
interface FoldForm {
  readonly spread?: boolean;
}

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

/** A fold over long legs: hinge at the hips as far as the hamstrings go, a little rounding along the spine, the forehead on something. */
function foldOverLongLegs(id: string, form: FoldForm): Family {
  return {
    id,
    needs: longSit.needs,
    heights: (input) => {
      const needs = longSitNeeds(input);
      return [
        ...needs,
        ...upperNeeds(heightOf(needs, 'seat'), heightOf(needs, 'underKnees'), input, form),
      ];
    },
    mendsRollBack,
    afterBuilt: (input, built: Built) => {
      const seatCm = built.seat ?? 0;
      const roll = rollUnderKneesCm(seatCm, input);
      return [
        { slot: 'underKnees', side: 'both', rawCm: roll },
        ...upperNeeds(seatCm, built.underKnees ?? roll, input, form),
      ];
    },
    figure: (input, built) => {
      const { body } = input;
      const [seatCm, rollCm] = [built.seat ?? 0, built.underKnees ?? 0];
      const { legs, trunk, strapCm } = folded(seatCm, rollCm, input, form, built);
      const foot = longFoot(legs, body);
      const rollBack = rollBackDeg(seatCm, rollCm, input);
      const halfAngle = form.spread ? straddleHalfAngleDeg(input) : 0;
      const hands: Point = form.spread ? floorAhead(trunk.shoulder, body) : foot.toe;
      return {
        posture: postureFrom({
          near: turnedOut(legWithFoot(legs.knee, legs.ankle, foot), legs.hip, halfAngle),
          hip: legs.hip,
          upper: upperFigure(input, trunk, hands, 1),
          pelvisDeg: trunk.leanDeg >= 0 ? trunk.leanDeg : input.settings.pelvisTargetDeg - rollBack,
          pelvisLeanDeg: trunk.leanDeg,
          supports: [
            ...longSitSupports(legs, seatCm, rollCm, body, halfAngle),
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
    why: foldOrSitWhy,
  };
}

/** Why a slot of a fold over a long sit stands as high as it does. */
export function foldOrSitWhy(input: FamilyInput, need: SlotNeed): readonly HeightReason[] {
  if (need.slot === 'strap') {
    const side = stifferSide(input.values, 'hamstring', hamstringLegs(input));
    const deg = rangeValue(input.values, 'hamstring', side);
    return [{ code: 'strap-to-feet', deg, side, cm: need.rawCm }];
  }
  return foldWhy(need, parameter.highestForeheadProp.value) ?? longSitWhy(input, need);
}

export const seatedFold = foldOverLongLegs('fold', {});
export const straddleFold = foldOverLongLegs('straddle fold', { spread: true });
