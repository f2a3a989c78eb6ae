import { bodyShare } from '../parameters';
import type { Reason } from '../reasons';
import { tapedLengths, type TapedLength } from './lengths';

/** A student's lengths in centimetres, complete: taped where taped, else from stature. */
export interface Body {
  readonly statureCm: number;
  readonly thighCm: number;
  readonly shinCm: number;
  readonly trunkCm: number;
  readonly upperArmCm: number;
  readonly forearmCm: number;
  readonly palmCm: number;
  readonly footCm: number;
  readonly ankleHeightCm: number;
  readonly hipWidthCm: number;
  readonly hipSpacingCm: number;
  readonly shoulderToCrownCm: number;
  /** Underside of the seat to the hip centre. */
  readonly seatToHipCm: number;
  readonly ankleOverHeelCm: number;
  readonly kneeBackCm: number;
  readonly kneeFrontCm: number;
  readonly footTopCm: number;
  readonly heelsSatOnCm: number;
  readonly calfRadiusCm: number;
  readonly thighRadiusAtHipCm: number;
  readonly thighRadiusAtKneeCm: number;
  readonly trunkDepthCm: number;
  readonly headDepthCm: number;
  readonly foreheadPastShoulderCm: number;
}

export type TapedBody = Partial<Record<TapedLength, number>>;

/** How each length is taped: from where to where. */
export const tapes: Readonly<Record<TapedLength, { readonly name: string; readonly how: string }>> =
  {
    thigh: { name: 'Thigh', how: 'From the outer hip point to the outer line of the knee.' },
    shin: { name: 'Shin', how: 'From the outer line of the knee to the outer ankle point.' },
    trunk: {
      name: 'Trunk',
      how: 'Sitting tall: from the seat to the top of the shoulder, less the seat to the hip.',
    },
    arm: { name: 'Arm', how: 'From the shoulder to the palm that bears weight.' },
    foot: { name: 'Foot', how: 'From the heel to the longest toe.' },
    ankleHeight: {
      name: 'Ankle height',
      how: 'Standing: from the floor to the outer ankle point.',
    },
    hipWidth: { name: 'Hip width', how: 'Across the widest part of the hips.' },
    seatToHip: { name: 'Seat to hip', how: 'Sitting: from the seat to the outer hip point.' },
  };

/** Share of stature that a taped length usually is; used to question an unlikely tape. */
export const usualShare: Readonly<Record<TapedLength, number>> = {
  thigh: bodyShare.thigh.value,
  shin: bodyShare.shin.value,
  trunk: bodyShare.trunk.value,
  arm: bodyShare.upperArm.value + bodyShare.forearm.value + bodyShare.palm.value,
  foot: bodyShare.foot.value,
  ankleHeight: bodyShare.ankleHeight.value,
  hipWidth: bodyShare.hipWidth.value,
  seatToHip: bodyShare.seatToHip.value,
};

/**
 * The body of a student: every length from stature, each taped length in place of its ratio.
 * A taped arm is shared out between upper arm, forearm and palm in the usual proportions.
 */
export function bodyFrom(statureCm: number, taped: TapedBody = {}): Body {
  const of = (share: keyof typeof bodyShare) => bodyShare[share].value * statureCm;
  const armStretch = taped.arm === undefined ? 1 : taped.arm / (usualShare.arm * statureCm);
  return {
    statureCm,
    thighCm: taped.thigh ?? of('thigh'),
    shinCm: taped.shin ?? of('shin'),
    trunkCm: taped.trunk ?? of('trunk'),
    upperArmCm: of('upperArm') * armStretch,
    forearmCm: of('forearm') * armStretch,
    palmCm: of('palm') * armStretch,
    footCm: taped.foot ?? of('foot'),
    ankleHeightCm: taped.ankleHeight ?? of('ankleHeight'),
    hipWidthCm: taped.hipWidth ?? of('hipWidth'),
    hipSpacingCm: of('hipSpacing'),
    shoulderToCrownCm: of('shoulderToCrown'),
    seatToHipCm: taped.seatToHip ?? of('seatToHip'),
    ankleOverHeelCm: of('ankleOverHeel'),
    kneeBackCm: of('kneeBack'),
    kneeFrontCm: of('kneeFront'),
    footTopCm: of('footTop'),
    heelsSatOnCm: of('heelsSatOn'),
    calfRadiusCm: of('calfRadius'),
    thighRadiusAtHipCm: of('thighRadiusAtHip'),
    thighRadiusAtKneeCm: of('thighRadiusAtKnee'),
    trunkDepthCm: of('trunkDepth'),
    headDepthCm: of('headDepth'),
    foreheadPastShoulderCm: of('foreheadPastShoulder'),
  };
}

/** Shoulder to the palm that bears weight. */
export const armCm = (body: Body) => body.upperArmCm + body.forearmCm + body.palmCm;

/** A taped length further than this from its usual share of stature is questioned, not refused. */
const UNLIKELY_SHARE = 0.2;

/** Taped lengths that look mistaken against stature. */
export function unlikelyLengths(statureCm: number, taped: TapedBody): Reason<'unlikely-length'>[] {
  return tapedLengths.flatMap((length) => {
    const cm = taped[length];
    const usualCm = usualShare[length] * statureCm;
    return cm === undefined || Math.abs(cm - usualCm) <= UNLIKELY_SHARE * usualCm
      ? []
      : [{ code: 'unlikely-length', length, cm, usualCm, statureCm }];
  });
}
