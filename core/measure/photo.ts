import { atan2Deg, cosDeg, sinDeg } from '../angles';
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

/** What is level in a picture, and how that is known: taken for straight, by the phone's sensor, by a line laid on it. */
export interface PictureLevel {
  /** Turn of the picture's level, clockwise +. */
  readonly deg: number;
  readonly by: 'hand' | 'phone' | 'line';
}
export const straight: PictureLevel = { deg: 0, by: 'hand' };
const levelSem = { hand: picture.byHand, phone: picture.byPhone, line: picture.line } as const;

/** What a camera sees that stands aside of square and looks down by so much on what it should see level. */
function seenFrom(
  points: readonly Spot[],
  pitchDeg: number,
  yawDeg: number,
  pxPerCm: number,
): Spot[] {
  const middle = (axis: 0 | 1) => points.reduce((sum, one) => sum + one[axis], 0) / points.length;
  const [cx, cy] = [middle(0), middle(1)];
  const away = picture.away.value * pxPerCm;
  return points.map(([x, y]): Spot => {
    const [across, depth] = [(x - cx) * cosDeg(yawDeg), (x - cx) * sinDeg(yawDeg)];
    const up = (cy - y) * cosDeg(pitchDeg) + depth * sinDeg(pitchDeg);
    const far = away + depth * cosDeg(pitchDeg) - (cy - y) * sinDeg(pitchDeg);
    return [cx + (across * away) / far, cy - (up * away) / far];
  });
}

/**
 * The angle of placed points, with its error: every point is moved by as much as a landmark may lie off at the scale of
 * this picture, the camera is turned from square, up and down, its level is as sure as it is known, and the changes are
 * summed as squares.
 *
 * @returns null while two points that make a line lie on one another.
 */
export function readPhoto(
  way: PhotoWay,
  points: readonly Spot[],
  level: PictureLevel,
  body: Body,
): PhotoReading | null {
  const read = (of: readonly Spot[]) => way.value(of, level.deg);
  const deg = read(points);
  const [from, to] = [points[way.known.from] as Spot, points[way.known.to] as Spot];
  const apart = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (!Number.isFinite(deg) || apart < 1) return null;
  const pxPerCm = apart / knownCm(way, body);
  const off = picture.landmark.value * pxPerCm;
  let variance = 0;
  for (let i = 0; i < points.length; i++) {
    for (const axis of [0, 1] as const) {
      const moved = points.map((point, j): Spot =>
        j === i ? [point[0] + (axis === 0 ? off : 0), point[1] + (axis === 1 ? off : 0)] : point,
      );
      variance += (read(moved) - deg) ** 2;
    }
  }
  for (const pitch of [picture.pitch.value, -picture.pitch.value])
    for (const yaw of [picture.skew.value, -picture.skew.value])
      variance += (read(seenFrom(points, pitch, yaw, pxPerCm)) - deg) ** 2 / 4;
  if (way.against) variance += levelSem[level.by].value ** 2;
  return { deg, semDeg: Math.max(picture.least.value, Math.sqrt(variance)) };
}

/**
 * Turn of the level in a picture that a phone takes as it is held, clockwise +, from the angles that its sensor gives;
 * null where it is held so flat that none shows.
 *
 * @param screenDeg how far the picture is turned from the phone's upright: the screen's own angle, 0, 90, 180 or 270.
 */
export function levelHeld(
  { betaDeg, gammaDeg }: { readonly betaDeg: number; readonly gammaDeg: number },
  screenDeg: number,
): number | null {
  // What is up, along the phone's right edge and toward its top; then along the picture's.
  const [right, top] = [-cosDeg(betaDeg) * sinDeg(gammaDeg), sinDeg(betaDeg)];
  if (Math.hypot(right, top) < FLAT) return null;
  return turnOf(atan2Deg(right, top) - screenDeg);
}
/** Share of gravity along the screen under which a phone lies too flat. */
const FLAT = 0.3;
const turnOf = (deg: number) => deg - 360 * Math.round(deg / 360);

/** Turn of a line laid along what is known to be level, or to hang plumb: clockwise +, the smaller of both ways. */
export function levelFrom([ax, ay]: Spot, [bx, by]: Spot, is: 'level' | 'plumb'): number {
  const turn = atan2Deg(by - ay, bx - ax) - (is === 'plumb' ? 90 : 0);
  return turn - 180 * Math.round(turn / 180);
}
