import { armCm, type Body } from '../body/body';
import { standingFold as parameter, straddle } from '../parameters';
import { sides } from '../ranges/ranges';
import { acosDeg, cosDeg, sinDeg } from '../angles';
import { leastOf, rangeValue, stifferSide, valueOf } from './inputs';
import { keysOn, type Family, type FamilyInput } from './family';
import { hipFlexionAt, spreadDemands } from './longSit';
import {
  along,
  armToward,
  between,
  headFrom,
  postureFrom,
  upperFrom,
  type Aside,
  type Point,
} from './posture';
import { firstZero } from './root';

interface Hang {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
  readonly pitchDeg: number;
  readonly baseDeg: number;
  readonly shoulder: Point;
  readonly handsCm: number;
}

/** How much less a trunk pitches that hands hold up; nothing where they hang lower than what is under them. */
function heldUpDeg(hip: Point, pitchDeg: number, handsAtCm: number | undefined, body: Body) {
  if (handsAtCm === undefined) return 0;
  const shoulderY = handsAtCm + armCm(body) + parameter.shouldersGive.value;
  return Math.max(0, pitchDeg - acosDeg((shoulderY - hip[1]) / body.trunkCm));
}

/**
 * Hips over ankles, knees bent evenly; the trunk pitches by what the hamstrings leave and a share of the rounding, and by
 * less where the hands stand on something.
 */
function hang(
  input: FamilyInput,
  kneeDeg: number,
  halfAngleDeg = 0,
  handsAtCm?: number | undefined,
): Hang {
  const { body, settings } = input;
  const half = kneeDeg / 2;
  const ankle: Point = [0, body.ankleHeightCm];
  // Legs apart lean outward, so that the hips come down.
  const upright = cosDeg(halfAngleDeg);
  const up = ([x, y]: Point, leanDeg: number, cm: number): Point => [
    x + cm * Math.sin((leanDeg * Math.PI) / 180),
    y + cm * cosDeg(leanDeg) * upright,
  ];
  const knee = up(ankle, half, body.shinCm);
  const hip = up(knee, -half, body.thighCm);
  const freeDeg = hipFlexionAt(kneeDeg, input) - half;
  const freePitchDeg = Math.min(
    settings.pitchMostDeg,
    freeDeg + parameter.spineCounts.value * settings.spineShareDeg,
  );
  const heldDeg = heldUpDeg(hip, freePitchDeg, handsAtCm, body);
  const [baseDeg, pitchDeg] = [freeDeg - heldDeg, freePitchDeg - heldDeg];
  const shoulder = along(hip, pitchDeg, body.trunkCm);
  return {
    hip,
    knee,
    ankle,
    pitchDeg,
    baseDeg,
    shoulder,
    handsCm: shoulder[1] - armCm(body) - parameter.shouldersGive.value,
  };
}

/** Palms' height over the floor with arms hanging straight; under 0 the palms lie on the floor. */
export const handsHeightCm = (input: FamilyInput, kneeDeg: number, halfAngleDeg = 0) =>
  hang(input, kneeDeg, halfAngleDeg).handsCm;

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

/** How far legs spread by half an angle stand outward, the knees bent evenly. */
function asideOf(halfAngleDeg: number, kneeDeg: number, { thighCm, shinCm }: Body): Aside {
  const out = sinDeg(halfAngleDeg) * cosDeg(kneeDeg / 2);
  return { knee: thighCm * out, ankle: (thighCm + shinCm) * out, toe: (thighCm + shinCm) * out };
}

/** The least bend of the knees, from where they begin, that brings the hands down to a block; the most where none does. */
function kneesBentDeg(input: FamilyInput, fromDeg: number, halfAngleDeg: number): number {
  const most = (
    input.settings.firstToRise === 'knees' ? parameter.mostBentKnee : parameter.mostSoftKnee
  ).value;
  const over = (kneeDeg: number) =>
    handsHeightCm(input, kneeDeg, halfAngleDeg) - parameter.handsWanted.value;
  return firstZero(over, fromDeg, Math.max(fromDeg, most), CLOSE_CM);
}
const CLOSE_CM = 0.01;

/** Ways in which the hands come down to nothing, so that the knees need not bend for them. */
const HANDS_STAY_UP: readonly string[] = ['thighs', 'loose'];

/** What tells the standing folds apart. */
interface StandingForm {
  /** Knees bent at least so far. */
  readonly leastKneeDeg?: number;
  readonly wide?: boolean;
}

/** Standing folds: hands always on something. */
function standing(id: string, form: StandingForm): Family {
  const softKnee = ({ settings }: FamilyInput) =>
    Math.max(settings.standingKneeDeg, form.leastKneeDeg ?? 0);
  const reckonedKnee = (input: FamilyInput) =>
    HANDS_STAY_UP.includes(input.settings.way)
      ? softKnee(input)
      : kneesBentDeg(input, softKnee(input), halfOf(input));
  const kneeOf = (input: FamilyInput) => input.settings.dials.kneeBend ?? reckonedKnee(input);
  const reckonedApart = ({ values }: FamilyInput) =>
    2 *
    Math.min(
      straddle.standingWidest.value,
      straddle.easyShare.value * leastOf(values, 'hipSpread', sides),
    );
  const halfOf = (input: FamilyInput) =>
    form.wide ? (input.settings.dials.legsApart ?? reckonedApart(input)) / 2 : 0;
  return {
    id,
    needs: () => [
      'hamstringCoupling',
      ...keysOn(sides, 'hamstring', 'hipFlexion', ...(form.wide ? ['hipSpread' as const] : [])),
    ],
    dials: (input) => ({
      ...(form.wide ? { legsApart: reckonedApart(input) } : {}),
      kneeBend: reckonedKnee(input),
    }),
    heights: (input) => [
      { slot: 'hands', side: 'both', rawCm: handsHeightCm(input, kneeOf(input), halfOf(input)) },
    ],
    figure: (input, built) => {
      const { body } = input;
      const kneeDeg = kneeOf(input);
      const half = halfOf(input);
      const handY = built.hands;
      const { hip, knee, ankle, pitchDeg, baseDeg, shoulder, handsCm } = hang(
        input,
        kneeDeg,
        half,
        handY,
      );
      const onThigh: Point = [
        (hip[0] + knee[0]) / 2 + body.thighRadiusAtKneeCm,
        (hip[1] + knee[1]) / 2,
      ];
      const hand: Point =
        handY === undefined
          ? onThigh
          : [shoulder[0] + 1, Math.max(handY, shoulder[1] - armCm(body))];
      const crownDeg = Math.min(178, pitchDeg + 24);
      const coupling = valueOf(input.values, 'hamstringCoupling');
      const share = (pitchDeg - baseDeg) / parameter.spineCounts.value;
      return {
        posture: postureFrom({
          near: {
            knee,
            ankle,
            heel: [-0.25 * body.footCm, 1],
            toe: [0.72 * body.footCm, 1.2],
            aside: half > 0 ? asideOf(half, kneeDeg, body) : undefined,
          },
          hip,
          upper: upperFrom(
            roundedBack(hip, shoulder, share),
            headFrom(shoulder, body, crownDeg),
            armToward(shoulder, hand, body, 1),
          ),
          pelvisDeg: baseDeg,
          pelvisLeanDeg: baseDeg,
          supports:
            handY === undefined ? [] : [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: handY }],
        }),
        demands: [
          ...sides.map((side) => ({
            range: 'hamstring' as const,
            side,
            needDeg: Math.max(0, baseDeg + kneeDeg / 2 - coupling * kneeDeg),
            haveDeg: rangeValue(input.values, 'hamstring', side),
          })),
          ...(form.wide ? spreadDemands(input, half) : []),
        ],
        findings: {
          pitchDeg,
          kneeBendDeg: kneeDeg,
          handsCm,
          ...(form.wide ? { halfAngleDeg: half } : {}),
        },
      };
    },
    why: (input, need) => {
      const side = stifferSide(input.values, 'hamstring');
      return [
        {
          code: 'standing-hands',
          deg: rangeValue(input.values, 'hamstring', side),
          side,
          kneeDeg: kneeOf(input),
          cm: need.rawCm,
          onThighs: need.rawCm > parameter.highestHandProp.value,
        },
      ];
    },
  };
}

export const standingFold = standing('standing fold', {});
export const hangingFold = standing('hanging fold', { leastKneeDeg: parameter.hangingKnee.value });
export const wideFold = standing('wide fold', { wide: true });
