import type { StudentRecord } from '../estimate/estimate';
import { decision } from '../parameters';
import { planStudent } from '../plan/plan';
import { poseOr } from '../prepare/prepare';
import { purposeOf } from '../props/slots';
import { usualShelves } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';

const FIRST = '2026-03-02';
const NEXT = '2026-03-09';
const SPOTS = ['outer-knee:left', 'inner-knee:right', 'neck', 'low-back', 'front-hip:left'];

test('after what was felt nothing that fills or is reached for goes up by less than anybody feels', () => {
  let risen = 0;
  for (const [i, shelf] of Object.values(usualShelves).entries())
    for (const seed of [641, 642, 643]) {
      const spot = SPOTS[(i + seed) % SPOTS.length]!;
      const record: StudentRecord = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
      const first = planStudent(record, shelf, FIRST).poses.filter(({ posture }) => posture);
      const done = first.map((one) =>
        doneAsPlanned(one, { feeling: { strength: 4, place: 'joint', spot } }),
      );
      const sessions = [{ id: 's', person: record.person.id, at: FIRST, poses: done }];
      for (const { pose, slots } of planStudent({ ...record, sessions }, shelf, NEXT).poses)
        for (const { slot, action, lastCm, stackCm } of slots) {
          const purpose = purposeOf(slot, poseOr(pose).family);
          if (action !== 'raise' || !['fill', 'reach'].includes(purpose) || lastCm === null)
            continue;
          const upCm = stackCm - lastCm;
          if (upCm > 0.05) risen++;
          expect([pose, slot, upCm > 0.05 && upCm < decision.leastRaise.value - 0.01]).toEqual([
            pose,
            slot,
            false,
          ]);
        }
    }
  expect(risen).toBeGreaterThan(40);
});
