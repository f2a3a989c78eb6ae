import type { Plan, PlanSlot } from '../formats/plan';
import { slotKey } from '../slots';

/** One height of a plan, with what it is for. */
export interface PlanHeight extends Pick<PlanSlot, 'slot' | 'part' | 'side' | 'isLength' | 'over'> {
  readonly pose: string;
  /** The side that the pose is done on. */
  readonly poseSide: PlanSlot['side'];
  /** As it is built of the shelf; a strap's length where that is what is set. */
  readonly builtCm: number;
}

/** A height that two plans of one student disagree on. */
export interface MovedHeight extends Omit<PlanHeight, 'builtCm' | 'over'> {
  readonly from: Built;
  readonly to: Built;
}
/** A height, and what it stands on where that is not the floor. */
interface Built extends Pick<PlanHeight, 'over'> {
  readonly cm: number;
}

/** Every height of a plan, in its order. */
export const heightsOf = (plan: Pick<Plan, 'poses'>): readonly PlanHeight[] =>
  plan.poses.flatMap(({ pose, side: poseSide, slots }) =>
    slots.map(({ slot, part, side, isLength, over, stackCm }) => ({
      pose,
      poseSide,
      slot,
      ...(part ? { part } : {}),
      side,
      ...(isLength ? { isLength } : {}),
      ...(over ? { over } : {}),
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
    .flatMap(([key, { builtCm: _, over: __, ...what }]): MovedHeight[] => {
      const [from, to] = [first.get(key), second.get(key)];
      if (what.isLength && !(from && to)) return [];
      return [{ ...what, from: built(from), to: built(to) }];
    })
    .filter((one) => Math.abs(one.to.cm - one.from.cm) > ALIKE_CM)
    .sort((a, b) => moveCm(b) - moveCm(a));
}

const built = (height: PlanHeight | undefined): Built => ({
  cm: height?.builtCm ?? 0,
  ...(height?.over && height.builtCm > 0 ? { over: height.over } : {}),
});

/**
 * How far a height moves, up or down. What stands on something else than before (a bolster on the shins, a chair over
 * them) carries the body about as high: it moves by nothing, and is told all the same.
 */
export const moveCm = ({ from, to }: Pick<MovedHeight, 'from' | 'to'>): number =>
  from.cm > 0 && to.cm > 0 && from.over !== to.over ? 0 : Math.abs(to.cm - from.cm);
