import { asinDeg, cosDeg, sinDeg } from '../angles';
import type { Body } from '../body/body';

/** x forward, y up, floor at y = 0, centimetres. */
export type Point = readonly [x: number, y: number];

/** Where a slot's support stands under the figure. */
export interface SupportPlace {
  /** The slot key that it fills, or what else stands there: the chair. */
  readonly slot: string;
  /** Middle of the support. */
  readonly xCm: number;
  readonly bottomCm: number;
  readonly topCm: number;
  /** A ramp rises toward `toXCm`, `toTopCm`. */
  readonly toXCm?: number;
  readonly toTopCm?: number;
  /** A chair that is sat on sideways: its back stands beside the body, seen from the front. */
  readonly sideways?: true;
  /** A support that lies on a slope leans by this much, back + . */
  readonly leanDeg?: number;
}

/** How far knee, ankle and toe lie outward of their own hip, minus across the midline, in centimetres. */
export interface Aside {
  readonly knee: number;
  readonly ankle: number;
  readonly toe: number;
}

/** A leg from its hip down, seen from the side. */
export interface Leg {
  readonly knee: Point;
  readonly ankle: Point;
  readonly heel: Point;
  readonly toe: Point;
  /** Left out where the leg stays in the plane of its hip. */
  readonly aside?: Aside | undefined;
}

/** The joints alone of a solved leg. */
export const legOf = ({ knee, ankle, heel, toe, aside }: Leg): Leg => ({
  knee,
  ankle,
  heel,
  toe,
  aside,
});

/** A leg in the plane of its hip, from its joints and its foot. */
export const legWithFoot = (
  knee: Point,
  ankle: Point,
  { heel, toe }: Pick<Leg, 'heel' | 'toe'>,
): Leg => ({ knee, ankle, heel, toe });

/** An arm from its shoulder on, seen from the side. */
export interface Arm {
  readonly elbow: Point;
  readonly hand: Point;
}

/** Solved joints of a figure seen from the side: what is drawn is what was reckoned. */
export interface Posture extends Leg, Arm {
  readonly hip: Point;
  /** The other leg, where it does something else than the near one. */
  readonly far?: Leg | undefined;
  /** From the hip centre to the shoulder centre; its length is the trunk's. */
  readonly spine: readonly Point[];
  /** Middle of the skull. */
  readonly head: Point;
  /** Which way the crown points, degrees from upright, forward +. */
  readonly crownDeg: number;
  /** The other arm, where it does something else than the near one. */
  readonly farArm?: Arm | undefined;
  /** Pelvis against the standing pelvis, front lower = +. */
  readonly pelvisDeg: number;
  /** Lean of the pelvis's long axis in the picture, degrees from upright, forward +. */
  readonly pelvisLeanDeg: number;
  readonly supports: readonly SupportPlace[];
  /** Where a strap goes from the hand, when not to the near foot. */
  readonly strapTo?: Point | undefined;
}

/** Trunk, head and near arm. */
export type Upper = Pick<Posture, 'spine' | 'head' | 'crownDeg' | 'elbow' | 'hand'>;
/** Spine, head and arm of a posture, put together. */
export const upperFrom = (
  spine: readonly Point[],
  { head, crownDeg }: Pick<Posture, 'head' | 'crownDeg'>,
  { elbow, hand }: Pick<Posture, 'elbow' | 'hand'>,
): Upper => ({ spine, head, crownDeg, elbow, hand });

/** What a posture is put together from. */
interface PostureParts extends Pick<
  Posture,
  'hip' | 'far' | 'farArm' | 'pelvisDeg' | 'pelvisLeanDeg' | 'supports' | 'strapTo'
> {
  readonly near: Leg;
  readonly upper: Upper;
}

/**
 * A posture from its parts, field by field: spreading objects into one another costs a hundred times as much as naming
 * what they hold.
 */
export const postureFrom = ({
  near,
  far,
  farArm,
  hip,
  upper,
  pelvisDeg,
  pelvisLeanDeg,
  supports,
  strapTo,
}: PostureParts): Posture => ({
  hip,
  knee: near.knee,
  ankle: near.ankle,
  heel: near.heel,
  toe: near.toe,
  aside: near.aside,
  far,
  spine: upper.spine,
  head: upper.head,
  crownDeg: upper.crownDeg,
  elbow: upper.elbow,
  hand: upper.hand,
  farArm,
  pelvisDeg,
  pelvisLeanDeg,
  supports,
  strapTo,
});

/** The point so many centimetres from another, leaning so many degrees from upright, forward +. */
export const along = ([x, y]: Point, leanDeg: number, cm: number): Point => [
  x + cm * sinDeg(leanDeg),
  y + cm * cosDeg(leanDeg),
];
/** Distance of two points, in cm. */
export const between = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

const VERTEBRAE = 12;

/**
 * A spine of the trunk's length whose lean runs evenly from one angle to another, both in degrees from upright, forward
 * +.
 */
export function spineFrom(
  hip: Point,
  trunkCm: number,
  fromLeanDeg: number,
  toLeanDeg: number,
): Point[] {
  const points: Point[] = [hip];
  const [stepCm, turnDeg] = [trunkCm / VERTEBRAE, (toLeanDeg - fromLeanDeg) / VERTEBRAE];
  const [sinTurn, cosTurn] = [sinDeg(turnDeg), cosDeg(turnDeg)];
  // Each step is the one before, turned on: two angles to look up instead of a dozen.
  let [x, y] = hip;
  let [dx, dy] = [
    stepCm * sinDeg(fromLeanDeg + turnDeg / 2),
    stepCm * cosDeg(fromLeanDeg + turnDeg / 2),
  ];
  for (let i = 0; i < VERTEBRAE; i++) {
    x += dx;
    y += dy;
    points.push([x, y]);
    [dx, dy] = [dx * cosTurn + dy * sinTurn, dy * cosTurn - dx * sinTurn];
  }
  return points;
}

/** One place of such a spine alone, at a share of its length: its upper end, where none is named. */
export function spineAt(
  hip: Point,
  trunkCm: number,
  fromLeanDeg: number,
  toLeanDeg: number,
  share = 1,
): Point {
  const steps = Math.round(share * VERTEBRAE);
  const halfTurn = (toLeanDeg - fromLeanDeg) / VERTEBRAE / 2;
  // A polygon's steps add up to a chord in their mean direction.
  const straight = Math.abs(halfTurn) < 1e-9 ? steps : sinDeg(steps * halfTurn) / sinDeg(halfTurn);
  return along(hip, fromLeanDeg + steps * halfTurn, (trunkCm / VERTEBRAE) * straight);
}

/** Middle of the skull and the crown's lean, for a head carried on from the shoulders at this lean. */
export function headFrom(
  shoulder: Point,
  body: Body,
  leanDeg: number,
): { head: Point; crownDeg: number } {
  return { head: along(shoulder, leanDeg, 0.62 * body.shoulderToCrownCm), crownDeg: leanDeg };
}

/**
 * An arm from the shoulder toward a target: the hand reaches it or stops short at the arm's length; the elbow bends to
 * one side.
 */
export function armToward(
  shoulder: Point,
  target: Point,
  body: Body,
  elbowSide: 1 | -1,
): { elbow: Point; hand: Point } {
  const lower = body.forearmCm + body.palmCm;
  const whole = body.upperArmCm + lower;
  const distance = Math.min(between(shoulder, target), whole - 1e-9);
  const direction = Math.atan2(target[1] - shoulder[1], target[0] - shoulder[0]);
  const hand: Point = [
    shoulder[0] + distance * Math.cos(direction),
    shoulder[1] + distance * Math.sin(direction),
  ];
  const reach = Math.max(distance, Math.abs(body.upperArmCm - lower) + 1e-9);
  const cosAtShoulder =
    (body.upperArmCm ** 2 + reach ** 2 - lower ** 2) / (2 * body.upperArmCm * reach);
  const bend = Math.acos(Math.min(1, Math.max(-1, cosAtShoulder))) * elbowSide;
  return {
    elbow: [
      shoulder[0] + body.upperArmCm * Math.cos(direction + bend),
      shoulder[1] + body.upperArmCm * Math.sin(direction + bend),
    ],
    hand,
  };
}

/** Where the hand holds a strap of this length round the foot. */
export const handOnStrap = (shoulder: Point, foot: Point, strapCm: number): Point =>
  toward(foot, shoulder, strapCm);
/** A point so far from one toward another. */
function toward(from: Point, to: Point, cm: number): Point {
  const share = cm / Math.max(cm, between(from, to));
  return [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
}

/** Degrees by which the line from a to b falls below the horizontal. */
export const fallDeg = (a: Point, b: Point) => asinDeg((a[1] - b[1]) / between(a, b));
