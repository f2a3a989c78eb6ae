import fc from 'fast-check';
import { RRule } from 'rrule';
import { isReadRule } from '@/core/formats/repeats';
import { shiftDays } from '@/core/formats/time';
import { comersOf } from './comers';
import { occurrencesBetween } from './occurrences';

const visit = (of: object) => ({ id: 'v', person: 'p1', on: '2026-03-02', ...of });
const days = (of: object, from = '2026-03-01', to = '2026-04-30') =>
  occurrencesBetween([visit(of)], from as never, to as never).map(({ on }) => on);

test('once, every week and every two weeks, also over a change of summer time', () => {
  expect(days({})).toEqual(['2026-03-02']);
  expect(days({ repeats: 'FREQ=WEEKLY' })).toEqual([
    '2026-03-02',
    '2026-03-09',
    '2026-03-16',
    '2026-03-23',
    '2026-03-30',
    '2026-04-06',
    '2026-04-13',
    '2026-04-20',
    '2026-04-27',
  ]);
  expect(days({ repeats: 'FREQ=WEEKLY;INTERVAL=2' }, '2026-03-10', '2026-04-01')).toEqual([
    '2026-03-16',
    '2026-03-30',
  ]);
});

test('a day that falls out, a leap day, and a day before the first', () => {
  expect(
    days({ repeats: 'FREQ=WEEKLY', except: ['2026-03-09'] }, '2026-03-01', '2026-03-16'),
  ).toEqual(['2026-03-02', '2026-03-16']);
  expect(days({ on: '2028-02-29' }, '2028-02-29', '2028-02-29')).toEqual(['2028-02-29']);
  expect(days({ repeats: 'FREQ=WEEKLY' }, '2026-02-01', '2026-03-01')).toEqual([]);
});

test.each([
  'EVERY FULL MOON',
  'FREQ=SECONDLY',
  'FREQ=MINUTELY;INTERVAL=5',
  'FREQ=DAILY;INTERVAL=-1',
  'FREQ=DAILY;INTERVAL=0',
  'FREQ=WEEKLY;INTERVAL=99999',
  'FREQ=WEEKLY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=YEARLY;BYYEARDAY=400',
  'FREQ=WEEKLY;BYHOUR=1,2,3',
  'FREQ=WEEKLY;UNTIL=20260231',
  'FREQ=WEEKLY;FREQ=SECONDLY',
  'FREQ=__proto__',
  'DTSTART:19000101T000000Z\nRRULE:FREQ=WEEKLY',
])('a rule that is not read falls on its first day alone: %s', (repeats) => {
  expect(days({ repeats })).toEqual(['2026-03-02']);
  expect(days({ repeats }, '2026-03-03')).toEqual([]);
});

test('rules of the same kind as ours are read', () => {
  const march = (repeats: string, on = '2026-03-02') =>
    days({ repeats, on }, '2026-03-01', '2026-03-31').map((day) => day.slice(8));
  expect(march('FREQ=WEEKLY;BYDAY=MO,TH;COUNT=3')).toEqual(['02', '05', '09']);
  expect(march('FREQ=DAILY;INTERVAL=10;UNTIL=20260320')).toEqual(['02', '12']);
  expect(march('FREQ=MONTHLY;BYDAY=-1SU', '2020-01-01')).toEqual(['29']);
  expect(march('FREQ=WEEKLY;INTERVAL=3;BYDAY=TU,FR;WKST=SU', '1999-12-31')).toEqual(
    new RRule({
      ...RRule.parseString('FREQ=WEEKLY;INTERVAL=3;BYDAY=TU,FR;WKST=SU'),
      dtstart: new Date('1999-12-31T00:00:00Z'),
    })
      .between(new Date('2026-03-01T00:00:00Z'), new Date('2026-03-31T00:00:00Z'), true)
      .map((at) => at.toISOString().slice(8, 10)),
  );
});

test('whatever a rule says, few days are asked for, and taking one up late changes none of them', () => {
  const part = fc.constantFrom(
    ...['FREQ=DAILY', 'FREQ=WEEKLY', 'FREQ=MONTHLY', 'FREQ=SECONDLY', 'FREQ=YEARLY'],
    ...['INTERVAL=1', 'INTERVAL=7', 'INTERVAL=-3', 'COUNT=4', 'COUNT=0', 'UNTIL=20260320'],
    ...['BYDAY=MO,WE', 'BYDAY=2TU', 'BYDAY=XX', 'WKST=SU', 'BYSETPOS=-1', 'BYMONTHDAY=31', ''],
  );
  const day = fc.integer({ min: 0, max: 9000 }).map((at) => shiftDays('2002-01-01', at));
  fc.assert(
    fc.property(fc.array(part, { maxLength: 4 }), day, (parts, on) => {
      const repeats = parts.join(';');
      const found = days({ repeats, on }, '2026-03-01', '2026-03-31');
      expect(found.length).toBeLessThanOrEqual(31);
      expect(isReadRule(repeats) || found.length <= 1).toBe(true);
      if (!isReadRule(repeats)) return;
      const from = new Date('2026-03-01T00:00:00Z');
      const slowly = new RRule({
        ...RRule.parseString(repeats),
        dtstart: new Date(`${on}T00:00:00Z`),
      })
        .between(from, new Date('2026-03-31T00:00:00Z'), true)
        .map((at) => at.toISOString().slice(0, 10));
      expect(found).toEqual(slowly);
    }),
    { numRuns: 300 },
  );
});

test('in the order of hours, those without one last', () => {
  const of = (id: string, time?: string) => visit({ id, person: id, ...(time ? { time } : {}) });
  expect(
    occurrencesBetween(
      [of('late', '19:00'), of('open'), of('early', '07:30')],
      '2026-03-02',
      '2026-03-02',
    ).map((one) => one.what.id),
  ).toEqual(['early', 'late', 'open']);
});

test('who comes alone and in a class comes once, at the first hour of the day', () => {
  const day = '2026-03-02';
  const classes = [
    { id: 'c', people: ['p1', 'p2'], on: day, time: '18:30' },
    { id: 'old', name: 'without a day', people: ['p9'] },
  ];
  const coming = {
    visits: occurrencesBetween([visit({ time: '19:00' })], day, day),
    classes: occurrencesBetween(classes, day, day),
  };
  expect(comersOf(coming)).toMatchObject([
    { person: 'p1', time: '18:30', inClass: { id: 'c' } },
    { person: 'p2', time: '18:30' },
  ]);
});
