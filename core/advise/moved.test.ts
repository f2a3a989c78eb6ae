import { heightsMoved, heightsOf, moveCm, type PlanHeight } from './moved';
import { planStudent } from '../plan/plan';
import { samplePerson, sampleReading, recordWith, sampleShelf } from '../tests/samples';

const seat = (builtCm: number, more: Partial<PlanHeight> = {}): PlanHeight => ({
  pose: 'staff',
  poseSide: 'both',
  slot: 'seat',
  side: 'both',
  builtCm,
  ...more,
});

test('what moves furthest is named first, and what stays is not named', () => {
  const before = [seat(5), seat(10, { pose: 'hero' }), seat(3, { pose: 'child' })];
  const after = [seat(6), seat(7, { pose: 'hero' }), seat(3.05, { pose: 'child' })];
  expect(heightsMoved(before, after)).toEqual([
    { pose: 'hero', poseSide: 'both', slot: 'seat', side: 'both', from: { cm: 10 }, to: { cm: 7 } },
    { pose: 'staff', poseSide: 'both', slot: 'seat', side: 'both', from: { cm: 5 }, to: { cm: 6 } },
  ]);
});

test('a support that only one of them has stands on the floor in the other, a strap does not', () => {
  expect(heightsMoved([], [seat(4)])).toMatchObject([{ from: { cm: 0 }, to: { cm: 4 } }]);
  expect(heightsMoved([seat(4)], [])).toMatchObject([{ from: { cm: 4 }, to: { cm: 0 } }]);
  expect(heightsMoved([], [seat(80, { slot: 'strap', isLength: true })])).toEqual([]);
});

test('what comes to stand on something else is told, last: the body is about as high on it', () => {
  const head = seat(18, { slot: 'forehead', over: 'shin' });
  const moved = heightsMoved([head, seat(5)], [{ ...head, builtCm: 45, over: 'floor' }, seat(6)]);
  expect(moved.map((one) => [one.slot, moveCm(one)])).toEqual([
    ['seat', 1],
    ['forehead', 0],
  ]);
  expect(moved[1]).toMatchObject({ from: { over: 'shin' }, to: { over: 'floor' } });
});

test('the two sides and the two ends of a ramp are told apart', () => {
  const low = seat(5, { slot: 'back', part: 'low' });
  const high = seat(9, { slot: 'back', part: 'high' });
  expect(heightsMoved([low, high], [low, { ...high, builtCm: 12 }])).toMatchObject([
    { part: 'high', from: { cm: 9 }, to: { cm: 12 } },
  ]);
});

test('a plan moves against itself by nothing, and with freer knees somewhere', () => {
  const heights = (deg: number) =>
    heightsOf(
      planStudent(
        recordWith({
          person: samplePerson(),
          readings: (['left', 'right'] as const).map((side) =>
            sampleReading({ id: side, side, values: [deg, deg] }),
          ),
        }),
        sampleShelf,
        '2026-03-02',
      ),
    );
  expect(heightsMoved(heights(120), heights(120))).toEqual([]);
  const moved = heightsMoved(heights(120), heights(140));
  expect(moved.length).toBeGreaterThan(0);
  expect(moved.map(moveCm)).toEqual([...moved.map(moveCm)].sort((a, b) => b - a));
  expect(moved.some(({ pose }) => pose === 'hero')).toBe(true);
});
