import fc from 'fast-check';
import { predict, update, trendFrom, type RangeLook } from './levelAndDrift';

const look = (mean: number, more: Partial<RangeLook> = {}): RangeLook => ({
  mean,
  variance: 9,
  bound: 'equal',
  ...more,
});
const anyTrend = fc
  .tuple(fc.double({ min: 20, max: 160, noNaN: true }), fc.double({ min: 1, max: 15, noNaN: true }))
  .map(([mean, sd]) => trendFrom(mean, sd, 1));

test('nothing changes when no time passes', () => {
  const trend = trendFrom(60, 10, 1);
  expect(predict(trend, 0, 1)).toBe(trend);
});

test('two steps of time are one long one, apart from the noise that each adds', () => {
  const trend = update(trendFrom(60, 10, 1), look(70));
  const [whole, halves] = [predict(trend, 8, 1), predict(predict(trend, 4, 1), 4, 1)];
  expect(halves.level).toBeCloseTo(whole.level, 9);
  expect(halves.drift).toBeCloseTo(whole.drift, 9);
  expect(halves.levelVar / whole.levelVar).toBeGreaterThan(0.9);
  expect(halves.levelVar / whole.levelVar).toBeLessThan(1.1);
});

test('a look pulls the level toward it and always narrows the doubt', () => {
  fc.assert(
    fc.property(
      anyTrend,
      fc.double({ min: 10, max: 170, noNaN: true }),
      fc.double({ min: 1, max: 60, noNaN: true }),
      (trend, mean, weeks) => {
        const before = predict(trend, weeks, 1);
        const after = update(before, look(mean));
        expect(after.levelVar).toBeLessThan(before.levelVar);
        expect(after.driftVar).toBeLessThanOrEqual(before.driftVar + 1e-12);
        expect(Math.abs(after.level - mean)).toBeLessThanOrEqual(
          Math.abs(before.level - mean) + 1e-9,
        );
        expect(after.levelVar * after.driftVar - after.covariance ** 2).toBeGreaterThan(0);
      },
    ),
  );
});

test('a limit that is kept says nothing, one that is broken pulls', () => {
  const trend = trendFrom(60, 10, 1);
  expect(update(trend, look(50, { bound: 'atLeast' }))).toBe(trend);
  expect(update(trend, look(70, { bound: 'atLeast' })).level).toBeGreaterThan(60);
});

test('drift fades: a gain is not carried forward for ever', () => {
  let trend = trendFrom(50, 10, 1);
  for (let week = 0; week < 12; week++)
    trend = update(predict(trend, 1, 1), look(50 + week, { variance: 4 }));
  const [year, twoYears] = [predict(trend, 52, 1), predict(trend, 104, 1)];
  expect(trend.drift).toBeGreaterThan(0.2);
  expect(twoYears.level - year.level).toBeLessThan((year.level - trend.level) * 0.3);
});
