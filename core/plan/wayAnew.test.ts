import { planStudent } from './plan';
import { waysThen } from './goneBack';
import type { StudentRecord } from '../estimate/estimate';
import { shiftDays } from '../formats/time';
import { decision } from '../parameters';
import { holdOf } from '../poses/poses';
import { poseOr } from '../prepare/prepare';
import { purposeOf } from '../props/slots';
import { starterShelf, studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import { slotKey } from '../slots';

const DAY = '2026-01-05';
const poorShelf = starterShelf.filter(({ kind }) => ['towel', 'strap'].includes(kind));

/** So many times of everything on a shelf, each felt in the same place. */
function practised(seed: number, times: number, place: 'muscle' | 'joint', shelf = studioShelf) {
  const record: StudentRecord = ordinaryAdult(seed, seed * 5 + 1, 'built-up-alignment');
  let sessions: StudentRecord['sessions'] = [];
  for (let time = 0; time < times; time++) {
    const at = shiftDays(DAY, 7 * time);
    const done = planStudent({ ...record, sessions }, shelf, at)
      .poses.filter(({ posture }) => posture)
      .map((one) =>
        doneAsPlanned(one, { heldSeconds: one.holdSeconds, feeling: { strength: 4, place } }),
      );
    sessions = [...sessions, { id: `s${time}`, person: record.person.id, at, poses: done }];
  }
  const plan = planStudent({ ...record, sessions }, studioShelf, shiftDays(DAY, 7 * times));
  return { sessions, poses: plan.poses };
}

test('what comes to stand in another way says so, lowers nothing, and is held as for a first time', () => {
  let anew = 0;
  for (const seed of [51, 52, 53]) {
    const { sessions, poses } = practised(seed, 3, 'muscle', poorShelf);
    for (const pose of poses) {
      const last = sessions
        .at(-1)
        ?.poses.find((one) => one.pose === pose.pose && one.side === pose.side);
      const then = last ? waysThen(poseOr(pose.pose), last) : [];
      if (!pose.posture || then.length === 0 || then.some(({ id }) => id === pose.way)) continue;
      anew++;
      expect([pose.pose, pose.decision.reasons[0]?.code]).toEqual([pose.pose, 'way-anew']);
      expect(pose.slots.filter(({ action }) => action === 'lower')).toEqual([]);
      const { firstSeconds } = holdOf(poseOr(pose.pose), pose.way);
      expect(pose.holdSeconds).toBeLessThanOrEqual(firstSeconds);
    }
  }
  expect(anew).toBeGreaterThan(3);
});

test('hands are never raised far over where they come, however often a joint speaks', () => {
  let raised = 0;
  for (const seed of [61, 62, 63])
    for (const pose of practised(seed, 3, 'joint').poses)
      for (const slot of pose.slots) {
        if (purposeOf(slot.slot, poseOr(pose.pose).family) !== 'reach' || slot.isLength) continue;
        const wasCm = slot.lastCm ?? 0;
        if (slot.action !== 'raise' || slot.stackCm <= wasCm) continue;
        raised++;
        const overCm = slot.stackCm - Math.max(slot.targetCm, slot.reckonedCm);
        const isFar = overCm > decision.mostReachOver.value + 1;
        expect([pose.pose, slotKey(slot), isFar && overCm]).toEqual([
          pose.pose,
          slotKey(slot),
          false,
        ]);
      }
  expect(raised).toBeGreaterThan(2);
});
