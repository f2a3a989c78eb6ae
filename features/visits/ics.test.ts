import { convertIcsCalendar } from 'ts-ics';
import { shiftDays, type LocalDay } from '@/core/formats/time';
import { calendarOf, type Entry } from './ics';
import { clockChanges, utcOf, zoneOf } from './zone';

const AT = '2026-03-02T08:00:00+01:00';
const ZONES = ['Europe/Oslo', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'UTC'];
const weekly: Entry = {
  id: 'v1',
  words: 'Marit O.',
  on: '2026-01-08',
  time: '18:15',
  repeats: 'FREQ=WEEKLY;UNTIL=20261231',
  except: ['2026-04-02'],
};
const read = (entries: readonly Entry[], zone: string) =>
  convertIcsCalendar(undefined, calendarOf(entries, zone, AT));
const lines = (text: string) => text.replaceAll('\r\n ', '').split('\r\n');

test.each(ZONES)(
  '%s: another reader finds the same hours, before and after the clocks change',
  (zone) => {
    const { events = [], timezones = [] } = read([weekly], zone);
    expect(timezones.map(({ id }) => id)).toEqual([zone]);
    const [event] = events;
    expect(event!.start.date.getTime()).toBe(utcOf(zoneOf(zone), '2026-01-08', '18:15'));
    // A quarter past six on every Thursday, whatever the clocks do.
    for (let day: LocalDay = '2026-01-08'; day < '2027'; day = shiftDays(day, 7)) {
      const told = new Date(utcOf(zoneOf(zone), day, '18:15')).toLocaleTimeString('en-GB', {
        timeZone: zone,
        timeStyle: 'short',
      });
      expect(told).toBe('18:15');
    }
    // The last day of the year is still in it: told by UTC, as it must be.
    const until = event!.recurrenceRule!.until!.date;
    expect(until.getTime()).toBeGreaterThanOrEqual(utcOf(zoneOf(zone), '2026-12-31', '18:15'));
    expect(until.getTime()).toBeLessThan(utcOf(zoneOf(zone), '2027-01-01', '18:15'));
  },
);

test('clocks are told change by change, on the day and to the minute', () => {
  const oslo = clockChanges(zoneOf('Europe/Oslo'), Date.UTC(2026, 0, 1), Date.UTC(2027, 0, 1));
  expect(oslo.map(({ utcMs, ...one }) => [new Date(utcMs).toISOString(), one])).toEqual([
    ['2026-03-29T01:00:00.000Z', { fromMinutes: 60, toMinutes: 120 }],
    ['2026-10-25T01:00:00.000Z', { fromMinutes: 120, toMinutes: 60 }],
  ]);
  expect(clockChanges(zoneOf('Asia/Kolkata'), Date.UTC(2026, 0, 1), Date.UTC(2030, 0, 1))).toEqual(
    [],
  );
  const text = lines(calendarOf([weekly], 'Europe/Oslo', AT));
  expect(text).toContain('DTSTART;TZID=Europe/Oslo:20260108T181500');
  expect(text).toContain('EXDATE;TZID=Europe/Oslo:20260402T181500');
  expect(text.join('|')).toContain(
    'BEGIN:DAYLIGHT|DTSTART:20260329T020000|TZOFFSETFROM:+0100|TZOFFSETTO:+0200|END:DAYLIGHT',
  );
});

test('what has no hour is a day, and takes no time', () => {
  const text = lines(
    calendarOf([{ ...weekly, time: undefined, repeats: 'FREQ=DAILY;UNTIL=20260110' }], 'UTC', AT),
  );
  expect(text).toContain('DTSTART;VALUE=DATE:20260108');
  expect(text).toContain('EXDATE;VALUE=DATE:20260402');
  expect(text).toContain('RRULE:FREQ=DAILY;UNTIL=20260110');
  expect(text).toContain('TRANSP:TRANSPARENT');
  expect(text).not.toContain('BEGIN:VTIMEZONE');
});

test('names and commas come through, long lines are folded, and a rule that is not read stays out', () => {
  const words =
    'Zoë Á., “straddle; fold”, at the very end of a rather long line that is to be folded somewhere';
  const text = calendarOf([{ ...weekly, words, repeats: 'FREQ=SECONDLY' }], 'UTC', AT);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  expect(text).not.toContain('RRULE');
  const [event] = convertIcsCalendar(undefined, text).events!;
  expect(event).toMatchObject({ uid: 'v1@ojas', summary: words });
});

test('a rule is told as it is kept', () => {
  const [event] = read([{ ...weekly, repeats: 'FREQ=MONTHLY;BYDAY=2TH;COUNT=5' }], 'UTC').events!;
  expect(event!.recurrenceRule).toMatchObject({ frequency: 'MONTHLY', count: 5 });
});
