import { asinDeg, cosDeg, sinDeg } from '../../angles';
import { crossLegged, longSit as longSitParameter } from '../../parameters';
import { palmGapCm } from '../arms';
import { crossedLeg, heelsAwayCm, solesTogether } from '../crossedLeg';
import { kneeLaidOpen, openTurnDeg, thighGapCm, usableRotation } from '../sitting/crossedSeat';
import { rangeValue, valueOf } from '../inputs';
import type { Body } from '../../body/body';
import { keysOn, otherSide, worked, type Family, type FamilyInput, type SlotNeed } from '../family';
import {
  hamstringDemands,
  hipFlexionAt,
  longFoot,
  longLegs,
  longSit,
  longSitSupports,
  mendsRollBack,
  palmWhy,
  rollBackDeg,
  sittingShoulder,
  sittingSpine,
} from '../sitting/longSit';
import {
  armToward,
  headFrom,
  legWithFoot,
  postureFrom,
  upperFrom,
  type Leg,
  type Point,
} from '../posture';
import { firstZero } from '../root';
import { foldOrSitWhy, foldOverOneLeg } from './seatedFold';

/** The leg that is bent and laid open beside the long one. */
const openLeg = (input: FamilyInput, seatCm: number) =>
  crossedLeg(
    seatCm + input.body.seatToHipCm,
    usableRotation(input, worked(input.side)),
    solesTogether(input.body),
    input.body,
  );

const openKneeNeed = (input: FamilyInput, seatCm: number): SlotNeed => ({
  slot: 'underThigh',
  side: 'both',
  rawCm: thighGapCm(
    seatCm + input.body.seatToHipCm,
    openLeg(input, seatCm).thighRiseDeg,
    crossLegged.thighSupportAt.value,
    input.body,
  ),
});

/** One leg long, the other bent and open: the long leg rules the pelvis, and the open knee is met where it stops. */
export const oneLegFold: Family = {
  id: 'one-leg fold',
  bears: { underKnees: { tilts: true }, forehead: 'over the legs' },
  needs: (side) => [...foldOverOneLeg.needs(side), ...keysOn([worked(side)], 'hipRotation')],
  heights: (input) => {
    const needs = foldOverOneLeg.heights(input);
    const seatCm = Math.max(0, needs.find(({ slot }) => slot === 'seat')?.rawCm ?? 0);
    return [...needs.slice(0, 2), openKneeNeed(input, seatCm), ...needs.slice(2)];
  },
  mendsRollBack,
  ...(foldOverOneLeg.dials ? { dials: foldOverOneLeg.dials } : {}),
  ...(foldOverOneLeg.rulesOut ? { rulesOut: foldOverOneLeg.rulesOut } : {}),
  afterBuilt: (input, built) => [
    ...(foldOverOneLeg.afterBuilt?.(input, built) ?? []),
    openKneeNeed(input, built.seat ?? 0),
  ],
  figure: (input, built) => {
    const { posture, demands, findings } = foldOverOneLeg.figure(input, built);
    const open = openLeg(input, built.seat ?? 0);
    const { knee, ankle, heel, toe } = posture;
    const side = worked(input.side);
    return {
      // The bent leg is the near one; the long leg lies beyond it.
      posture: postureFrom({
        near: open,
        far: { knee, ankle, heel, toe },
        hip: posture.hip,
        upper: posture,
        pelvisDeg: posture.pelvisDeg,
        pelvisLeanDeg: posture.pelvisLeanDeg,
        supports: [
          ...posture.supports,
          ...(built.underThigh
            ? [{ slot: 'underThigh', xCm: open.knee[0] - 4, bottomCm: 0, topCm: built.underThigh }]
            : []),
        ],
      }),
      demands: [
        ...demands,
        {
          range: 'hipRotation',
          side,
          needDeg: openTurnDeg(input, side, open.thighRiseDeg, (built.underThigh ?? 0) > 0),
          haveDeg: rangeValue(input.values, 'hipRotation', side),
        },
      ],
      findings: { ...findings, kneeRiseDeg: open.thighRiseDeg },
    };
  },
  why: (input, need) => {
    if (need.slot !== 'underThigh') return foldOrSitWhy(input, need);
    const side = worked(input.side);
    return kneeLaidOpen(input, need, side);
  },
};

/** The other leg drawn up, foot standing: as near as the hip can bend without rolling the pelvis. */
function standingLeg(input: FamilyInput, hip: Point): Leg & { riseDeg: number } {
  const { body, values, settings } = input;
  const side = worked(input.side);
  const bends = Math.min(settings.hipFlexionMostDeg, rangeValue(values, 'hipFlexion', side));
  const highestKnee = body.shinCm + body.ankleHeightCm;
  const riseDeg = Math.min(
    bends - 90 - settings.pelvisTargetDeg,
    asinDeg((highestKnee - hip[1]) / body.thighCm),
  );
  const knee: Point = [
    hip[0] + body.thighCm * cosDeg(riseDeg),
    hip[1] + body.thighCm * sinDeg(riseDeg),
  ];
  const drop = Math.max(0, knee[1] - body.ankleHeightCm);
  // The shin stands as upright as its foot on the floor lets it; a low knee slides the foot away.
  const ankle: Point = [
    knee[0] + Math.sqrt(Math.max(0, body.shinCm ** 2 - drop ** 2)),
    knee[1] - drop,
  ];
  return {
    riseDeg,
    knee,
    ankle,
    heel: [ankle[0] - 0.25 * body.footCm, 1],
    toe: [ankle[0] + 0.7 * body.footCm, 1.2],
  };
}

/**
 * Bend of the long knee: soft where nothing lies under it, the furthest before the seat rises more, and at its most.
 */
const [SOFT_KNEE_DEG, BENT_KNEE_DEG, PLANTED_KNEE_DEG] = [4, 25, 70];

/** A leg whose knee is bent so far: from hip to ankle, and how far the thigh stands over that line. */
function bentLeg(body: Body, kneeDeg: number) {
  const lengthCm = heelsAwayCm(kneeDeg, body);
  return { lengthCm, thighOverDeg: asinDeg((body.shinCm * sinDeg(kneeDeg)) / lengthCm) };
}

/** The long leg with its knee bent so far: nothing lies under it, the foot stays down. */
function softLeg(input: FamilyInput, seatCm: number) {
  const { body } = input;
  const { lengthCm, thighOverDeg } = bentLeg(body, kneeBendInTwist(input, seatCm));
  const hipCm = seatCm + body.seatToHipCm;
  const fall = asinDeg((hipCm - body.ankleOverHeelCm) / lengthCm) - thighOverDeg;
  const kneesCm = Math.max(0, hipCm - body.thighCm * sinDeg(fall) - body.kneeBackCm);
  return {
    legs: longLegs(seatCm, kneesCm, body),
    rollBack: rollBackDeg(seatCm, kneesCm, input),
  };
}

/** The seat at which the pelvis stands with the long knee bent so far; below 0: room to spare. */
function seatAtBendCm(input: FamilyInput, kneeDeg: number): number {
  const { body, settings } = input;
  const { lengthCm, thighOverDeg } = bentLeg(body, kneeDeg);
  const fall =
    90 +
    settings.pelvisTargetDeg -
    longSitParameter.rollBackAllowed.value -
    hipFlexionAt(kneeDeg, input) +
    thighOverDeg;
  return (
    lengthCm * sinDeg(Math.min(90, Math.max(-90, fall))) + body.ankleOverHeelCm - body.seatToHipCm
  );
}

/** The least bend of the long knee at which this seat is enough. */
const kneeBendInTwist = (input: FamilyInput, seatCm: number) =>
  input.settings.dials.kneeBend ?? bendFor(input, seatCm);
const bendFor = (input: FamilyInput, seatCm: number) =>
  firstZero((deg) => seatAtBendCm(input, deg) - seatCm, SOFT_KNEE_DEG, PLANTED_KNEE_DEG, 0.01);

/** The seat to what is usual, then the long knee bends, then more seat. */
function twistSeatCm(input: FamilyInput): number {
  const soft = seatAtBendCm(input, SOFT_KNEE_DEG);
  const usual = longSitParameter.seatUsual.value;
  if (soft <= usual) return soft;
  return Math.min(
    longSitParameter.seatMost.value,
    Math.max(usual, seatAtBendCm(input, BENT_KNEE_DEG)),
  );
}

const twistNeeds = (input: FamilyInput, seatCm: number): SlotNeed => {
  const { legs, rollBack } = softLeg(input, seatCm);
  return {
    slot: 'hands',
    side: 'both',
    rawCm: palmGapCm(sittingShoulder(legs.hip, rollBack, input.body), input.body),
  };
};

/** Seated twist with one knee up: the long leg sets the seat, the palm behind lifts the back before it turns. */
export const seatedTwist: Family = {
  id: 'seated twist',
  bears: { hands: 'one' },
  needs: (side) => [...longSit.needs(side), ...keysOn([worked(side)], 'hipFlexion')],
  heights: (input) => {
    const seatCm = twistSeatCm(input);
    return [{ slot: 'seat', side: 'both', rawCm: seatCm }, twistNeeds(input, Math.max(0, seatCm))];
  },
  mendsRollBack: () => 'seat',
  dials: (input) => ({ kneeBend: bendFor(input, Math.max(0, twistSeatCm(input))) }),
  afterBuilt: (input, { seat = 0 }) => [twistNeeds(input, seat)],
  figure: (input, { seat: seatCm = 0, hands: handsCm = 0 }) => {
    const { body } = input;
    const { legs, rollBack } = softLeg(input, seatCm);
    const spine = sittingSpine(legs.hip, rollBack, body);
    const shoulder = spine.at(-1) as Point;
    const up = standingLeg(input, legs.hip);
    const palm: Point = [legs.hip[0] - 24, handsCm];
    const side = worked(input.side);
    return {
      posture: postureFrom({
        near: up,
        far: legWithFoot(legs.knee, legs.ankle, longFoot(legs, body)),
        hip: legs.hip,
        upper: upperFrom(spine, headFrom(shoulder, body, 2), armToward(shoulder, palm, body, -1)),
        pelvisDeg: input.settings.pelvisTargetDeg - rollBack,
        pelvisLeanDeg: -rollBack,
        supports: [
          ...longSitSupports(legs, seatCm, 0, body).slice(0, 1),
          ...(handsCm > 0 ? [{ slot: 'hands', xCm: palm[0], bottomCm: 0, topCm: handsCm }] : []),
        ],
      }),
      demands: [
        ...hamstringDemands(input, legs),
        {
          range: 'hipFlexion',
          side,
          needDeg: 90 + up.riseDeg + input.settings.pelvisTargetDeg,
          haveDeg: valueOf(input.values, `hipFlexion:${side}`),
        },
      ],
      findings: { rollBackDeg: rollBack, thighRiseDeg: up.riseDeg },
    };
  },
  why: (input, need) => {
    if (need.slot === 'hands') return palmWhy(need);
    const side = otherSide(worked(input.side));
    return [
      {
        code: 'twist-seat',
        deg: rangeValue(input.values, 'hamstring', side),
        side,
        cm: need.rawCm,
      },
    ];
  },
};
