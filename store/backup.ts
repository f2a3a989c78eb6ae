import { dayOf, daysBetween, shiftDays, type LocalDay } from '@/core/formats/time';
import type { Mark } from './spare';

/** So many changes, or a change that is so old, and it is time for a backup; put off, it is asked again after a while. */
export const BACKUP_AFTER_CHANGES = 60;
export const BACKUP_AFTER_DAYS = 14;
const ASK_AGAIN_DAYS = 7;

/** What is told of backups: when the last one was saved, and what changed since. */
export interface BackupTold {
  readonly exportedAt: string | null;
  readonly changes: number;
  readonly isDue: boolean;
}

export function backupTold(mark: Mark | null, today: LocalDay): BackupTold {
  const { exportedAt = null, changes = 0, changedAt, askAfter } = mark ?? {};
  const isOld =
    changedAt !== undefined && daysBetween(dayOf(changedAt), today) >= BACKUP_AFTER_DAYS;
  const isPutOff = askAfter !== undefined && today < askAfter;
  return {
    exportedAt,
    changes,
    isDue: changes > 0 && (changes >= BACKUP_AFTER_CHANGES || isOld) && !isPutOff,
  };
}

/** A mark after one more change. */
export const withChange = (before: Mark | null, at: string): Partial<Mark> => ({
  changes: (before?.changes ?? 0) + 1,
  changedAt: before?.changedAt ?? at,
});

/** A mark by which it is asked again in a week. */
export const putOff = (mark: Mark, today: LocalDay): Mark => ({
  ...mark,
  askAfter: shiftDays(today, ASK_AGAIN_DAYS),
});
