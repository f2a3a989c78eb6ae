import { wentWell, type Earlier } from '../adapt/decide';
import type { HeightEvidence } from '../adapt/offset';
import type { Session, SessionPose, Settled } from '../formats/book';
import { offset as parameter } from '../parameters';
import { dayOf, type LocalDay, inTime } from '../formats/time';
import { sidelessKey, slotKey } from '../geometry/family';
import { groupedBy } from '../grouped';

/** Earlier times of every pose and side before today, oldest first; ask for one with `earlierOf`. */
export type History = ReadonlyMap<string, readonly Earlier[]>;

export function historyBefore(sessions: readonly Session[], today: LocalDay): History {
  const before = inTime(sessions.filter((one) => dayOf(one.at) < dayOf(today)));
  const times = before.flatMap(({ at, poses }) =>
    poses.map((outcome): Earlier => ({ at, outcome })),
  );
  return groupedBy(times, ({ outcome: { pose, side } }) => `${pose}/${side}`);
}

const NEVER: readonly Earlier[] = [];
export const earlierOf = (
  history: History,
  pose: string,
  side: SessionPose['side'],
): readonly Earlier[] => history.get(`${pose}/${side}`) ?? NEVER;

export const settledAt = (outcome: SessionPose, key: string): Settled | undefined =>
  outcome.settled.find((one) => slotKey(one) === key);

/** What one earlier time says of a slot's height, against the height reckoned for that day. */
export function evidenceOf(
  outcome: SessionPose,
  key: string,
  reckonedCm: number,
  goesUp: string | null,
): HeightEvidence[] {
  const settled = settledAt(outcome, key);
  if (!settled) return [];
  const overReckonedCm = settled.heightCm - reckonedCm;
  if (outcome.overruled) return [{ says: 'settled', overReckonedCm }];
  // What was hardly felt would have been enough a little lower, too.
  if (wentWell(outcome))
    return [
      {
        says: 'enough',
        overReckonedCm:
          outcome.feeling.strength <= parameter.faintFeeling.value
            ? overReckonedCm - parameter.faintRoom.value
            : overReckonedCm,
      },
    ];
  // Only the slot that what was felt points at is too low; of the others nothing is known.
  if (goesUp !== null && sidelessKey(goesUp) === sidelessKey(key))
    return [{ says: 'tooLow', overReckonedCm }];
  return [];
}
