import type { CautionAnswer, Person } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { placeKey, placesOf, poseIdAt } from '@/core/advise/order';
import { isMoved } from '@/core/lies';
import { slotKey } from '@/core/slots';
import { matReconsidered, type Mat } from '@/store/mat';
import { doable } from './session';

/** One answer that a plan was made with: a yes, its side, and whether a written go-ahead stands beside it. */
const answerOf = ({ id, side, goAheadAt }: CautionAnswer) =>
  [id, side ?? '', goAheadAt ? 'go-ahead' : ''].join('/');
/** What was answered with yes, in an order of its own. */
export const answersOf = ({ cautions }: Pick<Person, 'cautions'>): string[] =>
  cautions
    .filter(({ answer }) => answer === 'yes')
    .map(answerOf)
    .sort();
export const sameAnswers = (one: readonly string[], other: readonly string[]) =>
  one.join(' ') === other.join(' ');
/** The caution of an answer, its side, and whether a go-ahead stands beside it. */
export function readAnswer(answer: string) {
  const [id = '', side = '', goAhead = ''] = answer.split('/');
  return { id, side, hasGoAhead: goAhead !== '' };
}

/** Whether two plans of one pose build the same. */
function buildsAlike(one: PlanPose, other: PlanPose): boolean {
  const heights = new Map(one.slots.map((slot) => [slotKey(slot), slot.stackCm]));
  return (
    one.way === other.way &&
    one.slots.length === other.slots.length &&
    other.slots.every((slot) => !isMoved((heights.get(slotKey(slot)) ?? -1) - slot.stackCm))
  );
}

/**
 * What a session becomes once something about health was answered while it ran: what may no longer be done goes out of
 * what is still to come, the rest is as it is planned now.
 *
 * @param before The pose on the mat as it was planned before the answer; null where that is not known.
 */
export function reconsidered(
  mat: Mat,
  plan: Plan,
  person: Pick<Person, 'cautions'>,
  before: PlanPose | null,
) {
  const offered = doable(plan);
  const may = new Set(offered.map(placeKey));
  const coming = mat.poses.slice(mat.at);
  const otherPlaces = (key: string) => placesOf([poseIdAt(key)], offered);
  /** A pose whose sides are now built apart, or together, goes on as these, once. */
  const parted = new Set<string>();
  const poses = coming.flatMap((key) => {
    if (may.has(key)) return [key];
    if (parted.has(poseIdAt(key))) return [];
    parted.add(poseIdAt(key));
    return otherPlaces(key);
  });
  const leftOut = [
    ...new Set(
      coming.filter((key) => !may.has(key) && otherPlaces(key).length === 0).map(poseIdAt),
    ),
  ];
  const [current] = coming;
  const goesOn = current !== undefined && poses[0] === current;
  const planned = plan.poses.find((one) => placeKey(one) === current);
  return matReconsidered({
    answers: answersOf(person),
    changed: changedAnswers(mat.answers ?? [], answersOf(person)),
    poses,
    leftOut,
    outOf: current !== undefined && !goesOn ? poseIdAt(current) : null,
    isAlike: goesOn && planned !== undefined && before !== null && buildsAlike(before, planned),
  });
}

/** Answers that came, and those that went: `+` and `-` before them. */
const changedAnswers = (was: readonly string[], is: readonly string[]): string[] => [
  ...is.filter((one) => !was.includes(one)).map((one) => `+${one}`),
  ...was.filter((one) => !is.includes(one)).map((one) => `-${one}`),
];
