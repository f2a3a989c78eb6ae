import { approachIds } from '../approaches/approaches';
import type { CautionAnswer, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { studioShelf } from '../props/usualShelves';
import { cautionIds, type CautionId } from '../safety/ids';
import { ordinaryAdult } from '../sim/room';
import { recordWith, samplePerson, sampleSession, sampleShelf } from '../tests/samples';
import { planStudent } from './plan';

const TODAY = '2026-03-02';
const yes = (id: CautionId, side?: 'left' | 'right'): CautionAnswer => ({
  id,
  answer: 'yes',
  at: '2026-01-05',
  ...(side ? { side } : {}),
});

const isOpen = (poses: readonly PlanPose[], id: string, side: PlanPose['side']) => {
  const found = poses.filter((one) => one.pose === id);
  // A pose without sides, or one that follows a pose without sides, must be open wherever it is done.
  const meant = found.filter((one) => one.side === side || one.side === 'both' || side === 'both');
  return (
    meant.length > 0 &&
    meant.every(
      ({ status, decision }) =>
        ['offered', 'changed', 'ask-first'].includes(status) && decision.action !== 'rest',
    )
  );
};
const namedIn = ({ around: { before, after, easier, harder }, instead }: PlanPose) =>
  [...before, ...after, easier, harder, instead].flatMap((id) => id ?? []);

/** Cautions one by one, on one side where they have sides, and some that are met together. */
const intakes: readonly (readonly CautionAnswer[])[] = [
  [],
  ...cautionIds.filter((id) => id !== 'recent-or-unexplained').map((id) => [yes(id, 'left')]),
  [yes('pregnancy'), yes('sacroiliac', 'right')],
  [yes('knee-arthritis', 'right'), yes('shoulder', 'left'), yes('osteoporosis')],
  [{ ...yes('hip-replacement', 'right'), goAheadAt: '2026-01-20' }, yes('head-pressure')],
];

test.each(intakes.map((cautions, i) => [cautions.map(({ id }) => id).join(' and '), i] as const))(
  'with %s answered yes, nothing is named beside a pose or in its place that is itself not done today',
  (_, i) => {
    const { person, ...record } = ordinaryAdult(i, 41, approachIds[i % approachIds.length]!);
    const { poses } = planStudent(
      { ...record, person: { ...person, choices: {}, cautions: [...intakes[i]!] } },
      studioShelf,
      TODAY,
    );
    const refused = poses.flatMap((one) =>
      namedIn(one)
        .filter((id) => id === one.pose || !isOpen(poses, id, one.side))
        .map((id) => `${one.pose}/${one.side} names ${id}`),
    );
    expect(refused).toEqual([]);
  },
);

test.each(intakes.map((cautions, i) => [cautions.map(({ id }) => id).join(' and '), i] as const))(
  'with %s answered yes, nothing harder is named that a caution speaks of',
  (_, i) => {
    const { person, ...record } = ordinaryAdult(i + 30, 43, approachIds[i % approachIds.length]!);
    const { poses } = planStudent(
      { ...record, person: { ...person, choices: {}, cautions: [...intakes[i]!] } },
      studioShelf,
      TODAY,
    );
    const spokenOf = poses.flatMap(({ pose, side, around: { harder } }) => {
      const there = poses.filter((one) => one.pose === harder);
      const meant = there.filter((one) => one.side === side || one.side === 'both');
      return (meant.length > 0 ? meant : there)
        .filter(({ status }) => status !== 'offered')
        .map((one) => `${pose}/${side} names ${one.pose}, ${one.status}`);
    });
    expect(spokenOf).toEqual([]);
    if (i === 0) expect(poses.filter(({ around }) => around.harder).length).toBeGreaterThan(5);
  },
);

test.each(intakes.map((cautions, i) => [cautions.map(({ id }) => id).join(' and '), i] as const))(
  'with %s answered yes, nothing that waits for a go-ahead is named beside a pose that does not',
  (_, i) => {
    const { person, ...record } = ordinaryAdult(i + 60, 47, approachIds[i % approachIds.length]!);
    const { poses } = planStudent(
      { ...record, person: { ...person, choices: {}, cautions: [...intakes[i]!] } },
      studioShelf,
      TODAY,
    );
    const waits = (id: string, side: PlanPose['side']) => {
      const there = poses.filter((one) => one.pose === id);
      const meant = there.filter((one) => one.side === side || one.side === 'both');
      return (meant.length > 0 ? meant : there).some(({ status }) => status === 'ask-first');
    };
    const told = poses
      .filter(({ status }) => status !== 'ask-first')
      .flatMap(({ pose, side, around: { before, after, easier, harder } }) =>
        [...before, ...after, easier, harder]
          .flatMap((id) => id ?? [])
          .filter((id) => waits(id, side))
          .map((id) => `${pose}/${side} names ${id}`),
      );
    expect(told).toEqual([]);
  },
);

test('nothing harder is named where today is to be easier', () => {
  const done = (feeling: SessionPose['feeling']) =>
    sampleSession('2026-02-23', { pose: 'hero', feeling });
  const harderAfter = (feeling: SessionPose['feeling']) =>
    planStudent(recordWith({ sessions: [done(feeling)] }), studioShelf, TODAY, { poses: ['hero'] })
      .poses[0]!;
  expect(harderAfter({ strength: 3, place: 'muscle' }).around.harder).not.toBeNull();
  const eased = harderAfter({ strength: 9, place: 'muscle' });
  expect(eased.decision.word).toBe('ease');
  expect(eased.around.harder).toBeNull();
});

test('where a caution speaks of every warm-up, what is easier than they are is named', () => {
  const person = samplePerson({ cautions: [yes('knee-ligament', 'left')] });
  const { before } = planStudent(recordWith({ person }), studioShelf, TODAY, { poses: ['squat'] })
    .poses[0]!.around;
  expect(before).toEqual(['chair-lunge']);
});

test('where a caution speaks of every warm-up, sitting on a chair or resting is none in their place', () => {
  for (const caution of ['knee-meniscus', 'very-mobile', 'osteoporosis'] as const) {
    const person = samplePerson({ cautions: [yes(caution, 'right')] });
    const { poses: plans } = planStudent(recordWith({ person }), studioShelf, TODAY, {
      poses: ['reclined-hero', 'squat', 'staff', 'standing-fold'],
    });
    for (const { pose, around } of plans) {
      if (around.before.length === 0) continue;
      expect([caution, pose, around.before]).toEqual([
        caution,
        pose,
        expect.not.arrayContaining(['chair-seat']),
      ]);
      expect([caution, pose, around.before]).toEqual([
        caution,
        pose,
        expect.not.arrayContaining(['constructive']),
      ]);
    }
  }
});

test('somebody who is to go no further is shown nothing harder', () => {
  const person = { ...samplePerson({ cautions: [] }), veryMobile: true };
  const { poses } = planStudent(recordWith({ person }), studioShelf, TODAY);
  expect(poses.filter(({ around }) => around.harder !== null)).toEqual([]);
});

test('where every warm-up is refused, what serves in the place of one is named', () => {
  const plan = (cautions: readonly CautionAnswer[]) =>
    planStudent(
      recordWith({ person: samplePerson({ cautions: [...cautions] }) }),
      sampleShelf,
      TODAY,
      {
        poses: ['child'],
      },
    ).poses[0]?.around.before;
  expect(plan([])).toEqual(['constructive']);
  expect(plan([yes('pregnancy')])).toEqual(['reclined-open']);
});

test('a pose that rests after an alarm is not proposed as a warm-up', () => {
  const session = sampleSession('2026-03-01', { pose: 'hero', stop: 'numb' });
  const plan = (sessions: (typeof session)[]) =>
    planStudent(recordWith({ sessions }), sampleShelf, TODAY, { poses: ['reclined-hero-one'] })
      .poses[0]!;
  expect(plan([]).around.before).toContain('hero');
  expect(plan([session]).around.before).not.toContain('hero');
});
