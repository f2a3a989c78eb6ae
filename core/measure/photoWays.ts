import { acosDeg, atan2Deg, cosDeg, sinDeg } from '../angles';
import type { Body } from '../body/body';
import { picture } from '../parameters';

/** A point on a picture, y down as pictures have it. */
export type Spot = readonly [x: number, y: number];

/** How a photo reads one protocol: its points in the order in which they are placed, and the angle that they make. */
export interface PhotoWay {
  readonly points: readonly string[];
  /** Read against the level or the plumb line of the picture. */
  readonly against: 'level' | null;
  /** Two points whose distance on the body is known: thigh, shin, upper arm, or across the pelvis. */
  readonly known: {
    readonly from: number;
    readonly to: number;
    readonly is: 'thigh' | 'shin' | 'upperArm' | 'pelvis' | 'leg';
  };
  /** Degrees; `levelDeg` is the turn of the picture's own level, clockwise +. */
  readonly value: (points: readonly Spot[], levelDeg: number) => number;
}

/** Angle at the middle one of three points, 0 to 180. */
function cornerDeg([a, b, c]: readonly Spot[]): number {
  const [[ax, ay], [bx, by], [cx, cy]] = [a, b, c] as [Spot, Spot, Spot];
  const [ux, uy, vx, vy] = [ax - bx, ay - by, cx - bx, cy - by];
  return acosDeg((ux * vx + uy * vy) / (Math.hypot(ux, uy) * Math.hypot(vx, vy)));
}

/** Turns a step on the picture so that its level lies level. */
function levelled([fx, fy]: Spot, [tx, ty]: Spot, levelDeg: number): Spot {
  const [dx, dy] = [tx - fx, ty - fy];
  return [
    dx * cosDeg(levelDeg) + dy * sinDeg(levelDeg),
    dy * cosDeg(levelDeg) - dx * sinDeg(levelDeg),
  ];
}

/** How far the second point lies under the first, whichever way the picture faces, against the picture's level. */
function fallDeg([from, to]: readonly Spot[], levelDeg: number): number {
  const [x, y] = levelled(from as Spot, to as Spot, levelDeg);
  return atan2Deg(y, Math.abs(x));
}

/** How far a lifted leg stands over the level; the flat leg's heel only tells which way the feet are. */
function raisedDeg([heel, hip, lifted]: readonly Spot[], levelDeg: number): number {
  const [feet] = levelled(hip as Spot, heel as Spot, levelDeg);
  const [x, y] = levelled(hip as Spot, lifted as Spot, levelDeg);
  return atan2Deg(-y, feet < 0 ? -x : x);
}

const PELVIS: PhotoWay = {
  points: ['rear hip-bone point', 'front hip-bone point'],
  against: 'level',
  known: { from: 0, to: 1, is: 'pelvis' },
  value: fallDeg,
};
const RAISE: PhotoWay = {
  points: ['heel of the flat leg', 'hip', 'ankle of the raised leg'],
  against: 'level',
  known: { from: 1, to: 2, is: 'leg' },
  value: raisedDeg,
};
const KNEE: PhotoWay = {
  points: ['hip', 'knee', 'ankle'],
  against: null,
  known: { from: 0, to: 1, is: 'thigh' },
  value: (points) => 180 - cornerDeg(points),
};

export const photoWays: Readonly<Record<string, PhotoWay>> = {
  'pelvic-tilt.standing': PELVIS,
  'pelvic-tilt.long-sit': PELVIS,
  'straight-leg-raise.pelvis-watched': RAISE,
  'straight-leg-raise.first-pull': RAISE,
  'knee-extension-90': KNEE,
  'knee-bend.on-back': KNEE,
  'knee-bend.face-down': KNEE,
  'thigh-to-chest': {
    points: ['heel of the flat leg', 'hip', 'knee of the drawn-up leg'],
    against: 'level',
    known: { from: 1, to: 2, is: 'thigh' },
    value: raisedDeg,
  },
  'table-edge-rotation': {
    points: ['knee', 'ankle'],
    against: 'level',
    known: { from: 0, to: 1, is: 'shin' },
    value: (points, level) => 90 - fallDeg(points, level),
  },
  'spread.on-back': {
    points: ['other hip', 'hip of the moved leg', 'knee of the moved leg'],
    against: null,
    known: { from: 1, to: 2, is: 'thigh' },
    value: (points) => cornerDeg(points) - 90,
  },
  'thigh-behind.edge': {
    points: ['hip', 'knee'],
    against: 'level',
    known: { from: 0, to: 1, is: 'thigh' },
    value: fallDeg,
  },
  'ankle-bend.shin': {
    points: ['knee', 'ankle'],
    against: 'level',
    known: { from: 0, to: 1, is: 'shin' },
    value: (points, level) => 90 - fallDeg(points, level),
  },
  'ankle-point.lying': {
    points: ['knee', 'ankle', 'ball of the foot'],
    against: null,
    known: { from: 0, to: 1, is: 'shin' },
    value: (points) => cornerDeg(points) - 90,
  },
  'arm-overhead.lying': {
    points: ['hip', 'shoulder', 'elbow'],
    against: null,
    known: { from: 1, to: 2, is: 'upperArm' },
    value: cornerDeg,
  },
};

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
  return { deg, semDeg: Math.sqrt(variance) };
}

/** Turn of a line laid along what is known to be level, or to hang plumb: clockwise +, the smaller of both ways. */
export function levelFrom([ax, ay]: Spot, [bx, by]: Spot, is: 'level' | 'plumb'): number {
  const turn = atan2Deg(by - ay, bx - ax) - (is === 'plumb' ? 90 : 0);
  return turn - 180 * Math.round(turn / 180);
}
