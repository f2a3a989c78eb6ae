import type { Side } from '../../ranges/ranges';
import { asinDeg, cosDeg, sinDeg } from '../../angles';
import type { Body } from '../../body/body';
import { ladderStart, mass, squat as parameter, standingFold, ends } from '../../parameters';
import { palmGapCm } from '../arms';
import { leastOf, rangeValue, stifferSide } from '../inputs';
import {
  kneeMarginOf,
  keysOn,
  workingLegs,
  type Built,
  type Family,
  type FamilyInput,
  type Figure,
  type RuledOut,
  type SlotNeed,
} from '../family';
import {
  along,
  armToward,
  headFrom,
  postureFrom,
  spineFrom,
  upperFrom,
  type Leg,
  type Point,
} from '../posture';
import { firstZero } from '../root';

interface Squatting {
  readonly hip: Point;
  readonly knee: Point;
  readonly ankle: Point;
  readonly shinLeanDeg: number;
  /** Lean of the thigh from the hip to the knee, from upright, forward +. */
  readonly thighLeanDeg: number;
  readonly trunkLeanDeg: number;
  /** Centre of mass in front of the back edge of the heel. */
  readonly aheadCm: number;
}

const lever = (body: Body) => parameter.heelLever.value * body.footCm;

/**
 * The deep squat on heels lifted by so much: shins lean as far as the ankles let them, knees bend to their limit, the
 * trunk follows the hips.
 */
export function squattingOn(input: FamilyInput): (heelCm: number) => Squatting {
  const { body, values, settings, side } = input;
  const legs = workingLegs(side);
  const ankleBendDeg = leastOf(values, 'ankleBend', legs);
  const bendDeg = loadedBendDeg(input);
  const hipBendDeg = Math.min(settings.hipFlexionMostDeg, leastOf(values, 'hipFlexion', legs));
  const ankleX = parameter.ankleAt.value * body.footCm;
  return (heelCm) => {
    const shinLeanDeg = ankleBendDeg + asinDeg(heelCm / lever(body));
    const ankle: Point = [ankleX, body.ankleHeightCm + heelCm * (1 - ankleX / lever(body))];
    const knee = along(ankle, shinLeanDeg, body.shinCm);
    const thighLeanDeg = 180 + shinLeanDeg - bendDeg;
    const [hipX, hipY] = along(knee, thighLeanDeg, -body.thighCm);
    // The pelvis leans as far as the hips let it; the spine's rounding brings the shoulders further forward.
    const pelvis = hipBendDeg - 180 + thighLeanDeg;
    const trunkLeanDeg = Math.min(
      ends.squatLean.value,
      pelvis + standingFold.spineCounts.value * settings.spineShareDeg,
    );
    return {
      hip: [hipX, Math.max(body.seatToHipCm, hipY)],
      knee,
      ankle,
      shinLeanDeg,
      thighLeanDeg,
      trunkLeanDeg,
      aheadCm: massAheadCm(body, ankleX, knee[0], hipX, trunkLeanDeg),
    };
  };
}

/** Centre of mass in front of the heel, from where ankles, knees and hips stand and how the trunk leans. */
function massAheadCm(
  body: Body,
  ankleX: number,
  kneeX: number,
  hipX: number,
  trunkLeanDeg: number,
): number {
  const [limb, trunkAt] = [mass.limbCentre.value, mass.trunkCentre.value];
  return (
    mass.foot.value * body.footCm +
    2 * mass.shank.value * (kneeX + limb * (ankleX - kneeX)) +
    2 * mass.thigh.value * (hipX + limb * (kneeX - hipX)) +
    mass.headArmsTrunk.value * (hipX + trunkAt * body.trunkCm * sinDeg(trunkLeanDeg))
  );
}

const CLOSE_CM = 0.002;

/**
 * The least heel lift at which the centre of mass stays over the feet; the highest worth building where none is enough.
 * Below 0: room to spare.
 */
export function heelLiftCm(input: FamilyInput): number {
  const squatting = squattingOn(input);
  const short = (cm: number) => parameter.ahead.value - squatting(cm).aheadCm;
  const most = parameter.highestHeel.value;
  return firstZero(short, -most, most, CLOSE_CM);
}

const seatUnder = ({ hip }: Squatting, { seatToHipCm }: Body): SlotNeed => ({
  slot: 'seat',
  side: 'both',
  rawCm: hip[1] - seatToHipCm,
});
const shoulderOf = ({ hip, trunkLeanDeg }: Squatting, { trunkCm }: Body) =>
  along(hip, trunkLeanDeg, trunkCm);

const KNEE_PAD: SlotNeed = {
  slot: 'underKnees',
  side: 'both',
  rawCm: ladderStart.kneePad.value,
  isChosen: true,
};

/** What tells the squats apart: the other leg beside it, knee down, or long to the side. */
interface SquatForm {
  readonly hands?: boolean;
  readonly other?: 'knee down' | 'long aside';
}

function otherLeg(
  form: SquatForm,
  input: FamilyInput,
  solved: Squatting,
  padCm: number,
): Leg | undefined {
  const { body } = input;
  if (form.other === 'knee down') {
    // Half kneeling: the other knee comes down in front of its own hip, toes tucked.
    const kneeCm = body.kneeFrontCm + padCm;
    const drop = Math.min(body.thighCm, Math.max(0, solved.hip[1] - kneeCm));
    const knee: Point = [
      solved.hip[0] + Math.sqrt(body.thighCm ** 2 - drop ** 2),
      solved.hip[1] - drop,
    ];
    const fall = Math.asin((knee[1] - body.ankleHeightCm) / body.shinCm);
    const ankle: Point = [knee[0] - body.shinCm * Math.cos(fall), body.ankleHeightCm];
    return { knee, ankle, heel: [ankle[0] - 2, ankle[1] + 6], toe: [ankle[0] + 4, 1] };
  }
  if (form.other === 'long aside') {
    const length = body.thighCm + body.shinCm;
    const fall = asinDeg((solved.hip[1] - body.ankleHeightCm) / length);
    const out = 80;
    const at = (cm: number): Point => [
      solved.hip[0] + cm * cosDeg(fall) * cosDeg(out),
      solved.hip[1] - cm * sinDeg(fall),
    ];
    const aside = (cm: number) => cm * cosDeg(fall) * sinDeg(out);
    const ankle = at(length);
    return {
      knee: at(body.thighCm),
      ankle,
      heel: [ankle[0] - 2, 1.5],
      toe: [ankle[0] + 0.5 * body.footCm, 2.5],
      aside: { knee: aside(body.thighCm), ankle: aside(length), toe: aside(length) },
    };
  }
  return undefined;
}

/** Bend of the knee that closes least, less what it keeps to spare. */
const leastUsableDeg = (
  { values, settings }: Pick<FamilyInput, 'values' | 'settings'>,
  legs: readonly Side[],
) =>
  Math.min(
    ...legs.map(
      (leg) => rangeValue(values, 'kneeFlexion.hipBent', leg) - kneeMarginOf(settings, leg),
    ),
  );

/** Bend of the knees under the body's weight, nothing taken for its sake. */
const loadedBendDeg = ({ values, settings, side }: FamilyInput) =>
  leastUsableDeg({ values, settings }, workingLegs(side)) + parameter.loadedBend.value;

/**
 * Without a seat a squat hangs on thighs that come down on the calves, over feet that stand: knees that stay open are
 * carried by nothing, and heels lifted far wobble.
 */
function rulesOutHeels(input: FamilyInput): RuledOut | null {
  const { settings, body } = input;
  if (settings.way !== 'heels') return null;
  const liftCm = heelLiftCm(input);
  const kneeDeg = loadedBendDeg(input);
  if (settings.squatsOnSeat || kneeDeg < parameter.closes.value) {
    const seatCm = seatUnder(squattingOn(input)(Math.max(0, liftCm)), body).rawCm;
    return { because: { of: 'knees-open', deg: kneeDeg, cm: seatCm }, firm: true };
  }
  if (liftCm > parameter.heelsAlone.value)
    return {
      because: { of: 'heels-high', cm: liftCm },
      firm: liftCm >= parameter.highestHeel.value - CLOSE_CM,
    };
  return settings.restful ? { because: { of: 'restful' }, firm: false } : null;
}

function squatFigure(input: FamilyInput, built: Built, form: SquatForm): Figure {
  const { body } = input;
  const heelCm = built.heels ?? 0;
  const solved = squattingOn(input)(heelCm);
  const { hip, knee, ankle, trunkLeanDeg } = solved;
  const spine = spineFrom(hip, body.trunkCm, trunkLeanDeg - 8, trunkLeanDeg + 8);
  const shoulder = spine.at(-1) as Point;
  const far = otherLeg(form, input, solved, built.underKnees ?? 0);
  // Who sits on something is asked for no balance.
  const missing = built.seat ? 0 : asinDeg(Math.max(0, heelLiftCm(input) - heelCm) / lever(body));
  const hand: Point = form.hands
    ? [knee[0] + 6, built.hands ?? 0]
    : [shoulder[0] + 26, shoulder[1] - 14];
  return {
    posture: postureFrom({
      near: { knee, ankle, heel: [0.4, heelCm + 1], toe: [body.footCm, 1.2] },
      far,
      hip,
      upper: upperFrom(
        spine,
        headFrom(shoulder, body, trunkLeanDeg * 0.4),
        armToward(shoulder, hand, body, -1),
      ),
      pelvisDeg: 0,
      pelvisLeanDeg: trunkLeanDeg - 8,
      supports: [
        ...(heelCm > 0 ? [{ slot: 'heels', xCm: 3, bottomCm: 0, topCm: heelCm }] : []),
        ...(built.seat
          ? [
              {
                slot: 'seat',
                xCm: hip[0] - 4,
                bottomCm: 0,
                topCm: Math.min(built.seat, hip[1] - body.seatToHipCm + 1),
              },
            ]
          : []),
        ...(far && built.underKnees
          ? [{ slot: 'underKnees', xCm: far.knee[0], bottomCm: 0, topCm: built.underKnees }]
          : []),
        ...(form.hands && built.hands
          ? [{ slot: 'hands', xCm: hand[0], bottomCm: 0, topCm: built.hands }]
          : []),
      ],
    }),
    demands: workingLegs(input.side).map((side) => ({
      range: 'ankleBend',
      side,
      needDeg: rangeValue(input.values, 'ankleBend', side) + missing,
      haveDeg: rangeValue(input.values, 'ankleBend', side),
    })),
    findings: { aheadOfHeelsCm: solved.aheadCm, trunkLeanDeg },
  };
}

/**
 * Squats: how high the heels must stand to balance, and how high a seat meets the sit bones where no balance is asked.
 */
function squatFamily(id: string, form: SquatForm): Family {
  const needsOn = (input: FamilyInput, heelCm: number): SlotNeed[] => {
    const solved = squattingOn(input)(heelCm);
    const seat = seatUnder(solved, input.body);
    return form.hands
      ? [
          seat,
          {
            slot: 'hands',
            side: 'both',
            rawCm: palmGapCm(shoulderOf(solved, input.body), input.body),
          },
        ]
      : [seat];
  };
  return {
    id,
    bears: {
      seat: 'under a squat',
      ...(form.other === undefined ? { heels: { as: 'one under both' } } : {}),
    },
    rulesOut: rulesOutHeels,
    needs: (side) => keysOn(workingLegs(side), 'ankleBend', 'kneeFlexion.hipBent', 'hipFlexion'),
    heights: (input) => {
      const heels = heelLiftCm(input);
      return [
        { slot: 'heels', side: 'both', rawCm: heels },
        ...needsOn(input, Math.max(0, heels)),
        ...(form.other === 'knee down' ? [KNEE_PAD] : []),
        ...(form.other
          ? []
          : [
              {
                slot: 'behindKnee' as const,
                side: 'both' as const,
                rawCm: input.settings.behindKneeCm,
                isChosen: true,
              },
            ]),
      ];
    },
    afterBuilt: (input, { heels = 0 }) => needsOn(input, heels),
    figure: (input, built) => squatFigure(input, built, form),
    why: (input, need) => {
      const legs = workingLegs(input.side);
      const side = stifferSide(input.values, 'ankleBend', legs);
      if (need.slot === 'heels')
        return [
          {
            code: 'squat-heels',
            deg: rangeValue(input.values, 'ankleBend', side),
            side,
            cm: need.rawCm,
            beyond: need.rawCm >= parameter.highestHeel.value,
          },
        ];
      if (need.slot === 'hands') return [{ code: 'hands-down', cm: need.rawCm }];
      if (need.slot === 'underKnees') return [{ code: 'knee-down' }];
      if (need.slot === 'behindKnee') return [{ code: 'behind-knee', cm: need.rawCm }];
      return [
        {
          code: 'squat-seat',
          kneeDeg: leastUsableDeg(input, legs),
          cm: need.rawCm,
        },
      ];
    },
  };
}

export const squat = squatFamily('squat', {});
export const squatOneSide = squatFamily('squat, one side', { other: 'knee down' });
export const sideSquat = squatFamily('side squat', { other: 'long aside', hands: true });
