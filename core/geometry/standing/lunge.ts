import { acosDeg, asinDeg, cosDeg, sinDeg } from '../../angles';
import { armCm, type Body } from '../../body/body';
import { ladderStart, strapped, ends } from '../../parameters';
import { palmGapCm } from '../arms';
import { rangeValue } from '../inputs';
import { firstZero } from '../root';
import {
  isHipLimited,
  keysOn,
  otherSide,
  worked,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  along,
  armToward,
  between,
  headFrom,
  legWithFoot,
  postureFrom,
  spineFrom,
  upperFrom,
  type Leg,
  type Point,
} from '../posture';

interface Stepped {
  readonly hip: Point;
  readonly front: Leg;
  readonly back: Leg;
  readonly frontRiseDeg: number;
  /** Of the back thigh behind the hip. */
  readonly backLeanDeg: number;
  /** From the back knee to the front ankle. */
  readonly stepCm: number;
}

const footOn = (ankle: Point, body: Body): Pick<Leg, 'heel' | 'toe'> => ({
  heel: [ankle[0] - 0.25 * body.footCm, ankle[1] - body.ankleHeightCm + 1],
  toe: [ankle[0] + 0.7 * body.footCm, ankle[1] - body.ankleHeightCm + 1.2],
});
const toesDown = (ankle: Point, body: Body): Pick<Leg, 'heel' | 'toe'> => ({
  heel: [ankle[0] - 2, ankle[1] + 4],
  toe: [ankle[0] - 0.6 * body.footCm, 1.5],
});

/** What the pelvis adds to the back hip, where it may tilt. */
const tiltDeg = ({ settings }: FamilyInput) =>
  settings.lumbarAllowanceDeg > 0 ? strapped.lungeArch.value : 0;

/** Bend that the front hip may use: what it has, or what a caution leaves of it. */
const frontHipDeg = ({ settings, values, side }: FamilyInput) =>
  Math.min(settings.hipFlexionMostDeg, rangeValue(values, 'hipFlexion', worked(side)));

/** How far the front knee may stand over the hip under an upright trunk. */
const mayRiseCm = (input: FamilyInput) =>
  input.body.thighCm * sinDeg(Math.max(0, frontHipDeg(input) - 90));

/**
 * The longest step, as a lean of the back thigh, that leaves the front hip the bend it may use under an upright trunk.
 */
function leanForFrontHip(input: FamilyInput): number {
  const { thighCm, shinCm, ankleHeightCm, kneeFrontCm } = input.body;
  const hipCm = ankleHeightCm + shinCm - mayRiseCm(input);
  return acosDeg((hipCm - kneeFrontCm - ladderStart.kneePad.value) / thighCm);
}

/** How far the back thigh goes behind the hip. */
function backLeanDeg(input: FamilyInput): number {
  const { settings, values, side } = input;
  const back = settings.share * rangeValue(values, 'hipExtension', otherSide(worked(side)));
  return Math.max(0, Math.min(back + tiltDeg(input), leanForFrontHip(input)));
}

/** The back thigh's lean with the step as long as it is set; as far as it goes where it is not. */
function leanInStep(input: FamilyInput, padCm: number): number {
  const { step } = input.settings.dials;
  if (step === undefined) return backLeanDeg(input);
  return firstZero((lean) => step - steppedAt(lean, input, padCm).stepCm, 0, MOST_LEAN_DEG, 0.01);
}
const MOST_LEAN_DEG = 70;

const stepped = (input: FamilyInput, padCm: number): Stepped =>
  steppedAt(leanInStep(input, padCm), input, padCm);

/**
 * Front knee over its ankle, or the foot further ahead where the front hip may bend no more; back knee down as far
 * behind the hip as the back thigh leans.
 */
function steppedAt(lean: number, input: FamilyInput, padCm: number): Stepped {
  const { body } = input;
  const kneeY = body.kneeFrontCm + padCm;
  const hip: Point = [0, kneeY + body.thighCm * cosDeg(lean)];
  const backKnee: Point = [-body.thighCm * sinDeg(lean), kneeY];
  const backAnkle: Point = [
    backKnee[0] - Math.sqrt(body.shinCm ** 2 - (kneeY - body.footTopCm) ** 2),
    body.footTopCm,
  ];
  const frontKneeY = Math.min(body.ankleHeightCm + body.shinCm, hip[1] + mayRiseCm(input));
  const frontRiseDeg = asinDeg((frontKneeY - hip[1]) / body.thighCm);
  const frontKnee: Point = [
    hip[0] + body.thighCm * cosDeg(frontRiseDeg),
    hip[1] + body.thighCm * sinDeg(frontRiseDeg),
  ];
  const aheadCm = Math.sqrt(Math.max(0, body.shinCm ** 2 - (frontKneeY - body.ankleHeightCm) ** 2));
  const frontAnkle: Point = [frontKnee[0] + aheadCm, body.ankleHeightCm];
  return {
    hip,
    frontRiseDeg,
    backLeanDeg: lean,
    stepCm: frontAnkle[0] - backKnee[0],
    front: legWithFoot(frontKnee, frontAnkle, footOn(frontAnkle, body)),
    back: legWithFoot(backKnee, backAnkle, toesDown(backAnkle, body)),
  };
}

/** What a soft spine gives to the lean over a front thigh. */
const roundsBy = ({ settings }: FamilyInput) =>
  isHipLimited(settings) ? 0 : strapped.lungeRounds.value * settings.spineShareDeg;

/** The trunk leans as far as the front hip bends. */
function leanDeg(input: FamilyInput, { frontRiseDeg }: Stepped, outsideDeg: number): number {
  // Beside the front foot there is room to lean; a hip that may fold only so far has none.
  const bends = frontHipDeg(input) + (isHipLimited(input.settings) ? 0 : outsideDeg);
  return Math.min(
    input.settings.pitchMostDeg,
    ends.lungeLean.value,
    Math.max(0, bends - 90 - frontRiseDeg + roundsBy(input)),
  );
}

/** Lunges with the back knee down: the back thigh sets the step, the front hip how far the hands must be raised. */
function lungeFamily(id: string, outsideDeg: number): Family {
  const hands = (input: FamilyInput, padCm: number): SlotNeed => {
    const step = stepped(input, padCm);
    const lean = leanDeg(input, step, outsideDeg);
    return {
      slot: 'hands',
      side: 'both',
      rawCm: palmGapCm(along(step.hip, lean, input.body.trunkCm), input.body),
    };
  };
  return {
    id,
    needs: (side) => [
      ...keysOn([otherSide(worked(side))], 'hipExtension'),
      ...keysOn([worked(side)], 'hipFlexion'),
    ],
    heights: (input) => [
      { slot: 'underKnees', side: 'both', rawCm: ladderStart.kneePad.value, isChosen: true },
      hands(input, ladderStart.kneePad.value),
    ],
    dials: (input) => ({
      step: steppedAt(backLeanDeg(input), input, ladderStart.kneePad.value).stepCm,
    }),
    afterBuilt: (input, { underKnees = 0 }) => [hands(input, underKnees)],
    figure: (input, built) => {
      const { body } = input;
      const step = stepped(input, built.underKnees ?? 0);
      const lean = leanDeg(input, step, outsideDeg);
      const spine = spineFrom(step.hip, body.trunkCm, lean, lean);
      const shoulder = spine.at(-1) as Point;
      const hand: Point = [shoulder[0] + 2, Math.max(built.hands ?? 0, shoulder[1] - armCm(body))];
      const [side, back] = [worked(input.side), otherSide(worked(input.side))];
      return {
        posture: postureFrom({
          near: step.front,
          far: step.back,
          hip: step.hip,
          upper: upperFrom(
            spine,
            headFrom(shoulder, body, lean * 0.8),
            armToward(shoulder, hand, body, 1),
          ),
          pelvisDeg: lean,
          pelvisLeanDeg: lean,
          supports: [
            ...(built.underKnees
              ? [
                  {
                    slot: 'underKnees',
                    xCm: step.back.knee[0],
                    bottomCm: 0,
                    topCm: built.underKnees,
                  },
                ]
              : []),
            ...(built.hands
              ? [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: built.hands }]
              : []),
          ],
        }),
        demands: [
          {
            range: 'hipExtension',
            side: back,
            needDeg: step.backLeanDeg - tiltDeg(input),
            haveDeg: rangeValue(input.values, 'hipExtension', back),
          },
          {
            range: 'hipFlexion',
            side,
            needDeg: 90 + step.frontRiseDeg + Math.max(0, lean - roundsBy(input)) - outsideDeg,
            haveDeg: rangeValue(input.values, 'hipFlexion', side),
          },
        ],
        findings: { stepCm: step.stepCm, trunkLeanDeg: lean },
      };
    },
    why: (input, need) => {
      if (need.slot === 'underKnees') return [{ code: 'knee-down' }];
      const [side, back] = [worked(input.side), otherSide(worked(input.side))];
      return [
        {
          code: 'lunge',
          backDeg: rangeValue(input.values, 'hipExtension', back),
          back,
          stepCm: stepped(input, 0).stepCm,
          frontDeg: frontHipDeg(input),
          side,
          cm: need.rawCm,
        },
      ];
    },
  };
}

export const lowLunge = lungeFamily('lunge', 0);
export const lizard = lungeFamily('lizard', strapped.lizardOutside.value);

/** Horse: half kneeling on a pad, the hands carrying what the knee must not; found by trying, rung by rung. */
export const horse: Family = {
  id: 'horse',
  needs: (side) => ['ladderStart.lyingFoot', ...keysOn([worked(side)], 'hipExtension')],
  heights: (input) => [
    {
      slot: 'underKnees',
      side: 'both',
      rawCm: input.values['ladderStart.lyingFoot'] ?? ladderStart.lyingFoot.value,
    },
    { slot: 'hands', side: 'both', rawCm: horsePalmCm(input, 0) },
  ],
  afterBuilt: (input, { underKnees = 0 }) => [
    { slot: 'hands', side: 'both', rawCm: horsePalmCm(input, underKnees) },
  ],
  figure: (input, built) => {
    const { body } = input;
    const pad = built.underKnees ?? 0;
    const kneeling = horseLegs(input, pad);
    const lean = built.hands ? HORSE_LEAN_DEG : UPRIGHT_DEG;
    const spine = spineFrom(kneeling.hip, body.trunkCm, lean, lean);
    const shoulder = spine.at(-1) as Point;
    const kneesDown = input.settings.way === 'knees-down';
    const hand: Point = kneesDown
      ? [shoulder[0] + 20, shoulder[1] + 16]
      : [shoulder[0] + 2, Math.max(built.hands ?? 0, 0)];
    const side = worked(input.side);
    return {
      posture: postureFrom({
        near: kneeling.front,
        far: kneeling.down,
        hip: kneeling.hip,
        upper: upperFrom(
          spine,
          headFrom(shoulder, body, lean * 0.6),
          armToward(shoulder, hand, body, kneesDown ? -1 : 1),
        ),
        pelvisDeg: lean,
        pelvisLeanDeg: lean,
        supports: [
          ...(pad > 0
            ? [{ slot: 'underKnees', xCm: kneeling.down.knee[0], bottomCm: 0, topCm: pad }]
            : []),
          ...(built.hands
            ? [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: built.hands }]
            : []),
        ],
      }),
      demands: kneesDown
        ? []
        : [
            {
              range: 'hipRotation',
              side,
              needDeg: LOTUS_ROTATION_DEG,
              haveDeg: rangeValue(input.values, 'hipRotation', side),
            },
          ],
      findings: {},
    };
  },
  why: (input, need) =>
    need.slot === 'hands'
      ? [{ code: 'horse-hands', cm: need.rawCm }]
      : [
          {
            code: 'by-trying',
            cm: need.rawCm,
            under: 'knee',
            side: bothKneesDown(input) ? 'both' : worked(input.side),
          },
        ],
};
/** Ways in which both knees bear the weight. */
const bothKneesDown = ({ settings }: FamilyInput) =>
  settings.way === 'knees-down' || settings.way === 'lotus-kneeling';
/** Outward rotation that a foot on the other thigh asks for. */
const LOTUS_ROTATION_DEG = 75;

/** A knee down with its foot high on the other thigh: from the side most of the shin goes across. */
function lotusLeg(hip: Point, knee: Point, body: Body): Leg {
  const ankle: Point = [hip[0] + LOTUS_FOOT_CM, Math.min(knee[1] + 0.8 * body.shinCm, hip[1] - 9)];
  const across = -Math.sqrt(Math.max(0, body.shinCm ** 2 - between(knee, ankle) ** 2));
  return {
    knee,
    ankle,
    heel: [ankle[0] - 1, ankle[1] - 2],
    toe: [ankle[0] + 4, ankle[1] + 2],
    aside: { knee: 0, ankle: across, toe: across - 0.4 * body.footCm },
  };
}
/** The foot lies so far in front of the hip. */
const LOTUS_FOOT_CM = 8;

/** The worked knee down under its hip, the other foot standing in front. */
function horseLegs(input: FamilyInput, padCm: number): { hip: Point; down: Leg; front: Leg } {
  const { body } = input;
  const kneeY = body.kneeFrontCm + padCm;
  const hip: Point = [0, kneeY + body.thighCm];
  const down: Point = [0, kneeY];
  const ankle: Point = [
    -Math.sqrt(body.shinCm ** 2 - (kneeY - body.footTopCm) ** 2),
    body.footTopCm,
  ];
  const kneeling = legWithFoot(down, ankle, toesDown(ankle, body));
  if (input.settings.way === 'knees-down') return { hip, down: kneeling, front: kneeling };
  const lotus = lotusLeg(hip, down, body);
  if (input.settings.way === 'lotus-kneeling') return { hip, down: kneeling, front: lotus };
  const rise = asinDeg((body.ankleHeightCm + body.shinCm - hip[1]) / body.thighCm);
  const knee: Point = [body.thighCm * cosDeg(rise), hip[1] + body.thighCm * sinDeg(rise)];
  const standing: Point = [knee[0], knee[1] - body.shinCm];
  return {
    hip,
    down: lotus,
    front: legWithFoot(knee, standing, footOn(standing, body)),
  };
}

/** Lean of a trunk whose hands carry the weight, and of one that kneels up. */
const [HORSE_LEAN_DEG, UPRIGHT_DEG] = [35, 4];
function horsePalmCm(input: FamilyInput, padCm: number): number {
  const { hip } = horseLegs(input, padCm);
  return palmGapCm(along(hip, HORSE_LEAN_DEG, input.body.trunkCm), input.body);
}
