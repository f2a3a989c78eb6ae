import type { Body } from '@/core/body/body';
import type { Leg, Point, Posture, SupportPlace } from '@/core/geometry/posture';
import { isSpatial, type FromAbove } from './above';
import { lies } from '@/core/lies';

/** A support seen from the front: its middle, half its width, and its lower and upper edge. */
export interface FrontSupport {
  readonly key: string;
  readonly z: number;
  readonly bottomCm: number;
  readonly topCm: number;
}

/** A figure that faces the viewer: z to its own left (the viewer's right), y up, both in centimetres. */
export interface FromFront extends FromAbove {
  readonly supports: readonly FrontSupport[];
}

const SHOULDERS = 0.105;

/** The near leg is the left one, or the worked one; sides are told apart by their sign. */
export function fromFront(posture: Posture, body: Body): FromFront {
  const half = body.hipSpacingCm / 2;
  const leg = (
    { knee, ankle, toe, aside = { knee: 0, ankle: 0, toe: 0 } }: Leg,
    sign: 1 | -1,
  ): Point[] => [
    [sign * half, posture.hip[1]],
    [sign * (half + aside.knee), knee[1]],
    [sign * (half + aside.ankle), ankle[1]],
    [sign * (half + aside.toe), toe[1]],
  ];
  const shoulder = posture.spine.at(-1) as Point;
  const wide = SHOULDERS * body.statureCm;
  return {
    legs: [leg(posture, 1), leg(posture.far ?? posture, -1)],
    hips: [
      [half, posture.hip[1]],
      [-half, posture.hip[1]],
    ],
    spine: posture.spine.map(([, y]) => [0, y]),
    shoulders: [
      [wide, shoulder[1]],
      [-wide, shoulder[1]],
    ],
    head: [0, posture.head[1]],
    supports: posture.supports.flatMap((place) => seenFromFront(place, posture, half)),
  };
}

/** Where along a thigh a support stands, and so how far from the middle. */
function seenFromFront(
  { slot, xCm, bottomCm, topCm }: SupportPlace,
  posture: Posture,
  half: number,
): FrontSupport[] {
  if (!lies(topCm - bottomCm)) return [];
  const [name, side] = slot.split(':');
  const at = (leg: Leg, sign: 1 | -1): FrontSupport => {
    const along = (xCm - posture.hip[0]) / (leg.knee[0] - posture.hip[0] || 1);
    const share = Math.min(1, Math.max(0, along));
    return {
      key: `${slot}/${sign}`,
      z: sign * (half + share * (leg.aside?.knee ?? 0)),
      bottomCm,
      topCm,
    };
  };
  if (name === 'seat') return [{ key: slot, z: 0, bottomCm, topCm }];
  if (name !== 'underThigh' && name !== 'underKnees' && name !== 'outerHip') return [];
  const [near, far] = [at(posture, 1), at(posture.far ?? posture, -1)];
  if (side === undefined) return [near, far];
  return [side === 'left' ? near : far];
}

/** How far the trunk may lean and still be seen whole from the front. */
const UPRIGHT_SHARE = 0.8;

/** Whether the front tells how knees stand against hips: opened legs under an upright trunk. */
export function isFrontal(posture: Posture, body: Body): boolean {
  const shoulder = posture.spine.at(-1) as Point;
  return (
    isSpatial(posture) &&
    !reachesAhead(posture, body) &&
    shoulder[1] - posture.hip[1] > UPRIGHT_SHARE * body.trunkCm
  );
}

/** Whether one leg lies long straight ahead, where what it lies on is seen from the side alone. */
const reachesAhead = ({ hip, far }: Posture, { thighCm, shinCm }: Body): boolean =>
  far !== undefined &&
  far.aside === undefined &&
  Math.hypot(far.ankle[0] - hip[0], far.ankle[1] - hip[1]) > LONG_SHARE * (thighCm + shinCm);
const LONG_SHARE = 0.85;
