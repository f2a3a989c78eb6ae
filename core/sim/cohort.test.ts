import { shippedCare } from '../plan/context';
import { starterShelf } from '../props/usualShelves';
import {
  followedSlots,
  simulateCohort,
  tradeOff,
  type PolicyFigures,
  type PolicyId,
} from './cohort';

const wish = { students: 16, weeks: 16, seed: 11 };
const figures = simulateCohort(wish, starterShelf);
const of = (policy: PolicyId) => figures.find((one) => one.policy === policy) as PolicyFigures;

test('the rule makes joints speak less often than lowering by the calendar, and than never changing', () => {
  expect(of('rule').jointSignalsPer100).toBeLessThan(of('fixed').jointSignalsPer100);
  expect(of('rule').jointSignalsPer100).toBeLessThan(of('never').jointSignalsPer100);
});

test('a policy that sees the level keeps a margin in hand, and a joint speaks only on a bad day', () => {
  expect(of('level').jointSignalsPer100).toBeLessThan(8);
  expect(of('level').meanExcessCm).toBeGreaterThan(2);
  expect(of('level').meanExcessCm).toBeLessThan(of('never').meanExcessCm);
  expect(of('level').bandCoverage).toBeNull();
  expect(of('level').stuckShare).toBeLessThan(0.02);
});

test('at as many signals as the rule has, one that sees the level stands lower than the rule', () => {
  const { levelExcessCm, meanExcessCm } = of('rule');
  expect(levelExcessCm).toBeGreaterThan(0);
  expect(levelExcessCm).toBeLessThan(meanExcessCm);
  expect(of('never').levelExcessCm).toBeNull();
});

test('one that sees the truth of the day hurts nobody', () =>
  expect(of('truth').jointSignalsPer100).toBe(0));

test('the aim holds on a cohort that the rule was not tuned on', () => {
  // Two seeds alone leave two points of a hundred to chance.
  const seeds = [301, 302, 303, 304, 305, 306];
  const cohorts = seeds.map(
    (seed) =>
      simulateCohort(
        { students: 40, weeks: 26, seed, policies: ['rule', 'level'] },
        starterShelf,
      ) as [PolicyFigures, PolicyFigures],
  );
  const mean = (of: (one: [PolicyFigures, PolicyFigures]) => number) =>
    cohorts.reduce((sum, one) => sum + of(one), 0) / seeds.length;
  expect(mean(([rule]) => rule.jointSignalsPer100)).toBeLessThanOrEqual(5);
  expect(mean(([rule, level]) => rule.meanExcessCm / level.meanExcessCm)).toBeLessThanOrEqual(1.35);
  // Wider here than the 80 % that they say, so that they hold where the world is not as assumed.
  expect(mean(([rule]) => rule.bandCoverage ?? NaN)).toBeGreaterThan(0.8);
  expect(mean(([rule]) => rule.bandCoverage ?? NaN)).toBeLessThan(0.93);
});

test('every policy lives through the same weeks', () => {
  // Some evenings are missed, the same ones under every policy.
  for (const { sessions } of figures) expect(sessions).toBe(figures[0]?.sessions);
  expect(figures[0]?.sessions).toBeGreaterThan(0.5 * wish.students * wish.weeks);
  expect(figures[0]?.sessions).toBeLessThan(wish.students * wish.weeks);
});

test('the same seed gives the same figures, another seed others', () => {
  const small = { students: 4, weeks: 5, seed: 2, policies: ['rule'] as const };
  expect(simulateCohort(small, starterShelf)).toEqual(simulateCohort(small, starterShelf));
  expect(simulateCohort({ ...small, seed: 3 }, starterShelf)).not.toEqual(
    simulateCohort(small, starterShelf),
  );
});

test('more caution stands higher and hurts less', () => {
  const [bold, careful] = tradeOff(wish, starterShelf, [
    { firstBuild: 0.5, lowerRung: 0.5 },
    { firstBuild: 0.95, lowerRung: 0.95 },
  ]);
  expect(careful!.jointSignalsPer100).toBeLessThan(bold!.jointSignalsPer100);
  expect(careful!.meanExcessCm).toBeGreaterThan(bold!.meanExcessCm);
  expect(shippedCare.firstBuild).toBeGreaterThanOrEqual(0.5);
});

describe('in a world that is not the planner’s own', () => {
  const seeds = [401, 402, 403];
  const cohorts = seeds.flatMap((seed) =>
    simulateCohort(
      { students: 30, weeks: 26, seed, world: 'other', policies: ['rule'] },
      starterShelf,
    ),
  );
  const mean = (of: (one: PolicyFigures) => number) =>
    cohorts.reduce((sum, one) => sum + of(one), 0) / cohorts.length;

  test('bands hold about what they say, and joints speak no more often than the aim', () => {
    expect(mean(({ bandCoverage }) => bandCoverage ?? NaN)).toBeGreaterThan(0.74);
    expect(mean(({ bandCoverage }) => bandCoverage ?? NaN)).toBeLessThan(0.87);
    expect(mean(({ jointSignalsPer100 }) => jointSignalsPer100)).toBeLessThan(7.5);
    expect(mean(({ loweredUnder }) => loweredUnder ?? 0)).toBeLessThan(0.05);
  });

  test('bands hold from the first sessions to the last', () => {
    for (const span of [0, 1, 2])
      expect(mean(({ coverageAfter }) => coverageAfter[span] ?? NaN)).toBeGreaterThan(0.64);
  });

  test('bands narrow as sessions gather', () => {
    const [one, five, twenty] = cohorts[0]!.bandWidthCm as [number, number, number];
    expect(five).toBeLessThan(one);
    expect(twenty).toBeLessThan(five);
  });
});

test('every slot that is named is followed by itself', () => {
  const figures = simulateCohort(
    { students: 2, weeks: 4, seed: 3, world: 'other', policies: ['rule'], slots: followedSlots },
    starterShelf,
  );
  expect(figures.map(({ pose, slot }) => `${pose}/${slot}`)).toEqual(
    followedSlots.map(({ pose, slot }) => `${pose}/${slot}`),
  );
  for (const { sessions } of figures) expect(sessions).toBeGreaterThan(2);
});
