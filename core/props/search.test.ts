import fc from 'fast-check';
import { bodyFrom } from '../body/body';
import { sampleShelf } from '../tests/samples';
import { manyProps } from '../sim/manyProps';
import { thin } from '../parameters';
import { bestStacks, rungAbove, rungBelow } from './search';
import { loadedCm, type Shelf } from './shelf';
import { slotRule } from './slots';
import { studioShelf, usualItem, usualShelves } from './usualShelves';
import {
  stackCostOf,
  stackFaults,
  stackHeightCm,
  stackWords,
  usedWith,
  type Piece,
  type SlotRule,
  type Stack,
  type StackWish,
} from './stack';
import type { FamilyId } from '../geometry/families';
import { slotIds, type SlotId } from '../slots';

const body = bodyFrom(170);
const kneelingSeat = slotRule('seat', 'kneeling', body);
const longSeat = slotRule('seat', 'long sit', body);
const rules: readonly SlotRule[] = [
  ...slotIds.map((slot) => slotRule(slot, 'long sit', body)),
  kneelingSeat,
];

/** Every sequence of pieces of a small shelf, kept only by the written rules. */
function everyStack(shelf: Shelf, rule: SlotRule): Stack[] {
  const fits = (pieces: Piece[]) => stackFaults(pieces, shelf, rule).length === 0;
  const options: Piece[] = shelf
    .flatMap((item) =>
      item.states
        .filter(({ heightCm }) => heightCm > 0)
        .flatMap((state) => [1, 2].map((count) => ({ item: item.id, state: state.id, count }))),
    )
    .filter((piece) => fits([piece]));
  const found: Stack[] = [{ pieces: [], heightCm: 0 }];
  // A stack that breaks no rule breaks none without its top.
  const extend = (pieces: Piece[]) => {
    for (const next of options.map((option) => [...pieces, option]).filter(fits)) {
      found.push({ pieces: next, heightCm: stackHeightCm(next, shelf, rule) });
      extend(next);
    }
  };
  extend([]);
  return found.filter(({ heightCm }) => heightCm <= 62);
}

const smallShelf = fc
  .record({
    blocks: fc.integer({ min: 0, max: 4 }),
    halves: fc.integer({ min: 0, max: 2 }),
    blankets: fc.integer({ min: 0, max: 2 }),
  })
  .map(({ blocks, halves, blankets }): Shelf => [
    {
      id: 'cork',
      kind: 'block',
      name: 'Cork',
      count: blocks,
      softness: 0,
      states: [
        { id: 'flat', heightCm: 7.5 },
        { id: 'edge', heightCm: 15 },
      ],
    },
    {
      id: 'half',
      kind: 'half-block',
      name: 'Half',
      count: halves,
      softness: 0,
      states: [{ id: 'flat', heightCm: 2.5 }],
    },
    {
      id: 'wool',
      kind: 'blanket',
      name: 'Wool',
      count: blankets,
      softness: 0.25,
      states: [
        { id: 'fold-4', heightCm: 2 },
        { id: 'fold-16', heightCm: 8 },
      ],
    },
  ]);

/** Any target from the floor up. */
const anyTarget = fc.double({ min: 0, max: 45, noNaN: true });

test('no stack breaks a rule or uses more than the shelf has, however many props there are', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...rules),
      fc.constantFrom(sampleShelf, manyProps(30, 3), manyProps(90, 4)),
      anyTarget,
      (rule, shelf, targetCm) => {
        for (const { pieces, heightCm } of bestStacks(shelf, rule, { targetCm })) {
          expect(stackFaults(pieces, shelf, rule)).toEqual([]);
          expect(heightCm).toBeCloseTo(stackHeightCm(pieces, shelf, rule), 9);
        }
      },
    ),
  );
});

const uses = ({ pieces }: Stack) => [...new Set(pieces.map(({ item }) => item))].sort().join('+');
/** What brute force answers: the cheapest of each set of things within reach of the best, at most three. */
function bruteForce(
  found: readonly Stack[],
  shelf: Shelf,
  rule: SlotRule,
  wish: StackWish,
  leastCm: number,
  mostCm: number,
): number[] {
  const cheapest = new Map<string, number>();
  for (const stack of found) {
    if (
      stack.heightCm < leastCm ||
      stack.heightCm > mostCm ||
      stackFaults(stack.pieces, shelf, rule, wish.used).length > 0
    )
      continue;
    const cost = stackCostOf(stack, shelf, rule, wish);
    if (cost < (cheapest.get(uses(stack)) ?? Infinity)) cheapest.set(uses(stack), cost);
  }
  const costs = [...cheapest.values()].sort((a, b) => a - b);
  return costs.filter((cost) => cost <= (costs[0] ?? 0) + 2).slice(0, 3);
}

/** A shelf of more ways to lie than are built at once, but few enough for brute force. */
const wideShelf: Shelf = [
  {
    id: 'cork',
    kind: 'block',
    name: 'Cork',
    count: 3,
    softness: 0,
    states: [
      { id: 'flat', heightCm: 7.3 },
      { id: 'edge', heightCm: 14.8 },
    ],
  },
  ...[2.4, 2.9, 3.3].map((heightCm, i) => ({
    id: `half-${i}`,
    kind: 'half-block' as const,
    name: `Half ${i}`,
    count: 2,
    softness: 0,
    states: [{ id: 'flat', heightCm }],
  })),
  ...[1, 1.13, 1.29].map((size, i) => ({
    id: `wool-${i}`,
    kind: 'blanket' as const,
    name: `Wool ${i}`,
    count: 1,
    softness: 0.25,
    states: [
      ['fold-2', 1],
      ['fold-4', 2],
      ['fold-8', 4],
      ['fold-16', 8],
    ].map(([id, cm]) => ({ id: id as string, heightCm: (cm as number) * size })),
  })),
];
const wideStacks = everyStack(wideShelf, kneelingSeat);

test('the best stacks are those of brute force, whatever lies there, is in use, or bounds the height', () => {
  fc.assert(
    fc.property(
      anyTarget,
      fc.nat({ max: 100_000 }),
      fc.boolean(),
      fc.nat({ max: 3 }),
      fc.constantFrom<readonly [number, number]>([0, Infinity], [5, 9], [12, 13]),
      (targetCm, pick, lies, cork, [leastCm, mostCm]) => {
        const lying = wideStacks[pick % wideStacks.length] as Stack;
        const wish: StackWish = {
          targetCm,
          used: { cork },
          ...(lies ? { lying: lying.pieces } : {}),
        };
        const found = bestStacks(wideShelf, kneelingSeat, { ...wish, leastCm, mostCm }).map(
          (stack) => stackCostOf(stack, wideShelf, kneelingSeat, wish),
        );
        const oracle = bruteForce(wideStacks, wideShelf, kneelingSeat, wish, leastCm, mostCm);
        expect(found.map((cost) => cost.toFixed(6))).toEqual(oracle.map((cost) => cost.toFixed(6)));
      },
    ),
    { numRuns: 40 },
  );
});

test('the best stack costs no more than any that brute force finds', () => {
  fc.assert(
    fc.property(
      smallShelf,
      anyTarget,
      fc.constantFrom(kneelingSeat, longSeat),
      (shelf, targetCm, rule) => {
        const wish = { targetCm };
        const found = bestStacks(shelf, rule, wish).map((stack) =>
          stackCostOf(stack, shelf, rule, wish).toFixed(6),
        );
        expect(found).toEqual(
          bruteForce(everyStack(shelf, rule), shelf, rule, wish, 0, Infinity).map((cost) =>
            cost.toFixed(6),
          ),
        );
      },
    ),
    { numRuns: 25 },
  );
});

test('a rung down is felt and small, a rung up is felt', () => {
  fc.assert(
    fc.property(anyTarget, (targetCm) => {
      const lying = bestStacks(sampleShelf, kneelingSeat, { targetCm })[0] as Stack;
      const [below, above] = [
        rungBelow(sampleShelf, kneelingSeat, lying),
        rungAbove(sampleShelf, kneelingSeat, lying),
      ];
      if (below) {
        // The one step that may be smaller: the last thin fold goes away whole.
        const least = below.pieces.length === 0 ? lying.heightCm : 1;
        expect(lying.heightCm - below.heightCm).toBeGreaterThanOrEqual(least - 1e-6);
        expect(lying.heightCm - below.heightCm).toBeLessThanOrEqual(2.5 + 1e-6);
      }
      if (above) expect(above.heightCm - lying.heightCm).toBeGreaterThanOrEqual(1 - 1e-6);
    }),
  );
});

test('nothing comes down to a fold that nobody feels, and the last one goes away whole', () => {
  const seats = [kneelingSeat, longSeat, slotRule('seat', 'child', body)];
  let wentAway = 0;
  for (const shelf of Object.values(usualShelves))
    for (const rule of seats)
      for (let cm = 0.5; cm < 12; cm += 0.5)
        for (const lying of bestStacks(shelf, rule, { targetCm: cm })) {
          const below = rungBelow(shelf, rule, lying);
          if (!below || lying.heightCm === 0) continue;
          const isThin = below.heightCm > thin.lies.value && below.heightCm < thin.built.value;
          expect([lying, isThin]).toEqual([lying, false]);
          if (lying.heightCm < thin.built.value) {
            expect(below.heightCm).toBe(0);
            wentAway++;
          }
        }
  expect(wentAway).toBeGreaterThan(3);
});

test('hands lean on two things at most, one on the other', () => {
  const hands = slotRule('hands', 'standing fold', body);
  for (const shelf of Object.values(usualShelves))
    for (let cm = 2; cm < 46; cm += 1)
      for (const { pieces } of bestStacks(shelf, hands, { targetCm: cm }))
        expect(pieces.length).toBeLessThanOrEqual(2);
});

test('what other slots use is not used twice', () => {
  const all = bestStacks(sampleShelf, kneelingSeat, { targetCm: 15 })[0] as Stack;
  const without = bestStacks(sampleShelf, kneelingSeat, {
    targetCm: 15,
    used: { cork: 6 },
  })[0] as Stack;
  expect(all.pieces.some(({ item }) => item === 'cork')).toBe(true);
  expect(without.pieces.some(({ item }) => item === 'cork')).toBe(false);
  expect(stackFaults(all.pieces, sampleShelf, kneelingSeat)).toEqual([]);
  expect(stackFaults(all.pieces, sampleShelf, kneelingSeat, { cork: 6 })).toEqual([
    'not enough on the shelf',
  ]);
  expect(
    usedWith({ cork: 2 }, [
      { item: 'cork', state: 'flat', count: 2 },
      { item: 'wool', state: 'fold-8', count: 1 },
    ]),
  ).toEqual({ cork: 4, wool: 1 });
});

describe('rules', () => {
  const faults = (pieces: Piece[], rule = kneelingSeat) =>
    stackFaults(pieces, sampleShelf, rule).join('; ');
  test('hard never lies on soft', () =>
    expect(
      faults([
        { item: 'wool', state: 'fold-8', count: 1 },
        { item: 'cork', state: 'flat', count: 1 },
      ]),
    ).toMatch('hard on soft'));
  test('a block on end is never under a seat', () =>
    expect(faults([{ item: 'cork', state: 'end', count: 1 }])).toMatch('does not serve here'));
  test('nothing lies on a block on end', () =>
    expect(
      faults(
        [
          { item: 'cork', state: 'end', count: 2 },
          { item: 'cork', state: 'end', count: 2 },
        ],
        slotRule('hands', 'standing fold', body),
      ),
    ).toMatch('on a block on end'));
  test('a long-sit seat is at least as wide as the hips', () => {
    expect(faults([{ item: 'cork', state: 'flat', count: 1 }], longSeat)).toMatch(
      'narrower than what lies on it',
    );
    expect(faults([{ item: 'cork', state: 'flat', count: 2 }], longSeat)).toBe('');
  });
  test('hands stand on twins', () =>
    expect(
      faults([{ item: 'cork', state: 'end', count: 1 }], slotRule('hands', 'standing fold', body)),
    ).toMatch('no twin'));
  test('a bolster to sit on lies level on a block at each end; elsewhere one end may lean on a block', () => {
    const bolsterOn = (count: number): Piece[] => [
      { item: 'cork', state: 'flat', count },
      { item: 'bolster', state: 'flat', count: 1 },
    ];
    expect(faults(bolsterOn(1))).toMatch('a bolster on one block');
    expect(faults(bolsterOn(2))).toBe('');
    expect(faults(bolsterOn(1), slotRule('forehead', 'pigeon', body))).toBe('');
    expect(faults(bolsterOn(1), slotRule('back', 'reclined hero', body))).toBe('');
  });
  test('nothing hard lies on the heels', () => {
    const hard: Piece[] = [{ item: 'cork', state: 'flat', count: 1 }];
    for (const family of ['kneeling on heels', 'child'] as const)
      expect(faults(hard, slotRule('seat', family, body))).toMatch('does not serve here');
    // Between the heels it stands on the floor.
    expect(faults(hard)).toBe('');
  });
  test('a stool stands on the floor, and books may lie on it', () => {
    const home = usualShelves.home;
    const rule = slotRule('hands', 'chair hinge', body);
    const on = (...pieces: Piece[]) => stackFaults(pieces, home, rule).join();
    const stool: Piece = { item: 'stool', state: 'top', count: 1 };
    const books: Piece = { item: 'books', state: 'two', count: 2 };
    expect(on(books, stool)).toMatch('furniture on something');
    expect(on(stool, books)).not.toMatch('furniture on something');
  });
  test('one hand has one block, two hands have two alike', () => {
    const hand = (family: 'sundial' | 'standing fold' | 'chair, legs wide', way = '') =>
      bestStacks(usualShelves.studio, slotRule('hands', family, body, way), { targetCm: 7.5 })[0]
        ?.pieces;
    expect(hand('sundial')).toMatchObject([{ count: 1 }]);
    expect(hand('chair, legs wide', 'one-arm')).toMatchObject([{ count: 1 }]);
    expect(hand('chair, legs wide', 'both-hands')).toMatchObject([{ count: 2 }]);
    expect(hand('standing fold')).toMatchObject([{ count: 2 }]);
  });
  test('over two legs stands what reaches across them', () => {
    const overLegs = slotRule('forehead', 'fold', body);
    const tower: Piece[] = [
      { item: 'cork', state: 'edge', count: 1 },
      { item: 'wool', state: 'fold-16', count: 1 },
    ];
    expect(faults(tower, overLegs)).toMatch('a tower under a head');
    // In front of the legs a pile may be higher, and no tower either.
    const inFront = slotRule('forehead', 'straddle fold', body);
    expect(faults(tower, inFront)).toBe('');
    const taller = [tower[0]!, { item: 'bolster', state: 'flat', count: 1 }, tower[1]!];
    expect(faults(taller, inFront)).toMatch('a tower under a head');
    expect(faults(taller, slotRule('forehead', 'pigeon', body))).not.toMatch('a tower');
    // Lower, it stands on them.
    expect(faults(tower.slice(0, 1), overLegs)).toBe('');
    const studio = usualShelves.studio;
    for (const targetCm of [29, 36, 40, 46]) {
      const wish = { targetCm, leastCm: targetCm - 4, mostCm: targetCm + 1 };
      const [best] = bestStacks(studio, overLegs, wish);
      const kindOf = (at: number) =>
        studio.find(({ id }) => id === best?.pieces[at]?.item)?.kind ?? 'nothing';
      // A bolster alone carries a fold up to there; higher, it stands on a block at each end.
      if (targetCm <= 30 && kindOf(0).startsWith('bolster')) continue;
      if (!['chair', 'bench'].includes(kindOf(0)))
        expect([best?.pieces[0]?.count, kindOf(1)]).toEqual([2, expect.stringMatching('bolster')]);
    }
  });
  test('no more than three soft layers', () =>
    expect(
      faults(Array.from({ length: 4 }, () => ({ item: 'wool', state: 'fold-2', count: 1 }))),
    ).toMatch('too many soft layers'));
  test('no more than the shelf has', () =>
    expect(
      faults(Array.from({ length: 3 }, () => ({ item: 'bolster', state: 'flat', count: 1 }))),
    ).toMatch('not enough on the shelf'));
});

describe('loading', () => {
  const blanket = usualItem('wool', 'blanket', 'Wool', 1);
  test('a blanket under a seat keeps three quarters of its height', () =>
    expect(loadedCm(blanket, { id: 'fold-16', heightCm: 8 }, 1)).toBeCloseTo(6));
  test('a height taped under load wins', () =>
    expect(loadedCm(blanket, { id: 'fold-16', heightCm: 8, loadedCm: 5 }, 1)).toBeCloseTo(5));
  test('a cushion bottoms out', () =>
    expect(
      loadedCm(usualItem('c', 'cushion', 'Cushion', 1, 0.95), { id: 'flat', heightCm: 10 }, 1),
    ).toBeCloseTo(3.5));
});

describe('the best stack', () => {
  test('leaves what already lies there when it is as high as asked', () => {
    const lying = bestStacks(sampleShelf, kneelingSeat, { targetCm: 17 })[0] as Stack;
    const again = bestStacks(sampleShelf, kneelingSeat, {
      targetCm: lying.heightCm,
      lying: lying.pieces,
    })[0];
    expect(again?.pieces).toEqual(lying.pieces);
  });

  test('is offered with rivals that use other things', () => {
    const [best, ...others] = bestStacks(sampleShelf, kneelingSeat, { targetCm: 15 });
    expect(others.length).toBeGreaterThan(0);
    for (const other of others) expect(uses(other)).not.toBe(uses(best as Stack));
  });

  test('keeps between the heights asked for, or there is none', () => {
    const between = (leastCm: number, mostCm: number) =>
      bestStacks(sampleShelf, kneelingSeat, { targetCm: 20, leastCm, mostCm });
    for (const { heightCm } of between(10, 12)) {
      expect(heightCm).toBeGreaterThanOrEqual(10);
      expect(heightCm).toBeLessThanOrEqual(12);
    }
    expect(between(100, 120)).toEqual([]);
  });
});

describe('a miss that nobody feels', () => {
  const studio = usualShelves.studio;
  const built = (slot: SlotId, family: FamilyId, targetCm: number) =>
    bestStacks(studio, slotRule(slot, family, body), { targetCm })[0] as Stack;

  test('a head lies on one thing, not on three that come nearer', () => {
    const { pieces, heightCm } = built('forehead', 'fold', 19.9);
    expect(pieces).toHaveLength(1);
    expect(Math.abs(heightCm - 19.9)).toBeLessThanOrEqual(2.5);
  });
  test('hands stand on two blocks rather than on four that come nearer', () =>
    expect(built('hands', 'pigeon', 5.5).pieces).toMatchObject([{ state: 'flat', count: 2 }]));
  test('under the knees a roll follows on a roll, not three folds on it', () => {
    const knees = slotRule('underKnees', 'long sit', body);
    const loose = built('underKnees', 'long sit', 15.4);
    expect(loose.pieces).toHaveLength(1);
    const below = rungBelow(studio, knees, loose) as Stack;
    expect(below.pieces).toHaveLength(1);
    expect(loose.heightCm - below.heightCm).toBeLessThanOrEqual(4 + 1e-6);
  });
  test('knees lie on something soft where that comes as near', () =>
    expect(built('underKnees', 'one-leg fold', 7.6).pieces).toMatchObject([{ state: 'fold-16' }]));
  test('what is asked for is not left out for it', () =>
    expect(built('underKnees', 'lunge', 2).heightCm).toBeGreaterThan(1.5));
  test('where a joint is carried every centimetre counts', () => {
    for (const targetCm of [9, 12, 17.2, 21])
      expect(built('seat', 'kneeling', targetCm).heightCm).toBeGreaterThan(targetCm - 0.6);
  });
});

test('a stack is told with the way each thing lies, where it could lie otherwise', () => {
  const named = (item: string, state: string) => ({ item, state, count: 1 });
  const bolster = studioShelf.find(({ kind }) => kind === 'bolster-flat')!;
  const block = studioShelf.find(({ kind }) => kind === 'block')!;
  const wedge = usualItem('w', 'wedge', 'Wedge', 1);
  expect(
    stackWords(
      [named(block.id, 'edge'), named(wedge.id, 'thick-back'), named(bolster.id, 'flat')],
      [...studioShelf, wedge],
    ),
  ).toBe(
    `${bolster.name.toLowerCase()} on ${wedge.name.toLowerCase()} thick side back on ${block.name.toLowerCase()} on edge`,
  );
});
