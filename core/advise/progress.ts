import type { Session, SessionPose } from '../formats/book';
import { dayOf, type LocalDay } from '../formats/time';
import { dialIds, type DialId } from '../dials';
import { triedOf } from '../learn/tried';
import { slotKey, type SlotKey } from '../slots';
import { isMoved, lies } from '../lies';

/** One time that a pose was done. */
export interface Time {
  readonly at: LocalDay;
  readonly outcome: SessionPose;
}

/** Where a support or a setting stood, time by time. */
export interface Course<Key extends string> {
  readonly key: Key;
  readonly steps: readonly {
    readonly at: LocalDay;
    /** Centimetres, or degrees for a setting of an angle. */
    readonly value: number;
    /** A joint spoke, or the pose was stopped. */
    readonly warned: boolean;
  }[];
}

/** The times that a pose was done on a side, the oldest first. */
export const timesOf = (
  sessions: readonly Session[],
  pose: string,
  side: SessionPose['side'],
): Time[] =>
  sessions.flatMap(({ at, poses }) =>
    poses
      .filter((one) => one.pose === pose && one.side === side)
      .map((outcome) => ({ at: dayOf(at), outcome })),
  );

/** Whether a time warned: a joint, a nerve, or a stop. */
export const warned = ({ feeling, stop }: SessionPose) =>
  stop !== undefined || feeling.place === 'joint' || feeling.place === 'nerve';

function coursesOf<Key extends string>(
  times: readonly Time[],
  valuesOf: (outcome: SessionPose) => readonly (readonly [Key, number])[],
): Course<Key>[] {
  const courses = new Map<Key, Course<Key>['steps'][number][]>();
  for (const { at, outcome } of times)
    for (const [key, value] of valuesOf(outcome)) {
      const steps = courses.get(key) ?? [];
      steps.push({ at, value, warned: warned(outcome) });
      courses.set(key, steps);
    }
  return [...courses].map(([key, steps]) => ({ key, steps }));
}

/** Heights of every support through time; one that never stood is left out. */
export const heightCourses = (times: readonly Time[]): Course<SlotKey>[] =>
  coursesOf(times, ({ settled }) =>
    settled.map((one) => [slotKey(one), one.heightCm] as const),
  ).filter(({ steps }) => steps.some(({ value }) => lies(value)));

/** A step that was tried within a visit. */
export interface TriedStep {
  readonly at: LocalDay;
  readonly value: number;
  readonly word: boolean;
}

/** Steps that were tried in a slot through time. */
export const triedIn = (times: readonly Time[], key: SlotKey): TriedStep[] =>
  times.flatMap(({ at, outcome }) =>
    triedOf(outcome, key).map(({ heightCm, word }) => ({ at, value: heightCm, word })),
  );

/** What was set of the pose itself through time: bend, width, length of the step. */
export const dialCourses = (times: readonly Time[]): Course<DialId>[] =>
  coursesOf(times, ({ dials = [] }) =>
    dials
      .filter(({ dial }) => dialIds.includes(dial))
      .map(({ dial, value }) => [dial, value] as const),
  );

/** A support that stood otherwise at the end of a span than at its beginning. */
export interface Moved {
  readonly pose: string;
  readonly side: SessionPose['side'];
  readonly slot: SlotKey;
  readonly fromCm: number;
  readonly toCm: number;
}

/** What moved over a span of sessions: from the first time in it to the last, for each support. */
export function movedIn(sessions: readonly Session[]): Moved[] {
  const places = new Set(
    sessions.flatMap(({ poses }) => poses.map(({ pose, side }) => `${pose}/${side}`)),
  );
  return [...places].flatMap((place) => {
    const [pose, side] = place.split('/') as [string, SessionPose['side']];
    return heightCourses(timesOf(sessions, pose, side)).flatMap(({ key, steps }): Moved[] => {
      const [fromCm, toCm] = [steps[0]?.value ?? 0, steps.at(-1)?.value ?? 0];
      return isMoved(toCm - fromCm) ? [{ pose, side, slot: key, fromCm, toCm }] : [];
    });
  });
}
