import fc from 'fast-check';
import {
  levelBefore,
  lookedBack,
  predict,
  trendFrom,
  update,
  type DayLooks,
  type Trend,
  type Value,
} from './levelAndDrift';

const read = (mean: number, variance = 9): DayLooks => ({
  reads: [{ mean, variance }],
  limits: [],
  swingVar: 0,
});
const limit = (mean: number, variance = 9): DayLooks => ({
  reads: [],
  limits: [{ mean, variance }],
  swingVar: 0,
});
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const gained = (weeks: number): Trend => {
  let trend = trendFrom(50, 10, 1);
  for (let week = 0; week < weeks; week++)
    trend = update(predict(trend, 1, 1), read(50 + week / 2, 4));
  return trend;
};
const expectSame = (one: Trend, other: Trend, digits = 9) => {
  for (const part of ['level', 'drift', 'levelVar', 'driftVar', 'covariance'] as const)
    expect(one[part]).toBeCloseTo(other[part], digits);
};
const anyTrend = fc
  .tuple(fc.double({ min: 20, max: 160, noNaN: true }), fc.double({ min: 1, max: 15, noNaN: true }))
  .map(([mean, sd]) => trendFrom(mean, sd, 1));

test('nothing changes when no time passes', () => {
  const trend = trendFrom(60, 10, 1);
  expect(predict(trend, 0, 1)).toBe(trend);
});

test('so many weeks at once are the same as one by one, whatever came before', () => {
  const trend = update(trendFrom(60, 10, 1), read(70));
  const year = Array.from({ length: 52 }).reduce<Trend>((now) => predict(now, 1, 1), trend);
  expectSame(year, predict(trend, 52, 1));
  fc.assert(
    fc.property(anyTrend, between(0.1, 60), between(0.1, 60), (from, first, second) => {
      const then = update(from, read(from.level + 7));
      expectSame(predict(predict(then, first, 1), second, 1), predict(then, first + second, 1), 8);
    }),
  );
});

test('a look pulls the level toward it and always narrows the doubt', () => {
  fc.assert(
    fc.property(
      anyTrend,
      fc.double({ min: 10, max: 170, noNaN: true }),
      fc.double({ min: 1, max: 60, noNaN: true }),
      (trend, mean, weeks) => {
        const before = predict(trend, weeks, 1);
        const after = update(before, read(mean));
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

test('a limit far under what is believed says nothing, one over it pulls', () => {
  const trend = trendFrom(60, 10, 1);
  expect(update(trend, limit(-40)).level).toBeCloseTo(60, 9);
  expect(update(trend, limit(70)).level).toBeGreaterThan(68);
});

test('limits have the moments of a bell that is cut off', () => {
  // Weighed on a fine grid: a bell, times the chance that the value with its error lies over the limit.
  const onGrid = (mean: number, sd: number, over: number, error: number): Value => {
    let [sum, first, second] = [0, 0, 0];
    const steps = 4000;
    const half = 12 * Math.hypot(sd, error);
    let chance = 0;
    for (let i = 0; i <= steps; i++) {
      const [at, d] = [over - half + (2 * half * i) / steps, (2 * half) / steps];
      chance += (Math.exp(-0.5 * ((at - over) / error) ** 2) * d) / error / 2.5066282746;
      const weight = chance * Math.exp(-0.5 * ((at - mean) / sd) ** 2);
      sum += weight;
      first += weight * at;
      second += weight * at * at;
    }
    return { mean: first / sum, variance: second / sum - (first / sum) ** 2 };
  };
  for (const [mean, sd, over, error] of [
    [70, 12, 70, 3],
    [60, 8, 75, 4],
    [60, 8, 50, 4],
    [50, 6, 70, 2],
  ] as const) {
    const after = update(trendFrom(mean, sd, 1), limit(over, error ** 2));
    const exact = onGrid(mean, sd, over, error);
    expect(after.level).toBeCloseTo(exact.mean, 1);
    expect(Math.sqrt(after.levelVar)).toBeCloseTo(Math.sqrt(exact.variance), 1);
  }
});

test('a limit a little higher says a little more', () => {
  const trend = trendFrom(70, 12, 1);
  const at = (mean: number) => update(trend, limit(mean));
  expect(Math.abs(at(70.1).level - at(69.9).level)).toBeLessThan(0.2);
  fc.assert(
    fc.property(between(-200, 400), between(1, 400), (over, variance) => {
      const [one, other] = [
        update(trend, limit(over, variance)),
        update(trend, limit(over + 0.01, variance)),
      ];
      expect(other.level - one.level).toBeGreaterThan(-1e-4);
      expect(other.level - one.level).toBeLessThan(0.0101);
      expect(one.levelVar).toBeGreaterThan(0);
      expect(one.levelVar).toBeLessThanOrEqual(trend.levelVar + 1e-9);
    }),
  );
});

test('the looks of a day say the same in any order', () => {
  const value = fc.record({ mean: between(20, 120), variance: between(0.5, 60) });
  fc.assert(
    fc.property(
      fc.array(value, { maxLength: 4 }),
      fc.array(value, { maxLength: 4 }),
      between(0, 40),
      (reads, limits, swingVar) => {
        const turned = { reads: [...reads].reverse(), limits: [...limits].reverse(), swingVar };
        expect(update(gained(5), turned)).toEqual(update(gained(5), { reads, limits, swingVar }));
      },
    ),
  );
});

describe('looking back', () => {
  /** Weekly looks, what was believed after each, and the same looked back on from the last. */
  const course = (means: readonly number[]) => {
    const then: Trend[] = [];
    for (const mean of means) {
      const last = then.at(-1);
      then.push(update(last ? predict(last, 1, 1) : trendFrom(50, 10, 1), read(mean, 4)));
    }
    const back = then.reduceRight<Trend[]>(
      (later, one) => [later[0] ? lookedBack(one, later[0], 1, 1) : one, ...later],
      [],
    );
    return { then, back };
  };

  test('what came later is as good as what came before: read backward, level for level the same', () => {
    // Of a drift that starts as it wanders: then time may run either way.
    const wandering = 0.06 / Math.sqrt(2 * -Math.log(0.97));
    const run = (means: readonly number[]) => {
      const start = { ...trendFrom(50, 1000, 1), driftVar: wandering ** 2 };
      const then: Trend[] = [];
      for (const mean of means)
        then.push(
          update(then.length > 0 ? predict(then.at(-1) as Trend, 1, 1) : start, read(mean, 4)),
        );
      return then.reduceRight<Trend[]>(
        (later, one) => [later[0] ? lookedBack(one, later[0], 1, 1) : one, ...later],
        [],
      );
    };
    const means = [50, 52, 51, 55, 58, 57, 60, 61];
    const [forward, backward] = [run(means), run([...means].reverse()).reverse()];
    forward.forEach((one, i) => {
      expect(one.level).toBeCloseTo((backward[i] as Trend).level, 3);
      expect(one.levelVar).toBeCloseTo((backward[i] as Trend).levelVar, 3);
    });
  });

  test('knows an earlier day better than that day did', () => {
    fc.assert(
      fc.property(fc.array(between(30, 90), { minLength: 3, maxLength: 20 }), (means) => {
        const { then, back } = course(means);
        back.forEach((one, i) => {
          expect(one.levelVar).toBeLessThanOrEqual((then[i] as Trend).levelVar + 1e-9);
          expect(one.levelVar).toBeGreaterThan(0);
        });
      }),
    );
  });

  test('a gain of weeks is not carried back for years', () => {
    const [first] = course(Array.from({ length: 20 }, (_, i) => 50 + i / 2)).back as [Trend];
    const doubt = Math.sqrt(first.levelVar);
    for (const weeks of [10, 52, 156, 1000])
      expect(Math.abs(levelBefore(first, weeks) - first.level)).toBeLessThanOrEqual(doubt + 1e-9);
  });
});

test('drift fades: a gain is not carried forward for ever', () => {
  let trend = trendFrom(50, 10, 1);
  for (let week = 0; week < 12; week++) trend = update(predict(trend, 1, 1), read(50 + week, 4));
  const [year, twoYears] = [predict(trend, 52, 1), predict(trend, 104, 1)];
  expect(trend.drift).toBeGreaterThan(0.2);
  expect(twoYears.level - year.level).toBeLessThan((year.level - trend.level) * 0.3);
});
