import { choicesFor } from '../approaches/approaches';
import { bodyFrom } from '../body/body';
import { beliefOf, type Estimates } from '../estimate/estimate';
import type { Person } from '../formats/book';
import { meansOf } from '../geometry/band';
import { families } from '../geometry/families';
import type { Built, Family, Figure } from '../geometry/family';
import { poseById } from '../poses/poses';
import { bestStacks, rungAbove, rungBelow } from '../props/search';
import type { Shelf } from '../props/shelf';
import { slotRule, type SlotId } from '../props/slots';
import type { Stack } from '../props/stack';
import { settingsFor } from '../safety/settings';
import { verdictOn } from '../safety/verdict';

/** The figure of a student in a pose on any heights: what a dragged or moved support does to pelvis, back and knees. */
export function solveFigure(person: Person, estimates: Estimates, poseId: string, built: Built): Figure {
  const pose = poseById(poseId);
  if (!pose) throw new RangeError(`no pose is called ${poseId}`);
  const family: Family = families[pose.family];
  const settings = settingsFor(choicesFor(person.approach, person.choices), verdictOn(poseId, person.cautions).changes);
  return family.figure({ body: bodyFrom(person.statureCm, person.bodyCm), draw: meansOf(beliefOf(estimates)), settings }, built);
}

/** The stack of this shelf that comes nearest to a height that is being tried. */
export function nearestStack(person: Person, poseId: string, slot: SlotId, shelf: Shelf, targetCm: number): Stack {
  const pose = poseById(poseId);
  if (!pose) throw new RangeError(`no pose is called ${poseId}`);
  return bestStacks(shelf, slotRule(slot, pose.family, bodyFrom(person.statureCm, person.bodyCm)), { targetCm })[0] ?? { pieces: [], heightCm: 0 };
}

/** One step down and one step up from what lies in a slot, in pieces of this shelf; undefined where the shelf has none. */
export function rungsFrom(person: Person, poseId: string, slot: SlotId, shelf: Shelf, lying: Stack): { below: Stack | undefined; above: Stack | undefined } {
  const pose = poseById(poseId);
  if (!pose) throw new RangeError(`no pose is called ${poseId}`);
  const rule = slotRule(slot, pose.family, bodyFrom(person.statureCm, person.bodyCm));
  return { below: rungBelow(shelf, rule, lying), above: rungAbove(shelf, rule, lying) };
}
