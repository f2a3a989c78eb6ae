import fc from 'fast-check';
import { anyInput, valuesOf, inputOf } from '../tests/samples';
import { normalCdf, normalQuantile } from '../normal';
import { bandsOf, meansOf } from './band';
import type { Belief } from './inputs';
import { families } from './families';

/** The same spread for every range: 5° or a fifth of the coupling. */
const beliefFrom = (values: ReturnType<typeof valuesOf>, sd: number): Belief =>
  Object.fromEntries(
    Object.entries(values).map(([key, mean]) => [
      key,
      { mean: mean as number, sd: key === 'hamstringCoupling' ? sd / 50 : sd },
    ]),
  );

test('a band contains its target, and means give the target', () => {
  fc.assert(
    fc.property(anyInput, fc.double({ min: 0.1, max: 10, noNaN: true }), (input, sd) => {
      for (const family of Object.values(families)) {
        const belief = beliefFrom(input.values as ReturnType<typeof valuesOf>, sd);
        const direct = family.heights({ ...input, values: meansOf(belief) });
        bandsOf(family, input, belief).forEach(({ need, lowCm, highCm }, i) => {
          expect(lowCm).toBeLessThanOrEqual(need.rawCm);
          expect(highCm).toBeGreaterThanOrEqual(need.rawCm);
          expect(need.rawCm).toBe(direct[i]?.rawCm);
        });
      }
    }),
    { numRuns: 60 },
  );
});

test('a surer range never widens a band of a kneeling seat', () => {
  fc.assert(
    fc.property(
      anyInput,
      fc.double({ min: 0.5, max: 10, noNaN: true }),
      fc.double({ min: 0.1, max: 0.95, noNaN: true }),
      (input, sd, share) => {
        const width = (spread: number) => {
          const seat = bandsOf(
            families.kneeling,
            input,
            beliefFrom(input.values as ReturnType<typeof valuesOf>, spread),
          )[0];
          return (seat?.highCm ?? NaN) - (seat?.lowCm ?? NaN);
        };
        expect(width(sd * share)).toBeLessThanOrEqual(width(sd) + 1e-9);
      },
    ),
  );
});

test('four in five of drawn bodies need a seat inside the band', () => {
  const input = inputOf({ 'kneeFlexion.hipBent': 130 });
  const belief: Belief = {
    ...beliefFrom(input.values as ReturnType<typeof valuesOf>, 0.001),
    'kneeFlexion.hipBent:left': { mean: 128, sd: 6 },
    'kneeFlexion.hipBent:right': { mean: 133, sd: 6 },
  };
  const seat = bandsOf(families.kneeling, input, belief)[0];
  let inside = 0;
  const trials = 40;
  // An even grid of quantiles over the three uncertain inputs instead of chance.
  for (let i = 0; i < trials; i++)
    for (let j = 0; j < trials; j++)
      for (let k = 0; k < 10; k++) {
        const values = {
          ...meansOf(belief),
          'kneeFlexion.hipBent:left': 128 + 6 * normalQuantile((i + 0.5) / trials),
          'kneeFlexion.hipBent:right': 133 + 6 * normalQuantile((j + 0.5) / trials),
          'kneeling.sitAllowance': 15 + 5 * normalQuantile((k + 0.5) / 10),
        };
        const cm = families.kneeling.heights({ ...input, values })[0]?.rawCm ?? NaN;
        if (seat && cm >= seat.lowCm && cm <= seat.highCm) inside += 1;
      }
  expect(inside / (trials * trials * 10)).toBeGreaterThan(0.75);
  expect(inside / (trials * trials * 10)).toBeLessThan(0.87);
});

test('the normal distribution and its inverse agree', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.0001, max: 0.9999, noNaN: true }), (p) => {
      expect(normalCdf(normalQuantile(p))).toBeCloseTo(p, 5);
    }),
  );
});
