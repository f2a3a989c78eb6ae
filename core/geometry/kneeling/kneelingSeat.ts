import type { HeightReason } from '../../reasons';
import { asinDeg, cosDeg, sinDeg } from '../../angles';
import type { Body } from '../../body/body';
import { kneeling } from '../../parameters';
import type { ReadingSide, Side } from '../../ranges/ranges';
import { rangeValue, stifferSide, valueOf, type InputKey } from '../inputs';
import {
  kneeMarginOf,
  keysOn,
  workingLegs,
  type Built,
  type Demand,
  type Family,
  type FamilyInput,
  type SlotNeed,
} from '../family';
import {
  armToward,
  headFrom,
  postureFrom,
  spineFrom,
  upperFrom,
  type Point,
  type Posture,
  type SupportPlace,
} from '../posture';

/**
 * Knee bend asked of a student who kneels on a seat of this height.
 *
 * Flesh and the rolled-aside calf spare `allowanceDeg`; the thigh's slope from knee to hip spares the rest:
 * bend = 180 − allowance − asin((seat + seat-to-hip − knee front) / thigh). Shins flat on the floor, both alike.
 */
export function kneeBendOnSeat(seatCm: number, body: Body, allowanceDeg: number): number {
  return 180 - allowanceDeg - thighSlopeDeg(seatCm, body);
}

const thighSlopeDeg = (seatCm: number, { seatToHipCm, kneeFrontCm, thighCm }: Body) =>
  asinDeg((seatCm + seatToHipCm - kneeFrontCm) / thighCm);

/** The least seat, in centimetres, on which no more than `usableDeg` of knee bend is asked. Below 0: room to spare. */
export function kneelingSeatCm(usableDeg: number, body: Body, allowanceDeg: number): number {
  const slope = Math.min(90, Math.max(-90, 180 - allowanceDeg - usableDeg));
  return body.thighCm * sinDeg(slope) - body.seatToHipCm + body.kneeFrontCm;
}

/** Degrees of knee bend that a pad behind the knee keeps open. */
const padOpensDeg = (padCm: number, { statureCm }: Body) =>
  ((padCm / (kneeling.padLever.value * statureCm)) * 180) / Math.PI;

/** The seat that a pad behind the knee is worth: the hips come no lower than it lets the knee close. */
export const padSeatCm = (padCm: number, body: Body): number =>
  padCm > 0
    ? Math.max(
        0,
        body.thighCm * sinDeg(padOpensDeg(padCm, body)) - body.seatToHipCm + body.kneeFrontCm,
      )
    : 0;

/** Knee bend in degrees that a kneeling seat may use on a side: what there is, less the margin. */
export const usableKneeDeg = ({ values, settings }: FamilyInput, side: Side) =>
  rangeValue(values, 'kneeFlexion.hipBent', side) - kneeMarginOf(settings, side);

/** Front-of-ankle roll of a side: what a foot that cannot point all the way leaves open. */
const ankleGapCm = ({ body, values }: FamilyInput, side: Side) =>
  body.footCm *
  kneeling.ankleLever.value *
  sinDeg(Math.max(0, kneeling.anklePointNeeded.value - rangeValue(values, 'anklePoint', side)));

/**
 * The seat that the stiffer of some knees asks for; a blanket under the shins lifts it too. A pad behind the knee makes
 * no seat higher, and one that is worth as much as the seat leaves none to be built.
 */
export function kneelingSeatNeedCm(input: FamilyInput): number {
  const allowance = valueOf(input.values, 'kneeling.sitAllowance');
  const asked = Math.max(
    ...workingLegs(input.side).map((side) =>
      kneelingSeatCm(usableKneeDeg(input, side), input.body, allowance),
    ),
  );
  const worth = padSeatCm(input.settings.behindKneeCm, input.body);
  return (
    (worth > 0 && asked <= worth ? Math.min(0, asked - worth) : asked) + input.settings.underShinCm
  );
}

/** Pads that every kneeling pose shares: behind the knee, under the shins, under the front of the ankles. */
export function kneelingPads(input: FamilyInput): SlotNeed[] {
  return [
    { slot: 'behindKnee', side: 'both', rawCm: input.settings.behindKneeCm, isChosen: true },
    {
      slot: 'ankle',
      side: 'both',
      rawCm: Math.max(
        input.settings.ankleLeastCm,
        ...workingLegs(input.side).map((side) => ankleGapCm(input, side)),
      ),
    },
    { slot: 'underShin', side: 'both', rawCm: input.settings.underShinCm, isChosen: true },
  ];
}

/** Seat and pads; the seat follows the stiffer knee. */
export const kneelingNeeds = (input: FamilyInput): SlotNeed[] => [
  { slot: 'seat', side: 'both', rawCm: kneelingSeatNeedCm(input) },
  ...kneelingPads(input),
];

/** Joints of the kneeling legs on a seat of this height, the shins on a pad or on the floor. */
export function kneelingLegs(
  seatCm: number,
  body: Body,
  padCm = 0,
): Pick<Posture, 'hip' | 'knee' | 'ankle' | 'heel' | 'toe'> {
  const slope = thighSlopeDeg(seatCm - padCm, body);
  const kneeY = body.kneeFrontCm + padCm;
  const hip: Point = [0, kneeY + body.thighCm * sinDeg(slope)];
  const knee: Point = [body.thighCm * cosDeg(slope), kneeY];
  // Feet lie over the pad's edge, on the floor.
  const drop = kneeY - body.footTopCm;
  const ankle: Point = [knee[0] - Math.sqrt(body.shinCm ** 2 - drop ** 2), body.footTopCm];
  const toe: Point = [
    ankle[0] - 0.72 * body.footCm * cosDeg(12),
    Math.max(1, ankle[1] - 0.72 * body.footCm * sinDeg(12)),
  ];
  return {
    hip,
    knee,
    ankle,
    heel: [ankle[0] - 0.02 * body.statureCm, ankle[1] + 0.028 * body.statureCm],
    toe,
  };
}

/** Bend asked of each knee on a seat this far over the shins' own ground, beside what each has. */
export function kneeDemands(input: FamilyInput, seatCm: number): Demand[] {
  const need = kneeBendOnSeat(seatCm, input.body, valueOf(input.values, 'kneeling.sitAllowance'));
  return workingLegs(input.side).map((side) => ({
    range: 'kneeFlexion.hipBent',
    side,
    needDeg: need,
    haveDeg: rangeValue(input.values, 'kneeFlexion.hipBent', side),
  }));
}

/** Why a kneeling slot stands as high as it does, shared by hero and its reclined forms. */
export function kneelingWhy(input: FamilyInput, need: SlotNeed): HeightReason[] {
  const { body, values, settings } = input;
  const legs = workingLegs(input.side);
  if (need.slot === 'ankle') {
    const side = stifferSide(values, 'anklePoint', legs);
    const deg = rangeValue(values, 'anklePoint', side);
    return [{ code: 'ankle-points', deg, side, neededDeg: kneeling.anklePointNeeded.value }];
  }
  if (need.slot === 'underShin') return [{ code: 'under-shins', cm: need.rawCm }];
  if (need.slot === 'behindKnee') return [{ code: 'behind-knee', cm: need.rawCm }];
  // The one that closes least with what it keeps to spare.
  const stiffer = legs.reduce((a, b) =>
    usableKneeDeg(input, b) < usableKneeDeg(input, a) ? b : a,
  );
  const allowance = valueOf(values, 'kneeling.sitAllowance');
  const moreCm =
    legs.length < 2
      ? 0
      : Math.abs(
          kneelingSeatCm(usableKneeDeg(input, 'left'), body, allowance) -
            kneelingSeatCm(usableKneeDeg(input, 'right'), body, allowance),
        );
  return [
    {
      code: 'kneeling-seat',
      deg: rangeValue(values, 'kneeFlexion.hipBent', stiffer),
      side: stiffer,
      marginDeg: kneeMarginOf(settings, stiffer),
      cm: need.rawCm,
      over: need.over ?? 'floor',
      moreCm,
    },
  ];
}

/** Inputs on which a kneeling seat leans. */
export const kneelingKeys = (side: ReadingSide): readonly InputKey[] => [
  'kneeling.sitAllowance',
  ...keysOn(workingLegs(side), 'kneeFlexion.hipBent', 'anklePoint'),
];

/** Pads as they lie under the figure. */
export function kneelingPadPlaces(
  legs: ReturnType<typeof kneelingLegs>,
  built: Built,
  body: Body,
): SupportPlace[] {
  const places: (SupportPlace | false)[] = [
    { slot: 'ankle', xCm: legs.ankle[0] - 3, bottomCm: 0, topCm: built.ankle ?? 0 },
    {
      slot: 'behindKnee',
      xCm: legs.knee[0] - 8,
      bottomCm: body.kneeFrontCm,
      topCm: body.kneeFrontCm + (built.behindKnee ?? 0),
    },
    {
      slot: 'underShin',
      xCm: legs.knee[0] - 12,
      bottomCm: 0,
      topCm: Math.min(built.underShin ?? 0, legs.knee[1] - 1),
    },
  ];
  return places.filter(
    (place): place is SupportPlace => place !== false && place.topCm > place.bottomCm,
  );
}

/** A kneeling seat: between the feet on the floor, or on top of the heels. */
function kneelingOn(id: string, onHeels: boolean): Family {
  const heels = (body: Body) => (onHeels ? body.heelsSatOnCm : 0);
  return {
    id,
    bears: { seat: onHeels ? 'on the heels' : 'between the heels' },
    needs: kneelingKeys,
    heights: (input) =>
      kneelingNeeds(input).map((need) =>
        need.slot === 'seat' && onHeels
          ? { ...need, rawCm: need.rawCm - heels(input.body), over: 'heels' }
          : need,
      ),
    figure: (input, built) => {
      const { body } = input;
      const builtCm = (built.seat ?? 0) + heels(body);
      const seatCm = Math.max(builtCm, padSeatCm(built.behindKnee ?? 0, body));
      const padCm = built.underShin ?? 0;
      const legs = kneelingLegs(seatCm, body, padCm);
      const spine = spineFrom(legs.hip, body.trunkCm, 0, 0);
      const shoulder = spine.at(-1) as Point;
      const resting: Point = [
        legs.hip[0] + 0.62 * (legs.knee[0] - legs.hip[0]),
        legs.hip[1] + 0.62 * (legs.knee[1] - legs.hip[1]) + body.thighRadiusAtKneeCm + 2,
      ];
      return {
        posture: postureFrom({
          near: legs,
          hip: legs.hip,
          upper: upperFrom(
            spine,
            headFrom(shoulder, body, 2),
            armToward(shoulder, resting, body, -1),
          ),
          pelvisDeg: 0,
          pelvisLeanDeg: 0,
          supports: [
            { slot: 'seat', xCm: legs.hip[0] - 2, bottomCm: heels(body), topCm: builtCm },
            ...kneelingPadPlaces(legs, built, body),
          ],
        }),
        demands: kneeDemands(input, seatCm - padCm),
        findings: { thighSlopeDeg: thighSlopeDeg(seatCm - padCm, body) },
      };
    },
    why: kneelingWhy,
  };
}

export const kneelingSeat = kneelingOn('kneeling', false);
export const kneelingOnHeels = kneelingOn('kneeling on heels', true);
