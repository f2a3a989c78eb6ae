import { decision } from '../parameters';
import { isSoft, loadedCm, type Shelf } from './shelf';
import {
  countAsked, isFree, layerFaults, layersCost, missCost, MOST_PIECES, MOST_SOFT, movedCost, pairFaults, pieceWidthCm, type Layer, type SlotRule, type Stack, type StackWish, type Used,
} from './stack';

/** A stack with what it costs before any target is known. */
export interface Priced extends Stack {
  readonly simplicity: number;
  /** The items it uses, for telling rivals apart. */
  readonly uses: string;
}

/** Tallest stack worth building, over the floor. */
const TALLEST_CM = 62;

/** Searches are remembered for as long as their shelf lives. */
const remembered = new WeakMap<Shelf, Map<string, readonly Priced[]>>();

/** Every way that a shelf can fill one layer of a slot: hard before soft, tall before thin, so that stacks read from a firm base up. */
function layersFor(shelf: Shelf, rule: SlotRule): Layer[] {
  return shelf.flatMap((item) => item.states.filter(({ heightCm }) => heightCm > 0).flatMap((state): Layer[] => {
    // The fewest twins side by side that are wide enough; more would only cost pieces.
    const count = Math.max(countAsked(item, rule), Math.ceil(rule.leastWidthCm / pieceWidthCm(item, state)));
    const layer = { item, state, count, heightCm: loadedCm(item, state, rule.load) };
    return count <= item.count && count <= MOST_PIECES && layerFaults(layer, rule).length === 0 ? [layer] : [];
  })).sort((a, b) => Number(isSoft(a.item)) - Number(isSoft(b.item)) || b.heightCm - a.heightCm);
}

const priced = (layers: readonly Layer[]): Priced => ({
  pieces: layers.map(({ item, state, count }) => ({ item: item.id, state: state.id, count })),
  heightCm: layers.reduce((sum, { heightCm }) => sum + heightCm, 0),
  simplicity: layersCost(layers),
  uses: [...new Set(layers.map(({ item }) => item.id))].sort().join('+'),
});

/** Every stack of the shelf that keeps the rules of a slot, lowest first; the floor itself is the first. */
export function allStacks(shelf: Shelf, rule: SlotRule): readonly Priced[] {
  const known = remembered.get(shelf) ?? new Map<string, readonly Priced[]>();
  remembered.set(shelf, known);
  const key = JSON.stringify(rule);
  const before = known.get(key);
  if (before) return before;

  const options = layersFor(shelf, rule);
  const fits = options.map((below) => options.map((above) => pairFaults(below, above).length === 0));
  // Stacks of the same pieces in another order are one stack.
  const found = new Map<string, Priced>();
  const extend = (chosen: readonly number[], pieceCount: number, softCount: number, heightCm: number) => {
    options.forEach((option, i) => {
      const top = chosen.at(-1);
      if (top !== undefined && !(fits[top] as boolean[])[i]) return;
      if (pieceCount + option.count > MOST_PIECES || heightCm + option.heightCm > TALLEST_CM) return;
      const soft = isSoft(option.item) ? 1 : 0;
      if (softCount + soft > MOST_SOFT) return;
      const used = chosen.reduce((sum, j) => sum + ((options[j] as Layer).item === option.item ? (options[j] as Layer).count : 0), option.count);
      if (used > option.item.count) return;
      const next = [...chosen, i];
      const same = [...next].sort((a, b) => a - b).join();
      if (!found.has(same)) found.set(same, priced(next.map((j) => options[j] as Layer)));
      extend(next, pieceCount + option.count, softCount + soft, heightCm + option.heightCm);
    });
  };
  extend([], 0, 0, 0);
  const stacks = [priced([]), ...found.values()].sort((a, b) => a.heightCm - b.heightCm || a.simplicity - b.simplicity);
  known.set(key, stacks);
  return stacks;
}

/** Index of the first stack at least so high. */
function firstFrom(stacks: readonly Priced[], heightCm: number): number {
  let [low, high] = [0, stacks.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((stacks[middle] as Priced).heightCm < heightCm) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A rival may stand this much further off than the best before it is no rival. */
const RIVAL_COST = 3;

/** The best stack for a wish between two heights, and the runners-up that use other things. Empty only when nothing stands between them. */
export function bestStacks(shelf: Shelf, rule: SlotRule, wish: StackWish, leastCm = 0, mostCm = Infinity): Stack[] {
  const stacks = allStacks(shelf, rule);
  const byUse = new Map<string, { stack: Priced; cost: number }>();
  let best = Infinity;
  const look = (stack: Priced) => {
    const unmoved = missCost(stack.heightCm, wish.targetCm) + stack.simplicity;
    if (unmoved > best + RIVAL_COST || (wish.used && !isFree(stack.pieces, shelf, wish.used))) return;
    const cost = unmoved + movedCost(wish.lying, stack.pieces);
    best = Math.min(best, cost);
    const rival = byUse.get(stack.uses);
    if (!rival || cost < rival.cost) byUse.set(stack.uses, { stack, cost });
  };
  // Outward from the target; once the miss alone costs more than any rival may, nothing further off matters.
  const start = firstFrom(stacks, wish.targetCm);
  const over = (stack: Priced | undefined) => stack !== undefined && missCost(stack.heightCm, wish.targetCm) <= best + RIVAL_COST;
  for (let i = start; i < stacks.length && over(stacks[i]); i++) {
    const stack = stacks[i] as Priced;
    if (stack.heightCm >= leastCm && stack.heightCm <= mostCm) look(stack);
  }
  for (let i = start - 1; i >= 0 && over(stacks[i]); i--) {
    const stack = stacks[i] as Priced;
    if (stack.heightCm >= leastCm && stack.heightCm <= mostCm) look(stack);
  }
  return [...byUse.values()].filter(({ cost }) => cost <= best + RIVAL_COST).sort((a, b) => a.cost - b.cost).slice(0, 3)
    .map(({ stack }) => ({ pieces: stack.pieces, heightCm: stack.heightCm }));
}

const [MOST_STEP, LEAST_STEP] = [decision.mostRung.value, decision.leastRung.value];
const MIDDLE_STEP = (MOST_STEP + LEAST_STEP) / 2;
/** Rounding of heights that are sums. */
const HAIR = 1e-9;

/** The stack one step below what lies there: a rung of the shelf's own, felt, but no more than a step allows. */
export function rungBelow(shelf: Shelf, rule: SlotRule, lying: Stack, used: Used = {}): Stack | undefined {
  const { heightCm, pieces } = lying;
  const wish = { targetCm: Math.max(0, heightCm - MIDDLE_STEP), lying: pieces, used };
  return bestStacks(shelf, rule, wish, heightCm - (rule.mostStepCm ?? MOST_STEP) - HAIR, heightCm - LEAST_STEP + HAIR)[0];
}

/** The stack one step above; where the shelf has no small step up, the next one that it can build. */
export function rungAbove(shelf: Shelf, rule: SlotRule, lying: Stack, used: Used = {}): Stack | undefined {
  const { heightCm, pieces } = lying;
  const wish = { targetCm: heightCm + MIDDLE_STEP, lying: pieces, used };
  return bestStacks(shelf, rule, wish, heightCm + LEAST_STEP - HAIR, heightCm + MOST_STEP + HAIR)[0] ?? bestStacks(shelf, rule, wish, heightCm + LEAST_STEP - HAIR)[0];
}
