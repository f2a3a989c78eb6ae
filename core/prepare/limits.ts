import type { PlanSlot } from '../formats/plan';
import { decision, fold } from '../parameters';
import { ordinaryAt } from '../poses/ordinary';
import type { Pose } from '../poses/poses';
import { purposeOf, slotMostCm } from '../props/slots';
import { lies } from '../lies';
import type { Reason } from '../reasons';
import { sidelessKey, slotKey, slotRefOf, type SlotId, type SlotKey } from '../slots';

type InPose = Pick<Pose, 'id' | 'family'>;

/** Nobody builds higher in this slot of a pose, in cm; infinite where nothing is known. */
export const mostCmAt = ({ id }: InPose, key: SlotKey): number =>
  ordinaryAt(id, sidelessKey(key))?.mostCm ?? slotMostCm(slotRefOf(key).slot);

/** A table in whole centimetres says no more than this: what is built may stand so much over its most. */
export const MOST_SLACK_CM = 0.5;

/** What hangs where nothing lies under it; the rest comes down to the floor by itself. */
export const HANGS: readonly SlotId[] = ['forehead', 'chest', 'neck'];

/** Over the most that anybody builds, what hangs comes down a little by itself. */
const beyondMostCm = (slot: SlotId) =>
  slot === 'forehead' ? fold.headLetsDown.value : MOST_SLACK_CM;

/**
 * Whether a slot that asks for so much stays empty, since beyond its most the pose is set up otherwise: hands rest on
 * the thighs, the trunk stays up, the feet stand and the knees bend by themselves. Elsewhere the most is built.
 */
export function staysEmptyOver(pose: InPose, key: SlotKey, cm: number): boolean {
  const { slot } = slotRefOf(key);
  const otherwise =
    ['hands', 'forehead', 'chest'].includes(slot) ||
    (slot === 'underKnees' && purposeOf(slot, pose.family) === 'tilt');
  return otherwise && cm > mostCmAt(pose, key) + beyondMostCm(slot);
}

/** A ramp that the shelf builds too low by so much is not lain back on. */
const MOST_UNDER_CM = decision.mostRung.value + MOST_SLACK_CM;
export const isShort = ({ slot, targetCm, stackCm }: PlanSlot): boolean =>
  slot === 'back' && targetCm - stackCm > MOST_UNDER_CM;

/** A smaller gap stays empty without a word, in cm. */
const WORTH_SAYING_CM = 4;
/** Where the reason of the height itself says what is done instead. */
const SAID_ALREADY: readonly SlotId[] = ['hands', 'underKnees'];

/** Why a slot that asks for something lies on nothing; null where nothing is missed. */
export function staysFree(pose: Pose, slot: PlanSlot): Reason | null {
  const { slot: id, isLength, stack, stackCm, targetCm, reckonedCm, lastCm } = slot;
  if (isLength || stack.length > 0 || lies(stackCm) || targetCm < WORTH_SAYING_CM) return null;
  if (pose.optional?.includes(id)) return null;
  const overMost = staysEmptyOver(pose, slotKey(slot), reckonedCm);
  if (overMost && SAID_ALREADY.includes(id)) return null;
  // Settled on nothing before, it is not missed.
  if (!overMost && lastCm === 0) return null;
  return { code: 'stays-free', slot: id, cm: targetCm, overMost };
}

/** Whether a slot has its height in the pose: what is left empty for want of a support is no height of nought. */
export const standsIn = (pose: InPose, slot: PlanSlot): boolean =>
  !slot.isLength && !isShort(slot) && !staysEmptyOver(pose, slotKey(slot), slot.reckonedCm);
