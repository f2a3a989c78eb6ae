import { beliefOf, type Estimates } from '../estimate/estimate';
import type { Person } from '../formats/book';
import { meansOf } from '../geometry/band';
import type { Built, Figure } from '../geometry/family';
import { bestStacks, rungAbove, rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import { purposeOf, slotRule } from '../props/slots';
import { piecesMoved, stackFaults, type SlotRule, type Stack, type Used } from '../props/stack';
import type { ReadingSide } from '../ranges/ranges';
import { MOST_SLACK_CM, mostCmAt } from '../prepare/limits';
import { movesOf, type DialSetting, type DialValues } from '../dials';
import type { PlanPose } from '../formats/plan';
import { dialled } from '../prepare/dial';
import { poseOr, preparePose } from '../prepare/prepare';
import { inItsWay, inWay } from '../prepare/ways';
import { withTaught, type Taught } from '../learn/taught';
import { slotKey, slotRefOf, type SlotId, type SlotKey } from '../slots';

/** One student in one pose on one side, with the shelf at hand. */
export interface InPose {
  readonly person: Person;
  readonly pose: string;
  readonly side: ReadingSide;
  readonly shelf: Shelf;
  /** How far each dial stands from what is reckoned; nowhere when left out. */
  readonly moves?: DialValues;
  /** The way in which it is set up; it decides what may lie in a slot. */
  readonly way?: string;
  /** What the mat has shown of this body in this pose; the figure is drawn with it. */
  readonly taught?: Taught;
}

/** A student in a planned pose, with the dials as they are planned or as they are set now. */
export const inPoseOf = (
  person: Person,
  { pose, side, way, dials, taught }: Pick<PlanPose, 'pose' | 'side' | 'way' | 'dials' | 'taught'>,
  shelf: Shelf,
  set: readonly DialSetting[] = dials,
): InPose => ({ person, pose, side, way, shelf, taught, moves: movesOf(set) });

/** The figure of a student in a pose on any heights: what a dragged or moved support does to pelvis, back and knees. */
export function solveFigure(inPose: InPose, estimates: Estimates, built: Built): Figure {
  const { family, ...input } = likelyIn(inPose, estimates);
  return family.figure({ ...input, values: withTaught(input.values, inPose.taught ?? {}) }, built);
}

/** A student in a pose as the most likely body stands in it, with its dials where they are set. */
function likelyIn({ person, pose, side, shelf, moves, way }: InPose, estimates: Estimates) {
  const values = meansOf(beliefOf(estimates));
  const wanted = { person, pose, side, shelf, values };
  const prepared = way === undefined ? inItsWay(wanted) : inWay(wanted, way);
  const { family, body, settings, dials } = dialled(prepared, { values, side }, moves);
  return { family, body, settings, values, side, dials };
}

/**
 * Heights that the most likely body asks for in a pose, by slot key, in cm over what it stands on; under 0 nothing is
 * needed.
 *
 * @param built heights that lie there, for what follows them; left out where nothing is built yet.
 */
export function heightsIn(
  inPose: InPose,
  estimates: Estimates,
  built?: Built,
): ReadonlyMap<SlotKey, number> {
  const { family, ...input } = likelyIn(inPose, estimates);
  const follows = built ? (family.afterBuilt?.(input, built) ?? []) : [];
  return new Map([...family.heights(input), ...follows].map((need) => [slotKey(need), need.rawCm]));
}

/** Whether a slot of a pose fills a gap that others leave. */
const fills = ({ pose }: InPose, key: SlotKey) =>
  purposeOf(slotRefOf(key).slot, poseOr(pose).family) === 'fill';

/** The dials of a student in a pose, as they are reckoned and as they are moved. */
export const dialsIn = (inPose: InPose, estimates: Estimates): readonly DialSetting[] =>
  likelyIn(inPose, estimates).dials;

/**
 * How much higher or lower a pose asks for what fills a gap once its dials are moved, by slot key. What carries, tilts
 * or is reached for stays as it lies: hands on the same blocks is what makes bent knees an ease.
 *
 * @param before how far each dial stood from what is reckoned.
 */
export function followsDials(
  inPose: InPose,
  estimates: Estimates,
  built: Built,
  before: DialValues,
): ReadonlyMap<SlotKey, number> {
  const then = heightsIn({ ...inPose, moves: before }, estimates, built);
  const now = heightsIn({ ...inPose, moves: inPose.moves ?? {} }, estimates, built);
  return new Map(
    [...now].flatMap(([key, cm]) => {
      const movedCm = cm - (then.get(key) ?? cm);
      return fills(inPose, key) && Math.abs(movedCm) > 0.01 ? [[key, movedCm] as const] : [];
    }),
  );
}

/** Heights that fill the gaps left by what carries, as it is built, in cm by slot key. */
export function fillsOn(
  inPose: InPose,
  estimates: Estimates,
  built: Built,
): ReadonlyMap<SlotKey, number> {
  return new Map(
    [...heightsIn(inPose, estimates, built)]
      .filter(([key]) => fills(inPose, key))
      .map(([key, cm]) => [key, Math.max(0, cm)]),
  );
}

/**
 * Whether a stack may lie in a slot of a pose beside what else is used there: its rules, and the most that anybody
 * builds.
 */
export function mayLie(inPose: InPose, slot: SlotId, stack: Stack, used: Used = {}): boolean {
  const { rule, mostCm } = ruleFor(inPose, slot);
  return (
    stack.heightCm <= mostCm && stackFaults(stack.pieces, inPose.shelf, rule, used).length === 0
  );
}

function ruleFor(
  { person, pose: id, side, shelf, way }: InPose,
  slot: SlotId,
): { rule: SlotRule; mostCm: number } {
  const { pose, body } = preparePose(person, id, side, shelf);
  const key = slot === 'back' ? 'back.high' : slot;
  return {
    rule: slotRule(slot, pose.family, body, way),
    mostCm: mostCmAt(pose, key) + MOST_SLACK_CM,
  };
}

/** The stack that comes nearest to a height that is being tried, of what the pose's other slots leave on the shelf. */
export function nearestStack(
  inPose: InPose,
  slot: SlotId,
  targetCm: number,
  used: Used = {},
): Stack {
  return stacksNear(inPose, slot, targetCm, used)[0] ?? { pieces: [], heightCm: 0 };
}

/** Stacks that may lie in a slot and come nearest to a height, the best first, of what the other slots leave. */
export function stacksNear(
  inPose: InPose,
  slot: SlotId,
  targetCm: number,
  used: Used = {},
): Stack[] {
  const { rule, mostCm } = ruleFor(inPose, slot);
  return bestStacks(inPose.shelf, rule, { targetCm, used, mostCm });
}

/**
 * One step down and one step up from what lies in a slot, in pieces that the pose's other slots leave; undefined where
 * there are none.
 */
export function rungsFrom(
  inPose: InPose,
  slot: SlotId,
  lying: Stack,
  used: Used = {},
): { below: Stack | undefined; above: Stack | undefined } {
  const { rule, mostCm } = ruleFor(inPose, slot);
  return {
    below: rungBelow(inPose.shelf, rule, lying, used),
    above: rungAbove(inPose.shelf, rule, lying, used, { mostCm }),
  };
}

/** Other pieces for about the height that lies in a slot, the best first, of what the pose's other slots leave. */
export function otherStacks(inPose: InPose, slot: SlotId, lying: Stack, used: Used = {}): Stack[] {
  const { rule, mostCm } = ruleFor(inPose, slot);
  const wish = { targetCm: lying.heightCm, used, mostCm };
  return bestStacks(inPose.shelf, rule, wish).filter(
    ({ pieces, heightCm }) =>
      pieces.length > 0 && heightCm > 0 && piecesMoved(lying.pieces, pieces) > 0,
  );
}
