import { spotAt, spotKey, spots, type SpotId } from '../spots';
import type { SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { answered, answeredBy, answerTo } from '../poses/felt';
import { poseById, poses, wayOf, type PoseId } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import { planStudent } from './plan';

const DAY = '2026-03-02';
const adult = ordinaryAdult(13, 23, 'built-up-alignment');

const planned = (pose: PoseId, outcomes: readonly SessionPose[] = []): PlanPose => {
  const choices = { [`${pose}/gate`]: 'open' };
  const sessions = outcomes.map((outcome, i) => ({
    id: `s${i}`,
    person: adult.person.id,
    at: shiftDays(DAY, -7 * (outcomes.length - i)),
    poses: [outcome],
  }));
  const record = { ...adult, person: { ...adult.person, choices }, sessions };
  return planStudent(record, studioShelf, DAY, { poses: [pose] }).poses[0]!;
};
const feltAt = (one: PlanPose, spot: string): SessionPose => ({
  ...doneAsPlanned(one),
  feeling: { strength: 3, place: 'joint', spot },
});

const each = answered.flatMap(([pose, ids]) => ids.map((spot) => [pose, spot] as const));

test.each(each)(
  '%s, felt at %s: the answer is said, and done by what the pose has',
  (pose, spot) => {
    const before = planned(pose);
    if (before.posture === null) return;
    const after = planned(pose, [feltAt(before, spot)]);
    const answer = answerTo(pose, spot)!;
    if (after.posture === null) {
      // Where it would have to stand higher than anybody builds, something else serves.
      expect(after.instead).not.toBeNull();
      return;
    }
    expect(after.decision.reasons).toContainEqual({ code: 'felt-answer', pose, spot });
    expect(after.decision.reasons[0]).toMatchObject({
      code: 'last-time',
      complaint: { of: 'joint', spot },
    });
    if (answer.takes && wayOf(poseById(pose), answer.takes)) expect(after.way).toBe(answer.takes);
    const by = answeredBy(answer, poseById(pose)!, after.way);
    const { slot, dial } = after.decision;
    // What fills and meets its gap already is not lifted over it: the words answer.
    const isMet = by.some(
      (one) =>
        'slot' in one &&
        after.slots.some(
          ({ slot: id, stackCm, targetCm }) =>
            id === one.slot && stackCm > 0 && stackCm >= targetCm - 2.5,
        ),
    );
    if (slot === null && dial === null && isMet) return;
    if (by.length > 0)
      expect(
        by.some((one) => ('dial' in one ? one.dial === dial : slot?.startsWith(one.slot))),
      ).toBe(true);
    else expect([slot, dial]).toEqual([null, null]);
  },
);

test('of a pair that stands apart, the side that was felt goes up, and the other stays', () => {
  const before = planned('open-book');
  const lay = (one: PlanPose, side: string) =>
    one.slots.find((slot) => slotKey(slot) === `underThigh:${side}`)!;
  const after = planned('open-book', [feltAt(before, 'inner-knee:left')]);
  expect(lay(after, 'left').action).toBe('raise');
  expect(lay(after, 'right').action).not.toBe('raise');
  expect(lay(after, 'right').stackCm).toBeCloseTo(lay(before, 'right').stackCm, 1);
});

test('a squat that a knee spoke in is taken on its seat, and stays there while it is lately felt', () => {
  const before = planned('squat');
  expect(before.way).toBe('heels');
  const felt = feltAt(before, 'front-knee:right');
  const after = planned('squat', [felt]);
  expect(after.way).toBe('seat');
  const good = { ...doneAsPlanned(after), feeling: { strength: 2, place: 'muscle' as const } };
  expect(planned('squat', [felt, good]).way).toBe('seat');
  expect(planned('squat', [felt, good, good, good]).way).toBe('heels');
});

test('what was eased on the mat is kept, and is said', () => {
  const before = planned('hero');
  const eased: SessionPose = {
    ...doneAsPlanned(before),
    feeling: { strength: 2, place: 'muscle' },
    eased: ['front-knee:left'],
  };
  const after = planned('hero', [eased]);
  expect(after.decision.action).toBe('keep');
  expect(after.decision.reasons).toContainEqual({ code: 'eased-then', spot: 'front-knee:left' });
});

test('a spot keeps its side; one that a later version names is nobody’s, and harms nothing', () => {
  for (const spot of Object.keys(spots) as SpotId[])
    for (const side of ['left', 'right', 'both'] as const)
      expect(spotAt(spotKey({ spot, side }))).toEqual({ spot, side });
  expect(spotAt('inner-elbow:left')).toBeNull();
  expect(spotAt('constructor')).toBeNull();
  expect(spotAt(undefined)).toBeNull();
  const before = planned('hero');
  const after = planned('hero', [feltAt(before, 'inner-elbow:left')]);
  expect(after.decision).toMatchObject({ action: 'raise', slot: 'seat' });
  expect(after.decision.reasons[0]).toMatchObject({ complaint: { spot: 'inner-elbow:left' } });
});

test('what is felt at a neck, a shoulder or an ankle raises nothing under pelvis, knees or hands in any pose', () => {
  const far: readonly SpotId[] = ['neck', 'shoulder', 'front-ankle', 'behind-ankle'];
  // What lies at the spot itself, and the heels, are its own.
  const own = ['ankle', 'forehead', 'neck', 'shoulder', 'heels', 'feet'];
  let raised = 0;
  for (const { id } of poses)
    for (const spot of far) {
      const before = planned(id);
      if (before.posture === null) continue;
      const { decision } = planned(id, [feltAt(before, spot)]);
      if (decision.slot === null) continue;
      raised++;
      const answers = answerTo(id, spot)?.by ?? [];
      const asked = answers.some((one) => 'slot' in one && decision.slot?.startsWith(one.slot));
      expect([id, spot, decision.slot, asked || own.includes(decision.slot)]).toEqual([
        id,
        spot,
        decision.slot,
        true,
      ]);
    }
  expect(raised).toBeGreaterThan(3);
});

const BLOCK_ON_END_CM = 23;

test('where a hip is carried higher for what was felt, the hands come up with it', () => {
  let followed = 0;
  for (let seed = 60; seed < 90; seed++) {
    const body = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
    const pose = 'pigeon';
    const planAfter = (poses: SessionPose[]) => {
      const at = shiftDays(DAY, -7);
      const sessions = poses.length === 0 ? [] : [{ id: 's', person: body.person.id, at, poses }];
      const record = { ...body, sessions };
      return planStudent(record, studioShelf, DAY, { poses: [pose] }).poses[0]!;
    };
    const before = planAfter([]);
    const hands = before.slots.find(({ slot }) => slot === 'hands');
    if (before.posture === null || !hands || hands.stack.length === 0) continue;
    const after = planAfter([feltAt(before, 'inner-knee')]);
    const there = after.slots.find(({ slot }) => slot === 'hands');
    if (after.way !== before.way || after.decision.action !== 'raise' || !there) continue;
    // A block on its end is the most that hands lean on here.
    const isMost = hands.stackCm >= BLOCK_ON_END_CM;
    // A block's next face is eight centimetres higher, and nobody leans on one that is three too high.
    const behind = !isMost && there.targetCm - there.stackCm > 5;
    expect([seed, there.targetCm, there.stackCm, behind]).toEqual([
      seed,
      there.targetCm,
      there.stackCm,
      false,
    ]);
    if (there.stackCm > hands.stackCm) followed++;
  }
  expect(followed).toBeGreaterThan(0);
});
