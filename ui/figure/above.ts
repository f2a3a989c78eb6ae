import type { Body } from '@/core/body/body';
import type { Leg, Point, Posture } from '@/core/geometry/posture';

/** A figure seen from above: x forward, z to its left, both in centimetres. */
export interface FromAbove {
  readonly legs: readonly (readonly Point[])[];
  readonly hips: readonly Point[];
  readonly spine: readonly Point[];
  readonly shoulders: readonly Point[];
  readonly head: Point;
}

/** The near leg is the left one, or the worked one; sides are told apart by their sign. */
export function fromAbove(posture: Posture, body: Body): FromAbove {
  const half = body.hipSpacingCm / 2;
  const leg = (
    { knee, ankle, toe, aside = { knee: 0, ankle: 0, toe: 0 } }: Leg,
    sign: 1 | -1,
  ): Point[] => [
    [posture.hip[0], sign * half],
    [knee[0], sign * (half + aside.knee)],
    [ankle[0], sign * (half + aside.ankle)],
    [toe[0], sign * (half + aside.toe)],
  ];
  const shoulder = posture.spine.at(-1) as Point;
  const wide = 0.105 * body.statureCm;
  return {
    legs: [leg(posture, 1), leg(posture.far ?? posture, -1)],
    hips: [
      [posture.hip[0], half],
      [posture.hip[0], -half],
    ],
    spine: posture.spine.map(([x]) => [x, 0]),
    shoulders: [
      [shoulder[0], wide],
      [shoulder[0], -wide],
    ],
    head: [posture.head[0], 0],
  };
}

/** Whether looking from above tells something that the side does not. */
export const isSpatial = ({ aside, far }: Posture) =>
  aside !== undefined || far?.aside !== undefined;
