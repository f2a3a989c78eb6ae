import { wentWell, type Earlier } from '../adapt/decide';
import type { HeightEvidence } from '../adapt/offset';
import type { Session, SessionPose, Settled } from '../formats/book';
import { dayOf } from '../formats/time';
import { sidelessKey, slotKey } from '../geometry/family';

/** Earlier times of one pose on one side, oldest first, before today. */
export function earlierTimes(sessions: readonly Session[], pose: string, side: SessionPose['side'], today: string): Earlier[] {
  return sessions
    .filter(({ at }) => dayOf(at) < dayOf(today))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
    .flatMap(({ at, poses }) => poses.filter((one) => one.pose === pose && one.side === side).map((outcome) => ({ at, outcome })));
}

export const settledAt = (outcome: SessionPose, key: string): Settled | undefined => outcome.settled.find((one) => slotKey(one) === key);

/** What one earlier time says of a slot's height, against the height reckoned for that day. */
export function evidenceOf(outcome: SessionPose, key: string, reckonedCm: number, goesUp: string | null): HeightEvidence[] {
  const settled = settledAt(outcome, key);
  if (!settled) return [];
  const overReckonedCm = settled.heightCm - reckonedCm;
  if (outcome.overruled) return [{ says: 'settled', overReckonedCm }];
  if (wentWell(outcome)) return [{ says: 'enough', overReckonedCm }];
  // Only the slot that what was felt points at is too low; of the others nothing is known.
  if (goesUp !== null && sidelessKey(goesUp) === sidelessKey(key)) return [{ says: 'tooLow', overReckonedCm }];
  return [];
}

