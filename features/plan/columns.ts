import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { comesDown, poseById } from '@/core/poses/poses';
import type { RailColumn } from '@/ui/Rail';
import { shortSlot } from './words';
import { slotKey } from '@/core/slots';

/** The rail of a pose: the slots that come down over the weeks, where anything stands or should. */
export function railColumns(planned: PlanPose): RailColumn[] {
  const pose = poseById(planned.pose);
  return columnsOf(
    planned.slots.filter((slot) => comesDown(pose, slotKey(slot)) && slot.stack.length > 0),
  );
}

export const columnsOf = (slots: readonly PlanSlot[]): RailColumn[] =>
  slots.map((slot) => ({
    key: slotKey(slot),
    name: shortSlot(slot.slot),
    pieces: slot.stack,
    stackCm: slot.stackCm,
    targetCm: slot.targetCm,
    lowCm: slot.lowCm,
    highCm: slot.highCm,
    lastCm: slot.lastCm,
  }));
