import fc from 'fast-check';
import { armCm } from '../body/body';
import { inputOf } from '../tests/samples';
import { floorAhead } from './arms';
import { foldedTrunk, foldWhy, onFloor, restingOn } from './foldedTrunk';
import { between, type Point } from './posture';

const input = inputOf();
const hip: Point = [0, 20];
const floor = onFloor;

test('a deeper lean brings forehead and chest down', () => {
  const gaps = [10, 30, 50, 70, 90].map((lean) => foldedTrunk(input, hip, lean, floor));
  const falls = (of: (trunk: (typeof gaps)[number]) => number) =>
    expect(gaps.map(of)).toEqual([...gaps.map(of)].sort((a, b) => b - a));
  falls(({ gapCm }) => gapCm);
  falls(({ chestCm }) => chestCm);
});

test('a neck that lets go brings the forehead down, and the chest not', () => {
  const [held, loose] = [
    foldedTrunk(input, hip, 50, floor),
    foldedTrunk(input, hip, 50, floor, { neckDropDeg: 30 }),
  ];
  expect(loose.gapCm).toBeLessThan(held.gapCm - 3);
  expect(loose.chestCm).toBeCloseTo(held.chestCm, 9);
});

test('a caution that keeps the head high stops the fold', () => {
  const careful = inputOf({}, { pitchMostDeg: 60 });
  expect(foldedTrunk(careful, hip, 90, floor).leanDeg).toBe(60);
  expect(foldedTrunk(input, hip, 140, floor).leanDeg).toBe(95);
});

test('a trunk comes to lie on the floor or on what is higher, and folds freely over nothing', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 95, noNaN: true }),
      fc.double({ min: 0, max: 25, noNaN: true }),
      (lean, restCm) => {
        const lies = restingOn(input, hip, lean, floor, { forehead: restCm }, { neckDropDeg: 30 });
        const free = foldedTrunk(input, hip, lean, floor, { neckDropDeg: 30 });
        expect(lies.gapCm).toBeGreaterThanOrEqual(Math.min(restCm, free.gapCm) - 0.05);
        if (free.gapCm >= restCm && free.chestCm >= 0)
          expect(lies.gapCm).toBeCloseTo(free.gapCm, 9);
      },
    ),
  );
});

test('hands ahead lie on the floor at nearly the arm’s length', () => {
  for (const shoulder of [
    [30, 15],
    [40, 45],
    [20, 55],
  ] as const) {
    const hand = floorAhead(shoulder, input.body);
    expect(between(shoulder, hand)).toBeCloseTo(0.97 * armCm(input.body), 6);
    expect(hand[0]).toBeGreaterThan(shoulder[0]);
  }
});

test('what is met by itself says so, what is too high to rest on says that too', () => {
  expect(foldWhy({ slot: 'forehead', side: 'both', rawCm: -2, over: 'shin' }, 40)).toEqual([
    { code: 'fold-forehead', cm: -2, over: 'shin', tooHigh: false },
  ]);
  expect(foldWhy({ slot: 'forehead', side: 'both', rawCm: 52 }, 40)).toEqual([
    { code: 'fold-forehead', cm: 52, over: 'floor', tooHigh: true },
  ]);
  expect(foldWhy({ slot: 'chest', side: 'both', rawCm: 12 }, 40)).toEqual([
    { code: 'fold-chest', cm: 12 },
  ]);
  expect(foldWhy({ slot: 'seat', side: 'both', rawCm: 12 }, 40)).toBeNull();
});
