import type { Estimates } from '../estimate/estimate';
import type { PlanPose } from '../formats/plan';
import type { RangeKey } from '../ranges/ranges';
import { slotKey, type SlotKey } from '../slots';
import { heightsIn, type InPose } from '../build/solve';
import { isMoved, isWanted, lies } from '../lies';

/** How much higher or lower one slot would be asked for. */
export interface WhatIf {
  readonly slot: SlotKey;
  readonly movesCm: number;
}

/**
 * What a pose would ask for if one range were so many degrees freer (or, with a minus, stiffer): by slot, against what
 * it asks for now. Slots in which nothing lies or should lie are left out.
 */
export function whatIf(
  inPose: InPose,
  estimates: Estimates,
  { slots }: Pick<PlanPose, 'slots'>,
  key: RangeKey,
  byDeg: number,
): WhatIf[] {
  const estimate = estimates[key];
  if (!estimate) return [];
  const freer = { ...estimates, [key]: { ...estimate, mean: estimate.mean + byDeg } };
  const [now, then] = [heightsIn(inPose, estimates), heightsIn(inPose, freer)];
  return slots
    .filter(({ isLength, stackCm, targetCm }) => !isLength && (lies(stackCm) || isWanted(targetCm)))
    .map((slot) => {
      const at = slotKey(slot);
      const over = (heights: ReadonlyMap<SlotKey, number>) => Math.max(0, heights.get(at) ?? 0);
      return { slot: at, movesCm: over(then) - over(now) };
    })
    .filter(({ movesCm }) => isMoved(movesCm));
}
