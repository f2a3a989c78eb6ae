import fc from 'fast-check';
import { estimateRanges } from '../estimate/estimate';
import { recordWith, samplePerson, sampleReading, sampleShelf } from '../tests/samples';
import { planStudent } from '../plan/plan';
import { nearestStack, otherStacks, rungsFrom, solveFigure } from './solve';
import { triedHeights, tryableCm, TRY_MOST_CM } from './tryHeights';

const DAY = '2026-01-15';
const record = recordWith({
  person: samplePerson({ choices: { 'reclined-hero/gate': 'practised' } }),
  readings: [
    sampleReading({ values: [128] }),
    sampleReading({ id: 'h', range: 'hamstring', values: [48, 50] }),
  ],
});
const estimates = estimateRanges(record, DAY);
const planned = (pose: string) =>
  planStudent(record, sampleShelf, DAY, { poses: [pose] }).poses[0]!;
const inPose = (pose: string, shelf = sampleShelf) => ({
  person: record.person,
  pose,
  side: 'both' as const,
  shelf,
});
const kneeNeed = (seat: number) =>
  solveFigure(inPose('hero'), estimates, { seat }).demands.find(
    ({ range }) => range === 'kneeFlexion.hipBent',
  )!.needDeg;

test('a higher kneeling seat asks less of the knee, all the way', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 30, noNaN: true }),
      fc.double({ min: 0.5, max: 5, noNaN: true }),
      (seat, more) => {
        expect(kneeNeed(seat + more)).toBeLessThan(kneeNeed(seat));
      },
    ),
  );
});

test('a higher ramp leans the trunk less far back', () => {
  const incline = (cm: number) =>
    solveFigure(inPose('reclined-hero'), estimates, { seat: 20, 'back.high': cm }).findings
      .inclineDeg!;
  expect(incline(50)).toBeGreaterThan(incline(35));
  expect(incline(35)).toBeGreaterThan(incline(20));
});

test('a ramp under what the front thigh allows is told as an arch', () => {
  const arch = (cm: number) =>
    solveFigure(inPose('reclined-hero'), estimates, { seat: 20, 'back.high': cm }).findings
      .archDeg!;
  expect(arch(20)).toBeGreaterThan(5);
  expect(arch(60)).toBe(0);
});

test('trying the heights of the plan gives the figure of the plan', () => {
  for (const id of ['staff', 'hero', 'reclined-hero', 'standing-fold', 'seated-fold']) {
    const plan = planned(id);
    expect(solveFigure(inPose(id), estimates, triedHeights(plan, {})).posture.hip).toEqual(
      plan.posture?.hip,
    );
  }
});

test('other pieces build about the same height, and take nothing that the pose needs elsewhere', () => {
  const lying = { pieces: [{ item: 'cork', state: 'edge', count: 1 }], heightCm: 15 };
  const free = otherStacks(inPose('hero'), 'seat', lying);
  expect(free.length).toBeGreaterThan(0);
  for (const { pieces, heightCm } of free) {
    expect(Math.abs(heightCm - 15)).toBeLessThan(2.5);
    expect(pieces).not.toEqual(lying.pieces);
  }
  const cork = sampleShelf.find(({ id }) => id === 'cork')!;
  const none = otherStacks(inPose('hero'), 'seat', lying, { cork: cork.count });
  expect(none.every(({ pieces }) => pieces.every(({ item }) => item !== 'cork'))).toBe(true);
  expect(otherStacks(inPose('hero', [cork]), 'seat', lying, { cork: cork.count })).toEqual([]);
  expect(rungsFrom(inPose('hero', [cork]), 'seat', lying, { cork: cork.count })).toEqual({
    below: undefined,
    above: undefined,
  });
});

test('what is tried stands in place of what is planned, and the rest stays', () => {
  const plan = planned('staff');
  const built = triedHeights(plan, { seat: 3 });
  expect(built.seat).toBe(3);
  expect(built.underKnees).toBe(plan.slots.find(({ slot }) => slot === 'underKnees')?.stackCm);
});

test('heights are tried in half centimetres, between the floor and the tallest', () => {
  expect([tryableCm(12.3), tryableCm(12.2), tryableCm(-4), tryableCm(900)]).toEqual([
    12.5,
    12,
    0,
    TRY_MOST_CM,
  ]);
});

test('the nearest stack of a tried height is near it, where the shelf is', () => {
  for (const cm of [5, 11, 17, 23])
    expect(Math.abs(nearestStack(inPose('hero'), 'seat', cm).heightCm - cm)).toBeLessThan(1.5);
  expect(nearestStack(inPose('hero', []), 'seat', 17)).toEqual({ pieces: [], heightCm: 0 });
});

test('rungs are told from where things lie, and an unknown pose is refused', () => {
  const { below, above } = rungsFrom(inPose('hero'), 'seat', {
    pieces: [{ item: 'cork', state: 'edge', count: 1 }],
    heightCm: 15,
  });
  expect(below!.heightCm).toBeLessThan(15);
  expect(above!.heightCm).toBeGreaterThan(15);
  expect(() => solveFigure(inPose('moonwalk'), estimates, {})).toThrow('moonwalk');
});
