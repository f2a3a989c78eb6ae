import { asinDeg, cosDeg, sinDeg } from '../angles';
import type { Body } from '../body/body';
import { kneeling } from '../parameters';
import { sides, type Side } from '../ranges/ranges';
import { rangeValue, stifferSide, valueOf } from './draw';
import type { Demand, Family, FamilyInput, SlotNeed } from './family';
import { armToward, headFrom, spineFrom, type Point, type Posture } from './posture';

/**
 * Knee bend asked of a student who kneels on a seat of this height.
 *
 * Flesh and the rolled-aside calf spare `allowanceDeg`; the thigh's slope from knee to hip spares the rest:
 * bend = 180 − allowance − asin((seat + seat-to-hip − knee front) / thigh). Shins flat on the floor, both alike.
 */
export function kneeBendOnSeat(seatCm: number, body: Body, allowanceDeg: number): number {
  return 180 - allowanceDeg - thighSlopeDeg(seatCm, body);
}

const thighSlopeDeg = (seatCm: number, { seatToHipCm, kneeFrontCm, thighCm }: Body) => asinDeg((seatCm + seatToHipCm - kneeFrontCm) / thighCm);

/** The least seat, in centimetres, on which no more than `usableDeg` of knee bend is asked. Below 0: room to spare. */
export function kneelingSeatCm(usableDeg: number, body: Body, allowanceDeg: number): number {
  const slope = Math.min(90, Math.max(-90, 180 - allowanceDeg - usableDeg));
  return body.thighCm * sinDeg(slope) - body.seatToHipCm + body.kneeFrontCm;
}

/** Degrees that a pad behind the knee takes out of the knee's own bend: it raises the seat needed. */
export const padOpensDeg = (padCm: number, { statureCm }: Body) => ((padCm / (kneeling.padLever.value * statureCm)) * 180) / Math.PI;

export const usableKneeDeg = ({ body, draw, settings }: FamilyInput, side: Side) =>
  rangeValue(draw, 'kneeFlexion.hipBent', side) - settings.kneeMarginDeg - padOpensDeg(settings.behindKneeCm, body);

/** Seat, pad behind the knee and ankle roll that every kneeling pose shares; the seat follows the stiffer knee. */
export function kneelingNeeds(input: FamilyInput): SlotNeed[] {
  const { body, draw, settings } = input;
  const allowance = valueOf(draw, 'kneeling.sitAllowance');
  const seats = sides.map((side) => kneelingSeatCm(usableKneeDeg(input, side), body, allowance));
  const ankleGaps = sides.map((side) => {
    const missing = Math.max(0, kneeling.anklePointNeeded.value - rangeValue(draw, 'anklePoint', side));
    return body.footCm * kneeling.ankleLever.value * sinDeg(missing);
  });
  return [
    { slot: 'seat', side: 'both', rawCm: Math.max(...seats) },
    { slot: 'behindKnee', side: 'both', rawCm: settings.behindKneeCm, isChosen: true },
    { slot: 'ankle', side: 'both', rawCm: Math.max(...ankleGaps) },
  ];
}

/** Joints of the kneeling legs on a seat of this height. */
export function kneelingLegs(seatCm: number, body: Body): Pick<Posture, 'hip' | 'knee' | 'ankle' | 'heel' | 'toe'> {
  const slope = thighSlopeDeg(seatCm, body);
  const hip: Point = [0, body.kneeFrontCm + body.thighCm * sinDeg(slope)];
  const knee: Point = [body.thighCm * cosDeg(slope), body.kneeFrontCm];
  const drop = body.kneeFrontCm - body.footTopCm;
  const ankle: Point = [knee[0] - Math.sqrt(body.shinCm ** 2 - drop ** 2), body.footTopCm];
  const toe: Point = [ankle[0] - 0.72 * body.footCm * cosDeg(12), Math.max(1, ankle[1] - 0.72 * body.footCm * sinDeg(12))];
  return { hip, knee, ankle, heel: [ankle[0] - 0.02 * body.statureCm, ankle[1] + 0.028 * body.statureCm], toe };
}

/** Bend asked of each knee on a seat, beside what each has. */
export function kneeDemands(input: FamilyInput, seatCm: number): Demand[] {
  const need = kneeBendOnSeat(seatCm, input.body, valueOf(input.draw, 'kneeling.sitAllowance')) + padOpensDeg(input.settings.behindKneeCm, input.body);
  return sides.map((side) => ({ range: 'kneeFlexion.hipBent', side, needDeg: need, haveDeg: rangeValue(input.draw, 'kneeFlexion.hipBent', side) }));
}

/** The sentence for a kneeling slot, shared by hero and its reclined forms. */
export function kneelingWhy(input: FamilyInput, need: SlotNeed): string {
  const { body, draw, settings } = input;
  if (need.slot === 'ankle') {
    const side = stifferSide(draw, 'anklePoint');
    return `The ${side} ankle points ${rangeValue(draw, 'anklePoint', side).toFixed(0)}° of the ${kneeling.anklePointNeeded.value}° asked: a roll fills what is left.`;
  }
  if (need.slot === 'behindKnee') return need.rawCm > 0 ? 'A thin pad gives the joint room; more would only lift.' : 'No pad asked for.';
  const stiffer = stifferSide(draw, 'kneeFlexion.hipBent');
  const other: Side = stiffer === 'left' ? 'right' : 'left';
  const allowance = valueOf(draw, 'kneeling.sitAllowance');
  const difference = kneelingSeatCm(usableKneeDeg(input, stiffer), body, allowance) - kneelingSeatCm(usableKneeDeg(input, other), body, allowance);
  const bend = rangeValue(draw, 'kneeFlexion.hipBent', stiffer).toFixed(0);
  const height = need.rawCm <= 0 ? 'the floor' : `${need.rawCm.toFixed(0)} cm`;
  const compared = difference >= 0.5 ? `; ${difference.toFixed(0)} cm more than the ${other}` : '';
  return `Knee bend ${bend}° ${stiffer}, ${settings.kneeMarginDeg}° kept in hand → ${height}${compared}.`;
}

/** Hero and kneeling on the heels: the seat rises until the knees are asked no more than they have. */
export const kneelingSeat: Family = {
  id: 'kneeling',
  needs: ['kneeFlexion.hipBent:left', 'kneeFlexion.hipBent:right', 'kneeling.sitAllowance', 'anklePoint:left', 'anklePoint:right'],
  heights: kneelingNeeds,
  figure: (input, built) => {
    const { body } = input;
    const seatCm = built.seat ?? 0;
    const legs = kneelingLegs(seatCm, body);
    const spine = spineFrom(legs.hip, body.trunkCm, 0, 0);
    const shoulder = spine.at(-1) as Point;
    const resting: Point = [legs.hip[0] + 0.62 * (legs.knee[0] - legs.hip[0]), legs.hip[1] + 0.62 * (legs.knee[1] - legs.hip[1]) + body.thighRadiusAtKneeCm + 2];
    return {
      posture: {
        ...legs, spine, ...headFrom(shoulder, body, 2), ...armToward(shoulder, resting, body, -1), pelvisDeg: 0, pelvisLeanDeg: 0,
        supports: [
          { slot: 'seat', xCm: legs.hip[0] - 2, bottomCm: 0, topCm: seatCm },
          { slot: 'ankle', xCm: legs.ankle[0] - 3, bottomCm: 0, topCm: built.ankle ?? 0 },
          { slot: 'behindKnee', xCm: legs.knee[0] - 8, bottomCm: body.kneeFrontCm, topCm: body.kneeFrontCm + (built.behindKnee ?? 0) },
        ],
      },
      demands: kneeDemands(input, seatCm),
      findings: { thighSlopeDeg: thighSlopeDeg(seatCm, body) },
    };
  },
  why: kneelingWhy,
};
