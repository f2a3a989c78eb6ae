import { dayOf, daysBetween, shiftDays, type LocalDay } from '../formats/time';

/** Readings older than this are worth another look, in days; so long away is long. */
const OLD_READING_DAYS = 42;
const LONG_AWAY_DAYS = 21;

/** Whether somebody who was last read then, or never, is due for a reading. */
export const isDueForReading = (readAt: string | undefined, today: LocalDay): boolean =>
  readAt === undefined || daysBetween(dayOf(readAt), today) >= OLD_READING_DAYS;

/** The day on which somebody who was last read then, or never, is due for a reading: today where that has passed. */
export function nextReading(readAt: string | undefined, today: LocalDay): LocalDay {
  const due = readAt === undefined ? today : shiftDays(dayOf(readAt), OLD_READING_DAYS);
  return due > today ? due : today;
}

/** Whether somebody who was last here then has not been here for long; who never was is not missed. */
export const isLongAway = (hereAt: string | undefined, today: LocalDay): boolean =>
  hereAt !== undefined && daysBetween(dayOf(hereAt), today) >= LONG_AWAY_DAYS;
