import type { Reading } from '../formats/book';
import { recordWith, sampleReading } from '../tests/samples';
import { newsRank, rangeNews } from './rangeNews';

const read = (at: string, value: number, side: 'left' | 'right' = 'left') =>
  sampleReading({
    id: `${side}${at}`,
    range: 'hamstring',
    protocol: 'straight-leg-raise.pelvis-watched',
    side,
    at,
    values: [value, value, value],
  });

test('never read, read once, no change beyond chance and changed are told apart, and stand in that order', () => {
  const of = (readings: readonly Reading[]) => rangeNews(recordWith({ readings }), 'hamstring');
  const unread = of([]);
  const once = of([read('2026-01-05', 55)]);
  const same = of([read('2026-01-05', 55), read('2026-03-05', 56)]);
  const little = of([read('2026-01-05', 45), read('2026-03-05', 62)]);
  const much = of([
    read('2026-01-05', 40),
    read('2026-03-05', 75),
    read('2026-03-05', 41, 'right'),
  ]);
  expect([unread.is, once.is, same.is, little.is, much.is]).toEqual([
    'unread',
    'once',
    'same',
    'changed',
    'changed',
  ]);
  const ranks = [unread, once, same, little, much].map(newsRank);
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
  expect(new Set(ranks).size).toBe(5);
  if (much.is !== 'changed') throw new Error('it changed');
  expect(much).toMatchObject({ side: 'left', since: '2026-01-05', on: '2026-03-05' });
  expect(much.byDeg).toBeGreaterThan(25);
});
