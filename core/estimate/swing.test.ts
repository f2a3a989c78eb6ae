import { reading } from '../parameters';
import { chanceFrom } from '../sim/chance';
import { recordWith, sampleReading } from '../tests/samples';
import { shiftDays } from '../formats/time';
import { estimateRanges, sdOnDay } from './estimate';
import { swingFrom, type Surprise } from './swing';

const days = (squaredDeg: number, length: number): Surprise[] =>
  Array.from({ length }, (_, i) => ({ day: shiftDays('2026-01-05', 7 * i), squaredDeg }));

test('without readings a student swings as people usually do', () =>
  expect(swingFrom([])).toBe(reading.daySwing.value));

test('a calm body is found calm, a swinging one swinging, and neither at once', () => {
  expect(swingFrom(days(1, 3))).toBeLessThan(3);
  expect(swingFrom(days(1, 30))).toBeLessThan(swingFrom(days(1, 3)));
  expect(swingFrom(days(36, 3))).toBeGreaterThan(3);
  expect(swingFrom(days(36, 30))).toBeGreaterThan(5);
});

test('what cannot be a swing is not taken for one', () => {
  expect(swingFrom(days(900, 20))).toBe(reading.mostSwing.value);
  expect(swingFrom(days(-5, 20))).toBe(reading.leastSwing.value);
});

test('both knees of one day share its swing and count as one', () =>
  expect(swingFrom([...days(36, 4), ...days(36, 4)])).toBe(swingFrom(days(36, 4))));

test('a year of readings tells a student who swings by 6° from one who swings by 1.5°', () => {
  const year = (swingDeg: number) => {
    const chance = chanceFrom(7);
    const readings = Array.from({ length: 26 }, (_, i) =>
      sampleReading({
        id: `r${i}`,
        at: shiftDays('2026-01-08', 14 * i),
        values: [Math.round(120 + chance.normal(0, swingDeg))],
      }),
    );
    const knee = estimateRanges(recordWith({ readings }), '2027-01-08')[
      'kneeFlexion.hipBent:left'
    ]!;
    return { swing: knee.daySwing, onDay: sdOnDay(knee, knee.sd) };
  };
  expect(year(6).swing).toBeGreaterThan(4.5);
  expect(year(1.5).swing).toBeLessThan(3);
  expect(year(6).onDay).toBeGreaterThan(year(1.5).onDay);
});
