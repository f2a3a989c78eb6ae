import type { CautionAnswer, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { usualShelves } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import { planStudent } from './plan';

const DAY = '2026-03-09';
const waiting: CautionAnswer = {
  id: 'knee-replacement',
  side: 'left',
  answer: 'yes',
  at: '2026-01-05',
};
/** All poses, done three times as they were planned, easily. */
function afterThree(
  seed: number,
  shelf: keyof typeof usualShelves,
  caution: CautionAnswer,
  as: (one: PlanPose) => SessionPose,
) {
  const { person, ...record } = ordinaryAdult(seed, seed + 7, 'built-up-alignment');
  const who = { ...record, person: { ...person, cautions: [caution] } };
  const plan = (sessions: typeof who.sessions, day: typeof DAY) =>
    planStudent({ ...who, sessions }, usualShelves[shelf], day).poses;
  const built = plan([], DAY).filter(({ posture }) => posture !== null);
  const sessions = [1, 2, 3].map((i) => ({
    id: `s${i}`,
    person: person.id,
    at: shiftDays(DAY, -2 * (4 - i)),
    poses: built.map(as),
  }));
  return { before: built, after: plan(sessions, DAY) };
}
const easily = (one: PlanPose): SessionPose => ({
  ...doneAsPlanned(one),
  plannedSeconds: one.holdSeconds,
  heldSeconds: one.holdSeconds,
  feeling: { strength: 2, place: 'muscle' },
});

test.each([3, 17, 29])(
  'seed %s: before a written go-ahead nothing goes deeper, nor is held longer',
  (seed) => {
    const { before, after } = afterThree(seed, 'studio', waiting, easily);
    const asked = after.filter(({ status }) => status === 'ask-first');
    expect(asked.length).toBeGreaterThan(3);
    expect(asked.filter(({ decision }) => decision.word === 'deepen')).toEqual([]);
    for (const one of asked) {
      const was = before.find(({ pose, side }) => pose === one.pose && side === one.side)!;
      expect([one.pose, one.holdSeconds]).toEqual([one.pose, was.holdSeconds]);
    }
    const given = afterThree(seed, 'studio', { ...waiting, goAheadAt: '2026-01-20' }, easily).after;
    expect(given.filter(({ status }) => status === 'ask-first')).toEqual([]);
  },
);

test.each([
  [3, 'studio'],
  [17, 'home'],
  [29, 'starter'],
] as const)(
  'seed %s, %s: what is called eased stands higher or is set milder, else it says what to do',
  (seed, shelf) => {
    const strongly = (one: PlanPose): SessionPose => ({
      ...easily(one),
      feeling: { strength: 8, place: 'muscle' },
    });
    const { after } = afterThree(seed, shelf, { ...waiting, answer: 'no' }, strongly);
    const eased = after.filter(({ decision, posture }) => decision.word === 'ease' && posture);
    expect(eased.length).toBeGreaterThan(5);
    const idle = eased.filter(
      ({ decision, slots }) =>
        decision.dial === null &&
        slots.every(({ stackCm, lastCm }) => Math.abs(stackCm - (lastCm ?? 0)) < 0.3),
    );
    expect(idle.map(({ pose, side }) => `${pose}/${side}`)).toEqual([]);
  },
);
