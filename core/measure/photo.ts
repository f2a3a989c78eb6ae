import { atan2Deg, cosDeg } from '../angles';
import type { Body } from '../body/body';
import { picture } from '../parameters';
import type { PhotoWay, Spot } from '../protocols/photoWay';

/** Length on the body between the two points that a way knows. */
function knownCm({ known: { is } }: PhotoWay, body: Body): number {
  switch (is) {
    case 'thigh':
      return body.thighCm;
    case 'shin':
      return body.shinCm;
    case 'leg':
      return body.thighCm + body.shinCm;
    case 'upperArm':
      return body.upperArmCm;
    case 'pelvis':
      return picture.pelvis.value * body.statureCm;
  }
}

export interface PhotoReading {
  readonly deg: number;
  /** Error of this one reading, from how well the points are found, how square the camera stood, and the level. */
  readonly semDeg: number;
}

/**
 * The angle of placed points, with its error: every point is moved by as much as a landmark may lie off at the scale of
 * this picture, the camera is turned from square, and the changes are summed as squares.
 *
 * @param levelDeg turn of the picture's level, clockwise +; 0 where the picture itself is straight.
 * @returns null while two points that make a line lie on one another.
 */
export function readPhoto(
  way: PhotoWay,
  points: readonly Spot[],
  levelDeg: number,
  body: Body,
): PhotoReading | null {
  const deg = way.value(points, levelDeg);
  const [from, to] = [points[way.known.from] as Spot, points[way.known.to] as Spot];
  const apart = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (!Number.isFinite(deg) || apart < 1) return null;
  const off = (picture.landmark.value * apart) / knownCm(way, body);
  let variance = 0;
  for (let i = 0; i < points.length; i++) {
    for (const axis of [0, 1] as const) {
      const moved = points.map((point, j): Spot =>
        j === i ? [point[0] + (axis === 0 ? off : 0), point[1] + (axis === 1 ? off : 0)] : point,
      );
      variance += (way.value(moved, levelDeg) - deg) ** 2;
    }
  }
  // A camera that stands aside sees everything narrower.
  const narrowed = points.map(([x, y]): Spot => [x * cosDeg(picture.skew.value), y]);
  variance += (way.value(narrowed, levelDeg) - deg) ** 2;
  if (way.against) variance += picture.line.value ** 2;
  return { deg, semDeg: Math.max(picture.least.value, Math.sqrt(variance)) };
}

/** Turn of a line laid along what is known to be level, or to hang plumb: clockwise +, the smaller of both ways. */
export function levelFrom([ax, ay]: Spot, [bx, by]: Spot, is: 'level' | 'plumb'): number {
  const turn = atan2Deg(by - ay, bx - ax) - (is === 'plumb' ? 90 : 0);
  return turn - 180 * Math.round(turn / 180);
}
