import type { PlanSlot } from '../formats/plan';
import { studioShelf } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { planStudent } from './plan';

const PAIRED = ['easy-cross', 'open-book', 'reclined-open', 'open-book-fold'];
const ofSide = (slots: readonly PlanSlot[], side: string) =>
  slots.find((one) => one.side === side && ['underThigh', 'outerHip'].includes(one.slot));

test('two sides that differ by no more than chance explains are met by the same things', () => {
  let alike = 0;
  for (let index = 0; index < 40; index++) {
    const { person, ...record } = ordinaryAdult(index, 31, 'built-up-alignment');
    const asked = { ...record, person: { ...person, choices: {} } };
    for (const { pose, slots } of planStudent(asked, studioShelf, '2026-03-02', { poses: PAIRED })
      .poses) {
      const [left, right] = [ofSide(slots, 'left'), ofSide(slots, 'right')];
      if (!left || !right) continue;
      const apart = Math.abs(left.reckonedCm - right.reckonedCm);
      if (apart > 0.05) continue;
      alike += 1;
      expect([pose, index, left.stack]).toEqual([pose, index, right.stack]);
    }
  }
  expect(alike).toBeGreaterThan(40);
});
