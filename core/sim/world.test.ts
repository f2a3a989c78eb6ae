import { samplePose } from '../tests/samples';
import { chanceFrom } from './chance';
import { worldIds, worlds } from './world';

const lifeIn = (id: (typeof worldIds)[number], seed = 4) => worlds[id].life(chanceFrom(seed));
const sdOf = (values: readonly number[]) => {
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  return Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / values.length);
};

test.each(worldIds)(
  '%s: ranges grow with practice, wane without, and never under where they began',
  (id) => {
    const { grown } = lifeIn(id);
    expect(grown(3, true)).toBe(4);
    expect(grown(3, false)).toBeLessThan(3);
    expect(grown(0.2, false)).toBe(0);
  },
);

test('growth ends in the other world, and only there', () => {
  const after = (id: (typeof worldIds)[number]) => {
    const { grown } = lifeIn(id);
    let weeks = 0;
    for (let i = 0; i < 200; i++) weeks = grown(weeks, true);
    return weeks;
  };
  expect(after('own')).toBe(200);
  expect(after('other')).toBeGreaterThanOrEqual(8);
  expect(after('other')).toBeLessThanOrEqual(40);
});

test('the swing of the day is each student’s own there, and lingers', () => {
  const spread = (seed: number) => {
    const life = lifeIn('other', seed);
    const chance = chanceFrom(seed + 100);
    const swings = Array.from({ length: 3000 }, () => life.swing(chance));
    const next = swings.slice(1).map((one, i) => one * (swings[i] as number));
    const sd = sdOf(swings);
    return { sd, lingers: next.reduce((sum, one) => sum + one, 0) / next.length / sd ** 2 };
  };
  const students = [1, 2, 3, 4, 5].map(spread);
  for (const { sd, lingers } of students) {
    expect(sd).toBeGreaterThan(1.7);
    expect(sd).toBeLessThan(6.4);
    expect(lingers).toBeGreaterThan(0.35);
    expect(lingers).toBeLessThan(0.65);
  }
  expect(Math.max(...students.map(({ sd }) => sd))).toBeGreaterThan(
    Math.min(...students.map(({ sd }) => sd)) + 0.5,
  );
});

test('one signal in five is missed there, three in a hundred are false, and the own world never lies', () => {
  const spoken = samplePose({ feeling: { strength: 5, place: 'joint' } });
  const quiet = samplePose();
  const share = (id: (typeof worldIds)[number], outcome: typeof quiet) => {
    const { told } = lifeIn(id);
    const chance = chanceFrom(9);
    const all = Array.from({ length: 4000 }, () => told(outcome, chance));
    return all.filter(({ feeling }) => feeling.place === 'joint').length / all.length;
  };
  expect(share('own', spoken)).toBe(1);
  expect(share('own', quiet)).toBe(0);
  expect(share('other', spoken)).toBeCloseTo(0.8, 1);
  expect(share('other', quiet)).toBeCloseTo(0.03, 2);
});

test('what was lost by a fall comes back little by little', () => {
  const life = lifeIn('other');
  const chance = chanceFrom(2);
  const lost = Array.from({ length: 600 }, () => life.setback(chance));
  expect(Math.max(...lost)).toBeGreaterThan(3);
  expect(lost.filter((deg) => deg < 0.5).length).toBeGreaterThan(300);
});
