import type { PlanPose, PlanSlot } from '../formats/plan';
import type { WayRuledOut } from '../reasons';
import { purposeOf } from '../props/slots';
import { wayOf, type Pose } from '../poses/poses';
import { meansSlot, sidelessKey, slotKey, type SlotId, type SlotName } from '../slots';

/** A slot that is to carry the body and that this shelf leaves empty. */
export type Uncarried = Extract<WayRuledOut, { of: 'shelf' }>;

/** Slots whose support carries a body that comes down on it: without it, it would hang in the air or go too far. */
const CARRY: readonly SlotId[] = ['seat', 'back'];

const isMissed = (pose: Pose, slot: PlanSlot): boolean =>
  CARRY.includes(slot.slot) &&
  (slot.slot === 'back' || purposeOf(slot.slot, pose.family) === 'carry') &&
  slot.part !== 'low' &&
  slot.stack.length === 0 &&
  slot.reasons.some(({ code }) => code === 'stays-free');

/** What should carry a planned pose and lies nowhere; null where everything that carries is built. */
export function uncarried(pose: Pose, { slots }: Pick<PlanPose, 'slots'>): Uncarried | null {
  const missed = slots.find((slot) => isMissed(pose, slot));
  return missed ? { of: 'shelf', slot: missed.slot, cm: missed.targetCm } : null;
}

/**
 * What was felt sitting up, or on the hands, goes no further back this time; null where nothing forbids a way. A ramp of
 * comfort, to somebody who lay flat, is less far back, and is let be.
 */
export const goesFurther = (
  { family }: Pick<Pose, 'family'>,
  { decision, slots }: Pick<PlanPose, 'decision' | 'slots'>,
  hasBefore: boolean,
): WayRuledOut | null =>
  hasBefore &&
  purposeOf('back', family) === 'carry' &&
  decision.action === 'raise' &&
  slots.some(({ slot, stack, lastCm }) => slot === 'back' && stack.length > 0 && lastCm === null) &&
  slots.every(({ slot, lastCm }) => slot !== 'back' || lastCm === null)
    ? { of: 'felt-then' }
    : null;

/** Less than this is no rise, in cm. */
const RISE_CM = 0.3;

/** The slots that a decision raises, where none of them stands any higher for it; empty where one does. */
const stuckSlots = ({ decision, slots }: Pick<PlanPose, 'decision' | 'slots'>) => {
  const { word, slot, action } = decision;
  if (word !== 'ease' || action !== 'raise' || slot === null) return [];
  const raised = slots.filter((one) => meansSlot(slot, slotKey(one)));
  return raised.every(({ stackCm, lastCm }) => stackCm < (lastCm ?? 0) + RISE_CM) ? raised : [];
};

/** Whether something is to rise for what was felt last time. */
export const asksForMore = ({ decision }: Pick<PlanPose, 'decision'>): boolean =>
  decision.word === 'ease' && decision.reasons.some(({ code }) => code === 'last-time');

/** Whether something was to rise for what was felt, and this shelf builds it no higher. */
export const isStuck = (planned: Pick<PlanPose, 'decision' | 'slots'>): boolean =>
  asksForMore(planned) && stuckSlots(planned).length > 0;

/**
 * The slot that a decision raises for nothing, since the shelf builds it no higher or it stands as high as it may; null
 * where it rises.
 */
export function raisedForNothing(planned: Pick<PlanPose, 'decision' | 'slots'>): SlotName | null {
  const [stuck] = stuckSlots(planned);
  return stuck ? sidelessKey(slotKey(stuck)) : null;
}

/** Whether a way builds what another one lacks: where it does, the shelf fails it alike. */
export const buildsAlike = (pose: Pose, way: string, slot: SlotId): boolean =>
  (wayOf(pose, way)?.slots ?? pose.slots).includes(slot);
