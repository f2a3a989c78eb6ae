import type { Session } from '../formats/book';
import { commonestPoses } from '../poses/poses';

/** The poses that a student does: what was on the mat before, with the commonest five until that is as many. */
export function practisedPoses(sessions: readonly Session[]): ReadonlySet<string> {
  const done = new Set(sessions.flatMap(({ poses }) => poses.map(({ pose }) => pose)));
  return done.size >= commonestPoses.length ? done : new Set([...done, ...commonestPoses]);
}
