import { wayKey } from '../approaches/approaches';
import type { CautionAnswer } from '../formats/book';
import { shiftDays } from '../formats/time';
import { poseById, poses, stagesOf, wayOf } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import type { Reason } from '../reasons';
import { doneAsPlanned } from '../tests/samples';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { piecesIn } from '../build/pieces';
import { planStudent } from './plan';

const DAY = '2026-03-01';
const names = Object.keys(sixPeople) as OneOfSix[];
const everyWay = poses.flatMap(({ id, ways = [] }) => ways.map((way) => [id, way.id] as const));

const planned = (
  name: OneOfSix,
  pose: string,
  way: string,
  cautions: readonly CautionAnswer[] = [],
) => {
  const record = recordOfSix(name);
  const choices = { ...record.person.choices, [wayKey(pose)]: way };
  const person = { ...record.person, choices, cautions: [...cautions] };
  return planStudent({ ...record, person }, studioShelf, DAY, { poses: [pose] }).poses;
};

test.each(everyWay)(
  '%s, %s: builds its own slots, in its own stages, of six pieces',
  (pose, way) => {
    const slots = wayOf(poseById(pose), way)?.slots ?? poseById(pose)!.slots;
    for (const name of names)
      for (const one of planned(name, pose, way)) {
        if (one.posture === null) continue;
        // A way in which nothing would carry this body is not taken, whoever chose it, and that is said.
        if (one.way !== way) {
          expect(one.notTaken).toContainEqual(expect.objectContaining({ way }));
          continue;
        }
        for (const { slot } of one.slots) expect(slots).toContain(slot);
        expect(stagesOf(poseById(pose)!, way).map(({ id }) => id)).toContain(one.stage);
        expect(piecesIn(one)).toBeLessThanOrEqual(6);
        for (const point of [one.posture.hip, one.posture.knee, one.posture.toe, one.posture.hand])
          for (const cm of point) expect(Number.isFinite(cm)).toBe(true);
        for (const [, y] of [...one.posture.spine, one.posture.knee, one.posture.ankle])
          expect(y).toBeGreaterThan(-0.5);
      }
  },
);

const yes = (id: string, side?: 'left' | 'right'): CautionAnswer => ({
  id,
  answer: 'yes',
  at: '2026-01-05',
  goAheadAt: '2026-01-06',
  ...(side ? { side } : {}),
});

test('a belt never draws a replaced hip open, and a sore knee has no shin against the wall', () => {
  expect(planned('desk worker', 'reclined-open', 'belt')[0]?.way).toBe('belt');
  const [held] = planned('desk worker', 'reclined-open', 'belt', [yes('hip-replacement')]);
  expect(held?.way).not.toBe('belt');
  for (const one of planned('dancer', 'pigeon', 'wall', [yes('knee-meniscus')]))
    expect(one.way).not.toBe('wall');
});

test('a belt is held for three minutes at most', () => {
  expect(planned('desk worker', 'reclined-open', 'belt')[0]?.holdSeconds).toBe(180);
});

test('half lotus follows the leg on top: its stiffer side asks for the higher seat', () => {
  const record = recordOfSix('dancer');
  const readings = record.readings.map((one) =>
    one.range === 'hipRotation' && one.side === 'left' ? { ...one, values: [56, 56] } : one,
  );
  const person = {
    ...record.person,
    choices: { ...record.person.choices, 'half-lotus-seat/gate': 'open' },
  };
  const [left, right] = planStudent({ ...record, readings, person }, studioShelf, DAY, {
    poses: ['half-lotus-seat'],
  }).poses;
  const seat = (one: typeof left) => one!.slots.find(({ slot }) => slot === 'seat')!.reckonedCm;
  expect(seat(left)).toBeGreaterThan(seat(right) + 1);
});

test('what an older record noted of both sides counts for each', () => {
  const record = recordOfSix('desk worker');
  const [left] = planStudent(record, studioShelf, '2026-02-02', { poses: ['easy-cross'] }).poses;
  const sessions = [14, 7].map((ago) => ({
    id: `s${ago}`,
    person: record.person.id,
    at: shiftDays(DAY, -ago),
    poses: [{ ...doneAsPlanned(left!), side: 'both' as const }],
  }));
  for (const next of planStudent({ ...record, sessions }, studioShelf, DAY, {
    poses: ['easy-cross'],
  }).poses)
    expect(next.decision.word).not.toBe('first');
});

test('movements are counted with the breath and a horse by its breaths, not held by a clock', () => {
  const counted = planStudent(recordOfSix('desk worker'), studioShelf, DAY).poses.filter(
    ({ times }) => times !== null,
  );
  expect([...new Set(counted.map(({ pose }) => pose))].sort()).toEqual([
    'chair-hinge',
    'chair-leg-turns',
    'chair-rocking',
    'chair-thigh-lifts',
    'chair-tilts',
    'horse',
    'legs-wiped',
    'strap-shoulders',
  ]);
});

test('with one hand down the other arm is drawn up, its whole length over the shoulder', () => {
  for (const name of names) {
    const at = (way: string) => planned(name, 'chair-wide', way)[0]!;
    const upAt = (way: string) => at(way).posture;
    expect(upAt('both-hands')?.farArm).toBeUndefined();
    // Whose hand does not come near enough to the floor stays upright.
    if (at('one-arm').way !== 'one-arm') continue;
    const { farArm, spine, hand } = upAt('one-arm')!;
    const shoulder = spine.at(-1)!;
    expect(farArm!.hand[1] - shoulder[1]).toBeGreaterThan(45);
    expect(hand[1]).toBeLessThan(shoulder[1]);
  }
});

test('what is counted says how often: breaths of a horse, rounds of a standing fold', () => {
  const timesOf = (pose: string, way: string) => planned('desk worker', pose, way)[0]!;
  expect(timesOf('horse', 'knees-down')).toMatchObject({ times: 5, holdSeconds: 30 });
  expect(timesOf('standing-fold', 'rounds')).toMatchObject({ times: 3, holdSeconds: 72 });
  expect(timesOf('standing-fold', 'hands-met').times).toBeNull();
});

test('a lunge off a chair is sat sideways: the thigh lies across a chair whose back stands beside', () => {
  for (const name of names)
    for (const { posture } of planned(name, 'chair-lunge', 'sitting')) {
      const chair = posture!.supports.find(({ slot }) => slot === 'chair')!;
      expect(chair.sideways).toBe(true);
      expect(chair.xCm).toBeGreaterThan(posture!.hip[0]);
      expect(chair.xCm).toBeLessThan(posture!.knee[0]);
    }
});

test('beside a chair a hand stands on a block on its end at most; further down one stays upright', () => {
  for (const name of names)
    for (const { way, slots, notTaken } of planned(name, 'chair-wide', 'one-arm')) {
      const high = notTaken.find(
        (one) => (one as Reason<'way-not-taken'>).because.of === 'hand-high',
      );
      expect(way === 'arms-bent').toBe(high !== undefined);
      for (const { slot, targetCm } of slots)
        if (slot === 'hands') expect(targetCm).toBeLessThanOrEqual(23);
    }
});
