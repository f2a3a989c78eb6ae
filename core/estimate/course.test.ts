import fc from 'fast-check';
import { shiftDays, type LocalDay } from '../formats/time';
import type { Prior } from '../ranges/ranges';
import { courseOf } from './course';
import { predict, trendFrom } from './levelAndDrift';
import { type Observation } from './observations';

const START: LocalDay = '2025-01-06';
const PRIOR: Prior = { mean: 56, sd: 11 };
const SWING = 3;
interface Told {
  readonly week: number;
  readonly mean: number;
  readonly sd: number;
  readonly way: string;
  readonly lasting: number;
}
const seen = ({ week, mean, sd, way, lasting }: Told): Observation => ({
  mean,
  sd,
  lasting: lasting > 0 ? { [way]: lasting } : {},
  key: 'hamstring:left',
  day: shiftDays(START, 7 * week),
  bound: 'equal',
});
const until = (week: number) => shiftDays(START, 7 * week);
const course = (all: readonly Told[], weeks: number, prior: Prior = PRIOR) =>
  courseOf('hamstring', prior, all.map(seen), until(weeks), SWING).trend;

/** The same by one filter over level, drift and what each way is off by, written out as matrices. */
function atOnce(all: readonly Told[], weeks: number) {
  const ways = [...new Set(all.map(({ way }) => way))];
  const size = 2 + ways.length;
  const lastingOf = (way: string) => all.find((one) => one.way === way)?.lasting ?? 0;
  const first = trendFrom(PRIOR.mean, PRIOR.sd, 1);
  let mean = [first.level, first.drift, ...ways.map(() => 0)];
  let covariance = mean.map((_, i) =>
    mean.map((__, j) =>
      i !== j
        ? 0
        : i === 0
          ? first.levelVar
          : i === 1
            ? first.driftVar
            : lastingOf(ways[i - 2]!) ** 2,
    ),
  );
  const times = (a: readonly number[][], b: readonly number[][]) =>
    a.map((row) => b[0]!.map((_, j) => row.reduce((sum, x, k) => sum + x * b[k]![j]!, 0)));
  const go = (count: number) => {
    if (count <= 0) return;
    // The step's own matrix, by what it makes of one degree of level and of drift; and its noise, by nothing at all.
    const none = { level: 0, drift: 0, levelVar: 0, driftVar: 0, covariance: 0 };
    const ofDrift = predict({ ...none, drift: 1 }, count, 1);
    const noise = predict(none, count, 1);
    const step = mean.map((_, i) => mean.map((__, j): number => (i === j ? 1 : 0)));
    step[0]![1] = ofDrift.level;
    step[1]![1] = ofDrift.drift;
    mean = step.map((row) => row.reduce((sum, x, k) => sum + x * mean[k]!, 0));
    const turned = step[0]!.map((_, j) => step.map((row) => row[j]!));
    covariance = times(times(step, covariance), turned);
    covariance[0]![0]! += noise.levelVar;
    covariance[0]![1]! += noise.covariance;
    covariance[1]![0]! += noise.covariance;
    covariance[1]![1]! += noise.driftVar;
  };
  let now = all[0]?.week ?? 0;
  for (const { week, mean: read, sd, way } of all) {
    go(week - now);
    now = week;
    const sees = Array.from({ length: size }, (_, i) => Number(i === 0 || ways[i - 2] === way));
    const toward = covariance.map((row) => row.reduce((sum, x, k) => sum + x * sees[k]!, 0));
    const whole = toward.reduce((sum, x, k) => sum + x * sees[k]!, 0) + sd ** 2 + SWING ** 2;
    const off = read - mean.reduce((sum, x, k) => sum + x * sees[k]!, 0);
    mean = mean.map((x, i) => x + (toward[i]! * off) / whole);
    covariance = covariance.map((row, i) =>
      row.map((x, j) => x - (toward[i]! * toward[j]!) / whole),
    );
  }
  go(weeks - now);
  return {
    level: mean[0]!,
    drift: mean[1]!,
    levelVar: covariance[0]![0]!,
    covariance: covariance[0]![1]!,
    driftVar: covariance[1]![1]!,
  };
}

const ways = [
  { way: 'watched', lasting: 0 },
  { way: 'first pull', lasting: 6 },
  { way: 'lag', lasting: 8 },
] as const;
const looks = fc
  .array(
    fc.record({
      gap: fc.integer({ min: 1, max: 9 }),
      mean: fc.double({ min: 20, max: 95, noNaN: true }),
      sd: fc.double({ min: 0.5, max: 6, noNaN: true }),
      way: fc.constantFrom(...ways),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((all) => {
    let week = 0;
    return all.map(({ gap, mean, sd, way }): Told => ({ week: (week += gap), mean, sd, ...way }));
  });

test('what a way is off by is learned beside the range, as one filter over both would', () => {
  fc.assert(
    fc.property(looks, fc.integer({ min: 0, max: 12 }), (all, after) => {
      const weeks = (all.at(-1)?.week ?? 0) + after;
      const [ours, whole] = [course(all, weeks), atOnce(all, weeks)];
      for (const name of ['level', 'drift', 'levelVar', 'covariance', 'driftVar'] as const)
        expect(ours[name]).toBeCloseTo(whole[name], 6);
    }),
  );
});

const byFirstPull = (count: number, mean: number, from = 0): Told[] =>
  Array.from({ length: count }, (_, i) => ({
    week: from + i,
    mean,
    sd: 2,
    ...ways[1],
  }));

test('ten readings by a way that does not know a body know it hardly better than one', () => {
  const sd = (count: number) => Math.sqrt(course(byFirstPull(count, 48), count - 1).levelVar);
  expect(sd(10)).toBeGreaterThan(0.8 * sd(1));
  // With nothing that lasts, they do.
  const plain = (count: number) =>
    Math.sqrt(
      course(
        byFirstPull(count, 48).map((one) => ({ ...one, lasting: 0 })),
        count - 1,
      ).levelVar,
    );
  expect(plain(10)).toBeLessThan(0.6 * plain(1));
});

test('a gain by one way is followed as if nothing lasted: it is alike before and after', () => {
  const gained = (lasting: number) => {
    const all = [...byFirstPull(8, 48), ...byFirstPull(8, 60, 8)].map((one) => ({
      ...one,
      lasting,
    }));
    return course(all, 15).level - course(all.slice(0, 8), 7).level;
  };
  expect(gained(6)).toBeGreaterThan(0.9 * gained(0));
});

test('one look by a way that knows outweighs ten by one that does not', () => {
  const all: Told[] = [...byFirstPull(10, 40), { week: 10, mean: 52, sd: 2, ...ways[0] }];
  const { level } = course(all, 10);
  expect(level).toBeGreaterThan(48);
  // And says how far off the other is: the next ones are taken so.
  const after = course([...all, ...byFirstPull(6, 40, 11)], 16);
  expect(after.level).toBeGreaterThan(47);
});
