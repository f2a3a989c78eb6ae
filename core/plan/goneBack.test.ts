import { gateKey, wayKey } from '../approaches/approaches';
import type { Session, SessionPose } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { poses, wayOf, type Pose } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { sidelessKey, slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import { recordOfSix, type OneOfSix } from '../tests/sixPeople';
import { planStudent } from './plan';

const DAY = '2026-03-02';
/** What may be said or seen of a time that asked too much. */
const complaints: Readonly<Record<string, Partial<SessionPose>>> = {
  strong: { feeling: { strength: 8, place: 'muscle' } },
  joint: { feeling: { strength: 4, place: 'joint' } },
  'low back': { feeling: { strength: 4, place: 'low-back' } },
  rolled: { pelvis: 'rolled' },
  arched: { pelvis: 'arched' },
  'worse the next day': { nextDay: 'worse' },
};

/** Visits a week apart, each with the same complaint, in a way where one is named. */
function visits(
  name: OneOfSix,
  pose: Pose,
  way: string,
  said: Partial<SessionPose>,
  times: number,
) {
  const record = recordOfSix(name);
  const choices = {
    ...record.person.choices,
    [gateKey(pose.id)]: 'open',
    ...(way ? { [wayKey(pose.id)]: way } : {}),
  };
  const person = { ...record.person, choices };
  const sessions: Session[] = [];
  const all: PlanPose[] = [];
  for (let i = 0; i < times; i++) {
    const at = shiftDays(DAY, 7 * i);
    const planned = planStudent({ ...record, person, sessions }, studioShelf, at, {
      poses: [pose.id],
    }).poses;
    all.push(planned[0]!);
    if (!planned[0]!.posture) break;
    sessions.push({
      id: `s-${i}`,
      person: person.id,
      at,
      poses: planned.map((one) => doneAsPlanned(one, said)),
    });
  }
  return all;
}

/** What is false of the answer to a complaint; nothing where all is as it says. */
function falseIn({ decision, slots }: PlanPose): string | null {
  const { action, word, slot, dial, reasons } = decision;
  if (action !== 'raise') return null;
  if (slot === null && dial === null)
    return word === 'gentle' && reasons.length > 1 ? null : 'more support without a support';
  if (slot === null || reasons.some(({ code }) => code === 'dial-turned'))
    return word === 'gentle' ? null : 'a setting is no support';
  const moved = slots.filter((one) => sidelessKey(slotKey(one)) === sidelessKey(slot));
  if (moved.length === 0) return `raises ${slot}, which is not there`;
  const rises = moved.some(({ lastCm, stackCm }) => stackCm > (lastCm ?? 0) + 0.3);
  const isSaid = moved.some(
    (one) =>
      one.stack.length > 0 &&
      one.reasons.some(({ code }) => code === 'shelf-ends' || code === 'at-most'),
  );
  return rises || isSaid ? null : `${slot} stands as it stood, without a word`;
}

const bodies: readonly OneOfSix[] = ['runner', 'dancer', 'a large man'];

test.each(Object.keys(complaints))(
  'in every way of every pose, %s is answered by what is there, or by words',
  (of) => {
    let answered = 0;
    for (const name of bodies)
      for (const pose of poses)
        for (const way of pose.ways?.map(({ id }) => id) ?? ['']) {
          const [first, next] = visits(name, pose, way, complaints[of]!, 2);
          if (first?.way !== way || !next?.posture) continue;
          answered++;
          expect([name, pose.id, way, falseIn(next)]).toEqual([name, pose.id, way, null]);
        }
    expect(answered).toBeGreaterThan(150);
  },
);

test('in every way of every pose, a fault that was seen twice is answered by what is there, or by words', () => {
  let answered = 0;
  for (const pose of poses)
    for (const way of pose.ways?.map(({ id }) => id) ?? [''])
      for (const { id } of pose.faults) {
        const next = visits('a large man', pose, way, { faults: [id] }, 3)[2];
        if (!next?.posture || next.decision.action !== 'raise') continue;
        answered++;
        expect([pose.id, next.way, id, falseIn(next)]).toEqual([pose.id, next.way, id, null]);
      }
  expect(answered).toBeGreaterThan(100);
});

test('every way that is gone back to is a way of the pose, and none leads back to itself', () => {
  for (const pose of poses)
    for (const { id, backTo } of pose.ways ?? []) {
      const seen = [id];
      for (let to = backTo; to !== undefined; to = wayOf(pose, to)?.backTo) {
        expect([pose.id, to, wayOf(pose, to) !== undefined]).toEqual([pose.id, to, true]);
        expect(seen).not.toContain(to);
        seen.push(to);
      }
    }
});

test.each(['reclined-hero', 'reclined-hero-one'] as const)(
  '%s: felt on a ramp as high as it goes, less far back each time, and only then another pose',
  (id) => {
    const pose = poses.find((one) => one.id === id)!;
    for (const name of ['runner', 'a woman of 70', 'a large man'] as const) {
      const all = visits(name, pose, '', complaints['low back']!, 9);
      const depth = all.map(({ way, posture }) =>
        posture ? ['upright', 'hands', 'forearms', 'ramp'].indexOf(way) : -1,
      );
      // Never further back than the time before, and every step in turn.
      for (const [i, at] of depth.entries())
        if (i > 0) expect([name, depth, at <= depth[i - 1]!]).toEqual([name, depth, true]);
      expect([name, [3, 1, 0].every((one) => depth.includes(one))]).toEqual([name, true]);
      const onHands = all.find(({ way }) => way === 'hands')!;
      expect(onHands.decision).toMatchObject({ word: 'gentle', slot: null });
      expect(onHands.decision.reasons.map(({ code }) => code)).toContain('gone-back');
      expect(onHands.notTaken.map((one) => one.code === 'way-not-taken' && one.way)).toContain(
        'ramp',
      );
    }
  },
);

test('a spot that is felt on a ramp as high as it goes is answered by going back, not by a higher ramp', () => {
  const pose = poses.find(({ id }) => id === 'reclined-hero')!;
  const said = { feeling: { strength: 4, place: 'low-back', spot: 'low-back' } } as const;
  const onHands = visits('a large man', pose, '', said, 3).find(({ way }) => way === 'hands')!;
  expect(onHands.decision.reasons.map(({ code }) => code)).toEqual(['last-time', 'gone-back']);
});
