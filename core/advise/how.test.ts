import type { PlanPose } from '../formats/plan';
import { poses } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { howOf } from './how';
import { planStudent } from '../plan/plan';

const DAY = '2026-03-01';
const plans = (Object.keys(sixPeople) as OneOfSix[]).map((name) =>
  planStudent(recordOfSix(name), studioShelf, DAY),
);
const offered = plans.flatMap(({ poses: all }) => all.filter(({ posture }) => posture !== null));
const nothingBuilt = (planned: PlanPose): PlanPose => ({
  ...planned,
  slots: planned.slots.map((slot) => ({ ...slot, stack: [], stackCm: 0 })),
});
const firstOf = (pose: string, is: (planned: PlanPose) => boolean = () => true) => {
  const found = offered.find((planned) => planned.pose === pose && is(planned));
  if (!found) throw new Error(`nobody is offered ${pose} so`);
  return found;
};
const stands = (slot: string) => (planned: PlanPose) =>
  planned.slots.some((one) => one.slot === slot && one.stack.length > 0);

test.each(poses.map(({ id }) => id))('%s is entered and looked at in a few lines', (id) => {
  for (const planned of offered.filter(({ pose }) => pose === id))
    for (const built of [planned, nothingBuilt(planned)]) {
      const { entry, look, exit } = howOf(built);
      expect(entry.length).toBeGreaterThanOrEqual(2);
      expect(new Set(entry).size).toBe(entry.length);
      expect(look.length).toBeGreaterThanOrEqual(3);
      expect(exit.length).toBeGreaterThanOrEqual(1);
    }
});

test('a support is spoken of where it lies, and the floor where nothing does', () => {
  const raised = firstOf('staff', stands('seat'));
  expect(howOf(raised).entry).toContain('Sit at the front edge of the support.');
  expect(howOf(nothingBuilt(raised)).entry).toContain('Sit on the floor.');
  expect(howOf(nothingBuilt(raised)).entry.join(' ')).not.toContain('support');
});

test('a head that asks for more than anybody builds stays in line; one that comes down by itself rests', () => {
  const fold = firstOf('open-book-fold', stands('forehead'));
  const withHead = (targetCm: number) => {
    const bare = nothingBuilt(fold);
    const slots = bare.slots.map((slot) =>
      slot.slot === 'forehead' ? { ...slot, targetCm, reckonedCm: targetCm } : slot,
    );
    return howOf({ ...bare, slots }).entry.at(-1);
  };
  expect(howOf(fold).entry.at(-1)).toBe('Forehead on its support.');
  expect(withHead(70)).toContain('head in line');
  expect(withHead(20)).toContain('head in line');
  expect(withHead(1)).toBe('Forehead to the feet.');
});

test('hands over the most that anybody builds rest on the thigh, and hands at the floor on the floor', () => {
  const lunge = firstOf('low-lunge', stands('hands'));
  const withHands = (reckonedCm: number) => {
    const bare = nothingBuilt(lunge);
    const slots = bare.slots.map((slot) => ({ ...slot, reckonedCm }));
    return howOf({ ...bare, slots }).entry.join(' ');
  };
  expect(withHands(60)).toContain('front thigh');
  expect(withHands(0)).toContain('Hands on the floor');
});

test('what only a support can do is looked for where it lies', () => {
  const oneLeg = firstOf('reclined-hero-one', stands('underKnees'));
  const seen = (planned: PlanPose) => howOf(planned).faults.map(({ id }) => id);
  expect(seen(oneLeg)).toContain('knee-too-high');
  expect(seen(nothingBuilt(oneLeg))).not.toContain('knee-too-high');
  expect(seen(nothingBuilt(oneLeg))).toContain('lists');
});

test('a pose that this version does not know has no lines', () => {
  expect(howOf({ pose: 'none-such', way: '', slots: [], answers: {} })).toEqual({
    entry: [],
    look: [],
    exit: [],
    faults: [],
  });
});
