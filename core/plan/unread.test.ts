import { estimateRanges } from '../estimate/estimate';
import { usualShelves, studioShelf } from '../props/usualShelves';
import { ranges, splitKey, type RangeKey } from '../ranges/ranges';
import { ordinaryAdult } from '../sim/room';
import { doneAsPlanned } from '../tests/samples';
import { planStudent } from './plan';

const DAY = '2026-03-02';
const POSES = ['easy-cross', 'staff', 'hero', 'child', 'squat', 'pigeon', 'standing-fold'];
/** So wide a band is one that a reading narrows. */
const WIDE_CM = 6;

test('a height that leans on a range that nobody read says so, and none that was read is called unread', () => {
  let [told, untold] = [0, 0];
  for (const seed of [611, 612, 613, 614]) {
    const all = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
    const read = [...new Set(all.readings.map(({ range }) => range))];
    const kept = new Set(read.filter((_, i) => i % 2 === seed % 2));
    const record = { ...all, readings: all.readings.filter(({ range }) => kept.has(range)) };
    const estimates = estimateRanges(record, DAY);
    for (const { pose, slots } of planStudent(record, studioShelf, DAY, { poses: POSES }).poses)
      for (const one of slots) {
        const said = one.reasons.flatMap((why) => (why.code === 'not-read' ? why.ranges : []));
        expect([pose, one.slot, said.filter((id) => kept.has(id))]).toEqual([pose, one.slot, []]);
        expect(new Set(said).size).toBe(said.length);
        if (said.length > 0) told++;
        const widest = estimates[one.widestInput as RangeKey];
        if (widest?.source !== 'assumed' || one.highCm - one.lowCm < WIDE_CM) continue;
        const { id } = splitKey(one.widestInput as RangeKey);
        if (ranges[id].unit !== 'deg') continue;
        untold++;
        expect([pose, one.slot, said]).toEqual([pose, one.slot, expect.arrayContaining([id])]);
      }
  }
  expect([told > 30, untold > 20]).toEqual([true, true]);
});

test('where a caution keeps the back long, hands stand no further under what they ask for than bent knees make up', () => {
  let met = 0;
  for (const shelf of Object.values(usualShelves))
    for (const seed of [621, 622, 623, 624, 625, 626]) {
      const drawn = ordinaryAdult(seed, seed * 3 + 1, 'built-up-alignment');
      const cautions = [{ id: 'low-back-disc' as const, answer: 'yes' as const, at: DAY }];
      const record = { ...drawn, person: { ...drawn.person, cautions } };
      const plan = planStudent(record, shelf, DAY, { poses: ['standing-fold', 'wide-fold'] });
      for (const { pose, slots } of plan.poses)
        for (const { slot, targetCm, stackCm } of slots) {
          if (slot !== 'hands' || stackCm === 0) continue;
          met++;
          expect([pose, seed, Math.max(0, targetCm - stackCm) <= 5.01]).toEqual([pose, seed, true]);
        }
    }
  expect(met).toBeGreaterThan(20);
});

test('where a strap alone lay, it is not said that nothing did', () => {
  const record = ordinaryAdult(631, 1894, 'built-up-alignment');
  const [first] = planStudent(record, studioShelf, DAY, { poses: ['leg-up'] }).poses;
  const sessions = [
    { id: 's', person: record.person.id, at: '2026-03-05', poses: [doneAsPlanned(first!)] },
  ];
  const [next] = planStudent({ ...record, sessions }, studioShelf, '2026-03-09', {
    poses: ['leg-up'],
  }).poses;
  expect(first!.slots.find(({ slot }) => slot === 'strap')!.stack).not.toEqual([]);
  expect(next!.decision.reasons).toEqual([{ code: 'nothing-lies', withStrap: true }]);
});
