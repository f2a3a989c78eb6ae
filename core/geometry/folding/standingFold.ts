import { armCm, type Body } from '../../body/body';
import { standingFold as parameter, straddle } from '../../parameters';
import { sides } from '../../ranges/ranges';
import { acosDeg, cosDeg, sinDeg } from '../../angles';
import { leastOf, rangeValue, stifferSide, valueOf } from '../inputs';
import { keysOn, type Built, type Family, type FamilyInput, type Figure } from '../family';
import { hipFlexionAt, spreadDemands } from '../sitting/longSit';
import {
  along,
  armToward,
  between,
  headFrom,
  postureFrom,
  upperFrom,
  type Aside,
  type Point,
} from '../posture';
import { firstZero } from '../root';

interface Hang {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
  readonly pitchDeg: number;
  readonly baseDeg: number;
  readonly shoulder: Point;
  readonly handsCm: number;
}

/**
 * The pitch at which straight arms stand on something so high: less than free where it holds the trunk up; a little
 * more where only the shoulder blades slide down to it; free where it is out of reach.
 */
function pitchOnHands(hip: Point, freeDeg: number, handsAtCm: number, body: Body) {
  const { trunkCm } = body;
  const pitchTo = (shoulderY: number) => acosDeg((shoulderY - hip[1]) / trunkCm);
  const sunkY = hip[1] + trunkCm * cosDeg(freeDeg) - parameter.shouldersGive.value;
  return pitchTo(Math.max(sunkY, handsAtCm + armCm(body)));
}

/**
 * Hips over ankles, knees bent evenly; the trunk pitches by what the hamstrings leave and a share of the rounding, and
 * by less where the hands stand on something.
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
  const pitchDeg =
    handsAtCm === undefined ? freePitchDeg : pitchOnHands(hip, freePitchDeg, handsAtCm, body);
  const baseDeg = freeDeg - Math.max(0, freePitchDeg - pitchDeg);
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

/**
 * The least bend of the knees, from where they begin, that brings the hands down to a block; the most where none does.
 */
function kneesBentDeg(input: FamilyInput, fromDeg: number, halfAngleDeg: number): number {
  const most = (
    input.settings.firstToRise === 'knees' ? parameter.mostBentKnee : parameter.mostSoftKnee
  ).value;
  const over = (kneeDeg: number) =>
    handsHeightCm(input, kneeDeg, halfAngleDeg) - parameter.handsWanted.value;
  return firstZero(over, fromDeg, Math.max(fromDeg, most), CLOSE_CM);
}
const CLOSE_CM = 0.01;

/** Where the hands come to: something under them, or a part of the leg, or nothing. */
const ON_LEGS: readonly string[] = ['thighs', 'shins', 'loose'];

/** What tells the standing folds apart. */
interface StandingForm {
  /** Knees bent at least so far. */
  readonly leastKneeDeg?: number;
  readonly wide?: boolean;
}

const easyApart = ({ values }: FamilyInput) =>
  2 *
  Math.min(
    straddle.standingWidest.value,
    straddle.easyShare.value * leastOf(values, 'hipSpread', sides),
  );
const halfOf = (input: FamilyInput, form: StandingForm) =>
  form.wide ? (input.settings.dials.legsApart ?? easyApart(input)) / 2 : 0;

/** Knees as soft as they are anyway, bent further until the hands come down to a block. */
function reckonedKnee(input: FamilyInput, form: StandingForm): number {
  const softDeg = Math.max(input.settings.standingKneeDeg, form.leastKneeDeg ?? 0);
  return ON_LEGS.includes(input.settings.way)
    ? softDeg
    : kneesBentDeg(input, softDeg, halfOf(input, form));
}
const kneeOf = (input: FamilyInput, form: StandingForm) =>
  input.settings.dials.kneeBend ?? reckonedKnee(input, form);

/** Where a hand rests on the leg. */
function onLeg({ knee, ankle, hip }: Hang, { body, settings }: FamilyInput): Point {
  const [upper, lower, radius] =
    settings.way === 'shins'
      ? [knee, ankle, body.calfRadiusCm]
      : [hip, knee, body.thighRadiusAtKneeCm];
  return [(upper[0] + lower[0]) / 2 + radius, (upper[1] + lower[1]) / 2];
}

function standingFigure(input: FamilyInput, built: Built, form: StandingForm): Figure {
  const { body } = input;
  const { hands, feet = 0 } = built;
  const kneeDeg = kneeOf(input, form);
  const half = halfOf(input, form);
  const free = hang(input, kneeDeg, half);
  const rest = onLeg(free, input);
  const heldAt =
    hands !== undefined ? hands - feet : input.settings.way === 'shins' ? rest[1] : undefined;
  const { hip, knee, ankle, pitchDeg, baseDeg, shoulder } = hang(input, kneeDeg, half, heldAt);
  const hand: Point =
    hands === undefined
      ? standsOnBlocks(input)
        ? [shoulder[0] + 1, -feet]
        : rest
      : [shoulder[0] + 1, hands - feet];
  const coupling = valueOf(input.values, 'hamstringCoupling');
  const share = (pitchDeg - baseDeg) / parameter.spineCounts.value;
  const up = ([x, y]: Point): Point => [x, y + feet];
  const arm = armToward(shoulder, hand, body, 1);
  const head = headFrom(shoulder, body, Math.min(178, pitchDeg + 24));
  return {
    posture: postureFrom({
      near: {
        knee: up(knee),
        ankle: up(ankle),
        heel: up([-0.25 * body.footCm, 1]),
        toe: up([0.72 * body.footCm, 1.2]),
        aside: half > 0 ? asideOf(half, kneeDeg, body) : undefined,
      },
      hip: up(hip),
      upper: upperFrom(
        roundedBack(hip, shoulder, share).map(up),
        { ...head, head: up(head.head) },
        { elbow: up(arm.elbow), hand: up(arm.hand) },
      ),
      pelvisDeg: baseDeg,
      pelvisLeanDeg: baseDeg,
      supports: [
        ...(hands === undefined
          ? []
          : [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: hands }]),
        ...(feet > 0 ? [{ slot: 'feet', xCm: 0.25 * body.footCm, bottomCm: 0, topCm: feet }] : []),
      ],
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
      handsCm: free.handsCm,
      ...(form.wide ? { halfAngleDeg: half } : {}),
    },
  };
}

/** Standing on blocks, the hands come past the toes. */
const standsOnBlocks = ({ settings }: FamilyInput) => settings.way === 'on-blocks';

/** Standing folds: hands on something under them, on the legs, or, standing on blocks, past the toes. */
function standing(id: string, form: StandingForm): Family {
  return {
    id,
    needs: () => [
      'hamstringCoupling',
      ...keysOn(sides, 'hamstring', 'hipFlexion', ...(form.wide ? ['hipSpread' as const] : [])),
    ],
    dials: (input) => ({
      ...(form.wide ? { legsApart: easyApart(input) } : {}),
      kneeBend: reckonedKnee(input, form),
    }),
    heights: (input) => [
      ...(standsOnBlocks(input)
        ? [
            {
              slot: 'feet' as const,
              side: 'both' as const,
              rawCm: parameter.stoodOn.value,
              isChosen: true,
            },
          ]
        : []),
      {
        slot: 'hands',
        side: 'both',
        rawCm: handsHeightCm(input, kneeOf(input, form), halfOf(input, form)),
      },
    ],
    figure: (input, built) => standingFigure(input, built, form),
    why: (input, need) => {
      if (need.slot === 'feet') return [{ code: 'stood-on' }];
      const side = stifferSide(input.values, 'hamstring');
      return [
        {
          code: 'standing-hands',
          deg: rangeValue(input.values, 'hamstring', side),
          side,
          kneeDeg: kneeOf(input, form),
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
