import { acosDeg, asinDeg, cosDeg, sinDeg } from '../../angles';
import { armCm, type Body } from '../../body/body';
import { squat, standingFold, strapped, ends } from '../../parameters';
import { sides } from '../../ranges/ranges';
import { palmGapCm } from '../arms';
import { leastOf, rangeValue, stifferSide, valueOf } from '../inputs';
import { keysOn, type Family, type FamilyInput } from '../family';
import { hipFlexionAt } from '../sitting/longSit';
import {
  along,
  armToward,
  headFrom,
  postureFrom,
  spineFrom,
  upperFrom,
  type Point,
} from '../posture';

/** Reverse table: shins upright, trunk level, arms straight down. */
export const tableUp: Family = {
  id: 'reverse table',
  needs: () => [],
  heights: ({ body }) => [
    { slot: 'hands', side: 'both', rawCm: palmGapCm([0, body.ankleHeightCm + body.shinCm], body) },
  ],
  figure: ({ body }, built) => {
    const level = body.ankleHeightCm + body.shinCm;
    const shoulderY = Math.max(level, (built.hands ?? 0) + armCm(body) * 0.98);
    const tilt = asinDeg(Math.min(0.6, (shoulderY - level) / body.trunkCm));
    const hip: Point = [0, level];
    const spine = spineFrom(hip, body.trunkCm, -(90 - tilt), -(90 - tilt));
    const shoulder = spine.at(-1) as Point;
    const knee: Point = [body.thighCm, level];
    return {
      posture: postureFrom({
        near: {
          knee,
          ankle: [knee[0], body.ankleHeightCm],
          heel: [knee[0] - 0.25 * body.footCm, 1],
          toe: [knee[0] + 0.7 * body.footCm, 1.2],
        },
        hip,
        upper: upperFrom(
          spine,
          headFrom(shoulder, body, -100),
          armToward(shoulder, [shoulder[0], built.hands ?? 0], body, 1),
        ),
        pelvisDeg: 0,
        pelvisLeanDeg: -90,
        supports: built.hands
          ? [{ slot: 'hands', xCm: shoulder[0], bottomCm: 0, topCm: built.hands }]
          : [],
      }),
      demands: [],
      findings: {},
    };
  },
  why: (_input, { rawCm }) => [{ code: 'table-hands', cm: rawCm }],
};

/** Plank: one line from heel to crown. */
export const plank: Family = {
  id: 'plank',
  needs: () => [],
  heights: () => [],
  figure: ({ body }) => {
    const length = body.thighCm + body.shinCm + body.trunkCm;
    const toe: Point = [0, 1];
    const ankle: Point = [-2, 0.55 * body.footCm];
    const rise = asinDeg((armCm(body) * 0.98 - ankle[1]) / length);
    const at = (cm: number): Point => [ankle[0] + cm * cosDeg(rise), ankle[1] + cm * sinDeg(rise)];
    const hip = at(body.thighCm + body.shinCm);
    const spine = spineFrom(hip, body.trunkCm, 90 - rise, 90 - rise);
    const shoulder = spine.at(-1) as Point;
    return {
      posture: postureFrom({
        near: { knee: at(body.shinCm), ankle, heel: [ankle[0] - 5, ankle[1] + 1], toe },
        hip,
        upper: upperFrom(
          spine,
          headFrom(shoulder, body, 92),
          armToward(shoulder, [shoulder[0], 0], body, -1),
        ),
        pelvisDeg: 90 - rise,
        pelvisLeanDeg: 90 - rise,
        supports: [],
      }),
      demands: [],
      findings: {},
    };
  },
  why: () => [],
};

/** Straight arms that pass overhead with a strap between the hands need it as wide as the shoulders lack reach. */
function strapOverheadCm({ body, values }: FamilyInput): number {
  const missing = Math.max(0, strapped.strapReach.value - leastOf(values, 'armReach', sides));
  const outDeg = Math.min(90, strapped.strapWide.value + missing);
  return strapped.shouldersApart.value * body.statureCm + 2 * armCm(body) * sinDeg(outDeg);
}

/** What is seen from the side of a strap that runs across. */
const STRAP_SEEN_CM = 4;

/** Standing, straight arms overhead with a strap between the hands. */
export const strapOverhead: Family = {
  id: 'strap overhead',
  needs: () => keysOn(sides, 'armReach'),
  heights: (input) => [
    { slot: 'strap', side: 'both', rawCm: strapOverheadCm(input), isLength: true },
  ],
  figure: ({ body, values }) => {
    const hip: Point = [0, body.ankleHeightCm + legCm(body)];
    const spine = spineFrom(hip, body.trunkCm, 0, 0);
    const shoulder = spine.at(-1) as Point;
    const upDeg = 180 - Math.min(180, leastOf(values, 'armReach', sides));
    const hand = along(shoulder, upDeg, armCm(body));
    return {
      posture: postureFrom({
        near: {
          knee: [0, body.ankleHeightCm + body.shinCm],
          ankle: [0, body.ankleHeightCm],
          heel: [-0.25 * body.footCm, 1],
          toe: [0.72 * body.footCm, 1.2],
        },
        hip,
        upper: upperFrom(spine, headFrom(shoulder, body, 2), {
          elbow: along(shoulder, upDeg, body.upperArmCm),
          hand,
        }),
        pelvisDeg: 0,
        pelvisLeanDeg: 0,
        supports: [],
        // Held between the hands, one behind the other from the side.
        strapTo: along(hand, 90, STRAP_SEEN_CM),
      }),
      demands: [],
      findings: {},
    };
  },
  why: (_input, { rawCm }) => [{ code: 'strap-overhead', cm: rawCm }],
};

interface Dog {
  readonly hip: Point;
  readonly hand: Point;
  readonly ankle: Point;
  readonly legLeanDeg: number;
  readonly hipFlexionDeg: number;
}

const KNEE_DEG = 10;
const upperCm = (body: Body) => body.trunkCm + armCm(body);
const legCm = (body: Body) => body.thighCm + body.shinCm;

/** What a soft spine gives to the fold. */
const roundsBy = ({ settings }: FamilyInput) =>
  standingFold.spineCounts.value * settings.spineShareDeg;

/** The triangle of legs, trunk with arms, and floor: the hips bend as far as the hamstrings let them. */
function dog(input: FamilyInput): Dog {
  const { body } = input;
  const reach = Math.max(0, ends.dogArms.value - leastOf(input.values, 'armReach', sides));
  const hipFlexionDeg = Math.max(
    ends.dogLeast.value,
    Math.min(ends.dogMost.value, hipFlexionAt(KNEE_DEG, input) + roundsBy(input)),
  );
  const inside = 180 - hipFlexionDeg;
  // A shoulder that does not open all the way shortens the upper side a little.
  const upper = Math.sqrt(
    body.trunkCm ** 2 + armCm(body) ** 2 + 2 * body.trunkCm * armCm(body) * cosDeg(reach),
  );
  const base = Math.sqrt(upper ** 2 + legCm(body) ** 2 - 2 * upper * legCm(body) * cosDeg(inside));
  const atAnkle = acosDeg((base ** 2 + legCm(body) ** 2 - upper ** 2) / (2 * base * legCm(body)));
  const ankle: Point = [0, body.ankleHeightCm];
  return {
    hip: [legCm(body) * cosDeg(atAnkle), ankle[1] + legCm(body) * sinDeg(atAnkle)],
    hand: [base, ankle[1]],
    ankle,
    legLeanDeg: 90 - atAnkle,
    hipFlexionDeg,
  };
}

/** Heels stay up by what the ankles lack with straight knees. */
function heelLiftCm(input: FamilyInput): number {
  const missing =
    dog(input).legLeanDeg -
    (leastOf(input.values, 'ankleBend', sides) - strapped.straightKneeAnkle.value);
  return squat.heelLever.value * input.body.footCm * sinDeg(Math.min(ends.heelsUp.value, missing));
}

/**
 * Downward dog between long holds: heels on what the ankles lack, hands raised where the hamstrings hold the pelvis
 * back.
 */
export const downDog: Family = {
  id: 'downward dog',
  bears: { heels: { fills: true, as: 'one under both' } },
  needs: () => [
    'hamstringCoupling',
    ...keysOn(sides, 'hamstring', 'hipFlexion', 'ankleBend', 'armReach'),
  ],
  heights: (input) => [
    { slot: 'heels', side: 'both', rawCm: heelLiftCm(input) },
    { slot: 'hands', side: 'both', rawCm: 0, isChosen: true },
  ],
  figure: (input, built) => {
    const { body } = input;
    const { hip, hand, ankle, hipFlexionDeg } = dog(input);
    const knee = along(
      ankle,
      (Math.atan2(hip[0] - ankle[0], hip[1] - ankle[1]) * 180) / Math.PI,
      body.shinCm,
    );
    const reach = Math.max(0, ends.dogArms.value - leastOf(input.values, 'armReach', sides));
    const toHand = (Math.atan2(hand[0] - hip[0], hand[1] - hip[1]) * 180) / Math.PI;
    // The trunk hangs under the line from hip to hand by its part of the shoulder's missing reach.
    const inner = asinDeg((armCm(body) * sinDeg(reach)) / (upperCm(body) - 1e-9));
    const spine = spineFrom(hip, body.trunkCm, toHand - inner, toHand - inner);
    const shoulder = spine.at(-1) as Point;
    return {
      posture: postureFrom({
        near: {
          knee,
          ankle,
          heel: [ankle[0] - 0.2 * body.footCm, 1 + (built.heels ?? 0) * 0.9],
          toe: [ankle[0] + 0.6 * body.footCm, 1.2],
        },
        hip,
        upper: upperFrom(
          spine,
          headFrom(shoulder, body, toHand + 4),
          armToward(shoulder, [hand[0], built.hands ?? 0], body, 1),
        ),
        pelvisDeg: hipFlexionDeg,
        pelvisLeanDeg: toHand,
        supports: [
          ...(built.heels
            ? [
                {
                  slot: 'heels',
                  xCm: ankle[0] - 0.15 * body.footCm,
                  bottomCm: 0,
                  topCm: Math.min(built.heels, 10),
                },
              ]
            : []),
          ...(built.hands
            ? [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: built.hands }]
            : []),
        ],
      }),
      demands: sides.map((side) => ({
        range: 'hamstring',
        side,
        needDeg: Math.max(
          0,
          hipFlexionDeg - roundsBy(input) - valueOf(input.values, 'hamstringCoupling') * KNEE_DEG,
        ),
        haveDeg: rangeValue(input.values, 'hamstring', side),
      })),
      findings: { hipFoldDeg: hipFlexionDeg },
    };
  },
  why: (input, need) => {
    if (need.slot === 'hands') return [{ code: 'dog-hands' }];
    const side = stifferSide(input.values, 'ankleBend');
    return [
      {
        code: 'dog-heels',
        deg: rangeValue(input.values, 'ankleBend', side),
        side,
        cm: need.rawCm,
      },
    ];
  },
};
