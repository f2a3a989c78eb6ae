import fc from 'fast-check';
import { mirrored, recordWith, samplePerson, sampleReading, sampleSession, sampleShelf } from '../tests/samples';
import { planSchema, type Plan, type PlanSlot } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { cautions } from '../safety/cautions';
import { slotRule } from '../props/slots';
import { stackFaults } from '../props/stack';
import { bodyFrom } from '../body/body';
import { families } from '../geometry/families';
import { poseById, poses } from '../poses/poses';
import { planStudent } from './plan';
import { solveFigure } from './solve';
import { estimateRanges } from '../estimate/estimate';

const DAY = '2026-01-15';
const poseOf = (plan: Plan, id: string) => plan.poses.find(({ pose }) => pose === id)!;
const seatOf = (plan: Plan, pose = 'hero') => poseOf(plan, pose).slots.find(({ slot }) => slot === 'seat') as PlanSlot;
const read = [sampleReading({ id: 'l', values: [128, 130] }), sampleReading({ id: 'r', side: 'right', values: [134, 133] })];

test('a plan of a student of whom only the stature is known is whole and valid', () => {
  const plan = planStudent(recordWith(), sampleShelf, DAY);
  expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(JSON.parse(JSON.stringify(plan)));
  expect(plan.poses.map(({ pose }) => pose)).toEqual(poses.map(({ id }) => id));
  expect(plan.unanswered).toHaveLength(cautions.length);
});

test('bands contain their targets, and readings narrow them', () => {
  const before = planStudent(recordWith(), sampleShelf, DAY);
  const after = planStudent(recordWith({ readings: read }), sampleShelf, DAY);
  for (const { slots } of [...before.poses, ...after.poses]) for (const { lowCm, targetCm, highCm } of slots) {
    expect(lowCm).toBeLessThanOrEqual(targetCm);
    expect(highCm).toBeGreaterThanOrEqual(targetCm);
  }
  expect(seatOf(after).highCm - seatOf(after).lowCm).toBeLessThan(seatOf(before).highCm - seatOf(before).lowCm);
});

test('every stack keeps the rules of its slot', () => {
  for (const { pose, slots } of planStudent(recordWith({ readings: read }), sampleShelf, DAY).poses) {
    for (const { slot, stack, isLength } of slots) {
      if (isLength) continue;
      expect(stackFaults(stack, sampleShelf, slotRule(slot, poseById(pose)!.family, bodyFrom(170)))).toEqual([]);
    }
  }
});

test('a first build stands a little over the target', () => {
  const seat = seatOf(planStudent(recordWith({ readings: read }), sampleShelf, DAY));
  expect(seat.stackCm).toBeGreaterThan(seat.targetCm - 0.5);
  expect(seat.stackCm).toBeLessThan(seat.targetCm + 4);
});

test('mirrored students get mirrored plans', () => {
  fc.assert(fc.property(fc.integer({ min: 100, max: 160 }), fc.integer({ min: 100, max: 160 }), fc.integer({ min: 30, max: 90 }), (left, right, hamstring) => {
    const record = recordWith({ readings: [sampleReading({ id: 'a', values: [left] }), sampleReading({ id: 'b', side: 'right', values: [right] }), sampleReading({ id: 'c', range: 'hamstring', values: [hamstring] })] });
    const [one, two] = [planStudent(record, sampleShelf, DAY), planStudent(mirrored(record), sampleShelf, DAY)];
    one.poses.forEach((pose, i) => pose.slots.forEach((slot, j) => {
      expect(two.poses[i]?.slots[j]?.targetCm).toBeCloseTo(slot.targetCm, 9);
      expect(two.poses[i]?.slots[j]?.stack).toEqual(slot.stack);
    }));
  }), { numRuns: 15 });
});

describe('over sessions', () => {
  const first = planStudent(recordWith({ readings: read }), sampleShelf, DAY);
  const seat = seatOf(first);
  const settled = [{ slot: 'seat' as const, side: 'both' as const, heightCm: seat.stackCm, pieces: seat.stack }];
  const good = (day: number) => sampleSession(shiftDays(DAY, day), { settled });

  test('two good sessions bring the seat of hero down one rung, with the reason', () => {
    const plan = planStudent(recordWith({ readings: read, sessions: [good(0), good(7), good(14)] }), sampleShelf, shiftDays(DAY, 21));
    expect(poseOf(plan, 'hero').decision).toMatchObject({ action: 'lower', slot: 'seat' });
    expect(seatOf(plan).stackCm).toBeLessThan(seat.stackCm - 0.9);
    expect(seatOf(plan).stackCm).toBeGreaterThanOrEqual(seat.stackCm - 2.5);
    expect(seatOf(plan).reason).toMatch(/One rung lower: .*good sessions running/);
  });

  test('a joint-line feeling brings it up a rung, with the reason', () => {
    const joint = sampleSession(shiftDays(DAY, 7), { settled, feeling: { strength: 2, place: 'joint' } });
    const plan = planStudent(recordWith({ readings: read, sessions: [good(0), joint] }), sampleShelf, shiftDays(DAY, 14));
    expect(poseOf(plan, 'hero').decision.action).toBe('raise');
    expect(seatOf(plan).stackCm).toBeGreaterThan(seat.stackCm + 0.9);
    expect(seatOf(plan).reason).toMatch('felt at a joint line');
  });

  test('an edited or removed session changes what is learned, at once', () => {
    const tooLow = sampleSession(DAY, { settled, feeling: { strength: 3, place: 'joint' } });
    const withIt = seatOf(planStudent(recordWith({ readings: read, sessions: [tooLow] }), sampleShelf, shiftDays(DAY, 7)));
    expect(withIt.offsetCm).toBeGreaterThan(0.5);
    expect(seatOf(planStudent(recordWith({ readings: read }), sampleShelf, shiftDays(DAY, 7))).offsetCm).toBe(0);
  });

  test('a seat that the shelf can no longer build is built anew near where it stood', () => {
    const smaller = sampleShelf.filter(({ kind }) => kind === 'blanket' || kind === 'half-block' || kind === 'bolster-round');
    const again = seatOf(planStudent(recordWith({ readings: read, sessions: [good(0)] }), smaller, shiftDays(DAY, 7)));
    expect(again.stack.every(({ item }) => smaller.some(({ id }) => id === item))).toBe(true);
    expect(Math.abs(again.stackCm - seat.stackCm)).toBeLessThan(4);
  });

  test('a sore day’s check far below the record raises the support', () => {
    const check = sampleReading({ id: 'now', at: shiftDays(DAY, 14), values: [108, 109] });
    const plan = planStudent(recordWith({ readings: [...read, check], sessions: [good(0), good(7)] }), sampleShelf, shiftDays(DAY, 14));
    expect(poseOf(plan, 'hero').decision).toMatchObject({ action: 'raise' });
    expect(poseOf(plan, 'hero').reasons.join(' ')).toMatch('Today’s check');
  });

  test('the hold grows with the times done, and never more than doubles', () => {
    const plan = planStudent(recordWith({ readings: read, sessions: [good(0), good(7)] }), sampleShelf, shiftDays(DAY, 14));
    expect(poseOf(first, 'hero').holdSeconds).toBe(60);
    expect(poseOf(plan, 'hero').holdSeconds).toBe(90);
  });
});

test('the reading that narrows the heights most is asked for first, and never one taken today', () => {
  const plan = planStudent(recordWith({ readings: read.map((one) => ({ ...one, at: DAY })) }), sampleShelf, DAY);
  expect(plan.measureNext.length).toBeGreaterThan(0);
  expect(plan.measureNext.length).toBeLessThanOrEqual(3);
  expect(plan.measureNext.every(({ range }) => range !== 'kneeFlexion.hipBent')).toBe(true);
  plan.measureNext.slice(1).forEach(({ gainCm }, i) => expect(gainCm).toBeLessThanOrEqual(plan.measureNext[i]!.gainCm));
});

test('without a shelf the heights are there and nothing is built', () => {
  const plan = planStudent(recordWith({ readings: read }), [], DAY);
  expect(seatOf(plan)).toMatchObject({ stack: [], stackCm: 0 });
  expect(seatOf(plan).targetCm).toBeGreaterThan(15);
});

test('an unknown pose is refused by name', () => expect(() => planStudent(recordWith(), sampleShelf, DAY, { poses: ['headstand-on-a-boat'] })).toThrow('headstand-on-a-boat'));

test.each([[140, 25, 85], [210, 25, 85], [140, 110, 165], [210, 110, 165], [170, 60, 140]])('every pose can be planned and drawn at %d cm, hamstring %d°, knee %d°', (statureCm, hamstring, knee) => {
  const readings = (['left', 'right'] as const).flatMap((side) => [sampleReading({ id: `h${side}`, side, range: 'hamstring', values: [hamstring] }), sampleReading({ id: `k${side}`, side, values: [knee] })]);
  const plan = planStudent(recordWith({ person: samplePerson({ statureCm }), readings }), sampleShelf, DAY);
  for (const { posture, slots } of plan.poses) {
    const numbers = JSON.stringify([posture, slots]);
    expect(numbers).not.toMatch(/null,null|NaN|Infinity/);
    expect(posture?.spine.length).toBeGreaterThan(4);
  }
});

test('a figure on any heights answers to what lies beneath', () => {
  const record = recordWith({ readings: [sampleReading({ range: 'hamstring', values: [45, 45] })] });
  const estimates = estimateRanges(record, DAY);
  const roll = (built: Record<string, number>) => solveFigure(record.person, estimates, 'staff', built).findings.rollBackDeg ?? NaN;
  expect(roll({ seat: 20 })).toBeLessThan(roll({ seat: 0 }) - 8);
});

test('every reference in the catalogue resolves', () => {
  for (const pose of poses) {
    expect(families[pose.family]).toBeDefined();
    expect(pose.stages.at(-1)?.from).toBeUndefined();
    for (const slot of [...pose.comesDown, ...Object.values(pose.goesUp)]) expect(pose.slots).toContain(slot.split('.')[0]);
    for (const fault of pose.faults) expect(pose.slots).toContain(fault.slot);
    expect(pose.look.length).toBeGreaterThanOrEqual(3);
    expect(pose.look.length).toBeLessThanOrEqual(5);
  }
});
