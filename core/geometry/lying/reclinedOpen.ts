import { cosDeg, sinDeg } from '../../angles';
import type { Body } from '../../body/body';
import { crossLegged, reclined } from '../../parameters';
import { ranges, sides, type Side } from '../../ranges/ranges';
import { crossedLeg, heelsFor, solesTogether, withHeels } from '../crossedLeg';
import { openTurnDeg, thighGapCm, usableRotation } from '../sitting/crossedSeat';
import { leastOf, rangeValue } from '../inputs';
import { keysOn, type Built, type Family, type FamilyInput, type SlotNeed } from '../family';
import { inclineOn, neckWhy, rampNeeds, reclinedFigure } from './reclinedHero';
import { along, legOf, postureFrom, type Point } from '../posture';
import { slotKey } from '../../slots';

function openLeg(input: FamilyInput, side: Side) {
  const { body, settings } = input;
  const crossing = withHeels(solesTogether(body), settings.dials.heelsAway, body);
  const turnDeg = usableRotation(input, side) + crossing.sparedDeg;
  return crossedLeg(body.seatToHipCm, turnDeg, crossing, body);
}

/** Where the legs are held: at the outer hips, or at the knees once the ramp is steep. */
const heldAt = ({ settings }: FamilyInput, riseCm: number) =>
  settings.reclinedOpenHeld !== 'by ramp'
    ? settings.reclinedOpenHeld
    : riseCm >= reclined.steepRise.value
      ? 'underThigh'
      : 'outerHip';

function legNeeds(input: FamilyInput, riseCm: number): SlotNeed[] {
  const slot = heldAt(input, riseCm);
  const share =
    slot === 'outerHip' ? crossLegged.outerHipAt.value : crossLegged.thighSupportAt.value;
  return sides.map((side) => ({
    slot,
    side,
    rawCm: thighGapCm(input.body.seatToHipCm, openLeg(input, side).thighRiseDeg, share, input.body),
  }));
}

/** Round the pelvis, along both thighs and under the feet. */
const beltCm = (input: FamilyInput) => {
  const { knee, ankle } = openLeg(input, 'left');
  return 2 * (Math.hypot(knee[0], input.body.hipWidthCm / 2) + ankle[0]) + input.body.hipWidthCm;
};

/** The comfortable ramp, higher for thighs that hang, and no lower than a caution lets it be. */
function inclineDeg({ body, settings, values }: FamilyInput): number {
  const lessDeg = Math.max(
    0,
    (ranges.hipRotation.prior?.mean ?? 0) - leastOf(values, 'hipRotation', sides),
  );
  const riseCm = reclined.openRise.value + reclined.risesFor.value * lessDeg;
  return Math.max(settings.inclineLeastDeg, inclineOn(riseCm, body.seatToHipCm, body));
}

/**
 * Reclined soles together: the ramp touches the pelvis, and what holds the legs keeps the inner thighs from hanging.
 */
export const reclinedOpen: Family = {
  id: 'reclined open',
  bears: { back: 'fills' },
  needs: () => keysOn(sides, 'hipRotation'),
  dials: (input) => ({ heelsAway: heelsFor(solesTogether(input.body).kneeDeg, input) }),
  heights: (input) => {
    const ramp = rampNeeds(inclineDeg(input), input.body.seatToHipCm, input.body).map((need) => ({
      ...need,
      isChosen: true,
    }));
    return input.settings.way === 'belt'
      ? [...ramp, { slot: 'strap', side: 'both', rawCm: beltCm(input), isLength: true }]
      : [...ramp, ...legNeeds(input, ramp[0]?.rawCm ?? 0)];
  },
  afterBuilt: (input, built) => {
    const incline =
      built['back.high'] === undefined
        ? inclineDeg(input)
        : inclineOn(built['back.high'], input.body.seatToHipCm, input.body);
    return rampNeeds(incline, input.body.seatToHipCm, input.body).map((need) => ({
      ...need,
      isChosen: true,
    }));
  },
  figure: (input, built: Built) => {
    const { body } = input;
    const hip: Point = [0, body.seatToHipCm];
    const incline =
      built['back.high'] === undefined
        ? inclineDeg(input)
        : inclineOn(built['back.high'], hip[1], body);
    const upper = reclinedFigure(hip, incline, 0, built, body);
    const [near, far] = [openLeg(input, 'left'), openLeg(input, 'right')];
    const legs = { left: near, right: far };
    const held = sides.flatMap((side) =>
      (['outerHip', 'underThigh'] as const).flatMap((slot) => {
        const key = slotKey({ slot, side });
        const height = built[key] ?? 0;
        const share = slot === 'outerHip' ? crossLegged.outerHipAt.value : 0.92;
        return height > 0
          ? [{ slot: key, xCm: share * legs[side].knee[0] - 2, bottomCm: 0, topCm: height }]
          : [];
      }),
    );
    return {
      posture: postureFrom({
        near,
        far: legOf(far),
        hip,
        upper,
        pelvisDeg: 0,
        pelvisLeanDeg: upper.pelvisLeanDeg,
        supports: [...upper.supports, ...held],
      }),
      demands: sides.map((side) => ({
        range: 'hipRotation',
        side,
        needDeg: openTurnDeg(input, side, legs[side].thighRiseDeg, isHeld(input, built, side)),
        haveDeg: rangeValue(input.values, 'hipRotation', side),
      })),
      findings: {
        inclineDeg: incline,
        kneeRiseLeftDeg: near.thighRiseDeg,
        kneeRiseRightDeg: far.thighRiseDeg,
      },
    };
  },
  why: (input, need) => {
    if (need.slot === 'neck') return neckWhy(need);
    if (need.slot === 'strap') return [{ code: 'belt-round', cm: need.rawCm }];
    if (need.slot === 'back')
      return [{ code: 'comfort-ramp', cm: need.rawCm, place: need.part ?? 'high' }];
    const side = need.side === 'both' ? 'left' : need.side;
    return [
      {
        code: 'outer-hip',
        deg: rangeValue(input.values, 'hipRotation', side),
        side,
        cm: need.rawCm,
        place: need.slot === 'outerHip' ? 'outerHip' : 'underThigh',
      },
    ];
  },
};

/** Whether a thigh lies on something, or a belt holds it. */
const isHeld = ({ settings }: FamilyInput, built: Built, side: Side) =>
  settings.way === 'belt' ||
  (built[slotKey({ slot: 'outerHip', side })] ?? 0) > 0 ||
  (built[slotKey({ slot: 'underThigh', side })] ?? 0) > 0;

/** Lying flat: the back's own depth over the floor. */
export const lyingHip = (body: Body): Point => [0, body.seatToHipCm];
/** Trunk, head and arms of somebody who lies, or lies a little raised. */
export const lyingFigure = (body: Body, built: Built, liftDeg = 0) =>
  reclinedFigure(lyingHip(body), Math.max(liftDeg, flatInclineDeg(body)), 0, built, body);
/** Where the shoulder is of somebody who lies flat. */
export const lyingShoulder = (body: Body): Point =>
  along(lyingHip(body), flatInclineDeg(body) - 90, body.trunkCm);
/** A trunk on the floor: shoulders as high over it as the back is deep. */
const flatInclineDeg = (body: Body) =>
  (Math.asin(Math.min(1, Math.max(0, (body.trunkDepthCm - body.seatToHipCm) / body.trunkCm))) *
    180) /
  Math.PI;
/** Neck support of a head that lies on the floor beside a deeper back. */
export const lyingNeck = (body: Body): SlotNeed => ({
  slot: 'neck',
  side: 'both',
  rawCm: body.trunkDepthCm - body.headDepthCm,
  isChosen: true,
});
/** A leg from a lying hip, at a rise of the thigh and a bend of the knee. */
export function liftedLeg(
  hip: Point,
  thighRise: number,
  kneeDeg: number,
  body: Body,
): { knee: Point; ankle: Point; heel: Point; toe: Point } {
  const knee: Point = [
    hip[0] + body.thighCm * cosDeg(thighRise),
    hip[1] + body.thighCm * sinDeg(thighRise),
  ];
  const shinRise = thighRise - kneeDeg;
  const ankle: Point = [
    knee[0] + body.shinCm * cosDeg(shinRise),
    knee[1] + body.shinCm * sinDeg(shinRise),
  ];
  const up: Point = [-sinDeg(shinRise), cosDeg(shinRise)];
  return {
    knee,
    ankle,
    heel: [
      ankle[0] + 1.5 * cosDeg(shinRise) - up[0] * body.ankleOverHeelCm * 0.6,
      ankle[1] + 1.5 * sinDeg(shinRise) - up[1] * body.ankleOverHeelCm * 0.6,
    ],
    toe: [
      ankle[0] + 2 * cosDeg(shinRise) + up[0] * body.footCm * 0.72,
      ankle[1] + 2 * sinDeg(shinRise) + up[1] * body.footCm * 0.72,
    ],
  };
}
