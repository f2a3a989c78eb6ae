import { dialIds, dials, turned, withinDial, type DialId } from '../dials';
import { estimateRanges } from '../estimate/estimate';
import type { PlanPose } from '../formats/plan';
import type { SessionPose } from '../formats/book';
import { shiftDays } from '../formats/time';
import { poseById, poses } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { planStudent } from '../plan/plan';
import { dialsIn, followsDials, inPoseOf, solveFigure } from '../build/solve';

const DAY = '2026-03-01';
const record = recordOfSix('desk worker');
const estimates = estimateRanges(record, DAY);

const plan = (id: string, sessions: (typeof record.sessions)[number][] = []) =>
  planStudent({ ...record, sessions }, studioShelf, DAY, { poses: [id] }).poses[0] as PlanPose;
const valueIn = ({ dials: set }: Pick<PlanPose, 'dials'>, dial: DialId) =>
  set.find((one) => one.dial === dial)?.value ?? NaN;

/** The same pose, week by week, as it was planned the first time and with what else was noted. */
const after = (id: string, ...times: Partial<SessionPose>[]) => {
  const first = plan(id);
  return plan(
    id,
    times.map((more, i) => ({
      id: `s${i}`,
      person: record.person.id,
      at: shiftDays(DAY, -7 * (times.length - i)),
      poses: [doneAsPlanned(first, more)],
    })),
  );
};
/** What was noted of one dial that a teacher moved by so much. */
const moved = (id: string, dial: DialId, by: number) =>
  plan(id).dials.map((one) =>
    one.dial === dial ? { ...one, value: withinDial(dial, one.reckoned + by) } : one,
  );

test.each(dialIds)('%s turns by its step, and stops at its ends', (dial) => {
  const { least, most, step } = dials[dial];
  expect(turned({ dial, way: 'raise' }, least)).toBe(least + step);
  expect(turned({ dial, way: 'raise' }, most)).toBe(most);
  expect(turned({ dial, way: 'lower' }, least)).toBe(least);
});

test('what can be set of a pose is reckoned for each of the six, within what can be set', () => {
  for (const name of Object.keys(sixPeople) as OneOfSix[])
    for (const one of planStudent(recordOfSix(name), studioShelf, DAY).poses)
      for (const { dial, value, reckoned } of one.dials) {
        expect(value).toBe(reckoned);
        expect(reckoned).toBe(withinDial(dial, reckoned));
        expect([one.pose, poseById(one.pose)?.dials]).toEqual([
          one.pose,
          expect.arrayContaining([dial]),
        ]);
      }
});

test('every dial of the catalogue is reckoned for somebody', () => {
  const seen = new Set<string>();
  for (const name of Object.keys(sixPeople) as OneOfSix[])
    for (const one of planStudent(recordOfSix(name), studioShelf, DAY).poses)
      for (const { dial } of one.dials) seen.add(`${one.pose}/${dial}`);
  const unseen = poses
    .flatMap(({ id, dials: own = [] }) => own.map((dial) => `${id}/${dial}`))
    .filter((key) => !seen.has(key));
  // Knees that nobody of the six need bend with the feet planted, a strap that a resting head needs not.
  expect(unseen.filter((key) => !/kneeBend|strap/.test(key))).toEqual([]);
});

test('what a teacher set is kept, as far from what is reckoned as it was set', () => {
  const next = after('standing-fold', { dials: moved('standing-fold', 'kneeBend', 10) });
  const [one] = next.dials;
  expect((one?.value ?? 0) - (one?.reckoned ?? 0)).toBeCloseTo(10);
});

test('a strong pull in a standing fold bends the knees by ten degrees more, and says so', () => {
  const before = valueIn(plan('standing-fold'), 'kneeBend');
  const next = after('standing-fold', { feeling: { strength: 8, place: 'muscle' } });
  expect(next.decision).toMatchObject({ word: 'gentle', slot: null, dial: 'kneeBend' });
  expect(valueIn(next, 'kneeBend')).toBeCloseTo(before + 10, 0);
  expect(next.decision.reasons.at(-1)).toMatchObject({ code: 'dial-turned', dial: 'kneeBend' });
  expect(next.slots.every(({ action }) => action === 'keep')).toBe(true);
});

test('a dial at its end eases nothing more: where the support serves no higher either, it is said', () => {
  const bent = {
    dials: moved('standing-fold', 'kneeBend', 70),
    feeling: { strength: 8, place: 'muscle' },
  } as const;
  const { decision, holdSeconds } = after('standing-fold', bent);
  expect(decision).toMatchObject({ word: 'gentle', slot: null, dial: null });
  expect(decision.reasons).toContainEqual({ code: 'ease-less' });
  expect(holdSeconds).toBeLessThan(doneAsPlanned(plan('standing-fold')).heldSeconds);
  const halfway = { ...bent, dials: moved('standing-fold', 'kneeBend', 10) };
  expect(after('standing-fold', halfway).decision).toMatchObject({ dial: 'kneeBend' });
});

test('what was eased is given back after two good times, and not while its fault stands ticked', () => {
  const eased = { dials: moved('leg-up', 'legHeight', -15) };
  const back = after('leg-up', eased, eased);
  expect(back.decision).toMatchObject({ word: 'deepen', dial: 'legHeight' });
  expect(valueIn(back, 'legHeight')).toBeCloseTo(valueIn(plan('leg-up'), 'legHeight') - 10, 0);
  const ticked = after('leg-up', eased, { ...eased, faults: ['pelvis-rolls'] });
  expect(ticked.decision.word).toBe('keep');
});

test('two times at settings that differ are not two times at the same height', () => {
  const [one, other] = [0, -15].map((by) => ({ dials: moved('leg-up', 'legHeight', by) }));
  expect(after('leg-up', one!, other!).decision.word).toBe('keep');
});

test('the strap follows the leg that it holds, and what was let out stays let out', () => {
  const inPose = inPoseOf(record.person, plan('leg-up'), studioShelf);
  const strap = (moves: Partial<Record<DialId, number>>) =>
    valueIn({ dials: [...dialsIn({ ...inPose, moves }, estimates)] }, 'strap');
  expect(strap({ legHeight: -20 })).toBeGreaterThan(strap({}) + 5);
  expect(strap({ legHeight: -20, strap: 10 })).toBeCloseTo(strap({ legHeight: -20 }) + 10);
});

test('heels further away lower the knees, and what lies under them follows; the seat stays', () => {
  const planned = plan('open-book');
  const inPose = inPoseOf(record.person, planned, studioShelf);
  const built = Object.fromEntries(planned.slots.map((slot) => [slotKey(slot), slot.stackCm]));
  const follows = followsDials({ ...inPose, moves: { heelsAway: 10 } }, estimates, built, {});
  expect([...follows.keys()].sort()).toEqual(['underThigh:left', 'underThigh:right']);
  for (const cm of follows.values()) expect(cm).toBeLessThan(0);
  const knees = (by: number) =>
    solveFigure({ ...inPose, moves: { heelsAway: by } }, estimates, built).findings.kneeRiseLeftDeg;
  expect(knees(10)).toBeLessThan(knees(0) as number);
});

test('a seat over the most that anybody builds first sends the heels further away', () => {
  const stiff = {
    ...record,
    readings: record.readings.map((one) =>
      one.range === 'hipRotation' ? { ...one, values: [4, 4] } : one,
    ),
  };
  const [wide, usual] = [stiff, record].map(
    (of) => planStudent(of, studioShelf, DAY, { poses: ['easy-cross'] }).poses[0] as PlanPose,
  );
  expect(valueIn(wide!, 'heelsAway')).toBeGreaterThan(valueIn(usual!, 'heelsAway') + 4);
  expect(wide!.slots.find(({ slot }) => slot === 'seat')?.reckonedCm).toBeLessThanOrEqual(22);
});

test('a wide seat set wider than is easy draws the pelvis back; nearer costs it nothing', () => {
  const planned = plan('straddle');
  const inPose = inPoseOf(record.person, planned, studioShelf);
  const rolls = (by: number) =>
    solveFigure({ ...inPose, moves: { legsApart: by } }, estimates, { seat: 8 }).findings
      .rollBackDeg as number;
  expect(rolls(30)).toBeGreaterThan(rolls(0) + 5);
  expect(rolls(-30)).toBeCloseTo(rolls(0), 1);
});

test('a longer step asks more of the back hip, from the floor and from a chair', () => {
  for (const id of ['low-lunge', 'chair-lunge']) {
    const planned = plan(id);
    const inPose = inPoseOf(record.person, planned, studioShelf);
    const asked = (by: number) =>
      solveFigure({ ...inPose, moves: { step: by } }, estimates, {}).demands.find(
        ({ range }) => range === 'hipExtension',
      )?.needDeg as number;
    expect(asked(10)).toBeGreaterThan(asked(0) + 2);
    expect(asked(-10)).toBeLessThan(asked(0) - 2);
  }
});

test('hands that stand higher than they would hang hold the fold up, and spare the hamstrings', () => {
  const inPose = inPoseOf(record.person, plan('standing-fold'), studioShelf);
  const asked = (hands: number) =>
    solveFigure(inPose, estimates, { hands }).demands[0]?.needDeg as number;
  expect(asked(46)).toBeLessThan(asked(0) - 5);
});
