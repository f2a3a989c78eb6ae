import { approachIds } from '../approaches/approaches';
import { piecesIn } from '../build/pieces';
import { planStudent } from './plan';
import { studioShelf } from '../props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { poseById, stagesOf } from '../poses/poses';
import { slotKey } from '../slots';
import type { PlanPose } from '../formats/plan';

const DAY = '2026-02-02';
const names = Object.keys(sixPeople) as OneOfSix[];
const plans = new Map(
  names.map((name) => [name, planStudent(recordOfSix(name), studioShelf, DAY).poses]),
);
const poseOf = (name: OneOfSix, pose: string): PlanPose =>
  plans.get(name)!.find((one) => one.pose === pose)!;
const built = ({ slots }: PlanPose) =>
  Object.fromEntries(
    slots
      .filter(({ stack, isLength }) => stack.length > 0 && !isLength)
      .map((slot) => [slotKey(slot), slot.stackCm]),
  );

/** What a teacher of twenty years would build, in centimetres, give or take a felt step. */
const expected: readonly [OneOfSix, string, Readonly<Record<string, number>>][] = [
  ['runner', 'staff', { seat: 7.5, underKnees: 17 }],
  ['runner', 'hero', { seat: 15, ankle: 4 }],
  ['runner', 'pigeon', { hipLevel: 13, hands: 15 }],
  ['runner', 'standing-fold', { hands: 23 }],
  ['desk worker', 'staff', { seat: 7.5, underKnees: 7.5 }],
  ['desk worker', 'easy-cross', { seat: 11, 'underThigh:left': 11, 'underThigh:right': 11 }],
  ['desk worker', 'thunderbolt', {}],
  ['desk worker', 'seated-fold', { seat: 3, underKnees: 14.5, forehead: 24 }],
  ['desk worker', 'squat', {}],
  ['dancer', 'staff', {}],
  ['dancer', 'open-book', {}],
  ['dancer', 'hero', { seat: 5 }],
  ['dancer', 'pigeon', { hands: 2.5 }],
  ['a woman of 70', 'hero', { seat: 19, ankle: 4 }],
  ['a woman of 70', 'standing-fold', { hands: 15 }],
  ['a large man', 'staff', { seat: 7.5, underKnees: 11.5 }],
  ['a large man', 'hero', { seat: 22.5, ankle: 4 }],
  ['a large man', 'child', { seat: 10.5, chest: 34 }],
  ['a teenager of 17', 'hero', { seat: 9.5 }],
  ['a teenager of 17', 'child', {}],
  [
    'a teenager of 17',
    'stacked-shins',
    { seat: 9, 'underThigh:left': 11.5, 'underThigh:right': 11.5 },
  ],
];

test.each(expected)('%s, %s: %j', (name, pose, heights) => {
  const stands = built(poseOf(name, pose));
  expect(Object.keys(stands).sort()).toEqual(Object.keys(heights).sort());
  for (const [key, cm] of Object.entries(heights))
    expect(Math.abs((stands[key] ?? NaN) - cm)).toBeLessThanOrEqual(1.6);
});

test.each(names)(
  '%s: when the other leg works, the same things lie there where they serve',
  (name) => {
    const plan = plans.get(name)!;
    for (const right of plan.filter(({ side, slots }) => side === 'right' && slots.length > 0)) {
      const left = plan.find(({ pose, side }) => pose === right.pose && side === 'left')!;
      for (const slot of right.slots.filter(({ side, isLength }) => side === 'both' && !isLength)) {
        const there = left.slots.find((one) => one.slot === slot.slot);
        if (there && there.stack.length > 0 && Math.abs(there.targetCm - slot.targetCm) < 0.01)
          expect(slot.stack).toEqual(there.stack);
      }
    }
  },
);

test.each(names)('%s: two sides that ask for the same are built alike', (name) => {
  for (const { slots } of plans.get(name)!)
    for (const slot of slots.filter(({ side }) => side === 'left')) {
      const other = slots.find((one) => one.slot === slot.slot && one.side === 'right');
      if (other && Math.abs(other.targetCm - slot.targetCm) < 0.5)
        expect(other.stack).toEqual(slot.stack);
    }
});

describe.each(approachIds)('%s', (approach) => {
  test.each(names)('%s: every stage says what is built, and six pieces are the most', (name) => {
    for (const planned of planStudent(recordOfSix(name, approach), studioShelf, DAY).poses) {
      expect(piecesIn(planned)).toBeLessThanOrEqual(6);
      if (planned.posture === null) continue;
      const stages = stagesOf(poseById(planned.pose)!, planned.way);
      const stage = stages.find(({ id }) => id === planned.stage);
      expect(stage).toBeDefined();
      const stands = built(planned);
      const highest = (slot: string) =>
        Math.max(
          0,
          ...Object.entries(stands).flatMap(([key, cm]) =>
            key.split(':')[0] === slot ? [cm] : [],
          ),
        );
      const { from, over } = stage!;
      if (over) expect(over === 'back.high' || highest(over) === 0).toBe(true);
      if (from && from.slot !== 'strap') expect(highest(from.slot)).toBeGreaterThanOrEqual(from.cm);
    }
  });
});

test.each(names)('%s: on what is built, no pose asks more of a joint than there is', (name) => {
  // Horse stands behind a gate that nobody of the six has passed.
  for (const { pose, side, demands } of plans.get(name)!.filter((one) => one.pose !== 'horse'))
    // A hamstring that is short rolls the pelvis back, which the seat takes up by halves; of what is under two
    // centimetres, which is four degrees of a thigh, nothing is laid.
    for (const { range, needDeg, haveDeg } of demands.filter((one) => one.range !== 'hamstring'))
      expect([pose, side, range, needDeg <= haveDeg + 4]).toEqual([pose, side, range, true]);
});
