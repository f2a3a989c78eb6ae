import type { PlanPose } from '../formats/plan';
import { isMoved } from '../lies';
import { slotKey, type SlotRef } from '../slots';
import { placeKey } from './order';

/** One support that another approach builds otherwise. */
export interface BuiltOtherwise {
  readonly pose: string;
  readonly slot: SlotRef;
  readonly fromCm: number;
  readonly toCm: number;
}

/** What another approach does to a plan. */
export interface ApproachEffect {
  /** Seconds of holding in all, before and after. */
  readonly holds: readonly [from: number, to: number];
  /** Supports that stand otherwise, what moves most first. */
  readonly otherwise: readonly BuiltOtherwise[];
  /** Poses that are done now and not then, by their ids; and the other way round. */
  readonly lost: readonly string[];
  readonly gained: readonly string[];
}

const isDone = ({ posture }: PlanPose) => posture !== null;
const holdOf = (plan: readonly PlanPose[]) =>
  plan.filter(isDone).reduce((sum, { holdSeconds }) => sum + holdSeconds, 0);

/** What changes in a plan from one approach to another, of the same student and day. */
export function approachEffect(
  before: readonly PlanPose[],
  after: readonly PlanPose[],
): ApproachEffect {
  const then = new Map(after.map((one) => [placeKey(one), one]));
  const now = before.flatMap((one) => {
    const other = then.get(placeKey(one));
    return other ? [[one, other] as const] : [];
  });
  const otherwise = now.flatMap(([one, other]) =>
    isDone(one) && isDone(other)
      ? one.slots.flatMap((slot): BuiltOtherwise[] => {
          const toCm = other.slots.find((its) => slotKey(its) === slotKey(slot))?.stackCm ?? 0;
          const moved = !slot.isLength && isMoved(toCm - slot.stackCm);
          return moved ? [{ pose: one.pose, slot, fromCm: slot.stackCm, toCm }] : [];
        })
      : [],
  );
  const poses = (those: typeof now) => [...new Set(those.map(([{ pose }]) => pose))];
  const byMost = (one: BuiltOtherwise) => Math.abs(one.toCm - one.fromCm);
  return {
    holds: [holdOf(before), holdOf(after)],
    otherwise: otherwise.sort((a, b) => byMost(b) - byMost(a)),
    lost: poses(now.filter(([one, other]) => isDone(one) && !isDone(other))),
    gained: poses(now.filter(([one, other]) => !isDone(one) && isDone(other))),
  };
}
