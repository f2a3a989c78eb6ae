import { movesBetween } from '../advise/order';
import { clamp } from '../angles';
import type { Session, SessionPose } from '../formats/book';
import { lesson as parameter } from '../parameters';
import { poseById } from '../poses/poses';

/** Lines of the way in that are said of a pose, at the least. */
const LEAST_LINES = 2;

/** How long the way into a pose usually takes, in seconds; on the second side it is known. */
export function enterSeconds(
  { pose, way = '' }: { readonly pose: string; readonly way?: string },
  isOtherSide: boolean,
): number {
  const known = poseById(pose);
  const entry = known?.ways?.find(({ id }) => id === way)?.entry ?? known?.entry ?? [];
  return (
    Math.max(LEAST_LINES, entry.length) *
    parameter.perLine.value *
    (isOtherSide ? parameter.otherSide.value : 1)
  );
}

/** How long carrying and folding so many pieces usually takes, in seconds. */
export const carrySeconds = (moves: number): number => moves * parameter.perPiece.value;

const layIn = (outcome: SessionPose | undefined) => ({
  slots: (outcome?.settled ?? []).map(({ pieces }) => ({ stack: pieces })),
});

/** A setting up that took so many times as long was something else: a talk, a telephone. */
const MOST_TIMES = 4;

/**
 * How long this student's setting up takes against what is usual: 1 before any was timed; what was timed counts the
 * more the more there is of it.
 */
export function paceOf(sessions: readonly Session[]): number {
  const known = parameter.paceKnown.value;
  let [took, usual] = [known, known];
  for (const { poses } of sessions)
    for (const [i, outcome] of poses.entries()) {
      const before = poses[i - 1];
      const expected =
        carrySeconds(movesBetween(layIn(before), layIn(outcome))) +
        enterSeconds(outcome, before?.pose === outcome.pose && before.side !== outcome.side);
      const { setUpSeconds } = outcome;
      if (setUpSeconds === undefined || setUpSeconds > MOST_TIMES * expected) continue;
      took += setUpSeconds;
      usual += expected;
    }
  return clamp(took / usual, parameter.paceLeast.value, parameter.paceMost.value);
}
