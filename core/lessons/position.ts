import { cosDeg, sinDeg } from '../angles';
import {
  along,
  between,
  legOf,
  type Arm,
  type Leg,
  type Point,
  type Posture,
} from '../geometry/posture';

/** How a leg stands against the pose it moves in, in degrees. */
export interface LegShift {
  /** Thigh raised toward the trunk + . */
  readonly thigh?: number;
  /** Knee bent further + . */
  readonly knee?: number;
  /** Toes drawn up + . */
  readonly foot?: number;
}

/** Where straight arms point: degrees from upright, forward + . */
const armsLeanDeg = { up: 6, ahead: 80, down: 172, behind: 205 } as const;

/** One position of a movement: how far it is from the pose that it is done in, in degrees. */
export interface Position {
  /** All that is over the hips, pelvis and all, tipped forward + . */
  readonly trunk?: number;
  /** The back rounded forward + from the pelvis up. */
  readonly chest?: number;
  /** The head nods + . */
  readonly head?: number;
  readonly arms?: keyof typeof armsLeanDeg;
  /** The leg that works, and the other one. */
  readonly near?: LegShift;
  readonly far?: LegShift;
  /** The feet stay where they stand, and the hips move over them. */
  readonly stands?: true;
}

/** A point turned about another, raising what points forward + . */
function turnedAbout([cx, cy]: Point, [x, y]: Point, deg: number): Point {
  const [sin, cos] = [sinDeg(deg), cosDeg(deg)];
  return [cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos];
}

const turnedFoot = (leg: Leg, about: Point, deg: number) => ({
  ankle: turnedAbout(about, leg.ankle, deg),
  heel: turnedAbout(about, leg.heel, deg),
  toe: turnedAbout(about, leg.toe, deg),
});

/** A leg moved at hip, knee and ankle; its bones stay as long as they are. */
export function shiftedLeg(hip: Point, leg: Leg, { thigh = 0, knee = 0, foot = 0 }: LegShift): Leg {
  const raised: Leg = {
    ...leg,
    knee: turnedAbout(hip, leg.knee, thigh),
    ...turnedFoot(leg, hip, thigh),
  };
  const bent: Leg = { ...raised, ...turnedFoot(raised, raised.knee, -knee) };
  return { ...bent, ...turnedFoot(bent, bent.ankle, foot) };
}

/** The lowest point of the feet, in cm. */
const lowestOf = (near: Leg, far: Leg | undefined): number =>
  Math.min(...[near, far ?? near].flatMap(({ heel, toe }) => [heel[1], toe[1]]));

const movedBy = ([x, y]: Point, [dx, dy]: Point): Point => [x + dx, y + dy];

const legBy = (leg: Leg, by: Point): Leg => ({
  ...leg,
  knee: movedBy(leg.knee, by),
  ankle: movedBy(leg.ankle, by),
  heel: movedBy(leg.heel, by),
  toe: movedBy(leg.toe, by),
});

const armBy = ({ elbow, hand }: Arm, by: Point): Arm => ({
  elbow: movedBy(elbow, by),
  hand: movedBy(hand, by),
});

/** Trunk, head and arms: tipped over the hip, rounded over the spine, and nodding. */
function shiftedUpper(of: Posture, { trunk = 0, chest = 0, head: nod = 0, arms }: Position) {
  const top = of.spine.length - 1;
  const tipped = (point: Point) => turnedAbout(of.hip, point, -trunk);
  // Each piece of the spine leans by its share more than the one beneath.
  const spine: Point[] = [];
  for (const [i, point] of of.spine.entries()) {
    const below = spine[i - 1];
    const from = of.spine[i - 1];
    spine.push(
      below && from
        ? movedBy(
            below,
            turnedAbout([0, 0], movedBy(point, [-from[0], -from[1]]), -trunk - (chest * i) / top),
          )
        : tipped(point),
    );
  }
  const [shoulder, was] = [spine[top] as Point, of.spine[top] as Point];
  const withTrunk = (point: Point): Point =>
    movedBy(shoulder, turnedAbout([0, 0], movedBy(point, [-was[0], -was[1]]), -trunk - chest));
  const armOf = ({ elbow, hand }: Arm): Arm => {
    if (arms === undefined) return { elbow: withTrunk(elbow), hand: withTrunk(hand) };
    const bent = along(shoulder, armsLeanDeg[arms], between(was, elbow));
    return { elbow: bent, hand: along(bent, armsLeanDeg[arms], between(elbow, hand)) };
  };
  const neck = withTrunk(of.head);
  return {
    spine,
    head: turnedAbout(shoulder, neck, -nod / 3),
    crownDeg: of.crownDeg + trunk + chest + nod,
    near: armOf(of),
    // Arms that are led go together.
    far: of.farArm && arms === undefined ? armOf(of.farArm) : undefined,
  };
}

/** A posture in one position of a movement: every bone as long as before. */
export function inPosition(of: Posture, position: Position): Posture {
  const { near = {}, far = {}, trunk = 0, stands } = position;
  const upper = shiftedUpper(of, position);
  const nearLeg = shiftedLeg(of.hip, legOf(of), near);
  const movesFar = position.far !== undefined || position.near !== undefined;
  const farFrom = of.far ?? (movesFar ? legOf(of) : undefined);
  const farLeg = farFrom && shiftedLeg(of.hip, farFrom, of.far || movesFar ? far : near);
  // What stands keeps its heel where it was, and the lower of both feet on the floor.
  const by: Point = stands
    ? [of.heel[0] - nearLeg.heel[0], lowestOf(of, of.far) - lowestOf(nearLeg, farLeg)]
    : [0, 0];
  return {
    ...of,
    hip: movedBy(of.hip, by),
    ...legBy(nearLeg, by),
    far: farLeg && legBy(farLeg, by),
    spine: upper.spine.map((point) => movedBy(point, by)),
    head: movedBy(upper.head, by),
    crownDeg: upper.crownDeg,
    ...armBy(upper.near, by),
    farArm: upper.far && armBy(upper.far, by),
    pelvisDeg: of.pelvisDeg + trunk,
    pelvisLeanDeg: of.pelvisLeanDeg + trunk,
    strapTo: undefined,
  };
}

const mixed = (a = 0, b = 0, share: number) => a + (b - a) * share;

const mixedLeg = (a: LegShift = {}, b: LegShift = {}, share: number): LegShift => ({
  thigh: mixed(a.thigh, b.thigh, share),
  knee: mixed(a.knee, b.knee, share),
  foot: mixed(a.foot, b.foot, share),
});

/**
 * Between two positions, `share` of the way from the first to the second. Arms change hands halfway; a leg that moves in
 * one of them is drawn by itself in both.
 */
export function midway(a: Position, b: Position, share: number): Position {
  const arms = share < 0.5 ? a.arms : b.arms;
  return {
    trunk: mixed(a.trunk, b.trunk, share),
    chest: mixed(a.chest, b.chest, share),
    head: mixed(a.head, b.head, share),
    ...(arms ? { arms } : {}),
    ...(a.near || b.near ? { near: mixedLeg(a.near, b.near, share) } : {}),
    ...(a.far || b.far ? { far: mixedLeg(a.far, b.far, share) } : {}),
    ...(a.stands || b.stands ? { stands: true as const } : {}),
  };
}

/**
 * Where a movement is at a moment: through its positions and back to the first one, once a breath.
 *
 * @param share of one time of it, 0 to 1.
 */
export function atMoment(positions: readonly Position[], share: number): Position {
  const [first] = positions;
  if (!first) return {};
  const way = (share % 1) * positions.length;
  const i = Math.floor(way);
  const from = positions[i] ?? first;
  const to = positions[i + 1] ?? first;
  // Slow at both ends, as one moves.
  const eased = (1 - Math.cos(Math.PI * (way - i))) / 2;
  return midway(from, to, eased);
}
