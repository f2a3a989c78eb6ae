import { heelOf } from '../protocols/protocols';
import fc from 'fast-check';
import { recordWith, samplePerson, sampleReading, sampleSession } from '../tests/samples';
import type { Reading } from '../formats/book';
import { shiftDays, type LocalDay } from '../formats/time';
import { bodyFrom } from '../body/body';
import { longLegs } from '../geometry/sitting/longSit';
import {
  believableDifference,
  estimateRanges,
  knownOf,
  type Estimates,
  type Known,
} from './estimate';
import type { RangeKey } from '../ranges/ranges';
import { disagree, lastingIn, longSitObservations, observationOf } from './observations';

const context = { body: bodyFrom(170), coupling: { mean: 0.95, sd: 0.2 } };
const hamstring = (more: Partial<Reading>) =>
  sampleReading({ range: 'hamstring', values: [60], ...more });

test('with no reading, a range is what is usual for such a person, and says that it is assumed', () => {
  const estimates = estimateRanges(
    recordWith({ person: samplePerson({ sex: 'woman' }) }),
    '2026-02-01',
  );
  expect(estimates['hamstring:left']).toMatchObject({
    mean: 60,
    sd: 10,
    source: 'assumed',
    lastAt: null,
    driftPerWeek: 0,
  });
});

test('readings narrow a range toward what was read, two more than one', () => {
  const one = estimateRanges(
    recordWith({ readings: [sampleReading({ values: [130] })] }),
    '2026-01-08',
  )['kneeFlexion.hipBent:left'];
  const two = estimateRanges(
    recordWith({ readings: [sampleReading({ values: [130, 130] })] }),
    '2026-01-08',
  )['kneeFlexion.hipBent:left'];
  expect(one?.sd).toBeLessThan(8);
  expect(two?.sd).toBeLessThan(one?.sd ?? 0);
  expect(Math.abs((two?.mean ?? 0) - 130)).toBeLessThan(Math.abs((one?.mean ?? 0) - 130));
});

test('a side never read leans on the other, and is less sure than it', () => {
  const estimates = estimateRanges(
    recordWith({ readings: [sampleReading({ values: [120, 121, 120] })] }),
    '2026-01-08',
  );
  const [left, right] = [
    estimates['kneeFlexion.hipBent:left'],
    estimates['kneeFlexion.hipBent:right'],
  ];
  expect(right).toMatchObject({ source: 'other-side', mean: left?.mean });
  expect(right?.sd).toBeGreaterThan(left?.sd ?? 99);
});

test('the order in which readings were entered does not matter', () => {
  const readings = [0, 7, 14, 30, 61].map((day, i) =>
    sampleReading({ id: `r${i}`, at: shiftDays('2026-01-08', day), values: [120 + 2 * i] }),
  );
  fc.assert(
    fc.property(fc.shuffledSubarray(readings, { minLength: 5 }), (shuffled) => {
      expect(estimateRanges(recordWith({ readings: shuffled }), '2026-04-01')).toEqual(
        estimateRanges(recordWith({ readings }), '2026-04-01'),
      );
    }),
  );
});

describe('several looks in a day', () => {
  const value = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const one = fc.oneof(
    value(40, 90).map((deg) => hamstring({ values: [deg] })),
    value(40, 80).map((deg) =>
      hamstring({ values: [deg], protocol: 'straight-leg-raise.pelvis-watched' }),
    ),
    value(6, 50).map((deg) => hamstring({ values: [deg], protocol: 'knee-extension-90' })),
    fc
      .tuple(value(-25, 10), value(0, 20))
      .map(([tilt, seatCm]) =>
        sampleReading({ range: 'pelvicTilt.longSit', side: 'both', values: [tilt], seatCm }),
      ),
  );
  const at = (hour: number, day: number) =>
    `${shiftDays('2026-01-08', day)}T${String(hour).padStart(2, '0')}:00:00Z`;

  test('say the same in whichever order they were taken and entered', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(one, fc.integer({ min: 0, max: 3 })), { minLength: 2, maxLength: 8 }),
        (many) => {
          const taken = many.map(([reading, day], i) => ({
            ...reading,
            id: `r${i}`,
            at: at(8 + i, 20 * day),
          }));
          const turned = [...taken].reverse().map((reading, i) => ({
            ...reading,
            at: reading.at.slice(0, 11) + at(8 + i, 0).slice(11),
          }));
          const [first, second] = [taken, turned].map((readings) =>
            estimateRanges(recordWith({ readings }), '2026-04-01'),
          ) as [Estimates, Estimates];
          for (const [key, estimate] of Object.entries(first)) {
            const other = second[key as RangeKey];
            expect(other?.mean).toBeCloseTo(estimate?.mean ?? NaN, 9);
            expect(other?.sd).toBeCloseTo(estimate?.sd ?? NaN, 9);
          }
        },
      ),
    );
  });

  test('what is believed of an earlier day does not hang on the order either', () => {
    const readings = [60, 64, 58, 70].map((deg, i) =>
      hamstring({ id: `r${i}`, at: shiftDays('2026-01-08', 10 * i), values: [deg] }),
    );
    const [one, other] = [readings, [...readings].reverse()].map((all) =>
      knownOf(recordWith({ readings: all }), '2026-04-01'),
    ) as [Known, Known];
    for (const day of ['2024-01-01', '2026-01-08', '2026-01-24', '2026-03-20'] as const) {
      expect(one.levelsOn(day)).toEqual(other.levelsOn(day));
      expect(Object.values(one.levelsOn(day)).every(Number.isFinite)).toBe(true);
    }
    expect(one.levelsOn('2026-04-01')['hamstring:left']).toBe(
      one.estimates['hamstring:left']?.mean,
    );
  });
});

test('readings after the day are left out', () => {
  const readings = [sampleReading({ at: '2026-03-01', values: [100] })];
  expect(
    estimateRanges(recordWith({ readings }), '2026-02-01')['kneeFlexion.hipBent:left']?.source,
  ).toBe('assumed');
});

test('steady gains show as drift, and doubt grows with the time since', () => {
  const readings = Array.from({ length: 10 }, (_, i) =>
    sampleReading({ id: `r${i}`, at: shiftDays('2026-01-08', 7 * i), values: [120 + i, 120 + i] }),
  );
  const at = (day: LocalDay) =>
    estimateRanges(recordWith({ readings }), day)['kneeFlexion.hipBent:left'];
  expect(at('2026-03-12')?.driftPerWeek).toBeGreaterThan(0.1);
  expect(at('2026-06-12')?.sd).toBeGreaterThan(at('2026-03-12')?.sd ?? 99);
});

describe('conversions', () => {
  test('a warm reading is brought back to cold, with more doubt', () => {
    const [cold, warm] = [false, true].map((flag) =>
      observationOf(sampleReading({ warm: flag }), context),
    );
    expect(warm?.mean).toBe((cold?.mean ?? 0) - 4);
    // How much more is alike in all warm readings of one body.
    expect(warm?.lasting).toEqual({ warm: 2 });
    expect(cold?.lasting).toEqual({});
  });
  test('an unwatched leg raise loses the share of the pelvis', () =>
    expect(
      observationOf(hamstring({ protocol: 'straight-leg-raise.first-pull', values: [80] }), context)
        ?.mean,
    ).toBeCloseTo(56));
  test('a knee lag is a hamstring through the coupling', () =>
    expect(
      observationOf(hamstring({ protocol: 'knee-extension-90', values: [40] }), context)?.mean,
    ).toBeCloseTo(52));
  test('heel to seat is a knee bend by the cosine rule, less what the heel stands behind the shin', () => {
    const { kneeToHeelCm, behindDeg } = heelOf(context.body);
    const right = Math.hypot(context.body.thighCm, kneeToHeelCm);
    expect(
      observationOf(
        sampleReading({ method: 'tape', protocol: 'heel-to-seat', values: [right] }),
        context,
      )?.mean,
    ).toBeCloseTo(90 - behindDeg, 6);
  });
  test('fingertips to the floor say little, however often: 9°, and 8.5 of them stay', () => {
    const seen = observationOf(
      hamstring({ method: 'tape', protocol: 'fingertip-floor', values: [10] }),
      context,
    );
    expect(Math.hypot(seen?.sd ?? 0, lastingIn(seen?.lasting ?? {}))).toBeCloseTo(9, 1);
    expect(seen?.lasting).toEqual({ 'fingertip-floor': 8.5 });
  });
  test('an unknown protocol says nothing', () =>
    expect(observationOf(hamstring({ protocol: 'by-guess' }), context)).toBeUndefined());
});

test('both hamstring tests of one day give the student’s own coupling, within human limits', () => {
  const readings = [
    hamstring({ id: 'a', values: [50, 50], protocol: 'straight-leg-raise.pelvis-watched' }),
    hamstring({ id: 'b', values: [30], protocol: 'knee-extension-90' }),
  ];
  const coupling = estimateRanges(recordWith({ readings }), '2026-01-08').hamstringCoupling;
  expect(coupling).toMatchObject({ source: 'measured' });
  expect(coupling?.mean).toBeGreaterThan(1.05);
  expect(coupling?.mean).toBeLessThanOrEqual(1.4);
});

test('a pelvis that rolls back in long sit reads the hamstring; one that does not is a lower limit', () => {
  const rolled = longSitObservations(
    sampleReading({ range: 'pelvicTilt.longSit', side: 'both', values: [-20], seatCm: 0 }),
    { ...context, standing: { mean: 10, sd: 0 } },
  )[0];
  expect(rolled?.bound).toBe('equal');
  expect(rolled?.mean).toBeCloseTo(90 - longLegs(0, 0, context.body).thighFallDeg - 30);
  expect(
    longSitObservations(
      sampleReading({ range: 'pelvicTilt.longSit', side: 'both', values: [5], seatCm: 10 }),
      { ...context, standing: { mean: 10, sd: 0 } },
    )[0]?.bound,
  ).toBe('atLeast');
});

test('a long sit knows a warm body and the eye that read it', () => {
  const meanOfSit = (more: Partial<Reading>, eyes = {}) =>
    longSitObservations(
      sampleReading({ range: 'pelvicTilt.longSit', side: 'both', values: [-20], ...more }),
      { ...context, standing: { mean: 10, sd: 0 } },
      -20,
      eyes,
    )[0]!.mean;
  const eyes = { 'pelvicTilt.longSit': { biasDeg: 5, sdDeg: 4 } };
  expect(meanOfSit({}) - meanOfSit({ warm: true })).toBeCloseTo(4, 6);
  expect(meanOfSit({ method: 'by-eye' }) - meanOfSit({ method: 'by-eye' }, eyes)).toBeCloseTo(5, 6);
});

test('what was settled on in a session speaks of its height, and leaves the ranges as they were read', () => {
  const readings = [sampleReading({ values: [150, 150] })];
  const read = estimateRanges(recordWith({ readings }), '2026-01-20');
  const sessions = [
    sampleSession('2026-01-15', { feeling: { strength: 3, place: 'joint' } }),
    sampleSession('2026-01-16', {
      settled: [{ slot: 'seat', side: 'both', heightCm: 8, pieces: [] }],
    }),
  ];
  expect(estimateRanges(recordWith({ readings, sessions }), '2026-01-20')).toEqual(read);
});

test('readings far apart ask for another', () => {
  expect(disagree([120, 126], 3)).toBe(false);
  expect(disagree([120, 128], 3)).toBe(true);
  expect(disagree([120], 3)).toBe(false);
});

test('the believable change grows with the method’s error and shrinks with more readings', () => {
  expect(believableDifference(3, 3, 3)).toBeCloseTo(1.96 * Math.SQRT2 * Math.sqrt(18), 6);
  expect(believableDifference(2, 2, 3)).toBeLessThan(believableDifference(3, 3, 3));
});
