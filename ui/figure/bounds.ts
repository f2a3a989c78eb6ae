import type { Body } from '@/core/body/body';
import type { Posture } from '@/core/geometry/posture';
import { lies } from '@/core/lies';

export interface Bounds {
  readonly left: number;
  readonly right: number;
  readonly top: number;
}

/** Room that a figure and its supports take, in centimetres; the floor is at 0. */
export function boundsOf(posture: Posture, body: Body): Bounds {
  const flesh = 0.068 * body.statureCm;
  const joints = [
    posture.hip,
    posture.knee,
    posture.ankle,
    posture.toe,
    posture.heel,
    posture.elbow,
    posture.hand,
    posture.head,
    ...posture.spine,
    ...(posture.far
      ? [posture.far.knee, posture.far.ankle, posture.far.toe, posture.far.heel]
      : []),
    ...(posture.farArm ? [posture.farArm.elbow, posture.farArm.hand] : []),
    ...(posture.strapTo ? [posture.strapTo] : []),
  ];
  const xs = [
    ...joints.flatMap(([x]) => [x - flesh, x + flesh]),
    ...posture.supports
      .filter(({ topCm, bottomCm }) => lies(topCm - bottomCm))
      .flatMap(({ xCm, toXCm }) => [
        xCm - 18,
        xCm + 18,
        ...(toXCm === undefined ? [] : [toXCm - 16]),
      ]),
  ];
  const ys = joints.map(([, y]) => y + flesh);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    top: Math.max(...ys) + 0.02 * body.statureCm,
  };
}
