import { saveFile } from '../data/files';
import { nowIso } from '../hooks';
import type { Entry } from './ics';
import { calendarOf } from './lateIcs';

/** Hands entries to the person as a file that calendars take in, in the hours of this device's place. */
export async function saveCalendar(name: string, entries: readonly Entry[]): Promise<void> {
  // Where a device does not tell its place, hours are those of UTC.
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  saveFile(`${name}.ics`, [await calendarOf(entries, zone, nowIso())], 'text/calendar');
}
