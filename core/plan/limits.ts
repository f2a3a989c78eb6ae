import { fold, squat, standingFold } from '../parameters';
import type { SlotId } from '../slots';

/** Slots that are left empty when they would have to stand higher than this, in cm. */
const HIGHEST_CM: Readonly<Partial<Record<SlotId, number>>> = {
  forehead: fold.highestForeheadProp.value,
  chest: fold.highestChestProp.value,
  hands: standingFold.highestHandProp.value,
  heels: squat.highestHeel.value,
};
/** Whether a slot is left empty since it would have to stand too high. */
export const leftEmpty = (slot: SlotId, cm: number) => cm > (HIGHEST_CM[slot] ?? Infinity);

/** Lower gaps than these are left as they are, in cm. */
const LOWEST_CM: Readonly<Partial<Record<SlotId, number>>> = { behindKnee: 0.5 };
export const tooLowToFill = (slot: SlotId, cm: number) => cm < (LOWEST_CM[slot] ?? 1);
