import fc from 'fast-check';
import { dayOf, daysBetween, inTime, isDay, shiftDays, type LocalDay } from './time';

/** Days of four centuries. */
const anyDay = fc
  .integer({ min: -100_000, max: 80_000 })
  .map((days) => new Date(days * 86_400_000).toISOString().slice(0, 10) as LocalDay);

test('a day is its own wherever it is read', () => {
  expect(dayOf('2026-03-02T21:30:00-08:00')).toBe('2026-03-02');
  expect(dayOf('2026-03-03T05:10:00+05:30')).toBe('2026-03-03');
});

test('days are counted over leap days, summer time and a new year', () => {
  expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
  // The night in which Los Angeles loses an hour, and the one in which it gains one.
  expect(daysBetween('2026-03-07T23:30:00-08:00', '2026-03-08T00:30:00-08:00')).toBe(1);
  expect(daysBetween('2026-11-01T00:30:00-07:00', '2026-11-01T23:30:00-08:00')).toBe(0);
  expect(daysBetween('2025-12-31T23:59:00+05:30', '2026-01-01T00:01:00+05:30')).toBe(1);
});

test('moved by days, a moment keeps its hour and its place', () => {
  expect(shiftDays('2026-03-07T18:00:00-08:00', 7)).toBe('2026-03-14T18:00:00-08:00');
  fc.assert(
    fc.property(anyDay, fc.integer({ min: -4000, max: 4000 }), (day, days) => {
      expect(isDay(shiftDays(day, days))).toBe(true);
      expect(daysBetween(day, shiftDays(day, days))).toBe(days);
      expect(shiftDays(shiftDays(day, days), -days)).toBe(day);
    }),
  );
});

test('a day that is none is none', () => {
  for (const text of [
    '2026-02-30',
    '2026-02-29',
    '2100-02-29',
    '2026-13-01',
    '2026-00-10',
    '26-01-01',
    '2026-1-1',
    'today',
    '',
  ])
    expect(isDay(text)).toBe(false);
  for (const text of ['2028-02-29', '2000-02-29', '2026-12-31']) expect(isDay(text)).toBe(true);
});

test('things are put in order by day, then by moment, whatever place they were noted at', () => {
  const at = (...all: string[]) => all.map((one) => ({ at: one }));
  const ordered = at(
    '2026-03-01',
    '2026-03-02T05:00:00+05:30',
    '2026-03-02T01:00:00Z',
    '2026-03-02T21:30:00-08:00',
    '2026-03-03T06:00:00Z',
  );
  expect(inTime([...ordered].reverse())).toEqual(ordered);
});
