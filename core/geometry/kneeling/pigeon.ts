import type { HeightReason } from '../../reasons';
import { acosDeg, asinDeg, cosDeg, sinDeg } from '../../angles';
import { armCm } from '../../body/body';
import { crossLegged, fold, ladderStart, pigeon as parameter } from '../../parameters';
import { floorAhead, palmGapCm } from '../arms';
import { crossedLeg, rotationFrom, type Crossing } from '../crossedLeg';
import { usableRotation } from '../sitting/crossedSeat';
import { rangeValue, valueOf } from '../inputs';
import {
  isHeadLimited,
  keysOn,
  otherSide,
  worked,
  type Built,
  type Demand,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  AT_REST,
  chestNeed,
  foldedSpine,
  foldedTrunk,
  foldSupports,
  foldWhy,
  foreheadNeed,
  onFloor,
  restedHead,
  restingOn,
  type FoldedTrunk,
} from '../foldedTrunk';
import {
  along,
  armToward,
  between,
  headFrom,
  legOf,
  postureFrom,
  spineFrom,
  upperFrom,
  type Leg,
  type Point,
} from '../posture';

/** How the front shin lies at a knee bend. */
export const crossingAt = (kneeDeg: number, { body }: FamilyInput): Crossing => ({
  kneeDeg,
  footCm: crossLegged.footHeight.value * body.statureCm,
  pastMidlineCm: 0,
});

/** The front shin goes toward square only where the hip would still come down by itself; else the heel is drawn in. */
function crossing(input: FamilyInput): Crossing {
  const wished = crossingAt(input.settings.pigeonKneeDeg, input);
  return hipForCm(wished, input) <= input.body.seatToHipCm
    ? wished
    : crossingAt(parameter.closedKnee.value, input);
}

/** Rotation that the front hip may use: its own, and what the tilted pelvis gives. */
const frontRotation = (input: FamilyInput) =>
  usableRotation(input, worked(input.side)) + valueOf(input.values, 'pigeon.rotationSpared');

/**
 * The least height of the front hip with its knee on the floor and its rotation within what there is. With the thigh
 * falling by e under the horizontal, C·cos e + D·sin e = knee − foot, C from the rotation and D from the knee's bend.
 */
export function hipForCm({ kneeDeg, footCm }: Crossing, input: FamilyInput): number {
  const { body } = input;
  const c = body.shinCm * sinDeg(kneeDeg) * cosDeg(Math.min(90, frontRotation(input)));
  const d = -body.shinCm * cosDeg(kneeDeg);
  const fall =
    acosDeg((body.kneeBackCm - footCm) / Math.hypot(c, d)) - (Math.atan2(d, c) * 180) / Math.PI;
  return body.kneeBackCm + body.thighCm * sinDeg(Math.max(-90, fall));
}

/** Height in cm over the floor at which the front hip's rotation is enough. */
export const pigeonHipCm = (input: FamilyInput) => hipForCm(crossing(input), input);

const hipOn = (input: FamilyInput, supportCm: number): Point => [
  0,
  supportCm + input.body.seatToHipCm,
];
/** Thigh under the horizontal with the knee on the floor. */
const frontFallDeg = (hip: Point, { body }: FamilyInput) =>
  asinDeg((hip[1] - body.kneeBackCm) / body.thighCm);

/** The back leg long behind, its thigh on the floor as far as the hip is low. */
function backLeg(hip: Point, { body }: FamilyInput): Leg & { fallDeg: number } {
  const fallDeg = asinDeg((hip[1] - body.kneeFrontCm) / body.thighCm);
  const knee: Point = [
    hip[0] - body.thighCm * cosDeg(fallDeg),
    hip[1] - body.thighCm * sinDeg(fallDeg),
  ];
  const drop = Math.max(0, knee[1] - body.footTopCm);
  const ankle: Point = [knee[0] - Math.sqrt(body.shinCm ** 2 - drop ** 2), knee[1] - drop];
  return {
    fallDeg,
    knee,
    ankle,
    heel: [ankle[0] - 2, ankle[1] + 4],
    toe: [ankle[0] - 0.6 * body.footCm, 1.5],
  };
}

/** The back shin standing up a wall behind its knee. */
function backLegUp(hip: Point, input: FamilyInput): Leg {
  const { body } = input;
  const { knee } = backLeg(hip, input);
  const ankle: Point = [knee[0], knee[1] + body.shinCm];
  return {
    knee,
    ankle,
    heel: [ankle[0] + 3, ankle[1] + 1],
    toe: [ankle[0] - 1, ankle[1] + 0.7 * body.footCm],
  };
}

/** How far the upright trunk must still lean forward: what back hip and low back do not give. */
function uprightLeanDeg(input: FamilyInput, hip: Point): number {
  const extension =
    input.settings.share * rangeValue(input.values, 'hipExtension', otherSide(worked(input.side)));
  return Math.max(0, 90 - backLeg(hip, input).fallDeg - extension - archDeg(input));
}
/** What the low back gives to an upright trunk, where it may arch. */
const archDeg = ({ settings }: FamilyInput) =>
  settings.lumbarAllowanceDeg > 0 ? parameter.lumbarArch.value : 0;

/** Extension of the back hip once the trunk leans, its low back a little arched. */
const extensionUsedDeg = (input: FamilyInput, hip: Point) =>
  (90 - backLeg(hip, input).fallDeg - archDeg(input) - uprightLeanDeg(input, hip)) /
  input.settings.share;

const trunkUp = (hip: Point, leanDeg: number, input: FamilyInput) =>
  spineFrom(hip, input.body.trunkCm, leanDeg, leanDeg);
const shoulderUp = (hip: Point, leanDeg: number, { body }: FamilyInput) =>
  along(hip, leanDeg, body.trunkCm);
const palms = (input: FamilyInput, hip: Point, share = 1): SlotNeed => ({
  slot: 'hands',
  side: 'both',
  rawCm: palmGapCm(
    shoulderUp(hip, share * uprightLeanDeg(input, hip), input),
    input.body,
    parameter.elbowsSoft.value,
  ),
});
/** Ways that come down over the front shin. */
const RESTS: readonly string[] = ['folded', 'diagonal'];
/** The later stages lift the chest out of half the lean. */
const LIFTED = 0.5;

/** The fold over the front shin: as far as the front hip bends. */
function folded(input: FamilyInput, hip: Point, built?: Built): FoldedTrunk {
  const bends = Math.min(
    input.settings.hipFlexionMostDeg,
    rangeValue(input.values, 'hipFlexion', worked(input.side)),
  );
  const lean = bends - 90 + frontFallDeg(hip, input);
  return built
    ? restingOn(input, hip, lean, onFloor, built, AT_REST)
    : foldedTrunk(input, hip, lean, onFloor, AT_REST);
}

const upper = (input: FamilyInput, hip: Point): SlotNeed[] => {
  const trunk = folded(input, hip);
  return [palms(input, hip), chestNeed(trunk), foreheadNeed(trunk)];
};

function demandsOf(input: FamilyInput, hip: Point): Demand[] {
  const side = worked(input.side);
  const asked =
    (rotationFrom(hip[1], -frontFallDeg(hip, input), crossing(input), input.body) -
      valueOf(input.values, 'pigeon.rotationSpared')) /
    input.settings.share;
  return [
    {
      range: 'hipRotation',
      side,
      needDeg: Math.max(0, asked),
      haveDeg: rangeValue(input.values, 'hipRotation', side),
    },
    {
      range: 'hipExtension',
      side: otherSide(side),
      // What it lacks, the trunk leans forward by, and the hands stand higher.
      needDeg: Math.max(0, extensionUsedDeg(input, hip)),
      haveDeg: rangeValue(input.values, 'hipExtension', otherSide(side)),
    },
  ];
}

const pigeonKeys: Family['needs'] = (side) => [
  'pigeon.rotationSpared',
  ...keysOn([worked(side)], 'hipRotation', 'hipFlexion'),
  ...keysOn([otherSide(worked(side))], 'hipExtension'),
];

function pigeonWhy(input: FamilyInput, need: SlotNeed): readonly HeightReason[] {
  const side = worked(input.side);
  if (need.slot === 'hipLevel')
    return [
      {
        code: 'pigeon-hip',
        deg: rangeValue(input.values, 'hipRotation', side),
        side,
        closed: crossing(input).kneeDeg === parameter.closedKnee.value,
        cm: need.rawCm,
      },
    ];
  if (need.slot === 'underKnees') return [{ code: 'knee-down' }];
  const back = otherSide(side);
  if (need.slot === 'hands')
    return [
      {
        code: 'pigeon-hands',
        deg: rangeValue(input.values, 'hipExtension', back),
        side: back,
        cm: need.rawCm,
      },
    ];
  return foldWhy(need, fold.highestForeheadProp.value) ?? [];
}

/** A fold under the back knee: against a wall it stands on that knee, and a sore one is padded. */
function backKneePad({ settings }: FamilyInput): SlotNeed[] {
  const padCm = settings.way === 'wall' ? ladderStart.kneePad.value : settings.kneePadCm;
  return padCm > 0 ? [{ slot: 'underKnees', side: 'both', rawCm: padCm, isChosen: true }] : [];
}

function supportsOf(
  built: Built,
  hip: Point,
  hand: Point,
  backKnee: Point,
): { slot: string; xCm: number; bottomCm: number; topCm: number }[] {
  return [
    ...(built.hipLevel
      ? [{ slot: 'hipLevel', xCm: hip[0] + 1, bottomCm: 0, topCm: built.hipLevel }]
      : []),
    ...(built.hands ? [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: built.hands }] : []),
    ...(built.underKnees
      ? [{ slot: 'underKnees', xCm: backKnee[0], bottomCm: 0, topCm: built.underKnees }]
      : []),
  ];
}

/**
 * Pigeon: the height under the front hip at which its rotation is enough; upright on the hands, or folded over the
 * shin.
 */
export const pigeonPose: Family = {
  id: 'pigeon',
  rulesOut: ({ settings }) =>
    RESTS.includes(settings.way) && isHeadLimited(settings)
      ? { because: { of: 'head-low' }, firm: true }
      : null,
  needs: pigeonKeys,
  heights: (input) => {
    const hipLevel = pigeonHipCm(input) - input.body.seatToHipCm;
    return [
      { slot: 'hipLevel', side: 'both', rawCm: hipLevel },
      ...backKneePad(input),
      ...upper(input, hipOn(input, Math.max(0, hipLevel))),
    ];
  },
  afterBuilt: (input, { hipLevel = 0 }) => upper(input, hipOn(input, hipLevel)),
  figure: (input, built) => {
    const { body } = input;
    const hip = hipOn(input, built.hipLevel ?? 0);
    const front = crossedLeg(hip[1], 90, crossing(input), body);
    const back = input.settings.way === 'wall' ? backLegUp(hip, input) : backLeg(hip, input);
    const lean = uprightLeanDeg(input, hip);
    const rests = RESTS.includes(input.settings.way);
    const trunk = folded(input, hip, built);
    const spine = rests ? foldedSpine(trunk, body) : trunkUp(hip, lean, input);
    const shoulder = spine.at(-1) as Point;
    const hand: Point = rests
      ? floorAhead(shoulder, body)
      : [shoulder[0] + 3, Math.max(built.hands ?? 0, shoulder[1] - armCm(body))];
    return {
      posture: postureFrom({
        near: front,
        far: legOf(back),
        hip,
        upper: upperFrom(
          spine,
          rests ? restedHead(trunk, body) : headFrom(shoulder, body, lean * 0.4),
          armToward(shoulder, hand, body, 1),
        ),
        pelvisDeg: lean,
        pelvisLeanDeg: rests ? trunk.leanDeg : lean,
        supports: [
          ...supportsOf(rests ? { ...built, hands: 0 } : built, hip, hand, back.knee),
          ...(rests ? foldSupports(trunk, built) : []),
        ],
      }),
      demands: demandsOf(input, hip),
      findings: { trunkLeanDeg: rests ? trunk.leanDeg : lean, foldDeg: Math.max(0, trunk.leanDeg) },
    };
  },
  why: pigeonWhy,
};

/** The back foot drawn up behind: as far as the front thigh lets the knee bend. */
function raisedBackLeg(input: FamilyInput, hip: Point): Leg {
  const { body } = input;
  const { knee } = backLeg(hip, input);
  const bend =
    input.settings.share *
    rangeValue(input.values, 'kneeFlexion.prone', otherSide(worked(input.side)));
  const lean = Math.min(178, bend);
  const ankle: Point = [knee[0] - body.shinCm * cosDeg(lean), knee[1] + body.shinCm * sinDeg(lean)];
  return {
    knee,
    ankle,
    heel: [ankle[0] - 2, ankle[1] + 3],
    toe: [ankle[0] + 0.5 * body.footCm * sinDeg(lean), ankle[1] + 0.5 * body.footCm],
  };
}

/** Hand overhead, as far back as the shoulder reaches. */
function handBehind(input: FamilyInput, shoulder: Point, leanDeg: number): Point {
  const reach = rangeValue(input.values, 'armReach', otherSide(worked(input.side)));
  const direction = leanDeg + 180 - reach;
  return [
    shoulder[0] + armCm(input.body) * sinDeg(direction),
    shoulder[1] + armCm(input.body) * cosDeg(direction),
  ];
}

const strapBehindCm = (input: FamilyInput, hip: Point) => {
  const lean = uprightLeanDeg(input, hip) / 2;
  return between(
    handBehind(input, shoulderUp(hip, lean, input), lean),
    raisedBackLeg(input, hip).toe,
  );
};

/** The later stages: pigeon's hip, and a strap from the back foot over the shoulder. */
export const kingPigeon: Family = {
  id: 'king pigeon',
  bears: { hands: 'one' },
  needs: (side) => [
    ...pigeonKeys(side),
    ...keysOn([otherSide(worked(side))], 'kneeFlexion.prone', 'armReach'),
  ],
  heights: (input) => {
    const hipLevel = pigeonHipCm(input) - input.body.seatToHipCm;
    const hip = hipOn(input, Math.max(0, hipLevel));
    return [
      { slot: 'hipLevel', side: 'both', rawCm: hipLevel },
      palms(input, hip, LIFTED),
      { slot: 'strap', side: 'both', rawCm: strapBehindCm(input, hip), isLength: true },
    ];
  },
  afterBuilt: (input, { hipLevel = 0 }) => [
    palms(input, hipOn(input, hipLevel), LIFTED),
    {
      slot: 'strap',
      side: 'both',
      rawCm: strapBehindCm(input, hipOn(input, hipLevel)),
      isLength: true,
    },
  ],
  figure: (input, built) => {
    const { body } = input;
    const hip = hipOn(input, built.hipLevel ?? 0);
    const lean = LIFTED * uprightLeanDeg(input, hip);
    const spine = trunkUp(hip, lean, input);
    const shoulder = spine.at(-1) as Point;
    const back = raisedBackLeg(input, hip);
    const hand = handBehind(input, shoulder, lean);
    return {
      posture: postureFrom({
        near: crossedLeg(hip[1], 90, crossing(input), body),
        far: back,
        hip,
        upper: upperFrom(
          spine,
          headFrom(shoulder, body, lean - 6),
          armToward(shoulder, hand, body, -1),
        ),
        pelvisDeg: lean,
        pelvisLeanDeg: lean,
        supports: supportsOf({ ...built, hands: 0 }, hip, hand, back.knee),
        strapTo: back.toe,
      }),
      demands: demandsOf(input, hip),
      findings: { trunkLeanDeg: lean, strapCm: strapBehindCm(input, hip) },
    };
  },
  why: (input, need) =>
    need.slot === 'strap'
      ? [{ code: 'strap-over-shoulder', cm: need.rawCm }]
      : pigeonWhy(input, need),
};
