import { acosDeg, asinDeg, cosDeg, sinDeg } from '../../angles';
import { armCm, type Body } from '../../body/body';
import { strapped, ends } from '../../parameters';
import { palmGapCm } from '../arms';
import { leastOf, rangeValue } from '../inputs';
import {
  keysOn,
  otherSide,
  worked,
  workingLegs,
  type Built,
  type Family,
  type FamilyInput,
  type SlotNeed,
  type Demand,
  type Figure,
} from '../family';
import { firstZero } from '../root';
import {
  along,
  armToward,
  between,
  headFrom,
  postureFrom,
  spineAt,
  spineFrom,
  upperFrom,
  type Arm,
  type Leg,
  type Point,
  type SupportPlace,
} from '../posture';

/** Back of the knee over the floor, foot flat. */
export const poplitealCm = (body: Body) => body.shinCm + body.ankleHeightCm - body.kneeBackCm;

/** What is done on the chair. */
type OnChair = 'sits' | 'hinges' | 'lunges' | 'crosses' | 'opens';

interface Seated {
  readonly hip: Point;
  readonly near: Leg;
  readonly riseDeg: number;
}

/** Sitting on a chair, on what raises its seat, with the feet on what raises the floor. */
function seated({ body, settings }: FamilyInput, { seat = 0, feet = 0 }: Built): Seated {
  const hip: Point = [0, settings.chairSeatCm + seat + body.seatToHipCm];
  const kneeY = feet + body.ankleHeightCm + body.shinCm;
  const riseDeg = asinDeg((kneeY - hip[1]) / body.thighCm);
  const knee: Point = [body.thighCm * cosDeg(riseDeg), hip[1] + body.thighCm * sinDeg(riseDeg)];
  const ankle: Point = [knee[0], knee[1] - body.shinCm];
  return {
    hip,
    riseDeg,
    near: {
      knee,
      ankle,
      heel: [ankle[0] - 0.25 * body.footCm, ankle[1] - body.ankleHeightCm + 1],
      toe: [ankle[0] + 0.7 * body.footCm, ankle[1] - body.ankleHeightCm + 1.2],
    },
  };
}

function leanDeg(input: FamilyInput, { riseDeg }: Seated, does: OnChair): number {
  if ((does !== 'hinges' && does !== 'opens') || input.settings.way === ARMS_BENT) return 0;
  const bends = Math.min(
    input.settings.hipFlexionMostDeg,
    leastOf(input.values, 'hipFlexion', workingLegs(input.side)),
  );
  return Math.min(
    input.settings.pitchMostDeg,
    ends.chairLean.value,
    Math.max(0, bends - 90 - riseDeg),
  );
}

/** Leans of the trunk's two ends. */
const trunkLeans = (input: FamilyInput, sitting: Seated, does: OnChair) => {
  const lean = leanDeg(input, sitting, does);
  return [lean, lean + (lean > 0 ? input.settings.spineShareDeg : 0)] as const;
};
const shoulderOf = (input: FamilyInput, sitting: Seated, does: OnChair): Point =>
  spineAt(sitting.hip, input.body.trunkCm, ...trunkLeans(input, sitting, does));

/** The back ankle of a lunge off a chair, the heel lifted, over the floor. */
const liftedAnkleCm = (body: Body) => body.ankleHeightCm + 6;

/** How far behind the hip the back thigh goes: as the hip lets it and the pelvis tilts. */
const backLeanDeg = ({ values, settings, side }: FamilyInput) =>
  Math.max(
    0,
    settings.share * rangeValue(values, 'hipExtension', otherSide(worked(side))) +
      strapped.lungeArch.value,
  );

/** The back leg with its thigh so far behind the hip, down to the ball of its foot. */
function backLegAt(leanDeg: number, { body }: FamilyInput, { hip }: Seated): Leg {
  const highest = liftedAnkleCm(body);
  // A leg that hangs too short of the floor stands as steeply as its length makes it.
  const steepest = acosDeg((hip[1] - highest) / (body.thighCm + body.shinCm));
  const lean = Math.min(leanDeg, steepest);
  const knee = along(hip, 180 + lean, body.thighCm);
  const drop = Math.min(body.shinCm, knee[1] - highest);
  const ankle: Point = [knee[0] - Math.sqrt(body.shinCm ** 2 - drop ** 2), knee[1] - drop];
  return {
    knee,
    ankle,
    heel: [ankle[0] - 4, ankle[1] - 1],
    toe: [ankle[0] + 0.4 * body.footCm, 1],
  };
}
/** From the back ankle to the front one. */
const stepAtCm = (leanDeg: number, input: FamilyInput, sitting: Seated) =>
  sitting.near.ankle[0] - backLegAt(leanDeg, input, sitting).ankle[0];

/** The back thigh's lean with the step as long as it is set. */
function leanInStep(input: FamilyInput, sitting: Seated): number {
  const { step } = input.settings.dials;
  if (step === undefined) return backLeanDeg(input);
  return firstZero((lean) => step - stepAtCm(lean, input, sitting), 0, MOST_LEAN_DEG, 0.01);
}
const MOST_LEAN_DEG = 70;

/** The other leg of a chair pose. */
function otherLeg(input: FamilyInput, sitting: Seated, does: OnChair): Leg | undefined {
  return does === 'lunges' ? backLegAt(leanInStep(input, sitting), input, sitting) : undefined;
}

/** The worked shin laid over the other thigh. */
function crossedOver(input: FamilyInput, sitting: Seated): Leg {
  const { body } = input;
  const out = 0.35 * body.thighCm;
  const along = Math.sqrt(body.thighCm ** 2 - out ** 2);
  const knee: Point = [
    sitting.hip[0] + along * cosDeg(sitting.riseDeg + 8),
    sitting.hip[1] + along * sinDeg(sitting.riseDeg + 8),
  ];
  const ankle: Point = [knee[0] - 0.1 * body.shinCm, knee[1] + 4];
  const across = Math.sqrt(body.shinCm ** 2 - between(knee, ankle) ** 2);
  return {
    knee,
    ankle,
    heel: [ankle[0] - 2, ankle[1] - 2],
    toe: [ankle[0] + 5, ankle[1] + 9],
    aside: { knee: out, ankle: out - across, toe: out - across },
  };
}

/** Rotation of a shin laid across the other thigh. */
const CROSSED_ROTATION_DEG = 45;

/** Beside the chair: the front knee bent over its ankle, the back leg behind on the ball of its foot. */
function standingLunge(
  input: FamilyInput,
): Seated & { readonly back: Leg; readonly leanDeg: number } {
  const { body } = input;
  const kneeY = body.ankleHeightCm + body.shinCm;
  const riseDeg = -LUNGE_FALL_DEG;
  const hip: Point = [0, kneeY + body.thighCm * sinDeg(LUNGE_FALL_DEG)];
  const knee: Point = [body.thighCm * cosDeg(LUNGE_FALL_DEG), kneeY];
  const ankle: Point = [knee[0], body.ankleHeightCm];
  const near: Leg = {
    knee,
    ankle,
    heel: [ankle[0] - 0.25 * body.footCm, 1],
    toe: [ankle[0] + 0.7 * body.footCm, 1.2],
  };
  const standing: Seated = { hip, near, riseDeg };
  const leanDeg = leanInStep(input, standing);
  return { ...standing, leanDeg, back: backLegAt(leanDeg, input, standing) };
}
/** Of the front thigh, from the hip down to its knee. */
const LUNGE_FALL_DEG = 40;

/** The back of a chair, where the hand of somebody who stands beside it lies. */
const CHAIR_BACK_CM = 82;

function standingFigure(input: FamilyInput): Figure {
  const { body, values } = input;
  const { hip, near, back, riseDeg, leanDeg } = standingLunge(input);
  const spine = spineFrom(hip, body.trunkCm, 0, 0);
  const shoulder = spine.at(-1) as Point;
  const backSide = otherSide(worked(input.side));
  return {
    posture: postureFrom({
      near,
      far: back,
      hip,
      upper: upperFrom(
        spine,
        headFrom(shoulder, body, 2),
        armToward(shoulder, [shoulder[0] + 14, CHAIR_BACK_CM], body, -1),
      ),
      pelvisDeg: 0,
      pelvisLeanDeg: 0,
      supports: [
        {
          slot: 'chair',
          xCm: shoulder[0] + 26,
          bottomCm: 0,
          topCm: input.settings.chairSeatCm,
        },
      ],
    }),
    demands: [
      {
        range: 'hipExtension',
        side: backSide,
        needDeg: leanDeg - strapped.lungeArch.value,
        haveDeg: rangeValue(values, 'hipExtension', backSide),
      },
    ],
    findings: { thighRiseDeg: riseDeg, stepCm: near.ankle[0] - back.ankle[0] },
  };
}

const stands = ({ settings }: FamilyInput) => settings.way === 'standing';

/** What the hands' supports stand on, in cm: sitting sideways, the hands press on the chair itself. */
const handsOn = ({ chairSeatCm }: FamilyInput['settings'], does: OnChair) =>
  does === 'lunges' ? chairSeatCm : 0;

/** What stands under a body on a chair, the chair itself first. */
function chairSupports(
  { settings }: FamilyInput,
  built: Built,
  sitting: Seated,
  hand: Point,
  does: OnChair,
): SupportPlace[] {
  const sideways = does === 'lunges';
  const handsOnCm = handsOn(settings, does);
  return [
    {
      slot: 'chair',
      // Sitting sideways the thigh lies across the seat; else the body sits toward its front.
      xCm: sitting.hip[0] + (sideways ? THIGH_ACROSS_CM : 2),
      bottomCm: 0,
      topCm: settings.chairSeatCm,
      ...(sideways ? { sideways } : {}),
    },
    ...(built.seat
      ? [
          {
            slot: 'seat',
            xCm: sitting.hip[0] - 2,
            bottomCm: settings.chairSeatCm,
            topCm: settings.chairSeatCm + built.seat,
          },
        ]
      : []),
    ...(built.feet
      ? [{ slot: 'feet', xCm: sitting.near.ankle[0] + 5, bottomCm: 0, topCm: built.feet }]
      : []),
    ...(built.hands
      ? [{ slot: 'hands', xCm: hand[0], bottomCm: handsOnCm, topCm: handsOnCm + built.hands }]
      : []),
  ];
}

/** Middle of a chair that one thigh lies across, in front of the hip. */
const THIGH_ACROSS_CM = 14;

function chairDemands(input: FamilyInput, sitting: Seated, lean: number, does: OnChair): Demand[] {
  const side = worked(input.side);
  const back = otherSide(side);
  return does === 'crosses'
    ? [
        {
          range: 'hipRotation',
          side,
          needDeg: CROSSED_ROTATION_DEG,
          haveDeg: rangeValue(input.values, 'hipRotation', side),
        },
      ]
    : [
        ...workingLegs(input.side).map((leg) => ({
          range: 'hipFlexion' as const,
          side: leg,
          needDeg: 90 + sitting.riseDeg + lean,
          haveDeg: rangeValue(input.values, 'hipFlexion', leg),
        })),
        ...(does === 'lunges'
          ? [
              {
                range: 'hipExtension' as const,
                side: back,
                needDeg: leanInStep(input, sitting) - strapped.lungeArch.value,
                haveDeg: rangeValue(input.values, 'hipExtension', back),
              },
            ]
          : []),
      ];
}

/** The way in which one hand stays down and the other arm reaches up, and the one that stays upright. */
const [ONE_ARM, ARMS_BENT] = ['one-arm', 'arms-bent'] as const;
/** Past upright, backward: the chest turns toward the arm that goes up. */
const REACH_DEG = -6;
const reachingUp = (shoulder: Point, body: Body): Arm => ({
  elbow: along(shoulder, REACH_DEG, body.upperArmCm),
  hand: along(shoulder, REACH_DEG, armCm(body) - body.palmCm / 2),
});

function chairFigure(input: FamilyInput, built: Built, does: OnChair): Figure {
  const { body } = input;
  const sitting = seated(input, built);
  const [lean, endLean] = trunkLeans(input, sitting, does);
  const spine = spineFrom(sitting.hip, body.trunkCm, lean, endLean);
  const shoulder = spine.at(-1) as Point;
  const crossed = does === 'crosses';
  const far = crossed ? sitting.near : otherLeg(input, sitting, does);
  const near = crossed ? crossedOver(input, sitting) : sitting.near;
  const handsOnCm = handsOn(input.settings, does);
  const hand: Point =
    input.settings.way === ARMS_BENT
      ? [near.knee[0] - 8, near.knee[1] + body.thighRadiusAtKneeCm + 2]
      : built.hands !== undefined || does === 'lunges'
        ? [shoulder[0] + 4, Math.max(handsOnCm + (built.hands ?? 0), shoulder[1] - armCm(body))]
        : [near.knee[0] - 6, near.knee[1] + body.thighRadiusAtKneeCm + 1];
  return {
    posture: postureFrom({
      near,
      far,
      ...(input.settings.way === ONE_ARM ? { farArm: reachingUp(shoulder, body) } : {}),
      hip: sitting.hip,
      upper: upperFrom(
        spine,
        headFrom(shoulder, body, lean * 0.7 + 2),
        armToward(shoulder, hand, body, -1),
      ),
      pelvisDeg: lean,
      pelvisLeanDeg: lean,
      supports: chairSupports(input, built, sitting, hand, does),
    }),
    demands: chairDemands(input, sitting, lean, does),
    findings: {
      thighRiseDeg: sitting.riseDeg,
      ...(lean > 0 ? { trunkLeanDeg: lean } : {}),
      ...(does === 'lunges'
        ? { stepCm: stepAtCm(leanInStep(input, sitting), input, sitting) }
        : {}),
    },
  };
}

/** Chair poses: the feet meet a floor as high as the chair asks, or the seat rises for long legs. */
function chairFamily(
  id: string,
  slots: readonly ('seat' | 'feet' | 'hands' | 'strap')[],
  does: OnChair,
): Family {
  const needOf: Record<(typeof slots)[number], (input: FamilyInput, built: Built) => SlotNeed> = {
    seat: ({ body, settings }) => ({
      slot: 'seat',
      side: 'both',
      rawCm: poplitealCm(body) - settings.chairSeatCm,
      over: 'chair',
    }),
    feet: ({ body, settings }, { seat = 0 }) => ({
      slot: 'feet',
      side: 'both',
      rawCm: settings.chairSeatCm + seat - poplitealCm(body),
    }),
    hands: (input, built) => {
      const gapCm = palmGapCm(shoulderOf(input, seated(input, built), does), input.body);
      // Sitting sideways, the hands press on the chair itself.
      return does === 'lunges'
        ? { slot: 'hands', side: 'both', rawCm: gapCm - input.settings.chairSeatCm, over: 'chair' }
        : { slot: 'hands', side: 'both', rawCm: gapCm };
    },
    strap: (input, built) => {
      const sitting = seated(input, built);
      return {
        slot: 'strap',
        side: 'both',
        rawCm: Math.max(
          0,
          between(shoulderOf(input, sitting, does), crossedOver(input, sitting).ankle) -
            armCm(input.body),
        ),
        isLength: true,
      };
    },
  };
  const meets = (input: FamilyInput): Built => ({
    seat: slots.includes('seat') ? Math.max(0, needOf.seat(input, {}).rawCm) : 0,
  });
  const needs = (input: FamilyInput, built: Built) =>
    slots.map((slot) => needOf[slot](input, built));
  return {
    id,
    ...(does === 'opens'
      ? {
          rulesOut: (input: FamilyInput) => {
            if (input.settings.way === ARMS_BENT) return null;
            const built = meets(input);
            const sat = { ...built, feet: Math.max(0, needOf.feet(input, built).rawCm) };
            const cm = needOf.hands(input, sat).rawCm;
            const mostCm = strapped.blockOnEnd.value;
            return cm > mostCm
              ? { because: { of: 'hand-high' as const, cm, mostCm }, firm: true }
              : null;
          },
        }
      : {}),
    bears: { feet: 'fitted', ...(slots.includes('seat') ? { seat: 'on a chair' } : {}) },
    needs: (side) =>
      does === 'hinges' || does === 'opens' ? keysOn(workingLegs(side), 'hipFlexion') : [],
    heights: (input) => {
      const built = meets(input);
      return needs(input, { ...built, feet: Math.max(0, needOf.feet(input, built).rawCm) });
    },
    ...(does === 'lunges'
      ? {
          dials: (input: FamilyInput) => ({
            step: stands(input)
              ? (standingFigure(input).findings.stepCm ?? 0)
              : stepAtCm(backLeanDeg(input), input, seated(input, {})),
          }),
        }
      : {}),
    afterBuilt: (input, built) => needs(input, built).slice(slots.includes('seat') ? 1 : 0),
    figure: (input, built) =>
      does === 'lunges' && stands(input) ? standingFigure(input) : chairFigure(input, built, does),
    why: (input, need) => {
      if (need.slot === 'feet' || need.slot === 'seat')
        return [
          {
            code: 'chair-height',
            slot: need.slot,
            behindKneeCm: poplitealCm(input.body),
            chairCm: input.settings.chairSeatCm,
            cm: need.rawCm,
          },
        ];
      return [{ code: need.slot === 'strap' ? 'strap-to-shin' : 'hands-down', cm: need.rawCm }];
    },
  };
}

export const chairSeat = chairFamily('chair seat', ['seat', 'feet'], 'sits');
export const chairTilts = chairFamily('chair tilts', ['feet'], 'sits');
export const chairWide = chairFamily('chair, legs wide', ['feet', 'hands'], 'opens');
export const chairLunge = chairFamily('chair lunge', ['feet', 'hands'], 'lunges');
export const chairFour = chairFamily('chair figure four', ['feet', 'strap'], 'crosses');
export const chairHinge = chairFamily('chair hinge', ['feet', 'hands'], 'hinges');
