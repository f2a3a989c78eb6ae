import type { Point, Posture } from '@/core/geometry/posture';
import type { RangeId, ReadingSide } from '@/core/ranges/ranges';

/** What a range still has over what a pose asks of it, where it is felt; minus where it is short. */
export interface LimbMark {
  readonly at: Point;
  readonly inHandDeg: number;
}

export interface Demand {
  readonly range: string;
  readonly side: ReadingSide;
  readonly needDeg: number;
  readonly haveDeg: number;
}

const middle = ([ax, ay]: Point, [bx, by]: Point): Point => [(ax + bx) / 2, (ay + by) / 2];

type Place = 'thigh' | 'knee' | 'hip' | 'ankle' | 'back';
/** Where on the body each range is felt. */
const placeOf: Readonly<Partial<Record<RangeId, Place>>> = {
  hamstring: 'thigh',
  'kneeFlexion.hipBent': 'knee',
  'kneeFlexion.prone': 'knee',
  hipRotation: 'hip',
  hipSpread: 'hip',
  hipFlexion: 'hip',
  hipExtension: 'hip',
  ankleBend: 'ankle',
  anklePoint: 'ankle',
  spineFold: 'back',
};

function pointOf(place: Place, posture: Posture, far: boolean): Point {
  const leg = far && posture.far ? posture.far : posture;
  switch (place) {
    case 'thigh':
      return middle(posture.hip, leg.knee);
    case 'knee':
      return leg.knee;
    case 'ankle':
      return leg.ankle;
    case 'hip':
      return posture.hip;
    case 'back':
      return posture.spine[Math.floor(posture.spine.length / 2)] ?? posture.hip;
  }
}

/**
 * The least that each place of a figure has in hand.
 *
 * @param side the leg that works, which is the near one in the picture; both where both do the same.
 */
export function limbMarks(
  posture: Posture,
  side: ReadingSide,
  demands: readonly Demand[],
): LimbMark[] {
  const marks = new Map<string, LimbMark>();
  for (const { range, side: of, needDeg, haveDeg } of demands) {
    const place = placeOf[range as RangeId];
    if (!place) continue;
    const far =
      posture.far !== undefined &&
      side !== 'both' &&
      of !== 'both' &&
      of !== side &&
      place !== 'hip';
    const at = pointOf(place, posture, far);
    const [spot, inHandDeg] = [at.join(), haveDeg - needDeg];
    if (inHandDeg < (marks.get(spot)?.inHandDeg ?? Infinity)) marks.set(spot, { at, inHandDeg });
  }
  return [...marks.values()];
}
