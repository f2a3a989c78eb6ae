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

test('a rule that nobody can read falls on its first day', () =>
  expect(days({ repeats: 'EVERY FULL MOON' })).toEqual(['2026-03-02']));

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
