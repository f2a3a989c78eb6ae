import { restsFor } from '../learn/decide';
import { earlierOf } from '../learn/evidence';
import { poseById, type Pose, type PoseId } from '../poses/poses';
import { preparePose, type Prepared } from '../prepare/prepare';
import { sides, type ReadingSide } from '../ranges/ranges';
import { slotKey } from '../slots';
import type { Led, Served, StudentContext } from './context';
import { shutBy } from './gate';

/** The sides on which a pose is done in the place of another that works this side. */
const sidesFor = (pose: Pose, side: ReadingSide): readonly ReadingSide[] => {
  if (pose.sides === 'both') return ['both'];
  return side === 'both' ? sides : [side];
};

/** Whether what carries it would have to stand higher than is sensible, as the ranges have it. */
const standsTooHigh = (
  { pose: { insteadOver }, family, body, settings }: Prepared,
  side: ReadingSide,
  { likely: values }: StudentContext,
): boolean =>
  insteadOver !== undefined &&
  family
    .heights({ body, values, settings, side })
    .some((need) => slotKey(need) === insteadOver.slot && need.rawCm > insteadOver.cm);

/** Where a pose leads on a side today: nowhere else, or to what serves in its place. */
function leadsTo(pose: Pose, side: ReadingSide, context: StudentContext): Led {
  const key = `${pose.id}/${side}`;
  const known = context.leads.get(key);
  if (known !== undefined) return known;
  const leads = lookUp(pose, side, context);
  context.leads.set(key, leads);
  return leads;
}

function lookUp(pose: Pose, side: ReadingSide, context: StudentContext): Led {
  const prepared = preparePose(context.record.person, pose.id, side, context.shelf);
  return {
    to: leadsOn(prepared, side, context),
    isPlain: prepared.verdict.status === 'offered',
    waits: prepared.verdict.status === 'ask-first',
  };
}

function leadsOn(
  prepared: Prepared,
  side: ReadingSide,
  context: StudentContext,
): readonly PoseId[] | null {
  const { pose } = prepared;
  const { status, candidates } = prepared.verdict;
  if (status === 'forbidden' || status === 'instead') return candidates;
  if (pose.gate && shutBy(pose.gate, pose, side, context).length > 0)
    return [pose.gate.instead as PoseId];
  // What rests after an alarm is nobody's warm-up.
  const last = earlierOf(context.history, pose.id, side).at(-1);
  if (restsFor(last, context.today) !== null) return pose.easier ? [pose.easier] : [];
  return pose.insteadOver && standsTooHigh(prepared, side, context)
    ? [pose.insteadOver.pose]
    : null;
}

/** Whether no caution speaks of a pose on a side. */
export function isPlainToday(id: PoseId, side: ReadingSide, context: StudentContext): boolean {
  const pose = poseById(id);
  return (
    pose !== undefined && sidesFor(pose, side).every((one) => leadsTo(pose, one, context).isPlain)
  );
}

/** Whether a pose waits for a written go-ahead on a side. */
export function waitsToday(id: PoseId, side: ReadingSide, context: StudentContext): boolean {
  const pose = poseById(id);
  return (
    pose !== undefined && sidesFor(pose, side).some((one) => leadsTo(pose, one, context).waits)
  );
}

/**
 * The first of some poses that this student can do today; one that is refused, still behind its gate, or would stand
 * too high leads on to what serves in its place.
 *
 * @param side the side that is worked; both where a pose without sides is replaced.
 * @param passed poses that were already passed by.
 */
export function servesToday(
  candidates: readonly PoseId[],
  side: ReadingSide,
  context: StudentContext,
  passed: readonly PoseId[] = [],
): PoseId | null {
  const serves = firstOpen(candidates, side, context, passed);
  context.asked.push({ candidates, side, passed, serves });
  return serves;
}

/** Whether all that was asked of other poses has the same answer still. */
export const servesStill = (asked: readonly Served[], context: StudentContext): boolean =>
  asked.every(
    ({ candidates, side, passed, serves }) =>
      firstOpen(candidates, side, context, passed) === serves,
  );

function firstOpen(
  candidates: readonly PoseId[],
  side: ReadingSide,
  context: StudentContext,
  passed: readonly PoseId[],
): PoseId | null {
  for (const id of candidates) {
    const pose = poseById(id);
    if (!pose || passed.includes(id)) continue;
    const leads = sidesFor(pose, side).flatMap((one) => {
      const { to } = leadsTo(pose, one, context);
      return to === null ? [] : [to];
    });
    if (leads.length === 0) return id;
    const further = firstOpen(leads.flat(), side, context, [...passed, id]);
    if (further !== null) return further;
  }
  return null;
}
