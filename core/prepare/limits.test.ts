import type { PlanSlot } from '../formats/plan';
import { poseById } from '../poses/poses';
import { usualShelves } from '../props/usualShelves';
import { ordinaryAdult } from '../sim/room';
import { staysFree } from './limits';
import { planStudent } from '../plan/plan';

const child = poseById('child')!;
const fold = poseById('seated-fold')!;
const slot = (more: Partial<PlanSlot>): PlanSlot =>
  ({
    slot: 'forehead',
    side: 'both',
    targetCm: 30,
    reckonedCm: 30,
    stack: [],
    stackCm: 0,
    lastCm: null,
    ...more,
  }) as PlanSlot;

describe('what asks for a support and lies on nothing', () => {
  test('says whether nobody builds so high, or nothing comes near enough', () => {
    expect(staysFree(child, slot({}))).toEqual({
      code: 'stays-free',
      slot: 'forehead',
      cm: 30,
      overMost: true,
    });
    expect(staysFree(child, slot({ targetCm: 12, reckonedCm: 12 }))).toMatchObject({
      overMost: false,
    });
  });

  test('says nothing of what lies on something, is small, is only offered, or is a length', () => {
    expect(staysFree(child, slot({ stack: [{ item: 'a', state: 'flat', count: 1 }] }))).toBeNull();
    expect(staysFree(child, slot({ targetCm: 3, reckonedCm: 3 }))).toBeNull();
    expect(staysFree(child, slot({ slot: 'ankle' }))).toBeNull();
    expect(staysFree(fold, slot({ isLength: true }))).toBeNull();
    const straddle = poseById('straddle-fold')!;
    expect(staysFree(straddle, slot({ slot: 'chest', reckonedCm: 20 }))).toBeNull();
  });

  test('nor of knees that are planted, and of what was settled on nothing before', () => {
    expect(staysFree(fold, slot({ slot: 'underKnees', reckonedCm: 30 }))).toBeNull();
    expect(
      staysFree(child, slot({ slot: 'seat', targetCm: 5, reckonedCm: 5, lastCm: 0 })),
    ).toBeNull();
  });
});

test('a replaced hip in front of a lunge bends no further for its hands', () => {
  for (let index = 0; index < 40; index++) {
    const record = ordinaryAdult(index, 11, 'built-up-alignment');
    const goAhead = {
      id: 'hip-replacement',
      answer: 'yes',
      at: '2026-01-05',
      goAheadAt: '2026-01-06',
      side: 'left',
    } as const;
    const person = { ...record.person, cautions: [goAhead] };
    const { poses: planned } = planStudent(
      { ...record, person },
      usualShelves.studio,
      '2026-03-02',
      {
        poses: ['low-lunge', 'lizard'],
      },
    );
    for (const { side, slots, demands } of planned.filter((one) => one.side === 'left')) {
      const hands = slots.find(({ slot }) => slot === 'hands')!;
      if (hands.stack.length > 0 && hands.targetCm >= 4)
        expect(hands.stackCm).toBeGreaterThanOrEqual(hands.targetCm - 1.01);
      for (const { range, side: of, needDeg } of demands)
        if (range === 'hipFlexion' && of === side) expect(needDeg).toBeLessThan(92);
    }
  }
});
