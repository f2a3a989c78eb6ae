import type { Entry } from './ics';

/** What writes calendars comes when one is saved. */
export const calendarOf = async (
  entries: readonly Entry[],
  zone: string,
  at: string,
): Promise<string> => (await import('./ics')).calendarOf(entries, zone, at);
