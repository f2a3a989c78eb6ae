import fc from 'fast-check';
import { approachIds, approaches } from '../approaches/approaches';
import type { SessionPose } from '../formats/book';
import type { LocalDay } from '../formats/time';
import { hold as parameter } from '../parameters';
import { poseById, poses } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned, samplePerson, samplePose } from '../tests/samples';
import { holdFor, timesFor } from './hold';
import { planStudent } from './plan';

const hero = poseById('hero')!;
const minutes = approaches['built-up-alignment'].choices;
const breaths = approaches['breath-paced'].choices;
const long = approaches['long-quiet-holds'].choices;
const held = (seconds: number, more: Partial<SessionPose> = {}) =>
  samplePose({ plannedSeconds: seconds, heldSeconds: seconds, ...more });

test('the first hold, and what it grows by after a time that went well', () => {
  expect(holdFor(hero, [], minutes)).toBe(60);
  expect(holdFor(hero, [held(60)], minutes)).toBe(90);
  expect(holdFor(hero, [held(300)], minutes)).toBe(300);
});

test('breaths grow by one in two times that went well, from five to ten', () => {
  expect(holdFor(hero, [], breaths)).toBe(30);
  expect(holdFor(hero, [held(30)], breaths)).toBe(30);
  expect(holdFor(hero, [held(30), held(30)], breaths)).toBe(36);
  expect(holdFor(hero, [held(60), held(60)], breaths)).toBe(60);
});

test('a rest keeps its minutes, whatever the approach', () => {
  for (const id of approachIds)
    expect(holdFor(poseById('rest')!, [], approaches[id].choices)).toBe(300);
});

test('a rest goes by the clock where all else goes by the breath: a third less of it is a whole quarter of a minute', () => {
  const rest = poseById('reclined-open')!;
  for (const seconds of [385, 392, 400])
    expect(holdFor(rest, [held(seconds, { stop: 'joint' })], breaths) % 15).toBe(0);
});

test('long quiet holds begin long where that is their school', () => {
  expect(holdFor(poseById('pigeon')!, [], long)).toBe(120);
  expect(holdFor(poseById('cats-tail')!, [], long)).toBe(180);
  expect(holdFor(poseById('standing-fold')!, [], long)).toBe(30);
});

test('who came out early twice is asked for what was held, and once for the whole time', () => {
  const early = (heldSeconds: number) => held(60, { heldSeconds });
  expect(holdFor(hero, [early(30)], minutes)).toBe(60);
  expect(holdFor(hero, [early(40), early(30)], minutes)).toBe(30);
  expect(holdFor(hero, [early(40), early(4)], minutes)).toBe(10);
  expect(holdFor(hero, [early(40), early(30), held(30)], minutes)).toBe(45);
  expect(holdFor(hero, [held(30), held(45)], minutes)).toBe(60);
  expect(holdFor(hero, [held(45), held(60)], minutes)).toBe(90);
});

test('a cold, tired or sore day is held by a third less', () =>
  expect(holdFor(hero, [held(120)], minutes, true)).toBe(80));

const complaints: readonly Partial<SessionPose>[] = [
  { feeling: { strength: 3, place: 'joint' } },
  { feeling: { strength: 7, place: 'muscle' } },
  { stop: 'sharp' },
  { nextDay: 'worse' },
];
test.each(complaints)(
  'after %j a hold goes back by a third, in every pose and approach',
  (after) => {
    fc.assert(
      fc.property(
        fc.constantFrom(...poses),
        fc.constantFrom(...approachIds),
        fc.integer({ min: 30, max: 300 }),
        (pose, approach, seconds) => {
          const next = holdFor(pose, [held(seconds, after)], approaches[approach].choices);
          const first = holdFor(pose, [], approaches[approach].choices);
          expect(next).toBeLessThanOrEqual(
            Math.max(seconds, parameter.leastShare.value * first) + 1.5,
          );
          if (seconds > first) expect(next).toBeLessThan(seconds);
        },
      ),
    );
  },
);

test('a movement is counted with the breath, and a pose that is held is not', () => {
  expect(timesFor(poseById('chair-tilts')!, 60)).toBe(10);
  expect(timesFor(hero, 60)).toBeNull();
});

test('what keeps a hold short keeps no rest short', () => {
  const holds = (cautions: Parameters<typeof samplePerson>[0]) =>
    planStudent(
      { person: samplePerson(cautions), readings: [], sessions: [] },
      studioShelf,
      '2026-03-02',
      { poses: ['rest', 'constructive', 'seated-fold'] },
    ).poses.map(({ holdSeconds }) => holdSeconds);
  const young = holds({
    approach: 'long-quiet-holds',
    cautions: [{ id: 'under-18', answer: 'yes', at: '2026-03-01' }],
  });
  const grown = holds({ approach: 'long-quiet-holds', cautions: [] });
  expect(young.slice(0, 2)).toEqual(grown.slice(0, 2));
  expect(young[2]).toBeLessThanOrEqual(60);
});

test('what is asked for more gently than last time is held no longer', () => {
  let gentler = 0;
  for (const approach of approachIds)
    for (const strength of [4, 5, 6]) {
      const record = ordinaryAdult(71 + strength, 300, approach);
      const planAt = (at: LocalDay, poses: SessionPose[]) =>
        planStudent(
          {
            ...record,
            sessions:
              poses.length === 0
                ? []
                : [{ id: 's', person: record.person.id, at: '2026-02-23', poses }],
          },
          studioShelf,
          at,
        ).poses;
      const done = planAt('2026-02-23', [])
        .filter(({ posture }) => posture)
        .map((one) =>
          doneAsPlanned(one, {
            heldSeconds: one.holdSeconds,
            plannedSeconds: one.holdSeconds,
            feeling: { strength, place: 'muscle' },
          }),
        );
      for (const pose of planAt('2026-03-02', done)) {
        const then = done.find((one) => one.pose === pose.pose && one.side === pose.side);
        if (!then || !['ease', 'gentle'].includes(pose.decision.word)) continue;
        gentler++;
        const longer = pose.holdSeconds > (then.plannedSeconds ?? 0);
        expect([approach, strength, pose.pose, longer]).toEqual([
          approach,
          strength,
          pose.pose,
          false,
        ]);
      }
    }
  expect(gentler).toBeGreaterThan(50);
});
