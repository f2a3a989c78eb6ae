import type { Session } from '../formats/book';
import { commonestPoses } from '../poses/poses';

/** The poses that a student does: what was on the mat before, and the commonest five until there is something. */
export function practisedPoses(sessions: readonly Session[]): ReadonlySet<string> {
  const done = new Set(sessions.flatMap(({ poses }) => poses.map(({ pose }) => pose)));
  return done.size > 0 ? done : new Set(commonestPoses);
}
