import { armCm } from '../body/body';
import { standingFold as parameter } from '../parameters';
import { sides } from '../ranges/ranges';
import { rangeValue, stifferSide, valueOf } from './draw';
import type { Family, FamilyInput } from './family';
import { hipFlexionAt } from './longSit';
import { along, armToward, between, type Point } from './posture';

interface Hang {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
  readonly pitchDeg: number;
  readonly baseDeg: number;
  readonly shoulder: Point;
  readonly handsCm: number;
}

/** Hips over ankles, knees bent evenly; the trunk pitches by what the hamstrings leave and a share of the rounding. */
function hang(input: FamilyInput, kneeDeg: number): Hang {
  const { body, settings } = input;
  const half = kneeDeg / 2;
  const ankle: Point = [0, body.ankleHeightCm];
  const knee = along(ankle, half, body.shinCm);
  const hip = along(knee, -half, body.thighCm);
  const baseDeg = hipFlexionAt(kneeDeg, input) - half;
  const pitchDeg = Math.min(settings.pitchMostDeg, baseDeg + parameter.spineCounts.value * settings.spineShareDeg);
  const shoulder = along(hip, pitchDeg, body.trunkCm);
  return { hip, knee, ankle, pitchDeg, baseDeg, shoulder, handsCm: shoulder[1] - armCm(body) };
}

/** Palms' height over the floor with arms hanging straight; under 0 the palms lie on the floor. */
export const handsHeightCm = (input: FamilyInput, kneeDeg: number) => hang(input, kneeDeg).handsCm;

/** Bends a chord of the trunk's length into the rounding that was reckoned. */
function roundedBack(hip: Point, shoulder: Point, bulgeDeg: number): Point[] {
  const chord = between(hip, shoulder);
  const bulge = (chord * bulgeDeg * Math.PI) / 180 / 8;
  const [dx, dy] = [(shoulder[0] - hip[0]) / chord, (shoulder[1] - hip[1]) / chord];
  return Array.from({ length: 13 }, (_, i): Point => {
    const t = i / 12;
    const out = 4 * t * (1 - t) * bulge;
    return [hip[0] + dx * chord * t - dy * out, hip[1] + dy * chord * t + dx * out];
  });
}

/** Standing fold: hands always on something. */
export const standingFold: Family = {
  id: 'standing fold',
  needs: ['hamstring:left', 'hamstring:right', 'hamstringCoupling', 'hipFlexion:left', 'hipFlexion:right'],
  heights: (input) => [{ slot: 'hands', side: 'both', rawCm: handsHeightCm(input, input.settings.standingKneeDeg) }],
  figure: (input, built) => {
    const { body, settings } = input;
    const kneeDeg = settings.standingKneeDeg;
    const { hip, knee, ankle, pitchDeg, baseDeg, shoulder } = hang(input, kneeDeg);
    const handY = built.hands;
    const onThigh: Point = [(hip[0] + knee[0]) / 2 + body.thighRadiusAtKneeCm, (hip[1] + knee[1]) / 2];
    const hand: Point = handY === undefined ? onThigh : [shoulder[0] + 1, Math.max(handY, shoulder[1] - armCm(body))];
    const crownDeg = Math.min(178, pitchDeg + 24);
    const coupling = valueOf(input.draw, 'hamstringCoupling');
    const share = (pitchDeg - baseDeg) / parameter.spineCounts.value;
    return {
      posture: {
        hip, knee, ankle, heel: [-0.25 * body.footCm, 1], toe: [0.72 * body.footCm, 1.2],
        spine: roundedBack(hip, shoulder, share), head: along(shoulder, crownDeg, 0.62 * body.shoulderToCrownCm), crownDeg,
        ...armToward(shoulder, hand, body, 1),
        pelvisDeg: baseDeg, pelvisLeanDeg: baseDeg, supports: handY === undefined ? [] : [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: handY }],
      },
      demands: sides.map((side) => ({
        range: 'hamstring', side, needDeg: Math.max(0, baseDeg + kneeDeg / 2 - coupling * kneeDeg), haveDeg: rangeValue(input.draw, 'hamstring', side),
      })),
      findings: { pitchDeg, kneeBendDeg: kneeDeg, handsCm: shoulder[1] - armCm(body) },
    };
  },
  why: (input, need) => {
    const side = stifferSide(input.draw, 'hamstring');
    const bend = `Hamstring ${rangeValue(input.draw, 'hamstring', side).toFixed(0)}° ${side}, knees bent ${input.settings.standingKneeDeg}°`;
    if (need.rawCm <= 0) return `${bend}: the palms reach the floor.`;
    if (need.rawCm > parameter.highestHandProp.value) return `${bend}: the palms stop ${need.rawCm.toFixed(0)} cm up, so they rest on the thighs.`;
    return `${bend}: the palms stop ${need.rawCm.toFixed(0)} cm over the floor.`;
  },
};
