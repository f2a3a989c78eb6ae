import type { PlanSlot } from '../formats/plan';
import { poseById } from '../poses/poses';
import { staysFree } from './limits';

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
