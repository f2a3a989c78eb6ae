import fc from 'fast-check';
import { sampleShelf } from '@/core/tests/samples';
import { drawnPieces } from './layers';
import { bowl, circle, head, limb, trunk } from './outlines';

const numbers = (path: string) =>
  [...path.matchAll(/-?\d+(\.\d+)?/g)].map(([text]) => Number(text));
const near = fc.double({ min: -200, max: 200, noNaN: true });

test('a limb’s outline stays within its two circles’ reach', () => {
  fc.assert(
    fc.property(near, near, near, near, (ax, ay, bx, by) => {
      const path = limb([ax, ay], 9, [bx, by], 5);
      expect(path).not.toMatch(/NaN/);
      for (const value of numbers(path)) expect(Math.abs(value)).toBeLessThanOrEqual(209.1);
    }),
  );
});

test('where one circle holds the other, the limb is the larger one', () =>
  expect(limb([0, 0], 9, [1, 0], 5)).toBe(circle([0, 0], 9)));

test('trunk, head and pelvis are closed shapes', () => {
  const spine = Array.from({ length: 13 }, (_, i) => [0, i * 4] as const);
  const body = numbers(trunk(spine, 170));
  expect(body.slice(-2)).toEqual(body.slice(0, 2));
  for (const path of [
    head([0, 60], 10, 170).skull,
    head([0, 60], 170, 170).hair,
    bowl([0, 9], -20, 170).outline,
  ]) {
    expect(path).toMatch(/Z$/);
    expect(path).not.toMatch(/NaN/);
  }
});

test('pieces stand on each other from the foot up and end at the stack’s height', () => {
  const drawn = drawnPieces(
    [
      { item: 'cork', state: 'edge', count: 1 },
      { item: 'wool', state: 'fold-8', count: 1 },
    ],
    sampleShelf,
    2,
    18,
  );
  expect(drawn[0]?.bottomCm).toBe(2);
  expect(drawn[1]?.bottomCm).toBe(drawn[0]?.topCm);
  expect(drawn[1]?.topCm).toBeCloseTo(20);
});

test('pieces that the shelf no longer has are left out of the drawing', () =>
  expect(drawnPieces([{ item: 'gone', state: 'flat', count: 1 }], sampleShelf, 0, 10)).toEqual([]));
