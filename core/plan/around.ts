import type { PlanPose } from '../formats/plan';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import type { ReadingSide } from '../ranges/ranges';
import type { StudentContext } from './context';
import { isPlainToday, servesToday, waitsToday } from './servesToday';

/**
 * What comes before and after a pose, what is easier and harder: for this student, today. Nothing that is refused or
 * still behind its gate is named; where none of several is open, what serves in the place of one is. Of several those
 * are named that no caution speaks of, or what is easier than they are; nothing that waits for a go-ahead, but
 * around a pose that waits itself; and nothing harder that a caution speaks of, nor where today is to be easier, nor to
 * somebody who is to go no further.
 *
 * @param of whether the pose waits for a go-ahead itself, and whether it may be gone on from.
 */
export function aroundOf(
  pose: Pose,
  side: ReadingSide,
  context: StudentContext,
  { waits, goesOn }: { readonly waits: boolean; readonly goesOn: boolean },
): PlanPose['around'] {
  const serves = (id: PoseId) => {
    const one = servesToday([id], side, context, [pose.id]);
    return one !== null && !waits && waitsToday(one, side, context) ? null : one;
  };
  const isPlain = (id: PoseId) => isPlainToday(id, side, context);
  const isDone = (id: PoseId) => id !== pose.id && warms(id) && serves(id) === id && isPlain(id);
  const open = (ids: readonly PoseId[]) => ids.filter((id) => serves(id) === id);
  const orServing = (ids: readonly PoseId[]) => {
    const all = open(ids);
    if (all.length === 0) {
      const serving = ids.flatMap((id) => serves(id) ?? []);
      const gentler = ids.flatMap((id) => gentlerThan(id, isDone));
      return [...new Set([...serving, ...gentler])].slice(0, 1);
    }
    const plain = all.filter(isPlain);
    if (plain.length > 0) return plain;
    const gentler = all.flatMap((id) => gentlerThan(id, isDone));
    return gentler.length > 0 ? [...new Set(gentler)] : all;
  };
  return {
    before: orServing(pose.warmUps),
    after: orServing(pose.counterposes),
    easier: pose.easier ? serves(pose.easier) : null,
    harder:
      pose.harder && goesOn && !context.veryMobile
        ? (open([pose.harder]).find(isPlain) ?? null)
        : null,
  };
}

/** Sitting on a chair and lying at rest warm nothing. */
const warms = (id: PoseId) => poseById(id)?.family !== 'chair seat' && !poseById(id)?.hold.isRest;

/** The first of what is easier, step by step, that will do. */
function gentlerThan(id: PoseId, isDone: (id: PoseId) => boolean): readonly PoseId[] {
  const passed = new Set<PoseId>();
  let next = poseById(id)?.easier;
  while (next && !passed.has(next)) {
    if (isDone(next)) return [next];
    passed.add(next);
    next = poseById(next)?.easier;
  }
  return [];
}

/** Of a pose that is not done today. */
export const nothingAround: PlanPose['around'] = {
  before: [],
  after: [],
  easier: null,
  harder: null,
};
