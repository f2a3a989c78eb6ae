import { choicesFor, wayKey, type Choices, type QuestionId } from '../approaches/approaches';
import { bodyFrom, type Body } from '../body/body';
import type { Person } from '../formats/book';
import { families } from '../geometry/families';
import type { Family, FamilyInput, PoseSettings } from '../geometry/family';
import { pelvisTarget, workingShare } from '../parameters';
import { poseById, type Pose } from '../poses/poses';
import type { ReadingSide } from '../ranges/ranges';
import { isMade } from '../props/kinds';
import type { Shelf } from '../props/shelf';
import type { PoseChange } from '../safety/changes';
import { settingsFor } from '../safety/settings';
import { verdictOn, wayAllowed, type Verdict } from '../safety/verdict';

/** A pose made ready for one student: what was chosen, what the cautions say, and what both settle. */
export interface Prepared {
  readonly pose: Pose;
  readonly family: Family;
  readonly body: Body;
  readonly choices: Choices;
  readonly verdict: Verdict;
  readonly settings: PoseSettings;
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

/** The way in which a pose is set up: the student's own, else what approach or body speak for, else the first. */
function wayFor(
  { pose, family, body, choices, settings }: Prepared,
  { cautions }: Pick<Person, 'cautions'>,
  input: Pick<FamilyInput, 'values' | 'side'>,
  own: string | undefined,
) {
  const ways = (pose.ways ?? []).filter((way) => wayAllowed(pose, way, input.side, cautions));
  const asked = ways.find(({ id }) => id === own);
  if (asked) return asked.id;
  const answered = ways.find(({ proposedIf }) => {
    const [question, answer] = proposedIf?.split('=') ?? [];
    return question !== undefined && choices[question as QuestionId] === answer;
  });
  return answered?.id ?? family.way?.({ body, settings, ...input }) ?? ways[0]?.id ?? '';
}

/** A prepared pose as this body does it: its own pelvis, and the way in which it is set up for it. */
export function inItsWay(
  ready: Prepared,
  person: Person,
  input: Pick<FamilyInput, 'values' | 'side'>,
): Prepared {
  const prepared = onItsPelvis(ready, input.values['pelvicTilt.sits']);
  if (!prepared.pose.ways) return prepared;
  const way = wayFor(prepared, person, input, person.choices[wayKey(prepared.pose.id)]);
  return { ...prepared, settings: { ...prepared.settings, way } };
}

/** What the approach asks of a pelvis is asked of this one, from where it sits well by itself. */
function onItsPelvis(prepared: Prepared, sitsDeg: number | undefined): Prepared {
  const usualDeg = pelvisTarget.neutral.value;
  if (sitsDeg === undefined || sitsDeg === usualDeg) return prepared;
  const { settings } = prepared;
  return {
    ...prepared,
    settings: {
      ...settings,
      pelvisTargetDeg: settings.pelvisTargetDeg + sitsDeg - usualDeg,
      sitsDeg,
    },
  };
}

/** PoseSettings with nothing kept in hand: what a body can just do, and under which it says so. */
export const atTheEdge = (settings: PoseSettings): PoseSettings => ({
  ...settings,
  kneeMarginDeg: 0,
  share: workingShare.edge.value,
});

/**
 * Makes a pose ready for one student on one side.
 *
 * @throws RangeError for a pose that nobody knows.
 */
export function preparePose(
  person: Person,
  poseId: string,
  side: ReadingSide,
  shelf: Shelf,
): Prepared {
  const pose = poseOr(poseId);
  const choices = choicesFor(person.approach, person.choices, poseId);
  const asked = verdictOn(pose, side, person.cautions, choices);
  // Marked very mobile by the teacher: mid-range, as the caution of that name has it.
  const verdict = person.veryMobile
    ? { ...asked, changes: new Set<PoseChange>([...asked.changes, 'mid-range']) }
    : asked;
  return {
    pose,
    family: families[pose.family],
    body: bodyFrom(person.statureCm, person.bodyCm),
    choices,
    verdict,
    settings: settingsFor(choices, verdict.changes, chairSeatCm(shelf)),
  };
}
