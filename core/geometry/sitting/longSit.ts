import type { HeightReason } from '../../reasons';
import { asinDeg, cosDeg, sinDeg } from '../../angles';
import type { DialValues } from '../../dials';
import type { Body } from '../../body/body';
import { longSit as parameter, straddle } from '../../parameters';
import { sides, type Side } from '../../ranges/ranges';
import { floorAhead, palmGapCm } from '../arms';
import { leastOf, rangeValue, stifferSide, valueOf } from '../inputs';
import {
  keysOn,
  otherSide,
  type Demand,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  armToward,
  headFrom,
  legWithFoot,
  postureFrom,
  spineAt,
  spineFrom,
  upperFrom,
  type Leg,
  type Point,
  type Posture,
} from '../posture';
import { firstZero } from '../root';

/** Angles of two legs stretched forward over a seat and a roll under the knees. */
interface LongLegAngles {
  /** Thigh below the horizontal. */
  readonly thighFallDeg: number;
  readonly kneeBendDeg: number;
}

export interface LongLegs extends LongLegAngles {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
}

/** The legs on a seat, the knees not yet on anything. */
function straightLegs(
  seatCm: number,
  { thighCm, shinCm, ankleOverHeelCm, seatToHipCm }: Body,
): { hipY: number; kneeY: number } {
  const hipY = seatCm + seatToHipCm;
  return {
    hipY,
    kneeY:
      hipY -
      (thighCm * (hipY - ankleOverHeelCm)) /
        Math.max(thighCm + shinCm, Math.abs(hipY - ankleOverHeelCm)),
  };
}

/** Where the knee lies: on the straight line from hip to ankle, or higher on the roll. */
const kneeOn = (straightKneeY: number, rollCm: number, { kneeBackCm }: Body) =>
  rollCm > 0 ? Math.max(straightKneeY, rollCm + kneeBackCm) : straightKneeY;

function anglesAt(
  hipY: number,
  kneeY: number,
  { thighCm, shinCm, ankleOverHeelCm }: Body,
): LongLegAngles & { shinFallDeg: number } {
  const thighFallDeg = asinDeg((hipY - kneeY) / thighCm);
  const shinFallDeg = asinDeg((kneeY - ankleOverHeelCm) / shinCm);
  return { thighFallDeg, shinFallDeg, kneeBendDeg: Math.max(0, shinFallDeg - thighFallDeg) };
}

/** Solves the legs. */
export function longLegs(seatCm: number, rollCm: number, body: Body): LongLegs {
  const { thighCm, shinCm } = body;
  const straight = straightLegs(seatCm, body);
  const { hipY } = straight;
  const kneeY = kneeOn(straight.kneeY, rollCm, body);
  const { thighFallDeg, shinFallDeg, kneeBendDeg } = anglesAt(hipY, kneeY, body);
  const knee: Point = [thighCm * cosDeg(thighFallDeg), kneeY];
  return {
    hip: [0, hipY],
    knee,
    ankle: [knee[0] + shinCm * cosDeg(shinFallDeg), kneeY - shinCm * sinDeg(shinFallDeg)],
    thighFallDeg,
    kneeBendDeg,
  };
}

/** Height of the gap under straight knees on this seat: a roll lower than it changes nothing. */
export const kneeGapCm = (seatCm: number, body: Body) =>
  straightLegs(seatCm, body).kneeY - body.kneeBackCm;

/** The long legs of a pose: both, or the one that the worked side leaves long. */
export const hamstringLegs = ({ side }: FamilyInput): readonly Side[] =>
  side === 'both' ? sides : [otherSide(side)];

/**
 * Hip flexion that the stiffer side has at a knee bend: the least of the hip itself and the hamstring with the knee's
 * help.
 */
export function hipFlexionOf(input: FamilyInput): (kneeBendDeg: number) => number {
  const { values, settings } = input;
  const coupling = valueOf(values, 'hamstringCoupling');
  const limits = hamstringLegs(input).map((side) => ({
    hip: rangeValue(values, 'hipFlexion', side),
    straight: settings.share * rangeValue(values, 'hamstring', side),
  }));
  return (kneeBendDeg) => {
    let least = settings.hipFlexionMostDeg;
    for (const { hip, straight } of limits)
      least = Math.min(least, hip, straight + coupling * kneeBendDeg);
    return least;
  };
}
/** Hip flexion in degrees that the stiffer leg has at a knee bend. */
export const hipFlexionAt = (kneeBendDeg: number, input: FamilyInput) =>
  hipFlexionOf(input)(kneeBendDeg);

/**
 * Degrees by which the pelvis rolls back from its target over rolls on one seat; the low back rounds by about as much.
 */
function rollBackOn(seatCm: number, input: FamilyInput): (rollCm: number) => number {
  const { body, settings } = input;
  const hipFlexion = hipFlexionOf(input);
  const { hipY, kneeY } = straightLegs(seatCm, body);
  return (rollCm) => {
    const { thighFallDeg, kneeBendDeg } = anglesAt(hipY, kneeOn(kneeY, rollCm, body), body);
    return Math.max(0, 90 - thighFallDeg + settings.pelvisTargetDeg - hipFlexion(kneeBendDeg));
  };
}
/** The highest seat before the knees are lifted: all that anybody uses where the legs stay straight. */
const seatBeforeKneesCm = ({ settings }: FamilyInput) =>
  (settings.firstToRise === 'knees' ? parameter.seatUsual : parameter.seatStraight).value;
/** Degrees by which the pelvis rolls back on a seat and a roll of these heights. */
export const rollBackDeg = (seatCm: number, rollCm: number, input: FamilyInput) =>
  rollBackOn(seatCm, input)(rollCm);

const ROLL_STEPS = 7;
const CLOSE_CM = 0.01;

/**
 * The least height under the knees, on this seat, that keeps the roll-back within what is allowed; 0 when none is
 * asked. Over what a support may be, the feet stand and the knees bend so far by themselves.
 */
export function rollUnderKneesCm(seatCm: number, input: FamilyInput): number {
  const { kneeBend } = input.settings.dials;
  if (kneeBend !== undefined) return kneesAtBendCm(seatCm, kneeBend, input.body);
  const rollBack = rollBackOn(seatCm, input);
  const over = (rollCm: number) => rollBack(rollCm) - parameter.rollBackAllowed.value;
  return leastKneesCm(seatCm, input.body, over) ?? parameter.kneesBent.value;
}

/**
 * The least height under the knees at which something is no longer over what is allowed; undefined where none is
 * enough.
 */
export function leastKneesCm(
  seatCm: number,
  body: Body,
  over: (kneesCm: number) => number,
): number | undefined {
  if (over(0) <= 0) return 0;
  // A roll works only from the gap upward, so the height switches from 0 to the gap in one step.
  const from = Math.max(0, kneeGapCm(seatCm, body));
  const to = Math.max(from, parameter.kneesBent.value);
  for (let step = 1; step <= ROLL_STEPS; step++) {
    const here = from + ((to - from) * step) / ROLL_STEPS;
    if (over(here) <= 0)
      return firstZero(over, from + ((to - from) * (step - 1)) / ROLL_STEPS, here, CLOSE_CM);
  }
  return undefined;
}

/** Height of the backs of knees that are bent so far on this seat. */
export const kneesAtBendCm = (seatCm: number, kneeDeg: number, body: Body): number =>
  leastKneesCm(seatCm, body, (cm) => kneeDeg - longLegs(seatCm, cm, body).kneeBendDeg) ??
  parameter.kneesBent.value;

/**
 * The most that anything is laid under knees, together or apart: over it they stand by themselves, the feet planted.
 */
export const kneesMostCm = (spread: boolean) =>
  (spread ? straddle.kneesMost : parameter.kneesMost).value;

/** Bend of knees that stand by themselves, the feet planted; nothing where they lie on something or straight. */
export const plantedBend = (
  seatCm: number,
  kneesCm: number,
  body: Body,
  spread = false,
): DialValues =>
  kneesCm > kneesMostCm(spread) ? { kneeBend: longLegs(seatCm, kneesCm, body).kneeBendDeg } : {};

/** Seat that straight legs ask for, with no roll: below 0 means room to spare. */
export function straightLegSeatCm(input: FamilyInput): number {
  const { body, settings } = input;
  const fall =
    90 + settings.pelvisTargetDeg - parameter.rollBackAllowed.value - hipFlexionAt(0, input);
  return (
    (body.thighCm + body.shinCm) * sinDeg(Math.min(90, Math.max(-90, fall))) +
    body.ankleOverHeelCm -
    body.seatToHipCm
  );
}

/** The seat that straight legs ask for, to where the knees are lifted; and what is then asked of the knees. */
export function seatThenKnees(
  input: FamilyInput,
  kneesOn: (seatCm: number) => number,
): { seatCm: number; kneesCm: number } {
  const seatCm = Math.min(seatBeforeKneesCm(input), straightLegSeatCm(input));
  return { seatCm, kneesCm: kneesOn(Math.max(0, seatCm)) };
}

/** The needs of a seat and of what lies under the knees. */
export const seatAndKnees = (seatCm: number, kneesCm: number): SlotNeed[] => [
  { slot: 'seat', side: 'both', rawCm: seatCm },
  { slot: 'underKnees', side: 'both', rawCm: kneesCm },
];

/**
 * Seat and knees together. Searching every pair for the least cost would let a freer hamstring trade a lower roll for a
 * higher seat; instead the two rise along one path: the seat to what is usual, then the knees to the most that anything
 * is laid under them, then more seat, then knees bent with the feet planted; so a freer range never asks for more of
 * either. Where the legs stay straight, the seat rises further first.
 */
export function longSitNeeds(input: FamilyInput, spread = false): SlotNeed[] {
  const kneesOn = (seatCm: number) => rollUnderKneesCm(seatCm, input);
  const { seatCm, kneesCm } = seatThenKnees(input, kneesOn);
  const mostCm = kneesMostCm(spread);
  if (kneesCm <= mostCm) return seatAndKnees(seatCm, kneesCm);
  const over = (seat: number) => kneesOn(seat) - mostCm;
  const seatMostCm = parameter.seatMost.value;
  const higher = firstZero(over, Math.max(0, seatCm), seatMostCm, CLOSE_CM);
  // As long as the seat rises the knees stay at their most, where that is enough: the least that is may drop in one
  // step.
  const stay = rollBackDeg(higher, mostCm, input) <= parameter.rollBackAllowed.value;
  return seatAndKnees(higher, stay ? mostCm : kneesOn(higher));
}

/** What long legs ask of the hamstrings, side by side; a roll-back that costs nothing is not asked for. */
export function hamstringDemands(input: FamilyInput, legs: LongLegs): Demand[] {
  const coupling = valueOf(input.values, 'hamstringCoupling');
  const need =
    90 -
    legs.thighFallDeg +
    input.settings.pelvisTargetDeg -
    parameter.rollBackAllowed.value -
    coupling * legs.kneeBendDeg;
  return hamstringLegs(input).map((side) => ({
    range: 'hamstring',
    side,
    needDeg: need,
    haveDeg: rangeValue(input.values, 'hamstring', side),
  }));
}

/** Feet upright at the end of long legs. */
export function longFoot(legs: LongLegs, body: Body): Pick<Posture, 'heel' | 'toe'> {
  const fall = asinDeg((legs.knee[1] - legs.ankle[1]) / body.shinCm);
  const up: Point = [sinDeg(fall), cosDeg(fall)];
  const [x, y] = legs.ankle;
  return {
    heel: [x + 1.5 - up[0] * body.ankleOverHeelCm * 0.6, y - up[1] * body.ankleOverHeelCm * 0.6],
    toe: [x + 2 + up[0] * body.footCm * 0.72, y + up[1] * body.footCm * 0.72],
  };
}

/** Why seat and roll stand as high as they do, shared by the long sit and its folds. */
export function longSitWhy(input: FamilyInput, need: SlotNeed, spread = false): HeightReason[] {
  const side = stifferSide(input.values, 'hamstring', hamstringLegs(input));
  const said = { deg: rangeValue(input.values, 'hamstring', side), side, cm: need.rawCm };
  return need.slot === 'seat'
    ? [{ code: 'long-sit-seat', ...said, rollBackDeg: rollBackDeg(0, 0, input) }]
    : [
        {
          code: 'long-sit-knees',
          ...said,
          backFirst: input.settings.firstToRise === 'knees',
          planted: need.rawCm > kneesMostCm(spread),
          spread,
        },
      ];
}

/** Half the angle between spread legs that costs the pelvis nothing. */
const easyHalfAngleDeg = ({ values }: FamilyInput) =>
  Math.min(straddle.widest.value, straddle.easyShare.value * leastOf(values, 'hipSpread', sides));
/** Half the angle between spread legs: as they are set, else as wide as costs the pelvis nothing. */
export const straddleHalfAngleDeg = (input: FamilyInput) =>
  input.settings.dials.legsApart === undefined
    ? easyHalfAngleDeg(input)
    : input.settings.dials.legsApart / 2;
/** The whole angle between spread legs that costs the pelvis nothing. */
export const easyLegsApart = (input: FamilyInput) => ({ legsApart: 2 * easyHalfAngleDeg(input) });

/** Spread that legs this wide ask for, with nothing taken from the pelvis. */
export const spreadDemands = ({ values }: FamilyInput, outDeg: number): Demand[] =>
  sides.map((side) => ({
    range: 'hipSpread',
    side,
    needDeg: outDeg / straddle.easyShare.value,
    haveDeg: rangeValue(values, 'hipSpread', side),
  }));

/** A leg turned outward about the hip's upright axis: shorter from the side, wider from above. */
export function turnedOut(leg: Leg, hip: Point, outDeg: number): Leg {
  if (outDeg === 0) return leg;
  const turn = ([x, y]: Point): Point => [hip[0] + (x - hip[0]) * cosDeg(outDeg), y];
  const aside = ([x]: Point) => (x - hip[0]) * sinDeg(outDeg);
  return {
    knee: turn(leg.knee),
    ankle: turn(leg.ankle),
    heel: turn(leg.heel),
    toe: turn(leg.toe),
    aside: { knee: aside(leg.knee), ankle: aside(leg.ankle), toe: aside(leg.toe) },
  };
}

/** Supports of a long sit as they lie under the figure. */
export const longSitSupports = (
  legs: LongLegs,
  seatCm: number,
  rollCm: number,
  body: Body,
  outDeg = 0,
): Posture['supports'] => [
  { slot: 'seat', xCm: legs.hip[0] - 4, bottomCm: 0, topCm: seatCm },
  {
    slot: 'underKnees',
    xCm: (legs.knee[0] - 1) * cosDeg(outDeg),
    bottomCm: 0,
    topCm: Math.min(rollCm, legs.knee[1] - body.kneeBackCm + 0.5),
  },
];

/**
 * Seat first while the path still raises it, then the knees: on a roll, a higher seat turns the pelvis hardly at all.
 */
export const mendsRollBack: NonNullable<Family['mendsRollBack']> = (input, built) =>
  (built.seat ?? 0) < seatBeforeKneesCm(input) - 1 ? 'seat' : 'underKnees';

/**
 * How upright a sitting trunk stands over a seat: the pelvis leans back by the roll-back and the spine rounds forward
 * to meet it.
 */
const sittingLeans = (rollBack: number) => [-rollBack, rollBack * 0.9] as const;
/** Where the shoulder is of somebody who sits with this roll of the pelvis. */
export const sittingShoulder = (hip: Point, rollBack: number, body: Body): Point =>
  spineAt(hip, body.trunkCm, ...sittingLeans(rollBack));
/** The spine over a pelvis that rolls back: it bends forward again on the way up. */
export const sittingSpine = (hip: Point, rollBack: number, body: Body): Point[] =>
  spineFrom(hip, body.trunkCm, ...sittingLeans(rollBack));

/**
 * Height of the backs of the knees: on what lies there, or, where nothing may stand so high, with the feet planted and
 * the knees bent as far as is asked.
 */
export const kneesUpCm = (builtCm: number | undefined, askedCm: number, spread = false) =>
  builtCm ?? (askedCm > kneesMostCm(spread) ? askedCm : 0);

/** Palms beside the hips, on a seat as high as this. */
const handsNeed = (input: FamilyInput, seatCm: number, rollCm: number): SlotNeed => {
  const { body } = input;
  return {
    slot: 'hands',
    side: 'both',
    rawCm: palmGapCm(
      sittingShoulder([0, seatCm + body.seatToHipCm], rollBackDeg(seatCm, rollCm, input), body),
      body,
    ),
  };
};

/**
 * A wide seat as its hamstrings feel it: the palms press, and the pelvis may stay a little further back; legs wider
 * than is easy draw it back.
 */
export const pressedUp = (input: FamilyInput): FamilyInput => ({
  ...input,
  settings: {
    ...input.settings,
    pelvisTargetDeg:
      input.settings.pelvisTargetDeg -
      straddle.pelvisSpared.value +
      straddle.drawnBack.value * Math.max(0, straddleHalfAngleDeg(input) - easyHalfAngleDeg(input)),
  },
});

/** Hands that lie on the floor in front rather than press beside or behind the hips. */
const inFront = ({ settings }: FamilyInput) => settings.way === 'front';

/** Legs long, pelvis as near upright as the hamstrings allow, palms beside the hips; legs together or spread. */
function sitWithLongLegs(id: string, spread: boolean): Family {
  const built = (needs: readonly SlotNeed[], slot: string) =>
    Math.max(0, needs.find((need) => need.slot === slot)?.rawCm ?? 0);
  const sat = (input: FamilyInput) => (spread ? pressedUp(input) : input);
  return {
    id,
    bears: { underKnees: { tilts: true, as: spread ? 'each its own' : 'one under both' } },
    needs: (side) => [
      'hamstringCoupling',
      ...keysOn(side === 'both' ? sides : [otherSide(side)], 'hamstring', 'hipFlexion'),
    ],
    heights: (asked) => {
      const input = sat(asked);
      const needs = longSitNeeds(input, spread);
      return [...needs, handsNeed(input, built(needs, 'seat'), built(needs, 'underKnees'))];
    },
    mendsRollBack,
    dials: (asked) => {
      const needs = longSitNeeds(sat(asked), spread);
      return {
        ...(spread ? easyLegsApart(asked) : {}),
        ...plantedBend(built(needs, 'seat'), built(needs, 'underKnees'), asked.body, spread),
      };
    },
    afterBuilt: (asked, { seat = 0, underKnees }) => {
      const input = sat(asked);
      const roll = rollUnderKneesCm(seat, input);
      return [
        { slot: 'underKnees', side: 'both', rawCm: roll },
        handsNeed(input, seat, kneesUpCm(underKnees, roll, spread)),
      ];
    },
    figure: (asked, { seat: seatCm = 0, underKnees, hands: handsCm = 0 }) => {
      const input = sat(asked);
      const { body } = input;
      const rollCm = kneesUpCm(underKnees, rollUnderKneesCm(seatCm, input), spread);
      const legs = longLegs(seatCm, rollCm, body);
      const rollBack = rollBackDeg(seatCm, rollCm, input);
      const spine = sittingSpine(legs.hip, rollBack, body);
      const shoulder = spine.at(-1) as Point;
      const outDeg = spread ? straddleHalfAngleDeg(input) : 0;
      const palm: Point = inFront(input)
        ? floorAhead(shoulder, body)
        : [legs.hip[0] - (seatCm > 1 ? 22 : 8), handsCm];
      return {
        posture: postureFrom({
          near: turnedOut(
            legWithFoot(legs.knee, legs.ankle, longFoot(legs, body)),
            legs.hip,
            outDeg,
          ),
          hip: legs.hip,
          upper: upperFrom(
            spine,
            headFrom(shoulder, body, rollBack * 0.3 + 2),
            armToward(shoulder, palm, body, -1),
          ),
          pelvisDeg: input.settings.pelvisTargetDeg - rollBack,
          pelvisLeanDeg: -rollBack,
          supports: [
            ...longSitSupports(legs, seatCm, underKnees ?? 0, body, outDeg),
            ...(handsCm > 0 ? [{ slot: 'hands', xCm: palm[0], bottomCm: 0, topCm: handsCm }] : []),
          ],
        }),
        demands: [
          ...hamstringDemands(input, legs),
          ...(spread ? spreadDemands(input, outDeg) : []),
        ],
        findings: {
          rollBackDeg: rollBack,
          kneeBendDeg: legs.kneeBendDeg,
          ...(spread ? { halfAngleDeg: outDeg } : {}),
        },
      };
    },
    why: (input, need) => (need.slot === 'hands' ? palmWhy(need) : longSitWhy(input, need, spread)),
  };
}

/** Why something stands under palms that press beside or behind the hips. */
export const palmWhy = ({ rawCm }: SlotNeed): HeightReason[] => [
  { code: 'palms-beside', cm: rawCm },
];

export const longSit = sitWithLongLegs('long sit', false);
export const straddleSit = sitWithLongLegs('straddle', true);
