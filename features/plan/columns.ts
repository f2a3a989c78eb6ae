import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { slotKey } from '@/core/geometry/family';
import { poseById } from '@/core/poses/poses';
import type { RailColumn } from '@/ui/Rail';
import { shortSlot } from './words';

/** The rail of a pose: the slots that come down over the weeks, where anything stands or should. */
export function railColumns(planned: PlanPose): RailColumn[] {
  const comesDown = poseById(planned.pose)?.comesDown ?? [];
  return columnsOf(planned.slots.filter((slot) => comesDown.includes(slotKey(slot)) && slot.stack.length > 0));
}

export const columnsOf = (slots: readonly PlanSlot[]): RailColumn[] => slots.map((slot) => ({
  key: slotKey(slot), name: shortSlot(slot.slot), pieces: slot.stack, stackCm: slot.stackCm, targetCm: slot.targetCm, lowCm: slot.lowCm, highCm: slot.highCm, lastCm: slot.lastCm,
}));
