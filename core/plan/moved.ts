import type { Plan, PlanSlot } from '../formats/plan';
import { slotKey } from '../slots';

/** One height of a plan, with what it is for. */
export interface PlanHeight extends Pick<PlanSlot, 'slot' | 'part' | 'side' | 'isLength'> {
  readonly pose: string;
  /** The side that the pose is done on. */
  readonly poseSide: PlanSlot['side'];
  /** As it is built of the shelf; a strap's length where that is what is set. */
  readonly builtCm: number;
}

/** A height that two plans of one student disagree on. */
export interface MovedHeight extends Omit<PlanHeight, 'builtCm'> {
  readonly fromCm: number;
  readonly toCm: number;
}

/** Every height of a plan, in its order. */
export const heightsOf = (plan: Pick<Plan, 'poses'>): readonly PlanHeight[] =>
  plan.poses.flatMap(({ pose, side: poseSide, slots }) =>
    slots.map(({ slot, part, side, isLength, stackCm }) => ({
      pose,
      poseSide,
      slot,
      ...(part ? { part } : {}),
      side,
      ...(isLength ? { isLength } : {}),
      builtCm: stackCm,
    })),
  );

/** Under a millimetre nobody lays it otherwise. */
const ALIKE_CM = 0.1;
const keyOf = (of: Omit<PlanHeight, 'builtCm'>) => `${of.pose} ${of.poseSide} ${slotKey(of)}`;

/**
 * What is built otherwise in a second plan of the same student, what moves furthest first. A support that only one of
 * them has stands on the floor in the other; a strap that only one of them has is left out.
 *
 * @param before Heights of the first plan.
 * @param after Heights of the second, reckoned otherwise.
 */
export function heightsMoved(
  before: readonly PlanHeight[],
  after: readonly PlanHeight[],
): readonly MovedHeight[] {
  const first = new Map(before.map((one) => [keyOf(one), one]));
  const second = new Map(after.map((one) => [keyOf(one), one]));
  return [...new Map([...first, ...second])]
    .flatMap(([key, { builtCm: _, ...what }]): MovedHeight[] => {
      const [from, to] = [first.get(key), second.get(key)];
      if (what.isLength && !(from && to)) return [];
      return [{ ...what, fromCm: from?.builtCm ?? 0, toCm: to?.builtCm ?? 0 }];
    })
    .filter((one) => moveCm(one) > ALIKE_CM)
    .sort((a, b) => moveCm(b) - moveCm(a));
}

/** How far a height moves, up or down. */
export const moveCm = ({ fromCm, toCm }: Pick<MovedHeight, 'fromCm' | 'toCm'>): number =>
  Math.abs(toCm - fromCm);
