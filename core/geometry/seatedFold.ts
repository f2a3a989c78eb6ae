import type { Body } from '../body/body';
import { armCm } from '../body/body';
import { fold as parameter } from '../parameters';
import { rangeValue, stifferSide } from './draw';
import type { Built, Family, FamilyInput, SlotNeed } from './family';
import { hamstringDemands, hipFlexionAt, longFoot, longLegs, longSitNeeds, longSitSupports, longSitWhy, mendsRollBack, rollBackDeg, rollUnderKneesCm, type LongLegs } from './longSit';
import { along, armToward, between, headFrom, spineFrom, type Point } from './posture';

/** What the forehead comes down over. */
export type Under = 'thigh' | 'knee' | 'shin' | 'foot' | 'floor';

/** Lean of the pelvis past upright, minus when it rolls back, from what the hamstrings leave. */
function pelvisLeanDeg(legs: LongLegs, input: FamilyInput): number {
  const left = hipFlexionAt(legs.kneeBendDeg, input) - (90 - legs.thighFallDeg);
  // Between the sitting target and the standing pelvis the trunk is upright; only past either does it lean.
  if (left >= 0) return left;
  return Math.min(0, left - input.settings.pelvisTargetDeg);
}

/** Height of the leg's upper surface at x, and its name. */
function surfaceUnder(x: number, legs: LongLegs, body: Body): { cm: number; under: Under } {
  const onLine = (a: Point, b: Point, ra: number, rb: number) => {
    const share = (x - a[0]) / (b[0] - a[0]);
    return a[1] + share * (b[1] - a[1]) + ra + share * (rb - ra);
  };
  if (x > legs.ankle[0] + 4) return { cm: 0, under: 'floor' };
  if (x > legs.ankle[0] - 4) return { cm: legs.ankle[1] + body.footCm * 0.5, under: 'foot' };
  if (x > legs.knee[0] + 4) return { cm: onLine(legs.knee, legs.ankle, body.thighRadiusAtKneeCm, body.calfRadiusCm), under: 'shin' };
  const thigh = onLine(legs.hip, legs.knee, body.thighRadiusAtHipCm, body.thighRadiusAtKneeCm);
  return { cm: thigh, under: x > legs.knee[0] - 6 ? 'knee' : 'thigh' };
}

interface Folded {
  readonly legs: LongLegs;
  readonly leanDeg: number;
  readonly endLeanDeg: number;
  readonly spine: Point[];
  readonly forehead: Point;
  readonly under: Under;
  readonly gapCm: number;
  readonly strapCm: number;
}

function folded(seatCm: number, rollCm: number, input: FamilyInput): Folded {
  const { body, settings } = input;
  const legs = longLegs(seatCm, rollCm, body);
  const leanDeg = pelvisLeanDeg(legs, input);
  const endLeanDeg = leanDeg + settings.spineShareDeg + Math.max(0, -leanDeg);
  const spine = spineFrom(legs.hip, body.trunkCm, leanDeg, endLeanDeg);
  const shoulder = spine.at(-1) as Point;
  const forehead = along(shoulder, endLeanDeg, body.foreheadPastShoulderCm);
  const { cm, under } = surfaceUnder(forehead[0], legs, body);
  const ball: Point = longFoot(legs, body).toe;
  return { legs, leanDeg, endLeanDeg, spine, forehead, under, gapCm: forehead[1] - cm, strapCm: Math.max(0, between(shoulder, ball) - armCm(body)) };
}

function upperNeeds(seatCm: number, rollCm: number, input: FamilyInput): SlotNeed[] {
  const { gapCm, under, strapCm } = folded(seatCm, rollCm, input);
  return [
    { slot: 'forehead', side: 'both', rawCm: gapCm, over: under },
    { slot: 'strap', side: 'both', rawCm: strapCm, isLength: true },
  ];
}

const heightOf = (needs: readonly SlotNeed[], slot: string) => Math.max(0, needs.find((need) => need.slot === slot)?.rawCm ?? 0);

/** Seated fold: hinge at the hips as far as the hamstrings go, a little rounding along the spine, the forehead on something. */
export const seatedFold: Family = {
  id: 'fold',
  needs: ['hamstring:left', 'hamstring:right', 'hamstringCoupling', 'hipFlexion:left', 'hipFlexion:right'],
  heights: (input) => {
    const needs = longSitNeeds(input);
    return [...needs, ...upperNeeds(heightOf(needs, 'seat'), heightOf(needs, 'underKnees'), input)];
  },
  mendsRollBack,
  afterBuilt: (input, built: Built) => {
    const seatCm = built.seat ?? 0;
    const roll = rollUnderKneesCm(seatCm, input);
    return [{ slot: 'underKnees', side: 'both', rawCm: roll }, ...upperNeeds(seatCm, built.underKnees ?? roll, input)];
  },
  figure: (input, built) => {
    const { body } = input;
    const [seatCm, rollCm] = [built.seat ?? 0, built.underKnees ?? 0];
    const { legs, leanDeg, endLeanDeg, spine, forehead, gapCm, strapCm } = folded(seatCm, rollCm, input);
    const shoulder = spine.at(-1) as Point;
    const foot = longFoot(legs, body);
    const rollBack = rollBackDeg(seatCm, rollCm, input);
    const restCm = built.forehead ?? 0;
    return {
      posture: {
        hip: legs.hip, knee: legs.knee, ankle: legs.ankle, ...foot, spine, ...headFrom(shoulder, body, endLeanDeg + 6),
        ...armToward(shoulder, foot.toe, body, 1), pelvisDeg: leanDeg >= 0 ? leanDeg : input.settings.pelvisTargetDeg - rollBack, pelvisLeanDeg: leanDeg,
        supports: [
          ...longSitSupports(legs, seatCm, rollCm, body),
          { slot: 'forehead', xCm: forehead[0], bottomCm: forehead[1] - gapCm, topCm: forehead[1] - gapCm + restCm },
        ],
      },
      demands: hamstringDemands(input, legs),
      findings: { rollBackDeg: rollBack, foldDeg: Math.max(0, leanDeg), foreheadGapCm: gapCm, strapCm },
    };
  },
  why: (input, need) => {
    if (need.slot === 'forehead') {
      if (need.rawCm <= 0) return `The forehead comes down on the ${need.over} by itself.`;
      const high = need.rawCm > parameter.highestForeheadProp.value ? ': too far to rest yet, keep it in line with a long back' : '';
      return `The forehead stops ${need.rawCm.toFixed(0)} cm over the ${need.over}${high}.`;
    }
    if (need.slot === 'strap') {
      const side = stifferSide(input.draw, 'hamstring');
      return need.rawCm <= 0 ? 'The hands reach the feet.' : `With ${rangeValue(input.draw, 'hamstring', side).toFixed(0)}° of hamstring the hands stop ${need.rawCm.toFixed(0)} cm short of the feet: a strap makes it up.`;
    }
    return longSitWhy(input, need);
  },
};
