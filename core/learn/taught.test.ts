import type { SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { usualShelves } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import { planStudent } from '../plan/plan';
import { builtOf } from './evidence';
import { inPoseOf, solveFigure } from '../build/solve';
import { estimateRanges } from '../estimate/estimate';
import { withTaught } from './taught';

const DAY = '2026-03-01';
const shelf = usualShelves.studio;
const record = ordinaryAdult(1, 3, 'built-up-alignment');

/** A pose planned after it was done so many times on other heights than it was planned on. */
function after(
  pose: string,
  lowerByCm: Readonly<Record<string, number>>,
  times: number,
  felt: Partial<SessionPose> = {},
): { first: PlanPose; now: PlanPose } {
  const planned = (sessions: readonly SessionPose[]) =>
    planStudent(
      {
        ...record,
        sessions: sessions.map((one, i) => ({
          id: `s${i}`,
          person: record.person.id,
          at: shiftDays(DAY, 7 * (i - sessions.length)),
          poses: [one],
        })),
      },
      shelf,
      DAY,
      { poses: [pose] },
    ).poses[0] as PlanPose;
  const first = planned([]);
  const done = doneAsPlanned(first, { feeling: { strength: 3, place: 'muscle' }, ...felt });
  const settled = done.settled.map((one) => ({
    ...one,
    heightCm: Math.max(0, one.heightCm - (lowerByCm[slotKey(one)] ?? 0)),
  }));
  return { first, now: planned(Array.from({ length: times }, () => ({ ...done, settled }))) };
}

test('readings alone teach nothing', () => {
  for (const pose of ['staff', 'hero', 'easy-cross', 'standing-fold'])
    expect(after(pose, {}, 0).first.taught).toEqual({});
});

test('a pelvis that stood upright time and again is not drawn rolled back', () => {
  const { first, now } = after('staff', { seat: 5, underKnees: 6 }, 8);
  expect(first.findings.rollBackDeg).toBeLessThan(6);
  const then = solveFigure(
    { ...inPoseOf(record.person, now, shelf), taught: {} },
    estimateRanges(record, DAY),
    Object.fromEntries(now.slots.map((slot) => [slotKey(slot), slot.stackCm])),
  );
  expect(then.findings.rollBackDeg).toBeGreaterThan(8);
  expect(now.taught.hamstring).toBeGreaterThan(3);
  expect(now.findings.rollBackDeg).toBeLessThan(6);
});

test('a lower hero seat that served shows in the knee that it asks of', () => {
  const { now } = after('hero', { seat: 8 }, 8);
  expect(Object.keys(now.taught)).toEqual(['kneeFlexion.hipBent']);
  for (const { range, needDeg, haveDeg } of now.demands)
    if (range === 'kneeFlexion.hipBent') expect(needDeg).toBeLessThan(haveDeg + 1);
});

test('what was rolled back teaches nothing', () => {
  const { now } = after('staff', { seat: 5, underKnees: 6 }, 3, { pelvis: 'rolled' });
  expect(now.taught).toEqual({});
});

test('the figure on the mat is drawn with it as the plan is', () => {
  const { now } = after('staff', { seat: 5, underKnees: 6 }, 8);
  const built = builtOf(doneAsPlanned(now));
  const { findings } = solveFigure(
    inPoseOf(record.person, now, shelf),
    estimateRanges(record, DAY),
    built,
  );
  expect(findings.rollBackDeg).toBeCloseTo(now.findings.rollBackDeg as number, 1);
});

test('both sides have it, and other ranges do not', () => {
  const values = { 'hamstring:left': 50, 'hamstring:right': 60, 'hipFlexion:left': 110 };
  expect(withTaught(values, { hamstring: 5 })).toEqual({
    'hamstring:left': 55,
    'hamstring:right': 65,
    'hipFlexion:left': 110,
  });
  expect(withTaught(values, {})).toBe(values);
});

/** Where the plan leaves a long-legged pelvis on a first day, in degrees, over an ordinary room. */
function rolledBack(pose: string): number[] {
  return Array.from({ length: 120 }, (_, i) =>
    planStudent(ordinaryAdult(i, 5, 'built-up-alignment'), shelf, '2026-03-02', { poses: [pose] }),
  ).flatMap(({ poses }) => poses.map(({ findings }) => findings.rollBackDeg ?? 0));
}

test.each([
  ['seated-twist', 7],
  ['straddle', 13],
  ['straddle-fold', 10],
  ['half-lotus-seat', 8],
] as const)('%s: a first build leaves no ordinary pelvis more than %d° back', (pose, mostDeg) => {
  expect(Math.max(...rolledBack(pose))).toBeLessThan(mostDeg);
});

test('what both sides sit on in turn stands as the stiffer one asks', () => {
  const pairs = Array.from(
    { length: 60 },
    (_, i) =>
      planStudent(ordinaryAdult(i, 5, 'built-up-alignment'), shelf, '2026-03-02', {
        poses: ['easy-cross'],
      }).poses,
  ).map((sides) => sides.map(({ slots }) => slots.find(({ slot }) => slot === 'seat')!));
  for (const [left, right] of pairs as [PlanPose['slots'][0], PlanPose['slots'][0]][]) {
    if (Math.abs(left.targetCm - right.targetCm) > 2.5) continue;
    const asked = Math.max(left.targetCm, right.targetCm);
    expect(left.stackCm).toBeGreaterThan(asked - 2);
    expect(right.stackCm).toBe(left.stackCm);
  }
});
