import fc from 'fast-check';
import { bodyFrom } from '../body/body';
import { sampleShelf } from '../tests/samples';
import { allStacks, bestStacks, rungAbove, rungBelow } from './search';
import { loadedCm, type Shelf } from './shelf';
import { slotIds, slotRule } from './slots';
import { usualItem } from './starterShelf';
import { MOST_PIECES, stackCostOf, stackFaults, stackHeightCm, usedWith, type Piece, type SlotRule, type Stack } from './stack';

const body = bodyFrom(170);
const kneelingSeat = slotRule('seat', 'kneeling', body);
const longSeat = slotRule('seat', 'long sit', body);
const rules: readonly SlotRule[] = [...slotIds.map((slot) => slotRule(slot, 'long sit', body)), kneelingSeat];

/** Every sequence of pieces of a small shelf, kept only by the written rules. */
function everyStack(shelf: Shelf, rule: SlotRule): Stack[] {
  const options: Piece[] = shelf.flatMap((item) => item.states.filter(({ heightCm }) => heightCm > 0).flatMap((state) => [1, 2].map((count) => ({ item: item.id, state: state.id, count }))));
  const found: Stack[] = [{ pieces: [], heightCm: 0 }];
  const extend = (pieces: Piece[]) => {
    for (const option of options) {
      const next = [...pieces, option];
      if (next.reduce((sum, { count }) => sum + count, 0) > MOST_PIECES) continue;
      if (stackFaults(next, shelf, rule).length === 0) found.push({ pieces: next, heightCm: stackHeightCm(next, shelf, rule) });
      extend(next);
    }
  };
  extend([]);
  return found.filter(({ heightCm }) => heightCm <= 62);
}

const smallShelf = fc.record({ blocks: fc.integer({ min: 0, max: 4 }), halves: fc.integer({ min: 0, max: 2 }), blankets: fc.integer({ min: 0, max: 2 }) }).map(({ blocks, halves, blankets }): Shelf => [
  { id: 'cork', kind: 'block', name: 'Cork', count: blocks, softness: 0, states: [{ id: 'flat', heightCm: 7.5 }, { id: 'edge', heightCm: 15 }] },
  { id: 'half', kind: 'half-block', name: 'Half', count: halves, softness: 0, states: [{ id: 'flat', heightCm: 2.5 }] },
  { id: 'wool', kind: 'blanket', name: 'Wool', count: blankets, softness: 0.25, states: [{ id: 'fold-4', heightCm: 2 }, { id: 'fold-16', heightCm: 8 }] },
]);

test('no stack breaks a rule or uses more than the shelf has', () => {
  for (const rule of rules) for (const { pieces, heightCm } of allStacks(sampleShelf, rule)) {
    expect(stackFaults(pieces, sampleShelf, rule)).toEqual([]);
    expect(heightCm).toBeCloseTo(stackHeightCm(pieces, sampleShelf, rule), 9);
  }
});

test('the best stack costs no more than any that brute force finds', () => {
  fc.assert(fc.property(smallShelf, fc.double({ min: 0, max: 32, noNaN: true }), fc.constantFrom(kneelingSeat, longSeat), (shelf, targetCm, rule) => {
    const wish = { targetCm };
    const [best] = bestStacks(shelf, rule, wish);
    const cheapest = Math.min(...everyStack(shelf, rule).map((stack) => stackCostOf(stack, shelf, rule, wish)));
    expect(best && stackCostOf(best, shelf, rule, wish)).toBeCloseTo(cheapest, 9);
  }), { numRuns: 25 });
});

test('a rung down is felt and small, a rung up is felt', () => {
  fc.assert(fc.property(fc.nat({ max: 5000 }), (pick) => {
    const stacks = allStacks(sampleShelf, kneelingSeat);
    const lying = stacks[pick % stacks.length] as Stack;
    const [below, above] = [rungBelow(sampleShelf, kneelingSeat, lying), rungAbove(sampleShelf, kneelingSeat, lying)];
    if (below) {
      expect(lying.heightCm - below.heightCm).toBeGreaterThanOrEqual(1 - 1e-6);
      expect(lying.heightCm - below.heightCm).toBeLessThanOrEqual(2.5 + 1e-6);
    }
    if (above) expect(above.heightCm - lying.heightCm).toBeGreaterThanOrEqual(1 - 1e-6);
  }));
});

test('what other slots use is not used twice', () => {
  const all = bestStacks(sampleShelf, kneelingSeat, { targetCm: 15 })[0] as Stack;
  const without = bestStacks(sampleShelf, kneelingSeat, { targetCm: 15, used: { cork: 6 } })[0] as Stack;
  expect(all.pieces.some(({ item }) => item === 'cork')).toBe(true);
  expect(without.pieces.some(({ item }) => item === 'cork')).toBe(false);
  expect(stackFaults(all.pieces, sampleShelf, kneelingSeat)).toEqual([]);
  expect(stackFaults(all.pieces, sampleShelf, kneelingSeat, { cork: 6 })).toEqual([expect.stringMatching(/^the shelf has 6 of .*, not [78]$/)]);
  expect(usedWith({ cork: 2 }, [{ item: 'cork', state: 'flat', count: 2 }, { item: 'wool', state: 'fold-8', count: 1 }])).toEqual({ cork: 4, wool: 1 });
});

describe('rules', () => {
  const faults = (pieces: Piece[], rule = kneelingSeat) => stackFaults(pieces, sampleShelf, rule).join('; ');
  test('hard never lies on soft', () => expect(faults([{ item: 'wool', state: 'fold-8', count: 1 }, { item: 'cork', state: 'flat', count: 1 }])).toMatch('may not lie on'));
  test('a block on end is never under a seat', () => expect(faults([{ item: 'cork', state: 'end', count: 1 }])).toMatch('does not serve here'));
  test('nothing lies on a block on end', () => expect(faults([{ item: 'cork', state: 'end', count: 2 }, { item: 'cork', state: 'end', count: 2 }], slotRule('hands', 'standing fold', body))).toMatch('nothing lies on a block on end'));
  test('a long-sit seat is at least as wide as the hips', () => {
    expect(faults([{ item: 'cork', state: 'flat', count: 1 }], longSeat)).toMatch('narrower than the 32 cm');
    expect(faults([{ item: 'cork', state: 'flat', count: 2 }], longSeat)).toBe('');
  });
  test('hands stand on twins', () => expect(faults([{ item: 'cork', state: 'end', count: 1 }], slotRule('hands', 'standing fold', body))).toMatch('twins'));
  test('no more than three soft layers', () => expect(faults(Array.from({ length: 4 }, () => ({ item: 'wool', state: 'fold-2', count: 1 })))).toMatch('more than 3 soft layers'));
  test('no more than the shelf has', () => expect(faults(Array.from({ length: 3 }, () => ({ item: 'bolster', state: 'flat', count: 1 })))).toMatch('the shelf has 2 of Round bolster, not 3'));
});

describe('loading', () => {
  const blanket = usualItem('wool', 'blanket', 'Wool', 1);
  test('a blanket under a seat keeps three quarters of its height', () => expect(loadedCm(blanket, { id: 'fold-16', heightCm: 8 }, 1)).toBeCloseTo(6));
  test('a height taped under load wins', () => expect(loadedCm(blanket, { id: 'fold-16', heightCm: 8, loadedCm: 5 }, 1)).toBeCloseTo(5));
  test('a cushion bottoms out', () => expect(loadedCm(usualItem('c', 'cushion', 'Cushion', 1, 0.95), { id: 'flat', heightCm: 10 }, 1)).toBeCloseTo(3.5));
});

describe('the best stack', () => {
  test('leaves what already lies there when it is as high as asked', () => {
    const lying = bestStacks(sampleShelf, kneelingSeat, { targetCm: 17 })[0] as Stack;
    const again = bestStacks(sampleShelf, kneelingSeat, { targetCm: lying.heightCm, lying: lying.pieces })[0];
    expect(again?.pieces).toEqual(lying.pieces);
  });

  test('is offered with rivals that use other things', () => {
    const [best, ...others] = bestStacks(sampleShelf, kneelingSeat, { targetCm: 15 });
    const uses = (stack: Stack | undefined) => [...new Set(stack?.pieces.map(({ item }) => item))].sort().join();
    expect(others.length).toBeGreaterThan(0);
    for (const other of others) expect(uses(other)).not.toBe(uses(best));
  });

  test('keeps between the heights asked for, or there is none', () => {
    for (const { heightCm } of bestStacks(sampleShelf, kneelingSeat, { targetCm: 20 }, 10, 12)) {
      expect(heightCm).toBeGreaterThanOrEqual(10);
      expect(heightCm).toBeLessThanOrEqual(12);
    }
    expect(bestStacks(sampleShelf, kneelingSeat, { targetCm: 20 }, 100, 120)).toEqual([]);
  });
});
