import { beliefOf, type Estimates } from '../estimate/estimate';
import type { Person } from '../formats/book';
import { meansOf } from '../geometry/band';
import type { Built, Figure } from '../geometry/family';
import { bestStacks, rungAbove, rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import { slotRule } from '../props/slots';
import { piecesMoved, type SlotRule, type Stack, type Used } from '../props/stack';
import type { ReadingSide } from '../ranges/ranges';
import { MOST_SLACK_CM, mostCmAt } from './limits';
import { inItsWay, preparePose } from './prepare';
import type { SlotId } from '../slots';

/** One student in one pose on one side, with the shelf at hand. */
export interface InPose {
  readonly person: Person;
  readonly pose: string;
  readonly side: ReadingSide;
  readonly shelf: Shelf;
}

/** The figure of a student in a pose on any heights: what a dragged or moved support does to pelvis, back and knees. */
export function solveFigure(
  { person, pose, side, shelf }: InPose,
  estimates: Estimates,
  built: Built,
): Figure {
  const values = meansOf(beliefOf(estimates));
  const prepared = preparePose(person, pose, side, shelf);
  const { family, body, settings } = inItsWay(prepared, person, { values, side });
  return family.figure({ body, values, settings, side }, built);
}

function ruleFor(
  { person, pose: id, side, shelf }: InPose,
  slot: SlotId,
): { rule: SlotRule; mostCm: number } {
  const { pose, body } = preparePose(person, id, side, shelf);
  const key = slot === 'back' ? 'back.high' : slot;
  return { rule: slotRule(slot, pose.family, body), mostCm: mostCmAt(pose, key) + MOST_SLACK_CM };
}

/** The stack that comes nearest to a height that is being tried, of what the pose's other slots leave on the shelf. */
export function nearestStack(
  inPose: InPose,
  slot: SlotId,
  targetCm: number,
  used: Used = {},
): Stack {
  const { rule, mostCm } = ruleFor(inPose, slot);
  return (
    bestStacks(inPose.shelf, rule, { targetCm, used }, 0, mostCm)[0] ?? {
      pieces: [],
      heightCm: 0,
    }
  );
}

/** One step down and one step up from what lies in a slot, in pieces that the pose's other slots leave; undefined where there are none. */
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
  const wish = { targetCm: lying.heightCm, used };
  return bestStacks(inPose.shelf, rule, wish, 0, mostCm).filter(
    ({ pieces, heightCm }) =>
      pieces.length > 0 && heightCm > 0 && piecesMoved(lying.pieces, pieces) > 0,
  );
}
