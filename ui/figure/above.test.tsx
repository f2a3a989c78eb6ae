import { bodyFrom } from '@/core/body/body';
import { families } from '@/core/geometry/families';
import { inputOf } from '@/core/tests/samples';
import { fromAbove, isSpatial } from './above';

const body = bodyFrom(170);
const posture = (family: keyof typeof families, side: 'left' | 'both' = 'both') =>
  families[family].figure(inputOf({}, {}, 170, side), {}).posture;

test('only legs that leave the plane of their hip are worth a look from above', () => {
  expect(isSpatial(posture('crossed'))).toBe(true);
  expect(isSpatial(posture('one-leg fold', 'left'))).toBe(true);
  expect(isSpatial(posture('straddle'))).toBe(true);
  expect(isSpatial(posture('long sit'))).toBe(false);
  expect(isSpatial(posture('standing fold'))).toBe(false);
});

test('the two sides mirror each other where the pose does', () => {
  const [near, far] = fromAbove(posture('straddle'), body).legs;
  near!.forEach(([x, z], i) => {
    expect(far![i]![0]).toBeCloseTo(x, 9);
    expect(far![i]![1]).toBeCloseTo(-z, 9);
  });
});

test('knees of crossed legs lie outside the hips, ankles past the midline', () => {
  const [near] = fromAbove(posture('crossed'), body).legs;
  const [hip, knee, ankle] = near!;
  expect(knee![1]).toBeGreaterThan(hip![1]);
  expect(ankle![1]).toBeLessThan(0);
});

test('in one plane both legs run straight ahead', () => {
  for (const leg of fromAbove(posture('long sit'), body).legs)
    for (const [, z] of leg) expect(Math.abs(z)).toBeCloseTo(body.hipSpacingCm / 2, 9);
});
