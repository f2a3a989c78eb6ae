import { cosDeg, sinDeg } from '../angles';
import type { Body } from '../body/body';
import { reclinedHero as parameter } from '../parameters';
import { sides, type Side } from '../ranges/ranges';
import { rangeValue, stifferSide, valueOf } from './draw';
import type { Family, FamilyInput, SlotNeed } from './family';
import { kneeBendOnSeat, kneeDemands, kneelingLegs, kneelingNeeds, kneelingWhy } from './kneelingSeat';
import { armToward, headFrom, spineFrom, type Point } from './posture';

/**
 * Least incline of the trunk, in degrees over the floor, at which the front thigh is long enough.
 *
 * The muscle crosses knee and hip. Knee bend and thigh slope always add up to 180 − allowance, so the seat cancels:
 * the knee sets the seat, the front thigh sets the ramp. A low back that may arch a little spares `lumbarAllowanceDeg`.
 */
export function rampInclineDeg(proneKneeDeg: number, allowanceDeg: number, coupling: number, lumbarAllowanceDeg: number): number {
  return (180 - allowanceDeg - proneKneeDeg) / coupling + parameter.margin.value - lumbarAllowanceDeg;
}

/** Height of the back's skin over the floor at a share of the trunk, on a trunk inclined from the hip. */
const backHeightCm = (share: number, hipY: number, inclineDeg: number, body: Body) =>
  hipY + share * body.trunkCm * sinDeg(inclineDeg) - body.trunkDepthCm * cosDeg(inclineDeg);

const inclineFor = ({ draw, settings }: FamilyInput, side: Side) =>
  rampInclineDeg(rangeValue(draw, 'kneeFlexion.prone', side), valueOf(draw, 'kneeling.sitAllowance'), valueOf(draw, 'reclinedHero.frontThighCoupling'), settings.lumbarAllowanceDeg);

/** The incline that both front thighs allow, between lying flat and sitting up. */
const sharedInclineDeg = (input: FamilyInput) => Math.min(90, Math.max(input.settings.inclineLeastDeg, ...sides.map((side) => inclineFor(input, side))));

function rampNeeds(inclineDeg: number, seatCm: number, body: Body): SlotNeed[] {
  const hipY = kneelingLegs(seatCm, body).hip[1];
  return [
    { slot: 'back', part: 'high', side: 'both', rawCm: backHeightCm(parameter.bladesAt.value, hipY, inclineDeg, body) },
    { slot: 'back', part: 'low', side: 'both', rawCm: backHeightCm(parameter.lowRibsAt.value, hipY, inclineDeg, body) },
    { slot: 'neck', side: 'both', rawCm: body.trunkDepthCm - body.headDepthCm, over: 'ramp', isChosen: true },
  ];
}

const seatOf = (needs: readonly SlotNeed[]) => Math.max(0, needs.find(({ slot }) => slot === 'seat')?.rawCm ?? 0);

/** The incline that a built ramp gives, from its height under the shoulder blades. */
function inclineOn(bladesCm: number, hipY: number, body: Body): number {
  let low = 0;
  let high = 90;
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (backHeightCm(parameter.bladesAt.value, hipY, middle, body) < bladesCm) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Reclined hero: the knees set the seat, the front thighs set the ramp, and the ramp touches the pelvis. */
export const reclinedHero: Family = {
  id: 'reclined hero',
  needs: [
    'kneeFlexion.hipBent:left', 'kneeFlexion.hipBent:right', 'kneeFlexion.prone:left', 'kneeFlexion.prone:right',
    'kneeling.sitAllowance', 'reclinedHero.frontThighCoupling', 'anklePoint:left', 'anklePoint:right',
  ],
  heights: (input) => {
    const needs = kneelingNeeds(input);
    return [...needs, ...rampNeeds(sharedInclineDeg(input), seatOf(needs), input.body)];
  },
  afterBuilt: (input, built) => {
    const seatCm = built.seat ?? 0;
    const high = built['back.high'];
    // Once the high end lies there, the low end and the head follow the ramp that it makes.
    const incline = high === undefined ? sharedInclineDeg(input) : inclineOn(high, kneelingLegs(seatCm, input.body).hip[1], input.body);
    return rampNeeds(incline, seatCm, input.body);
  },
  figure: (input, built) => {
    const { body, draw } = input;
    const seatCm = built.seat ?? 0;
    const legs = kneelingLegs(seatCm, body);
    const bladesCm = built['back.high'];
    const incline = bladesCm === undefined ? sharedInclineDeg(input) : inclineOn(bladesCm, legs.hip[1], body);
    const lean = incline - 90;
    const spine = spineFrom(legs.hip, body.trunkCm, lean, lean);
    const shoulder = spine.at(-1) as Point;
    const skin = (share: number): Point => {
      const on = [legs.hip[0] - share * body.trunkCm * cosDeg(incline), legs.hip[1] + share * body.trunkCm * sinDeg(incline)] as const;
      return [on[0] - body.trunkDepthCm * sinDeg(incline), on[1] - body.trunkDepthCm * cosDeg(incline)];
    };
    const [low, high, head] = [skin(0.12), skin(parameter.bladesAt.value + 0.1), skin(parameter.headAt.value)];
    const beside: Point = [shoulder[0] + 0.55 * body.trunkCm * cosDeg(incline), Math.max(4, shoulder[1] - 0.75 * body.trunkCm)];
    const kneeBend = kneeBendOnSeat(seatCm, body, valueOf(draw, 'kneeling.sitAllowance'));
    const hipFlexion = incline - (180 - valueOf(draw, 'kneeling.sitAllowance') - kneeBend);
    const allowed = (side: Side) => rangeValue(draw, 'kneeFlexion.prone', side) + valueOf(draw, 'reclinedHero.frontThighCoupling') * hipFlexion;
    const wanting = Math.max(0, inclineFor(input, stifferSide(draw, 'kneeFlexion.prone')) - incline);
    return {
      posture: {
        ...legs, spine, ...headFrom(shoulder, body, lean + 8), ...armToward(shoulder, beside, body, 1), pelvisDeg: 0, pelvisLeanDeg: lean,
        supports: [
          { slot: 'seat', xCm: legs.hip[0] - 2, bottomCm: 0, topCm: seatCm },
          { slot: 'back', xCm: low[0], bottomCm: 0, topCm: Math.max(seatCm, low[1]), toXCm: high[0], toTopCm: Math.max(0, high[1]) },
          { slot: 'neck', xCm: head[0], bottomCm: head[1], topCm: head[1] + (built.neck ?? 0), leanDeg: incline },
          { slot: 'ankle', xCm: legs.ankle[0] - 3, bottomCm: 0, topCm: built.ankle ?? 0 },
        ],
      },
      demands: [
        ...kneeDemands(input, seatCm),
        ...sides.map((side) => ({ range: 'kneeFlexion.prone' as const, side, needDeg: kneeBend, haveDeg: allowed(side) })),
      ],
      findings: { inclineDeg: incline, archDeg: wanting },
    };
  },
  why: (input, need) => {
    if (!['back', 'neck'].includes(need.slot)) return kneelingWhy(input, need);
    const side = stifferSide(input.draw, 'kneeFlexion.prone');
    const bend = rangeValue(input.draw, 'kneeFlexion.prone', side).toFixed(0);
    if (need.slot === 'neck') return `The back of the head is less deep than the back: ${need.rawCm.toFixed(0)} cm over the ramp keep the throat long.`;
    const place = need.part === 'low' ? 'the low ribs' : 'the shoulder blades';
    return `Front thigh ${bend}° face down, ${side} → trunk at ${sharedInclineDeg(input).toFixed(0)}°, so ${Math.max(0, need.rawCm).toFixed(0)} cm under ${place}.`;
  },
};
