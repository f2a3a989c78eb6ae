import type { PlanPose } from '@/core/formats/plan';
import { slotKey } from '@/core/geometry/family';
import { poseById } from '@/core/poses/poses';
import type { RailColumn } from '@/ui/Rail';
import { shortSlot } from './words';

/** The rail of a pose: the slots that come down over the weeks, where anything stands or should. */
export function railColumns(planned: PlanPose): RailColumn[] {
  const shown = poseById(planned.pose)?.comesDown ?? [];
  return planned.slots.filter((slot) => shown.includes(slotKey(slot)) && slot.stack.length > 0).map((slot) => ({
    key: slotKey(slot), name: shortSlot(slot.slot), pieces: slot.stack, stackCm: slot.stackCm, targetCm: slot.targetCm, lowCm: slot.lowCm, highCm: slot.highCm, lastCm: slot.lastCm,
  }));
}
