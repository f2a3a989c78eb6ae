import type { HeightReason, Surface } from '../reasons';
import type { Body } from '../body/body';
import { child, fold } from '../parameters';
import type { Built, FamilyInput, SlotNeed } from './family';
import {
  along,
  armToward,
  headFrom,
  spineAt,
  spineFrom,
  upperFrom,
  type Point,
  type SupportPlace,
  type Upper,
} from './posture';
import { firstZero } from './root';

/** What the forehead comes down over, at a place in front of the hips. */
export interface Under {
  readonly cm: number;
  readonly under: Surface;
}

/** Nothing but the floor to come down over. */
export const onFloor = (): Under => ({ cm: 0, under: 'floor' });

/** A trunk that folds from the hips and rounds a little on its way to the forehead. */
export interface FoldedTrunk {
  readonly hip: Point;
  readonly leanDeg: number;
  readonly endLeanDeg: number;
  readonly neckDropDeg: number;
  readonly shoulder: Point;
  readonly forehead: Point;
  /** What the forehead comes down over. */
  readonly over: Under;
  readonly gapCm: number;
  /** The same over the legs, wherever it comes to rest. */
  readonly overLegsCm: number;
  /** Skin of the breastbone over the floor. */
  readonly chestCm: number;
  readonly chestX: number;
}

interface Rounding {
  /**
   * Whether the head comes to rest on something on the legs, or on a stool or chair over them; by its height where it
   * is left out.
   */
  readonly onLegs?: boolean;
  readonly spineDeg?: number;
  readonly neckDropDeg?: number;
}

/** What is built higher than this stands over the legs, not on them. */
export const ON_LEGS_MOST_CM = fold.onLegsMost.value + 2;

/** At rest the neck lets the forehead down. */
export const AT_REST: Rounding = { neckDropDeg: child.neckDrop.value };

/** As near as a root is sought. */
const CLOSE_CM = 0.05;
/** No trunk folds further than flat along the legs. */
const FLAT_DEG = 95;

/** The trunk from the hip, at a lean of the pelvis past upright, with the spine's share spread along it. */
export function foldedTrunk(
  input: FamilyInput,
  hip: Point,
  leanDeg: number,
  underAt: (x: number) => Under,
  { onLegs, spineDeg = input.settings.spineShareDeg, neckDropDeg = 0 }: Rounding = {},
): FoldedTrunk {
  const { body, settings } = input;
  const pelvis = Math.min(FLAT_DEG, settings.pitchMostDeg, leanDeg);
  const endLeanDeg = Math.min(pelvis + spineDeg + Math.max(0, -pelvis), 150);
  const shoulder = spineAt(hip, body.trunkCm, pelvis, endLeanDeg);
  const forehead = along(shoulder, endLeanDeg + neckDropDeg, body.foreheadPastShoulderCm);
  const chest = spineAt(hip, body.trunkCm, pelvis, endLeanDeg, child.chestAt.value);
  const under = underAt(forehead[0]);
  // Too far over the legs for anything to stand on them, the head rests on a stool or chair that stands over them.
  const rests = onLegs ?? forehead[1] - under.cm <= fold.onLegsMost.value + CLOSE_CM;
  const over: Under = rests ? under : { cm: 0, under: 'floor' };
  return {
    hip,
    leanDeg: pelvis,
    endLeanDeg,
    neckDropDeg,
    shoulder,
    forehead,
    over,
    gapCm: forehead[1] - over.cm,
    overLegsCm: forehead[1] - under.cm,
    chestCm: chest[1] - body.trunkDepthCm,
    chestX: chest[0],
  };
}

/** The spine of a folded trunk, from the hip to the shoulder. */
export const foldedSpine = (
  { hip, leanDeg, endLeanDeg }: FoldedTrunk,
  { trunkCm }: Body,
): Point[] => spineFrom(hip, trunkCm, leanDeg, endLeanDeg);

/** What lies under forehead and chest. */
export const foldSupports = (
  { forehead, over, chestX }: FoldedTrunk,
  built: Built,
): SupportPlace[] => [
  ...(built.forehead
    ? [
        {
          slot: 'forehead',
          xCm: forehead[0],
          bottomCm: Math.max(0, over.cm),
          topCm: Math.max(0, over.cm) + built.forehead,
        },
      ]
    : []),
  ...(built.chest ? [{ slot: 'chest', xCm: chestX - 4, bottomCm: 0, topCm: built.chest }] : []),
];

/** The trunk as it comes to lie: folded as far as it would go, or less where something beneath already carries it. */
export function restingOn(
  input: FamilyInput,
  hip: Point,
  leanDeg: number,
  underAt: (x: number) => Under,
  built: Built,
  rounding: Rounding = {},
): FoldedTrunk {
  const { spineDeg = input.settings.spineShareDeg, neckDropDeg = 0 } = rounding;
  const onLegs = built.forehead === undefined ? undefined : built.forehead <= ON_LEGS_MOST_CM;
  const folded = (share: number) =>
    foldedTrunk(input, hip, leanDeg * share, underAt, {
      onLegs,
      spineDeg: spineDeg * share,
      neckDropDeg: neckDropDeg * share,
    });
  const sunkBy = ({ gapCm, chestCm }: FoldedTrunk) =>
    Math.max((built.forehead ?? 0) - gapCm, (built.chest ?? 0) - chestCm);
  return folded(firstZero((share) => sunkBy(folded(share)), 1, 0, CLOSE));
}
/** Of the whole fold, and in centimetres. */
const CLOSE = 2e-4;

/** The height that the forehead asks for, over what it comes down on. */
export const foreheadNeed = ({ gapCm, over: { under } }: FoldedTrunk): SlotNeed => ({
  slot: 'forehead',
  side: 'both',
  rawCm: gapCm,
  over: under === 'floor' ? undefined : under,
});
/** The height that the breastbone asks for, over the floor. */
export const chestNeed = ({ chestCm }: FoldedTrunk): SlotNeed => ({
  slot: 'chest',
  side: 'both',
  rawCm: chestCm,
});

/** Half a skull, over the floor or over what it lies on. */
const SKULL_SHARE = 0.055;
const NECK_STEP_DEG = 3;

/** The head let down by the neck until it comes to lie, and never into what is under it. */
export function restedHead(trunk: FoldedTrunk, body: Body): ReturnType<typeof headFrom> {
  const leastY = Math.max(0, trunk.over.under === 'floor' ? 0 : trunk.over.cm);
  const at = (dropDeg: number) => headFrom(trunk.shoulder, body, trunk.endLeanDeg + dropDeg);
  let dropDeg = trunk.neckDropDeg;
  while (dropDeg > -30 && at(dropDeg).head[1] < leastY + SKULL_SHARE * body.statureCm)
    dropDeg -= NECK_STEP_DEG;
  return at(dropDeg);
}

/** Spine, head and near arm of a folded figure, the hand going to a place. */
export function upperFigure(
  { body }: FamilyInput,
  trunk: FoldedTrunk,
  hand: Point,
  elbowSide: 1 | -1,
): Upper {
  return upperFrom(
    foldedSpine(trunk, body),
    restedHead(trunk, body),
    armToward(trunk.shoulder, hand, body, elbowSide),
  );
}

/**
 * Why forehead and chest rest as high as they do, shared by every fold; null for another slot.
 *
 * @param legsBeneath whether what does not rest on the legs stands over them.
 */
export function foldWhy(
  { slot, rawCm, over = 'floor' }: SlotNeed,
  highestCm: number,
  legsBeneath = false,
): readonly HeightReason[] | null {
  if (slot === 'chest') return [{ code: 'fold-chest', cm: rawCm }];
  if (slot !== 'forehead') return null;
  const overLegs = legsBeneath && over === 'floor';
  return [
    {
      code: 'fold-forehead',
      cm: rawCm,
      over,
      tooHigh: rawCm > highestCm + fold.headLetsDown.value,
      ...(overLegs ? { overLegs } : {}),
    },
  ];
}
