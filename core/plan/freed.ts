import type { PlanSlot } from '../formats/plan';
import type { Built } from '../geometry/family';
import { COMFORTS } from '../build/pieces';
import type { Decision } from '../learn/decide';
import { isMoved } from '../lies';
import { decision as decisionParameter } from '../parameters';
import type { Pose } from '../poses/poses';
import { isShort } from '../prepare/limits';
import { purposeOf } from '../props/slots';
import type { Piece } from '../props/stack';
import { isBuiltFor } from '../safety/changes';
import { type SlotId, type SlotKey, slotKey } from '../slots';
import { type Laid, lyingAt } from './lay';

/** What is built: every slot, and the heights of those that stand for something in the pose. */
export interface BuiltSlots {
  readonly slots: PlanSlot[];
  readonly built: Built;
}

/** What the slots of a pose give up for another, and what they leave to it. */
export interface Sharing {
  /** Comforts that lie nowhere, since their pieces are needed elsewhere. */
  readonly givenUp: ReadonlySet<SlotId>;
  /** Pieces that are kept for a slot, whatever lies before it. */
  readonly keptFor: ReadonlyMap<SlotKey, readonly Piece[]>;
  /** As though the shelf had enough for each slot by itself. */
  readonly isEndless: boolean;
}

export const asItComes: Sharing = { givenUp: new Set(), keptFor: new Map(), isEndless: false };

/**
 * How far what carries or tilts the body stands under what it should, in cm; 0 where nothing is missed. What should go
 * up and cannot, what stays free, a ramp that is too low, and what would come down though it is kept.
 */
function lackCm(laid: Laid, slot: PlanSlot): number {
  const purpose = purposeOf(slot.slot, laid.pose.family);
  if (slot.isLength || !['carry', 'tilt'].includes(purpose)) return 0;
  const has = (code: string) => slot.reasons.some((one) => one.code === code);
  const wasCm = lyingAt(laid, slotKey(slot))?.heightCm ?? 0;
  const misses = Math.max(0, slot.targetCm - slot.stackCm);
  if (has('shelf-ends')) return Math.max(decisionParameter.mostRung.value, misses);
  if (has('stays-free') || isShort(slot)) return misses;
  // A joint is carried as high as it asks, or not well.
  if (purpose === 'carry' && misses >= decisionParameter.leastRung.value) return misses;
  return purpose === 'carry' && slot.action === 'keep' && isMoved(wasCm - slot.stackCm)
    ? Math.max(0, wasCm - slot.stackCm)
    : 0;
}

const lackingIn = (laid: Laid, { slots }: BuiltSlots) =>
  slots.filter((slot) => lackCm(laid, slot) > 0);
const lackOf = (laid: Laid, { slots }: BuiltSlots) =>
  slots.reduce((sum, slot) => sum + lackCm(laid, slot), 0);

/** Comforts that lie there and that nobody has asked for on purpose, in the order in which they go. */
const comfortsIn = (laid: Laid, { slots }: BuiltSlots, { optional }: Pose): SlotId[] =>
  COMFORTS.filter(
    (slot) =>
      !optional?.includes(slot) &&
      !isBuiltFor(laid.verdict.changes, slot) &&
      slots.some((one) => one.slot === slot && one.stack.length > 0),
  );

/**
 * Pieces run out at the comforts first: where what carries the body lacks them, its comforts give up theirs one by one,
 * then what lies before it is built of other things. What frees nothing gives up nothing.
 */
export function freedFor(
  laid: Laid,
  decision: Decision,
  build: (laid: Laid, decision: Decision, sharing: Sharing) => BuiltSlots,
): BuiltSlots {
  let best = build(laid, decision, asItComes);
  const lacking = lackingIn(laid, best);
  // What complained goes no further again in a way that it has left.
  const isLeft = ({ slot }: PlanSlot) =>
    decision.action === 'raise' &&
    !best.slots.some((one) => one.slot === slot && one.lastCm !== null);
  if (lacking.length === 0 || lacking.some(isLeft)) return best;
  let sharing = asItComes;
  const tries = (next: Sharing) => {
    const one = build(laid, decision, next);
    if (lackOf(laid, one) >= lackOf(laid, best) - decisionParameter.leastRung.value) return;
    // Nothing is freed out of what carries another joint.
    if (one.slots.some((slot, at) => lackCm(laid, slot) > lackCm(laid, best.slots[at] as PlanSlot)))
      return;
    [best, sharing] = [one, next];
  };
  const endless = build(laid, decision, { ...asItComes, isEndless: true });
  if (lackOf(laid, endless) >= lackOf(laid, best)) return best;
  const comforts = comfortsIn(laid, best, laid.pose);
  for (const at of comforts.keys()) {
    if (lackingIn(laid, best).length === 0) return best;
    tries({ ...sharing, givenUp: new Set(comforts.slice(0, at + 1)) });
  }
  const wished = lackingIn(laid, best).flatMap((slot) => {
    const key = slotKey(slot);
    const alone = endless.slots.find((one) => slotKey(one) === key);
    return alone ? [[key, alone.stack] as const] : [];
  });
  // What complained is worth building the rest anew; on a first day less far back serves as well.
  if (wished.length > 0 && decision.action === 'raise') {
    tries({ ...sharing, keptFor: new Map(wished) });
    tries({ ...sharing, givenUp: new Set(comforts), keptFor: new Map(wished) });
  }
  return best;
}
