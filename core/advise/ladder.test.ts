import { starterShelf, studioShelf, usualItem } from '../props/usualShelves';
import { ladderFor, ladderPurposes } from './ladder';

const [kneeling] = ladderPurposes as [(typeof ladderPurposes)[number]];

test.each(ladderPurposes)(
  '$id: rungs rise from the floor to no more than anybody builds',
  (purpose) => {
    const { rungs, mostCm } = ladderFor(studioShelf, purpose);
    expect(rungs.length).toBeGreaterThan(3);
    const heights = rungs.map(({ heightCm }) => heightCm);
    expect(heights).toEqual([...heights].sort((a, b) => a - b));
    expect(heights.at(-1)).toBeLessThanOrEqual(mostCm + 0.3);
    for (const { pieces } of rungs) expect(pieces.length).toBeGreaterThan(0);
  },
);

test('a shelf of two blocks has gaps, and what would close each is named and does', () => {
  const shelf = [usualItem('block', 'block', 'Block', 2)];
  const { gaps } = ladderFor(shelf, kneeling);
  expect(gaps.length).toBeGreaterThan(1);
  const closed = gaps.filter(({ closer }) => closer !== null);
  expect(closed.length).toBeGreaterThan(0);
  for (const { fromCm, toCm, closer } of closed) {
    expect(closer!.atCm).toBeGreaterThan(fromCm);
    expect(closer!.atCm).toBeLessThan(toCm);
    const more = closer!.isNew
      ? [...shelf, { ...closer!.item, count: 1 }]
      : shelf.map((one) => (one.id === closer!.item.id ? { ...one, count: one.count + 1 } : one));
    const heights = ladderFor(more, kneeling).rungs.map(({ heightCm }) => heightCm);
    expect(heights.some((cm) => cm > fromCm + 0.5 && cm < toCm - 0.5)).toBe(true);
  }
});

test('a fuller shelf has no more gaps than a smaller one', () => {
  const width = (shelf: typeof starterShelf) =>
    ladderFor(shelf, kneeling).gaps.reduce((sum, { fromCm, toCm }) => sum + toCm - fromCm, 0);
  expect(width(studioShelf)).toBeLessThanOrEqual(width([usualItem('block', 'block', 'Block', 2)]));
});

test('an empty shelf is one gap', () => {
  const { rungs, gaps, mostCm } = ladderFor([], kneeling);
  expect(rungs).toEqual([]);
  expect(gaps).toMatchObject([{ fromCm: 0, toCm: mostCm }]);
});
