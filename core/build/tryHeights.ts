import type { PlanPose } from '../formats/plan';
import { type Built } from '../geometry/family';
import { slotKey } from '../slots';
import { isWanted } from '../lies';

/** The tallest height that may be tried by dragging. */
export const TRY_MOST_CM = 62;

/** Heights of a planned pose as they are built, with those that are being tried in their place. */
export function triedHeights(planned: PlanPose, tried: Built): Built {
  const built = planned.slots
    .filter(
      ({ isLength, stack, targetCm }) => !isLength && (stack.length > 0 || !isWanted(targetCm)),
    )
    .map((slot) => [slotKey(slot), slot.stackCm] as const);
  return { ...Object.fromEntries(built), ...tried };
}

/** A height that can be tried: in half centimetres, between the floor and the tallest. */
export const tryableCm = (cm: number) => Math.min(TRY_MOST_CM, Math.max(0, Math.round(cm * 2) / 2));
