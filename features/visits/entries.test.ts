import { samplePerson } from '@/core/tests/samples';
import { dailyAtHome, entriesOf, shortName } from './entries';

test.each([
  ['Marit Osei', 'Marit O.'],
  ['  Bram   Okonjo-Vale ', 'Bram O.'],
  ['Ana Maria de Souza', 'Ana S.'],
  ['Zoë', 'Zoë'],
])('%s stands in a calendar as %s', (name, short) => expect(shortName(name)).toBe(short));

test('visits, classes and readings that are due, each by its own day', () => {
  const entries = entriesOf(
    {
      people: [
        samplePerson({ id: 'p1', name: 'Marit Osei' }),
        samplePerson({ id: 'p2', name: 'Bram Vale' }),
      ],
      visits: [
        { id: 'v1', person: 'p1', on: '2026-03-05', time: '18:15', repeats: 'FREQ=WEEKLY' },
        { id: 'v2', person: 'gone', on: '2026-03-05' },
      ],
      classes: [
        { id: 'c1', name: 'Evening', people: ['p1', 'p2', 'gone'], on: '2026-03-06' },
        { id: 'c2', people: ['p1'] },
      ],
      readAt: (id) => (id === 'p1' ? '2026-02-20T18:00:00+01:00' : undefined),
    },
    '2026-03-02',
  );
  expect(entries).toMatchObject([
    { id: 'v1', words: 'Marit O.', on: '2026-03-05', time: '18:15', repeats: 'FREQ=WEEKLY' },
    { id: 'c1', words: 'Evening', on: '2026-03-06', more: 'Marit O., Bram V.' },
    { id: 'reading-p1', words: 'Due for a reading: Marit O.', on: '2026-04-03' },
    { id: 'reading-p2', on: '2026-03-02' },
  ]);
});

test('what is done at home stands there every day for four weeks', () => {
  expect(dailyAtHome('p1', ['Hero', 'Child'], '2026-03-02')).toEqual({
    id: 'home-p1',
    words: 'At home: Hero, Child',
    on: '2026-03-02',
    repeats: 'FREQ=DAILY;COUNT=28',
  });
});
