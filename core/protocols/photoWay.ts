import { acosDeg, atan2Deg, cosDeg, sinDeg } from '../angles';

/** A point on a picture, y down as pictures have it. */
export type Spot = readonly [x: number, y: number];

/** How a photo reads one protocol: its points in the order in which they are placed, and the angle that they make. */
export interface PhotoWay {
  /** From where, and at which height, the camera looks. */
  readonly camera: string;
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

/** Angle between two lines, each from its first point to its second, 0 to 180. */
export function betweenDeg([a, b]: readonly [Spot, Spot], [c, d]: readonly [Spot, Spot]): number {
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
  return acosDeg((ux * vx + uy * vy) / (Math.hypot(ux, uy) * Math.hypot(vx, vy)));
}

/** Angle at the middle one of three points, 0 to 180. */
export function cornerDeg([a, b, c]: readonly Spot[]): number {
  return betweenDeg([b as Spot, a as Spot], [b as Spot, c as Spot]);
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
export function fallDeg([from, to]: readonly Spot[], levelDeg: number): number {
  const [x, y] = levelled(from as Spot, to as Spot, levelDeg);
  return atan2Deg(y, Math.abs(x));
}

/** How far a shin leans from upright, toward its own toe or, minus, away from it. */
export function leanDeg([knee, ankle, toe]: readonly Spot[], levelDeg: number): number {
  const [x, y] = levelled(ankle as Spot, knee as Spot, levelDeg);
  const [ahead] = levelled(ankle as Spot, toe as Spot, levelDeg);
  return atan2Deg(ahead < 0 ? -x : x, -y);
}

/** Angle of a raised arm with the trunk of somebody who lies face up: over 180 where it sinks under the trunk's line. */
export function overheadDeg(points: readonly Spot[], levelDeg: number): number {
  const [hip, shoulder, elbow] = points as readonly [Spot, Spot, Spot];
  const [trunk, arm] = [levelled(hip, shoulder, levelDeg), levelled(shoulder, elbow, levelDeg)];
  const corner = cornerDeg(points);
  // On pictures down is +: where the arm hangs under the line on which the trunk goes on.
  const under = trunk[0] * arm[1] - trunk[1] * arm[0];
  return corner > 90 && under * Math.sign(trunk[0]) > 0 ? 360 - corner : corner;
}

/** How far a lifted leg stands over the level; the flat leg's heel only tells which way the feet are. */
export function raisedDeg([heel, hip, lifted]: readonly Spot[], levelDeg: number): number {
  const [feet] = levelled(hip as Spot, heel as Spot, levelDeg);
  const [x, y] = levelled(hip as Spot, lifted as Spot, levelDeg);
  return atan2Deg(-y, feet < 0 ? -x : x);
}

/** Somebody who lies is seen from as low: from a standing teacher's height every angle is another. */
export const beside = (height: string) =>
  `From the student’s side, square on, three steps away, the camera at the height of the ${height}.`;

export const overPelvis: PhotoWay = {
  camera: beside('hips'),
  points: ['rear hip-bone point', 'front hip-bone point'],
  against: 'level',
  known: { from: 0, to: 1, is: 'pelvis' },
  value: fallDeg,
};
export const overRaise: PhotoWay = {
  camera: beside('hips as they lie: kneel or sit'),
  points: ['heel of the flat leg', 'hip', 'ankle of the raised leg'],
  against: 'level',
  known: { from: 1, to: 2, is: 'leg' },
  value: raisedDeg,
};
export const overKnee: PhotoWay = {
  camera: beside('knee: kneel or sit'),
  points: ['hip', 'knee', 'ankle'],
  against: null,
  known: { from: 0, to: 1, is: 'thigh' },
  value: (points) => 180 - cornerDeg(points),
};
