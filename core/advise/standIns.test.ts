import { planStudent } from '../plan/plan';
import { starterShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { standInsFor } from './standIns';

const DAY = '2026-01-05';

test('a stand-in is named for each support that lies there, once, and for nothing else', () => {
  let [told, none, refused] = [0, 0, 0];
  for (const seed of [51, 52, 53, 54]) {
    const record = ordinaryAdult(seed, seed * 5 + 1, 'built-up-alignment');
    for (const pose of planStudent(record, starterShelf, DAY).poses) {
      const { slots, also } = standInsFor(pose);
      const names = slots.map(({ slot }) => slot.slot);
      expect(new Set(names).size).toBe(names.length);
      for (const { slot, said } of slots) {
        told++;
        expect(said).not.toBe('');
        // It lies there, or would have to.
        expect(slot.stack.length > 0 || slot.targetCm > 1).toBe(true);
      }
      for (const slot of pose.slots)
        if (slot.stack.length > 0 && slot.targetCm > 2) expect(names).toContain(slot.slot);
      if (slots.length === 0) none++;
      if (pose.posture) continue;
      refused++;
      expect([pose.pose, slots, also]).toEqual([pose.pose, [], null]);
    }
  }
  expect([told > 100, none > 10, refused > 5]).toEqual([true, true, true]);
});

test('a low support is no cushion, and a high one no pillow', () => {
  const record = ordinaryAdult(55, 257, 'built-up-alignment');
  const [planned] = planStudent(record, starterShelf, DAY, { poses: ['child'] }).poses;
  const chest = planned!.slots.find(({ slot }) => slot === 'chest')!;
  const saidAt = (slot: 'chest' | 'seat' | 'neck', stackCm: number) => {
    const lying = { ...chest, slot, stackCm, stack: [{ item: 'a', state: 'flat', count: 1 }] };
    return standInsFor({ ...planned!, slots: [lying] }).slots.map(({ said }) => said);
  };
  expect(saidAt('chest', 12)).toEqual(['bed pillow lengthwise']);
  expect(saidAt('chest', 31)).toEqual(['sofa cushions, a bed pillow lengthwise on top']);
  expect(saidAt('seat', 3)).toEqual(['folded blanket']);
  expect(saidAt('seat', 12)).toEqual(['firm cushion']);
  expect(saidAt('seat', 90)).toEqual(['firm cushions on books, or a low stool']);
});

test('of a pair the higher side is told', () => {
  const record = ordinaryAdult(55, 257, 'built-up-alignment');
  const [planned] = planStudent(record, starterShelf, DAY, { poses: ['easy-cross'] }).poses;
  const thigh = planned!.slots.find(({ slot }) => slot === 'underThigh')!;
  const stack = [{ item: 'a', state: 'flat', count: 1 }];
  const both = [3, 12].map((stackCm) => ({ ...thigh, stackCm, stack }));
  expect(standInsFor({ ...planned!, slots: both }).slots.map(({ said }) => said)).toEqual([
    'cushions',
  ]);
});

test('a pose on the bare floor names nothing', () => {
  const record = ordinaryAdult(51, 256, 'built-up-alignment');
  const all = planStudent(record, starterShelf, DAY).poses.filter(({ posture }) => posture);
  for (const pose of all) {
    const bare = { ...pose, slots: pose.slots.map((one) => ({ ...one, stack: [], reasons: [] })) };
    expect(standInsFor(bare).slots).toEqual([]);
  }
  expect(all.length).toBeGreaterThan(20);
});
