import { studioShelf } from '../props/usualShelves';
import { poseById } from '../poses/poses';
import { shippedSequences } from '../poses/sequences';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import type { PlanPose } from '../formats/plan';
import { slotKey } from '../slots';
import {
  adviceOn,
  fetchedFor,
  fetchedTogether,
  movedLeast,
  movesBetween,
  movesOf,
  oneSeatFor,
  placeKey,
  placesOf,
  withAdvice,
} from './order';
import { planStudent } from '../plan/plan';
import { inPoseOf, mayLie } from '../build/solve';

const DAY = '2026-03-01';
const names = Object.keys(sixPeople) as OneOfSix[];
const planOf = (name: OneOfSix, poses: readonly string[]) => {
  const record = recordOfSix(name);
  return {
    record,
    offered: planStudent(record, studioShelf, DAY, { poses: [...new Set(poses)] }).poses.filter(
      ({ posture }) => posture !== null,
    ),
  };
};
const inOrder = (order: readonly string[], offered: readonly PlanPose[]) =>
  order.map((key) => offered.find((one) => placeKey(one) === key) as PlanPose);

describe('the sequences that ship', () => {
  test.each(shippedSequences)('$name: warmed before deep, rest last', ({ poses }) => {
    for (const id of poses) expect(poseById(id)).toBeDefined();
    const { offered } = planOf('desk worker', poses);
    const order = placesOf(poses, offered);
    expect(order.length).toBeGreaterThan(4);
    const amiss = adviceOn(order, new Set()).filter(({ says }) => says !== 'counter-after');
    expect(amiss).toEqual([]);
  });

  test('both sides follow each other', () => {
    const { offered } = planOf('desk worker', ['pigeon', 'staff']);
    const order = placesOf(['pigeon', 'staff', 'pigeon'], offered);
    expect(order).toEqual([
      'pigeon/left',
      'pigeon/right',
      'staff/both',
      'pigeon/left',
      'pigeon/right',
    ]);
  });
});

describe('advice on an order', () => {
  const ids = ['reclined-hero', 'hero', 'cats-tail', 'rest', 'plank', 'table-up', 'child'];
  const { offered } = planOf('desk worker', ids);
  const can = new Set(ids);

  test('a deep pose before its warm-up is told, and moved after it', () => {
    const order = placesOf(['hero', 'cats-tail'], offered);
    const [advice] = adviceOn(order, can);
    expect(advice).toMatchObject({ says: 'deep-early', pose: 'hero', after: 'cats-tail' });
    const better = withAdvice(order, advice!, offered);
    expect(better.at(-1)).toBe('hero/both');
    expect(adviceOn(better, can).some(({ says }) => says === 'deep-early')).toBe(false);
  });

  test('a missing warm-up and a missing counterpose are proposed, and put where they belong', () => {
    const order = placesOf(['hero'], offered);
    const warm = adviceOn(order, can).find(({ says }) => says === 'warm-first');
    expect(warm).toMatchObject({ pose: 'hero', add: 'cats-tail' });
    expect(withAdvice(order, warm!, offered).at(-1)).toBe('hero/both');
    const deep = placesOf(['reclined-hero'], offered);
    const counter = adviceOn(deep, can).find(({ says }) => says === 'counter-after');
    expect(counter).toBeDefined();
    expect(withAdvice(deep, counter!, offered)[0]).toBe(deep[0]);
  });

  test('rest comes last', () => {
    const order = placesOf(['rest', 'hero'], offered);
    const advice = adviceOn(order, new Set()).find(({ says }) => says === 'rest-last');
    expect(withAdvice(order, advice!, offered)).toEqual(['hero/both', 'rest/both']);
  });

  test('nothing is proposed that is not on offer', () => {
    for (const advice of adviceOn(placesOf(['hero'], offered), new Set()))
      expect('add' in advice).toBe(false);
  });
});

describe('what is fetched and moved', () => {
  const { offered } = planOf('desk worker', ['staff', 'hero', 'easy-cross', 'child']);
  test('the most that one pose uses is fetched, and nothing moves where the build stays', () => {
    const [staff, hero] = offered as [PlanPose, PlanPose];
    const fetched = fetchedFor([staff, hero]);
    for (const [item, count] of fetchedFor([staff]))
      expect(fetched.get(item)).toBeGreaterThanOrEqual(count);
    expect(movesBetween(hero, hero)).toBe(0);
  });

  test.each(names)('%s: the order that moves least moves no more, and keeps every pose', (name) => {
    const poses = ['cats-tail', 'staff', 'hero', 'easy-cross', 'seated-fold', 'child', 'rest'];
    const { offered: all } = planOf(name, poses);
    const order = inOrder(placesOf(poses, all), all);
    const least = movedLeast(order);
    expect(movesOf(least)).toBeLessThanOrEqual(movesOf(order));
    expect(least.map(placeKey).sort()).toEqual(order.map(placeKey).sort());
    expect(least.at(-1)?.pose).toBe('rest');
    const at = (pose: string) => least.findIndex((one) => one.pose === pose);
    if (at('cats-tail') >= 0 && at('hero') >= 0) expect(at('cats-tail')).toBeLessThan(at('hero'));
  });
});

describe('one seat throughout', () => {
  test.each(names)('%s: the seat serves every pose that it is said to serve', (name) => {
    const { record, offered } = planOf(name, [
      'staff',
      'easy-cross',
      'straddle',
      'open-book',
      'hero',
    ]);
    const inPose = (planned: PlanPose) => inPoseOf(record.person, planned, studioShelf);
    const one = oneSeatFor(offered, inPose);
    if (!one) return;
    expect(new Set(one.places.map((key) => key.split('/')[0])).size).toBeGreaterThan(1);
    for (const planned of offered.filter((pose) => one.places.includes(placeKey(pose)))) {
      const seat = planned.slots.find((slot) => slotKey(slot) === 'seat')!;
      expect(one.stack.heightCm).toBeGreaterThanOrEqual(seat.targetCm - 1.6);
      expect(mayLie(inPose(planned), 'seat', one.stack)).toBe(true);
    }
  });

  test('for ordinary people there is one', () => {
    const found = names.filter((name) => {
      const { record, offered } = planOf(name, ['staff', 'easy-cross', 'straddle', 'seated-fold']);
      return oneSeatFor(offered, (planned) => inPoseOf(record.person, planned, studioShelf));
    });
    expect(found.length).toBeGreaterThanOrEqual(3);
  });
});

test('a class fetches, for the pose that needs most, what all who do it use at once', () => {
  const pose = (id: string, item: string, count: number) => ({
    pose: id,
    slots: [{ stack: [{ item, state: 'flat', count }] }] as unknown as PlanPose['slots'],
  });
  const plans = [
    [pose('staff', 'block', 2), pose('hero', 'block', 3)],
    [pose('staff', 'block', 1), pose('child', 'bolster', 1)],
    [pose('hero', 'block', 2)],
  ];
  expect([...fetchedTogether(plans)]).toEqual([
    ['block', 5],
    ['bolster', 1],
  ]);
  expect([...fetchedTogether([])]).toEqual([]);
});
