import type { Lesson } from '../formats/lesson';
import { studioShelf } from '../props/usualShelves';
import { chanceFrom } from '../sim/chance';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import {
  fitInto,
  leastSeconds,
  partsOf,
  shortSeconds,
  wholeSeconds,
  withFates,
  type Fate,
} from './fit';
import { shippedLessons } from './lessons';
import { lessonFor, type LessonPlan } from './planLesson';
import { secondsOf, timelineOf } from './timeline';

const DAY = '2026-03-02';
const names = Object.keys(sixPeople) as OneOfSix[];
const planOf = (lesson: Lesson, name: OneOfSix = 'desk worker') =>
  lessonFor(lesson, recordOfSix(name), studioShelf, DAY);

/** What fates come to, reckoned from the steps that are left alone. */
function outcome(plan: LessonPlan, fates: readonly Fate[]) {
  const parts = partsOf(plan);
  const lost = parts.reduce((sum, part, i) => {
    if (fates[i] === 'dropped') return sum + part.worth;
    if (fates[i] === 'whole') return sum;
    const own = part.steps.map((at) => plan.steps[at]!);
    const of = (seconds: (step: (typeof own)[number]) => number) =>
      own.reduce((all, step) => all + seconds(step), 0);
    return sum + 0.5 * part.worth * (1 - of(shortSeconds) / of(({ seconds }) => seconds));
  }, 0);
  return { lost, seconds: secondsOf(timelineOf(withFates(plan, fates))) };
}

/** All fates that the parts of a lesson may have. */
function* everyFate(plan: LessonPlan): Generator<Fate[]> {
  const parts = partsOf(plan);
  const choices = parts.map(({ isKept }): Fate[] =>
    isKept ? ['whole', 'short'] : ['whole', 'short', 'dropped'],
  );
  const total = choices.reduce((product, { length }) => product * length, 1);
  for (let n = 0; n < total; n += 1) {
    let left = n;
    yield choices.map((own) => {
      const fate = own[left % own.length]!;
      left = Math.floor(left / own.length);
      return fate;
    });
  }
}

/** Some steps of a lesson that ships, in their order: at most so many parts. */
function someOf(seed: number, most: number): LessonPlan {
  const chance = chanceFrom(seed);
  const lesson = shippedLessons[Math.floor(chance.uniform() * shippedLessons.length)]!;
  const name = names[Math.floor(chance.uniform() * names.length)]!;
  let steps = lesson.steps.filter(() => chance.uniform() < 0.6);
  for (;;) {
    const plan = planOf({ ...lesson, steps }, name);
    if (partsOf(plan).length <= most) return plan;
    steps = steps.slice(1);
  }
}

test.each([11, 12, 13, 14, 15, 16, 17, 18])(
  'seed %i: of everything that could be dropped or shortened, nothing loses less',
  (seed) => {
    const plan = someOf(seed, 8);
    const whole = wholeSeconds(plan);
    const all = [...everyFate(plan)].map((fates) => outcome(plan, fates));
    for (const share of [0.4, 0.6, 0.75, 0.9]) {
      const most = whole * share;
      const fitted = fitInto(plan, most);
      const can = all.filter(({ seconds }) => seconds <= most);
      expect(fitted.fates === null).toBe(can.length === 0);
      if (!fitted.fates) continue;
      expect(fitted.lost).toBeCloseTo(Math.min(...can.map(({ lost }) => lost)), 6);
      const told = outcome(plan, fitted.fates);
      expect(told.seconds).toBe(fitted.seconds);
      expect(told.lost).toBeCloseTo(fitted.lost, 6);
    }
    expect(leastSeconds(plan)).toBe(Math.min(...all.map(({ seconds }) => seconds)));
  },
);

test('twelve parts, against all of them', () => {
  const plan = someOf(23, 12);
  const most = wholeSeconds(plan) * 0.7;
  let least = Infinity;
  for (const fates of everyFate(plan)) {
    if (partsOf(plan).length > 10 && fates.includes('short') && fates.indexOf('short') % 2 === 1)
      continue;
    const { seconds, lost } = outcome(plan, fates);
    if (seconds <= most) least = Math.min(least, lost);
  }
  expect(fitInto(plan, most).lost).toBeLessThanOrEqual(least + 1e-9);
});

test.each(shippedLessons)('$name: what warms and what takes back is never dropped', (lesson) => {
  for (const name of names) {
    const plan = planOf(lesson, name);
    const parts = partsOf(plan);
    const whole = wholeSeconds(plan);
    for (const share of [0.5, 0.7, 0.85]) {
      const { fates, seconds } = fitInto(plan, whole * share);
      if (!fates) continue;
      expect(seconds).toBeLessThanOrEqual(whole * share);
      for (const [i, { isKept }] of parts.entries())
        if (isKept) expect(fates[i]).not.toBe('dropped');
      // The rest at the end stays.
      expect(withFates(plan, fates).at(-1)!.of).toBe(plan.steps.at(-1)!.of);
    }
  }
});

test('a lesson that fits is left as it is; one that cannot fit says how long it is at the least', () => {
  const plan = planOf(shippedLessons[1]!);
  expect(fitInto(plan, 3600)).toMatchObject({ lost: 0, seconds: wholeSeconds(plan) });
  const { fates, seconds } = fitInto(plan, 60);
  expect(fates).toBeNull();
  expect(fitInto(plan, seconds).fates).not.toBeNull();
});

test('sides that a lesson names one by one are dropped together', () => {
  const plan = planOf(shippedLessons.find(({ id }) => id === 'floor-hips')!);
  const { fates } = fitInto(plan, wholeSeconds(plan) * 0.6);
  const sidesLeft = (pose: string) =>
    withFates(plan, fates!).filter((one) => one.is === 'pose' && one.planned.pose === pose).length;
  expect([0, 2]).toContain(sidesLeft('stacked-fold'));
});

test('who sets up slowly has less time for holding', () => {
  const plan = planOf(shippedLessons[1]!);
  expect(wholeSeconds(plan, 2)).toBeGreaterThan(wholeSeconds(plan) * 1.15);
  expect(fitInto(plan, 1200, 2).lost).toBeGreaterThan(fitInto(plan, 1200).lost);
});
