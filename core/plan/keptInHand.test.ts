import { planStudent } from './plan';
import type { StudentRecord } from '../estimate/estimate';
import type { PlanPose } from '../formats/plan';
import { shiftDays } from '../formats/time';
import { poseOr } from '../prepare/prepare';
import { purposeOf } from '../props/slots';
import { studioShelf } from '../props/usualShelves';
import type { CautionId } from '../safety/ids';
import { ordinaryAdult } from '../sim/room';
import { slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';

const POSES = ['hero', 'thunderbolt', 'child', 'squat', 'reclined-hero', 'staff', 'straddle'];
const TIMES = 14;
const DAY = '2026-01-05';

/** What lies in each slot after many good times, and what was reckoned for it. */
function afterGoodTimes(seed: number, caution: CautionId | null) {
  const drawn = ordinaryAdult(seed, seed * 7 + 3, 'built-up-alignment');
  const cautions = caution ? [{ id: caution, answer: 'yes' as const, at: DAY }] : [];
  const record: StudentRecord = { ...drawn, person: { ...drawn.person, cautions } };
  let sessions: StudentRecord['sessions'] = [];
  let poses: readonly PlanPose[] = [];
  for (let time = 0; time <= TIMES; time++) {
    const at = shiftDays(DAY, 4 * time);
    poses = planStudent({ ...record, sessions }, studioShelf, at, { poses: POSES }).poses;
    const done = poses
      .filter(({ posture }) => posture)
      .map((one) => doneAsPlanned(one, { heldSeconds: one.holdSeconds }));
    sessions = [...sessions, { id: `s${time}`, person: record.person.id, at, poses: done }];
  }
  return poses;
}

/** All that tilts the pelvis, together. */
const tiltingCm = ({ pose, slots }: PlanPose) =>
  slots
    .filter(({ slot }) => purposeOf(slot, poseOr(pose).family) === 'tilt')
    .reduce((sum, { stackCm }) => sum + stackCm, 0);

/** What is built in whole pieces may miss by so much. */
const STEP_CM = 3;

test.each<CautionId>(['knee-pain', 'knee-arthritis', 'very-mobile', 'hamstring-origin'])(
  'what %s keeps in hand is not used up by good times',
  (caution) => {
    let compared = 0;
    for (const seed of [421, 422, 423]) {
      const free = afterGoodTimes(seed, null);
      for (const pose of afterGoodTimes(seed, caution)) {
        const plain = free.find((one) => one.pose === pose.pose && one.side === pose.side);
        if (!plain?.posture || plain.way !== pose.way) continue;
        for (const slot of pose.slots) {
          const there = plain.slots.find((one) => slotKey(one) === slotKey(slot));
          const moreCm = slot.reckonedCm - Math.max(0, there?.reckonedCm ?? slot.reckonedCm);
          const purpose = purposeOf(slot.slot, poseOr(pose.pose).family);
          if (!there || !['carry', 'tilt'].includes(purpose) || moreCm < 2 * STEP_CM) continue;
          compared++;
          // A pelvis is tipped by its seat and by what lies under the knees together.
          const keepsCm =
            purpose === 'carry' ? slot.stackCm - there.stackCm : tiltingCm(pose) - tiltingCm(plain);
          const leastCm = purpose === 'carry' ? moreCm - STEP_CM : STEP_CM;
          expect([seed, pose.pose, slot.slot, keepsCm >= leastCm || keepsCm]).toEqual([
            seed,
            pose.pose,
            slot.slot,
            true,
          ]);
        }
      }
    }
    expect(compared).toBeGreaterThan(2);
  },
);
