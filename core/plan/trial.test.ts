import { planningFor, planStudent, type PlanWish } from './plan';
import type { StudentRecord } from '../estimate/estimate';
import type { PlanPose } from '../formats/plan';
import type { LocalDay } from '../formats/time';
import type { Shelf } from '../props/shelf';
import { poseOr } from '../prepare/prepare';
import { purposeOf } from '../props/slots';
import { studioShelf } from '../props/usualShelves';
import { cautionIds } from '../safety/ids';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import { slotRefOf } from '../slots';

const DAY = '2026-03-02';
const trialFor = (
  record: StudentRecord,
  shelf: Shelf,
  day: LocalDay,
  at: Pick<PlanPose, 'pose' | 'side'>,
  wish: PlanWish = {},
) => planningFor(record, shelf, day, { ...wish, poses: [at.pose] }).trial(at);
const bodies = [81, 82, 83].map((seed) => ordinaryAdult(seed, seed * 3, 'built-up-alignment'));
const placesOf = (record: StudentRecord) =>
  planStudent(record, studioShelf, DAY).poses.filter(({ posture }) => posture);

test('a first visit has heights to be found, each from what is built down, carried joints well over their edge', () => {
  let found = 0;
  for (const record of bodies)
    for (const planned of placesOf(record)) {
      const trial = trialFor(record, studioShelf, DAY, planned);
      if (!trial) continue;
      found++;
      const { slot } = slotRefOf(trial.slot);
      expect(['carry', 'tilt']).toContain(purposeOf(slot, poseOr(planned.pose).family));
      const built = planned.slots.find((one) => one.slot === slot);
      expect(trial.tries[0]?.heightCm).toBe(built?.stackCm);
      const heights = trial.tries.map(({ heightCm }) => heightCm);
      expect(heights).toEqual([...heights].sort((a, b) => b - a));
      expect(trial.tries.length).toBeLessThanOrEqual(4);
    }
  expect(found).toBeGreaterThan(6);
});

test('where a ramp lies it alone is tried, and only before a seat that did not move', () => {
  let [ramps, moved] = [0, 0];
  for (const record of bodies)
    for (const planned of placesOf(record)) {
      if (!planned.slots.some(({ slot, stackCm }) => slot === 'back' && stackCm > 0)) continue;
      const trial = trialFor(record, studioShelf, DAY, planned);
      if (!trial) continue;
      expect(slotRefOf(trial.slot).slot).toBe('back');
      ramps++;
      const done = doneAsPlanned(planned, { heldSeconds: planned.holdSeconds });
      const settled = done.settled.map((one) =>
        one.slot === 'seat' ? { ...one, heightCm: one.heightCm + 6 } : one,
      );
      const higher = { id: 's', person: record.person.id, at: DAY, poses: [{ ...done, settled }] };
      const after = { ...record, sessions: [higher] };
      const next = planStudent(after, studioShelf, '2026-03-09', { poses: [planned.pose] });
      const own = next.poses.find(({ side }) => side === planned.side);
      const seatOf = (slots: typeof planned.slots) => slots.find(({ slot }) => slot === 'seat');
      if (!own || seatOf(own.slots)?.stackCm === seatOf(planned.slots)!.stackCm + 6) continue;
      moved++;
      expect(trialFor(after, studioShelf, '2026-03-09', planned)).toBeNull();
    }
  expect(ramps).toBeGreaterThan(1);
  expect(moved).toBeGreaterThan(0);
});

test('nothing is tried in a pose that any caution changes', () => {
  const [record] = bodies as [StudentRecord];
  let changed = 0;
  for (const id of cautionIds) {
    const cautions = [{ id, answer: 'yes' as const, at: DAY }];
    const careful = { ...record, person: { ...record.person, cautions } };
    for (const planned of placesOf(careful)) {
      if (!planned.reasons.some(({ code }) => code === 'caution')) continue;
      changed++;
      expect([id, planned.pose, trialFor(careful, studioShelf, DAY, planned)]).toEqual([
        id,
        planned.pose,
        null,
      ]);
    }
  }
  expect(changed).toBeGreaterThan(100);
});

test('nothing is tried on a tired day, nor after something was felt, nor after a step that spoke', () => {
  const [record] = bodies as [StudentRecord];
  const tried = placesOf(record).filter((one) => trialFor(record, studioShelf, DAY, one));
  expect(tried.length).toBeGreaterThan(1);
  for (const planned of tried) {
    expect(trialFor(record, studioShelf, DAY, planned, { day: 'tired' })).toBeNull();
    const done = doneAsPlanned(planned, { heldSeconds: planned.holdSeconds });
    const after = (more: object) => ({
      ...record,
      sessions: [{ id: 's', person: record.person.id, at: DAY, poses: [{ ...done, ...more }] }],
    });
    const [settled] = done.settled;
    const spoke = [{ ...settled!, word: true }];
    for (const more of [{ feeling: { strength: 4, place: 'joint' } }, { trials: spoke }])
      expect(trialFor(after(more), studioShelf, '2026-03-09', planned)).toBeNull();
  }
});

test('where it is said that nothing comes down, nothing is tried: over all bodies and poses', () => {
  const LATER = '2026-03-09';
  const met = new Map<string, number>();
  for (const record of bodies)
    for (const planned of placesOf(record)) {
      const done = doneAsPlanned(planned, { heldSeconds: planned.holdSeconds });
      const lower = done.settled.map((one) => ({
        ...one,
        heightCm: Math.max(0, one.heightCm - 4),
      }));
      const ofDay = (at: string, outcome: object) => ({
        id: at,
        person: record.person.id,
        at,
        poses: [{ ...done, ...outcome }],
      });
      const spoke = ofDay('2026-02-23', {
        settled: lower,
        feeling: { strength: 4, place: 'joint' },
      });
      const histories = {
        leaned: [ofDay(DAY, { list: 'left' })],
        'not-held': [ofDay(DAY, { heldSeconds: planned.holdSeconds / 2 })],
        'eased-then': [ofDay(DAY, { eased: ['front-knee:left'] })],
        'long-gap': [ofDay('2026-02-01', {})],
        raised: [spoke, ofDay(DAY, {})],
      };
      for (const [why, sessions] of Object.entries(histories)) {
        const wish = { poses: [planned.pose] };
        const planning = planningFor({ ...record, sessions }, studioShelf, LATER, wish);
        const next = planning.plan.poses.find(({ side }) => side === planned.side);
        const isSaid = next?.decision.reasons.some(
          (one) => one.code === why || (one.code === 'more-sessions' && one.raised),
        );
        if (!next || !isSaid) continue;
        met.set(why, (met.get(why) ?? 0) + 1);
        expect([planned.pose, why, planning.trial(next), planning.triable(next)]).toEqual([
          planned.pose,
          why,
          null,
          [],
        ]);
      }
    }
  for (const why of ['leaned', 'not-held', 'eased-then', 'long-gap', 'raised'])
    expect(met.get(why) ?? 0).toBeGreaterThan(5);
});

test('what was quiet within a visit brings a height down sooner than a hold alone', () => {
  let lower = 0;
  for (const record of bodies)
    for (const planned of placesOf(record)) {
      const trial = trialFor(record, studioShelf, DAY, planned);
      if (!trial) continue;
      const done = doneAsPlanned(planned, { heldSeconds: planned.holdSeconds });
      const trials = trial.tries.map(({ heightCm }) => ({
        ...slotRefOf(trial.slot),
        side: 'both' as const,
        heightCm,
        word: false,
      }));
      const offsetAfter = (more: object) => {
        const sessions = [
          { id: 's', person: record.person.id, at: DAY, poses: [{ ...done, ...more }] },
        ];
        const next = planStudent({ ...record, sessions }, studioShelf, '2026-03-09', {
          poses: [planned.pose],
        }).poses.find(({ side }) => side === planned.side);
        return next?.slots.find(({ slot }) => slot === slotRefOf(trial.slot).slot)?.offsetCm ?? 0;
      };
      const [held, found] = [offsetAfter({}), offsetAfter({ trials })];
      expect(found).toBeLessThanOrEqual(held + 0.05);
      if (found < held - 0.2) lower++;
    }
  expect(lower).toBeGreaterThan(3);
});
