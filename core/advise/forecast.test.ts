import { estimateRanges } from '../estimate/estimate';
import { shiftDays } from '../formats/time';
import { families } from '../geometry/families';
import { inputOf, recordWith, sampleReading } from '../tests/samples';
import { forecastHeight, whenUnder, type HeightAhead } from './forecast';

const DAY = '2026-06-01';
const { body, settings, side } = inputOf();
const weekly = (count: number, perWeek: number) =>
  (['left', 'right'] as const).flatMap((on) =>
    Array.from({ length: count }, (_, i) =>
      sampleReading({
        id: `${on}${i}`,
        side: on,
        values: [120 + perWeek * i, 120 + perWeek * i],
        at: shiftDays(DAY, -7 * (count - i)),
      }),
    ),
  );
const forecast = (count: number, perWeek: number, offsetCm = 0) =>
  forecastHeight(
    families.kneeling,
    { body, settings, side },
    'seat',
    estimateRanges(recordWith({ readings: weekly(count, perWeek) }), DAY),
    DAY,
    offsetCm,
  );
const heights = (count: number, perWeek: number): readonly HeightAhead[] => {
  const told = forecast(count, perWeek);
  if (!told.enough) throw new Error(told.reason.code);
  return told.ahead;
};

test('under three dated readings nothing is said', () => {
  expect(forecast(2, 0.5)).toEqual({
    enough: false,
    reason: { code: 'few-looks', seen: 2, asked: 3 },
  });
  expect(forecast(0, 0)).toMatchObject({ enough: false });
  expect(forecast(3, 0.5).enough).toBe(true);
});

test('a range that grows brings the height down, with a doubt that grows', () => {
  const ahead = heights(12, 0.6);
  const last = ahead.at(-1)!;
  expect(last.cm).toBeLessThan(ahead[0]!.cm - 1);
  expect(last.highCm - last.lowCm).toBeGreaterThan(ahead[0]!.highCm - ahead[0]!.lowCm);
  for (const { cm, lowCm, highCm } of ahead) {
    expect(lowCm).toBeLessThanOrEqual(cm);
    expect(highCm).toBeGreaterThanOrEqual(cm);
  }
});

test('a range that stands still promises nothing', () => {
  const ahead = heights(12, 0);
  expect(Math.abs(ahead.at(-1)!.cm - ahead[0]!.cm)).toBeLessThan(1);
});

test('a milestone has a likely day within a span, or none that can be said', () => {
  const ahead = heights(12, 0.6);
  const { earliestOn, likelyOn, latestOn } = whenUnder(ahead, ahead[0]!.cm - 1);
  expect(earliestOn! <= likelyOn!).toBe(true);
  expect(latestOn === null || latestOn >= likelyOn!).toBe(true);
  expect(whenUnder(ahead, -1)).toEqual({ likelyOn: null, earliestOn: null, latestOn: null });
});

test('what the mat has taught goes with it, and the floor is the floor', () => {
  const told = forecast(12, 0.6, 3);
  expect(told.enough && told.ahead[0]!.cm).toBeCloseTo(heights(12, 0.6)[0]!.cm + 3, 6);
  const low = forecast(12, 0.6, -100);
  expect(low.enough && low.ahead[0]!.cm).toBe(0);
});

test('a slot that the pose does not have is refused', () =>
  expect(
    forecastHeight(
      families.kneeling,
      { body, settings, side },
      'hands',
      estimateRanges(recordWith(), DAY),
      DAY,
    ),
  ).toMatchObject({ enough: false }));
