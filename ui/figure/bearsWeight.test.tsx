import { estimateRanges } from '@/core/estimate/estimate';
import { solveFigure } from '@/core/build/solve';
import { recordWith, sampleReading } from '@/core/tests/samples';
import { bearsWeight } from './Figure';

const record = recordWith({ readings: [sampleReading({ range: 'hamstring', values: [55, 55] })] });
const on = (pose: string, built: Record<string, number>) =>
  bearsWeight(
    solveFigure(
      { person: record.person, pose, side: 'both', shelf: [] },
      estimateRanges(record, '2026-01-15'),
      built,
    ).posture,
  );

test('palms beside the hips and on blocks bear weight', () => {
  expect(on('staff', { seat: 8, hands: 6 })).toBe(true);
  expect(on('standing-fold', { hands: 40 })).toBe(true);
});

test('a hand on the thigh, or drawing on a strap, does not', () => {
  expect(on('hero', { seat: 22 })).toBe(false);
  expect(on('seated-fold', { seat: 8, underKnees: 16 })).toBe(false);
});
