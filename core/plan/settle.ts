import { choicesFor, type Choices } from '../approaches/approaches';
import { bodyFrom, type Body } from '../body/body';
import type { Person } from '../formats/book';
import { families } from '../geometry/families';
import type { Family, Settings } from '../geometry/family';
import { poseById } from '../poses/poses';
import type { Pose } from '../poses/pose';
import type { Shelf } from '../props/shelf';
import { settingsFor } from '../safety/settings';
import { verdictOn, type Verdict } from '../safety/verdict';

/** A pose made ready for one student: what was chosen, what the cautions say, and what both settle. */
export interface Settled {
  readonly pose: Pose;
  readonly family: Family;
  readonly body: Body;
  readonly choices: Choices;
  readonly verdict: Verdict;
  readonly settings: Settings;
}

/** The pose of an id, or an error that names it. */
export function poseOr(id: string): Pose {
  const pose = poseById(id);
  if (!pose) throw new RangeError(`no pose is called ${id}`);
  return pose;
}

/** Seat of the first chair on the shelf. */
const chairSeatCm = (shelf: Shelf): number | undefined => shelf.find(({ kind, count }) => kind === 'chair' && count > 0)?.states[0]?.heightCm;

export function settlePose(person: Person, poseId: string, shelf: Shelf): Settled {
  const pose = poseOr(poseId);
  const choices = choicesFor(person.approach, person.choices, poseId);
  const verdict = verdictOn(poseId, person.cautions);
  return { pose, family: families[pose.family], body: bodyFrom(person.statureCm, person.bodyCm), choices, verdict, settings: settingsFor(choices, verdict.changes, chairSeatCm(shelf)) };
}
