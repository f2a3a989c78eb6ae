import { planStudent } from './plan';
import type { StudentRecord } from '../estimate/estimate';
import { shiftDays } from '../formats/time';
import { isMoved } from '../lies';
import { starterShelf, studioShelf } from '../props/usualShelves';
import { chanceFrom } from '../sim/chance';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import { slotKey } from '../slots';

const DAY = '2026-01-05';

/** A record of some weeks in which now and then a joint spoke, and then three weeks without. */
function awayAfter(seed: number, shelf: typeof studioShelf) {
  const record: StudentRecord = ordinaryAdult(seed, seed * 5 + 1, 'breath-paced');
  const chance = chanceFrom(seed);
  let sessions: StudentRecord['sessions'] = [];
  for (let week = 0; week < 4; week++) {
    const at = shiftDays(DAY, 7 * week);
    const { poses } = planStudent({ ...record, sessions }, shelf, at);
    const done = poses
      .filter(({ posture }) => posture)
      .map((one) => {
        const speaks = week < 3 && chance.uniform() < 0.25;
        return doneAsPlanned(one, {
          heldSeconds: one.holdSeconds,
          ...(speaks ? { feeling: { strength: 4, place: 'joint' as const } } : {}),
        });
      });
    sessions = [...sessions, { id: `s${week}`, person: record.person.id, at, poses: done }];
  }
  const done = sessions.at(-1)?.poses ?? [];
  return planStudent({ ...record, sessions }, shelf, shiftDays(DAY, 7 * 3 + 24)).poses.map(
    (pose) => ({
      pose,
      last: done.find((one) => one.pose === pose.pose && one.side === pose.side),
    }),
  );
}

test('after some weeks away all lies as it did, what only fills too, and is held no longer', () => {
  let [compared, lay, held] = [0, 0, 0];
  for (const seed of [31, 32, 33])
    for (const shelf of [studioShelf, starterShelf])
      for (const { pose, last } of awayAfter(seed, shelf)) {
        if (!pose.decision.reasons.some(({ code }) => code === 'long-gap')) continue;
        if (last?.plannedSeconds !== undefined) {
          held++;
          const longer = pose.holdSeconds > last.plannedSeconds;
          expect([seed, pose.pose, pose.holdSeconds, longer]).toEqual([
            seed,
            pose.pose,
            pose.holdSeconds,
            false,
          ]);
        }
        for (const slot of pose.slots) {
          if (slot.isLength || slot.lastCm === null) continue;
          compared++;
          if (slot.lastCm > 0) lay++;
          const moved = isMoved(slot.stackCm - slot.lastCm);
          expect([seed, pose.pose, slotKey(slot), slot.lastCm, moved]).toEqual([
            seed,
            pose.pose,
            slotKey(slot),
            slot.lastCm,
            false,
          ]);
        }
      }
  expect(compared).toBeGreaterThan(300);
  expect(lay).toBeGreaterThan(100);
  expect(held).toBeGreaterThan(100);
});

test('what answered a complaint and went well stays as high the next time', () => {
  let rose = 0;
  for (const seed of [41, 42, 43]) {
    const record: StudentRecord = ordinaryAdult(seed, seed * 5 + 1, 'built-up-alignment');
    const planAt = (week: number, sessions: StudentRecord['sessions']) =>
      planStudent({ ...record, sessions }, studioShelf, shiftDays(DAY, 7 * week)).poses;
    let sessions: StudentRecord['sessions'] = [];
    let answered: ReturnType<typeof planAt> = [];
    for (const [week, place] of (['joint', 'muscle'] as const).entries()) {
      answered = planAt(week, sessions);
      const done = answered
        .filter(({ posture }) => posture)
        .map((one) =>
          doneAsPlanned(one, { heldSeconds: one.holdSeconds, feeling: { strength: 4, place } }),
        );
      const at = shiftDays(DAY, 7 * week);
      sessions = [...sessions, { id: `s${week}`, person: record.person.id, at, poses: done }];
    }
    for (const pose of planAt(2, sessions)) {
      if (pose.decision.word !== 'keep') continue;
      const then = answered.find((one) => one.pose === pose.pose && one.side === pose.side);
      for (const slot of pose.slots) {
        const raised = then?.slots.find((one) => slotKey(one) === slotKey(slot));
        if (raised?.action !== 'raise' || raised.isLength) continue;
        rose++;
        const sinksCm = raised.stackCm - slot.stackCm;
        expect([seed, pose.pose, slotKey(slot), sinksCm > 1 && sinksCm]).toEqual([
          seed,
          pose.pose,
          slotKey(slot),
          false,
        ]);
      }
    }
  }
  expect(rose).toBeGreaterThan(20);
});
