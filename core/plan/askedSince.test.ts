import { planStudent } from './plan';
import type { PlanPose, PlanSlot } from '../formats/plan';
import { poseOr } from '../prepare/prepare';
import { purposeOf } from '../props/slots';
import { studioShelf } from '../props/usualShelves';
import type { CautionId } from '../safety/ids';
import { ordinaryAdult } from '../sim/room';
import { slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import type { StudentRecord } from '../estimate/estimate';

/** A body with two quiet times of every pose behind it, and then a caution that is answered yes. */
function withCautionAfter(seed: number, caution: CautionId) {
  const drawn = ordinaryAdult(seed, seed * 7 + 3, 'built-up-alignment');
  const record: StudentRecord = { ...drawn, person: { ...drawn.person, cautions: [] } };
  const days = ['2026-02-09', '2026-02-16'] as const;
  const sessions = days.reduce<StudentRecord['sessions']>((before, at, i) => {
    const { poses } = planStudent({ ...record, sessions: before }, studioShelf, at);
    const done = poses
      .filter(({ posture }) => posture)
      .map((one) => doneAsPlanned(one, { heldSeconds: one.holdSeconds }));
    return [...before, { id: `s${i}`, person: record.person.id, at, poses: done }];
  }, []);
  const answered = [{ id: caution, answer: 'yes' as const, at: '2026-02-20T10:00:00Z' }];
  const sore = { ...record, person: { ...record.person, cautions: answered } };
  const planOf = (one: StudentRecord) => planStudent(one, studioShelf, '2026-02-23').poses;
  return {
    was: planOf({ ...record, sessions }),
    now: planOf({ ...sore, sessions }),
    anew: planOf({ ...sore, sessions: [] }),
  };
}

const same = (a: PlanPose, b: PlanPose) => a.pose === b.pose && a.side === b.side;
const slotIn = (pose: PlanPose | undefined, slot: PlanSlot) =>
  pose?.slots.find((one) => slotKey(one) === slotKey(slot));

const TOLD = ['shelf-ends', 'at-most', 'stays-free', 'given-up', 'asked-since'];

describe('a caution that is answered after quiet times', () => {
  const cautions: readonly CautionId[] = [
    'knee-pain',
    'knee-meniscus',
    'hip-replacement',
    'osteoporosis',
    'hamstring-origin',
  ];
  test.each(cautions)('%s is built at once, whatever was comfortable before', (caution) => {
    let rose = 0;
    for (const seed of [401, 402]) {
      const { was, now, anew } = withCautionAfter(seed, caution);
      for (const pose of now) {
        const before = was.find((one) => same(one, pose));
        const fresh = anew.find((one) => same(one, pose));
        // In another way other supports carry, and a seat that comes down moves what follows it.
        if (fresh?.way !== pose.way || before?.way !== pose.way || pose.decision.word === 'deepen')
          continue;
        for (const slot of pose.slots) {
          const purpose = purposeOf(slot.slot, poseOr(pose.pose).family);
          const moreCm = slot.reckonedCm - (slotIn(before, slot)?.reckonedCm ?? slot.reckonedCm);
          if (slot.isLength || purpose === 'fill' || moreCm < 2 || slot.lastCm === null) continue;
          const asksCm = Math.min(slot.lastCm + moreCm, slot.targetCm);
          const told = slot.reasons.some(({ code }) => TOLD.includes(code));
          const isLow = slot.stackCm < asksCm - 2 && !told;
          expect([pose.pose, slot.slot, isLow]).toEqual([pose.pose, slot.slot, false]);
          if (slot.reasons.some(({ code }) => code === 'asked-since')) rose++;
        }
      }
    }
    expect(rose).toBeGreaterThan(0);
  });

  it('says so before anything else, and lets nothing come down beside it', () => {
    const { was, now } = withCautionAfter(403, 'knee-meniscus');
    const risen = now.filter(({ slots }) =>
      slots.some(({ reasons }) => reasons.some(({ code }) => code === 'asked-since')),
    );
    expect(risen.map(({ pose }) => pose)).toContain('hero');
    for (const pose of risen) {
      expect(pose.decision.word).toBe('ease');
      expect(pose.decision.reasons[0]).toEqual({
        code: 'caution-since',
        cautions: ['knee-meniscus'],
      });
      expect(pose.slots.filter(({ action }) => action === 'lower')).toEqual([]);
    }
    const seatOf = (poses: readonly PlanPose[]) =>
      poses.find(({ pose }) => pose === 'hero')?.slots.find(({ slot }) => slot === 'seat');
    expect(seatOf(now)?.stackCm).toBeGreaterThan((seatOf(was)?.stackCm ?? 0) + 2);
  });
});
