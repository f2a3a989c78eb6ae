import { choicesFor, type Choices } from '../approaches/approaches';
import { bodyFrom, type Body } from '../body/body';
import type { Person } from '../formats/book';
import { families } from '../geometry/families';
import type { Family, PoseSettings } from '../geometry/family';
import { kneeMargin, workingShare } from '../parameters';
import type { PoseWay } from '../poses/pose';
import { poseById, type Pose } from '../poses/poses';
import type { ReadingSide } from '../ranges/ranges';
import { isMade } from '../props/kinds';
import type { Shelf } from '../props/shelf';
import { changed, type PoseChange } from '../safety/changes';
import type { Reason } from '../reasons';
import { settingsFor } from '../safety/settings';
import { verdictOn, type Verdict } from '../safety/verdict';

/** A pose made ready for one student: what was chosen, what the cautions say, and what both settle. */
export interface Prepared {
  readonly pose: Pose;
  readonly family: Family;
  readonly body: Body;
  readonly choices: Choices;
  readonly verdict: Verdict;
  readonly settings: PoseSettings;
  /** What ruled out ways that come before the one that is taken. */
  readonly notTaken: readonly Reason<'way-not-taken'>[];
}

/** The pose of an id, or an error that names it. */
export function poseOr(id: string): Pose {
  const pose = poseById(id);
  if (!pose) throw new RangeError(`no pose is called ${id}`);
  return pose;
}

/** Seat of the first chair on the shelf. */
const chairSeatCm = (shelf: Shelf): number | undefined =>
  shelf.find(({ kind, count }) => isMade(kind, 'chair') && count > 0)?.states[0]?.heightCm;

/** PoseSettings with nothing to spare: what a body can just do, and under which it says so. */
export const atTheEdge = (settings: PoseSettings): PoseSettings => ({
  ...settings,
  kneeMarginDeg: 0,
  otherKneeMarginDeg: 0,
  share: workingShare.edge.value,
});

/**
 * What a support may come down to: the body's edge, and short of it what a caution keeps in hand beyond what is usual. Good
 * times do not use that up.
 */
export function comesDownTo({
  settings,
  verdict,
}: Pick<Prepared, 'settings' | 'verdict'>): PoseSettings {
  const least = changed(atTheEdge(settings), verdict.changes);
  return { ...least, kneeMarginDeg: Math.max(0, least.kneeMarginDeg - kneeMargin.usual.value) };
}

/**
 * Makes a pose ready for one student on one side.
 *
 * @param way the way that is taken: what it does to a body more than the pose is met by the cautions, too.
 * @throws RangeError for a pose that nobody knows.
 */
export function preparePose(
  person: Person,
  poseId: string,
  side: ReadingSide,
  shelf: Shelf,
  way?: PoseWay,
): Prepared {
  const pose = poseOr(poseId);
  const choices = choicesFor(person.approach, person.choices, poseId);
  const met = way?.also ? { ...pose, also: way.also } : pose;
  const asked = verdictOn(met, side, person.cautions, choices);
  // Marked very mobile by the teacher: mid-range, as the caution of that name has it.
  const verdict = person.veryMobile
    ? {
        ...asked,
        changes: new Set<PoseChange>([...asked.changes, 'mid-range']),
        kneeSide: 'both' as const,
      }
    : asked;
  const settled = settingsFor(choices, verdict.changes, chairSeatCm(shelf));
  const settings =
    verdict.kneeSide === 'both' ? settled : { ...settled, kneeMarginSide: verdict.kneeSide };
  return {
    pose,
    family: families[pose.family],
    body: bodyFrom(person.statureCm, person.bodyCm),
    // What a caution sets otherwise is told so, too.
    choices:
      settings.childKnees === choices.childKnees
        ? choices
        : { ...choices, childKnees: settings.childKnees },
    verdict,
    notTaken: [],
    settings,
  };
}
