import { act, renderHook } from '@testing-library/react';
import { estimateRanges } from '@/core/estimate/estimate';
import { planStudent } from '@/core/plan/plan';
import { asPlanned } from '@/core/learn/settled';
import { studioShelf } from '@/core/props/usualShelves';
import { recordOfSix } from '@/core/tests/sixPeople';
import { useTried } from './useTried';

const DAY = '2026-02-02';
const record = recordOfSix('desk worker');
const estimates = estimateRanges(record, DAY);
const planOf = (pose: string) => planStudent(record, studioShelf, DAY, { poses: [pose] }).poses[0]!;
const tried = (pose: string, laid?: ReturnType<ReturnType<typeof useTried>['asLaid']>) => {
  const planned = planOf(pose);
  const hook = renderHook(() => useTried(planned, record.person, estimates, studioShelf, laid));
  return { planned, now: () => hook.result.current };
};

test('untouched it is the plan, and would be laid as planned', () => {
  const { planned, now } = tried('hero');
  expect(now().isTried).toBe(false);
  expect(now().now.slots).toEqual(planned.slots);
  expect(now().asLaid()).toEqual({ settled: asPlanned(planned), dials: [], changes: [] });
});

test('two drags in one moment are both kept, and say how far each went from the plan', () => {
  const { planned, now } = tried('easy-cross');
  const before = now();
  act(() => {
    before.moveTo('seat', 20);
    before.moveTo('underThigh:left', 5);
  });
  const laid = now().asLaid();
  const change = (slot: string) => laid.changes.find((one) => one.slot === slot);
  expect(now().isTried).toBe(true);
  expect(change('seat')?.fromCm).toBe(planned.slots[0]?.stackCm);
  expect(change('seat')?.toCm).toBeGreaterThan(15);
  expect(change('underThigh')).toMatchObject({ side: 'left' });
  act(() => now().reset());
  expect(now().isTried).toBe(false);
});

test('what was laid out before is what is tried, dials and all', () => {
  const first = tried('standing-fold');
  act(() => first.now().turn('kneeBend', 'raise'));
  const laid = first.now().asLaid();
  expect(laid.dials[0]).toMatchObject({ dial: 'kneeBend' });
  const again = tried('standing-fold', laid);
  expect(again.now().isTried).toBe(true);
  expect(again.now().now.dials).toEqual(laid.dials);
  expect(again.now().asLaid().settled).toEqual(laid.settled);
});
