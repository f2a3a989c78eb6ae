import { shiftDays } from '../formats/time';
import { poses } from '../poses/poses';
import { studioShelf } from '../props/usualShelves';
import { sidelessKey, slotKey } from '../slots';
import { doneAsPlanned } from '../tests/samples';
import { recordOfSix } from '../tests/sixPeople';
import { planStudent } from './plan';

const DAY = '2026-03-01';
const record = recordOfSix('runner');
const first = planStudent(record, studioShelf, '2026-02-02').poses.filter(({ posture }) => posture);

/** Three weeks on what was planned first, easy throughout, with what was seen each time. */
const after = (pose: string, seen: readonly (readonly string[])[]) => {
  const planned = first.filter((one) => one.pose === pose);
  const sessions = seen.map((faults, i) => ({
    id: `s${i}`,
    person: 'p1',
    at: shiftDays(DAY, -7 * (seen.length - i)),
    poses: planned.map((one) => doneAsPlanned(one, { faults: [...faults] })),
  }));
  return planStudent({ ...record, sessions }, studioShelf, DAY, { poses: [pose] }).poses;
};

const raising = poses.flatMap((pose) =>
  pose.faults.flatMap((fault) =>
    'slot' in fault && fault.way === 'raise' && first.some((one) => one.pose === pose.id)
      ? [[pose.id, fault.id, fault.slot === 'back' ? 'back.high' : fault.slot] as const]
      : [],
  ),
);

test.each(raising)('%s: while %s stands ticked, %s does not come down', (pose, fault, slot) => {
  for (const next of after(pose, [[], [], [], [fault]]))
    for (const one of next.slots)
      if (one.action === 'lower') expect(sidelessKey(next.decision.slot!)).not.toBe(slot);
});

test.each(raising)(
  '%s: %s seen twice eases by %s at once, or by what is there',
  (pose, fault, slot) => {
    for (const next of after(pose, [[fault], [fault]])) {
      const { decision, slots } = next;
      expect(decision.reasons[0]).toMatchObject({ code: 'seen-again' });
      expect(decision.action).toBe('raise');
      // Another way or another support eases it, a setting, or words.
      if (decision.slot === null || decision.reasons.some(({ code }) => code === 'dial-turned')) {
        expect(decision.word).toBe('gentle');
        expect(decision.reasons.length).toBeGreaterThan(1);
        continue;
      }
      expect(decision.word).toBe('ease');
      const moved = slots.filter(
        (one) => sidelessKey(slotKey(one)) === sidelessKey(decision.slot!),
      );
      const isBuilt = slots.some((one) => sidelessKey(slotKey(one)) === slot);
      if (isBuilt) expect(decision.slot).toBe(slot);
      expect(
        moved.some(
          ({ stackCm, lastCm, reasons }) =>
            stackCm > (lastCm ?? 0) + 0.3 ||
            reasons.some(({ code }) => code === 'shelf-ends' || code === 'at-most'),
        ),
      ).toBe(true);
    }
  },
);

test('a knee blanket that is too high comes down, and that is an ease', () => {
  for (const next of after('reclined-hero-one', [['knee-too-high'], ['knee-too-high']]))
    expect(next.decision).toMatchObject({ word: 'ease', action: 'lower', slot: 'underKnees' });
});

test('where no support mends it, words do', () => {
  for (const next of after('figure-four', [['pelvis-rolls'], ['pelvis-rolls']])) {
    expect(next.decision).toMatchObject({ word: 'gentle', slot: null, dial: null });
    expect(next.decision.reasons).toContainEqual({
      code: 'fault-cue',
      pose: 'figure-four',
      fault: 'pelvis-rolls',
    });
  }
});
