import { decision } from '../parameters';
import { isSoft, loadedCm, type Shelf } from './shelf';
import {
  askedBy, countAsked, isLeft, layerFaults, layersCost, missCost, MOST_PIECES, MOST_SOFT, movedCost, pairFaults, pieceWidthCm, takenFrom, type Layer, type SlotRule, type Some, type Stack, type StackWish, type Used,
} from './stack';

/** A stack with what it costs before any target is known. */
export interface Priced extends Stack {
  readonly simplicity: number;
  /** The items it uses, for telling rivals apart. */
  readonly uses: string;
  /** How many it asks for of each of them. */
  readonly asked: readonly Some[];
}

/** Tallest stack worth building, over the floor. */
const TALLEST_CM = 62;

/** Every stack of one slot, lowest first, laid out for scanning. */
interface Scan {
  readonly stacks: readonly Priced[];
  readonly heights: Float64Array;
  readonly simplicity: Float64Array;
  /** Stacks that use the same items share a number. */
  readonly uses: Int32Array;
}

/** Searches are remembered for as long as their shelf lives. */
const remembered = new WeakMap<Shelf, Map<string, Scan>>();
const keyOfRule = new WeakMap<SlotRule, string>();

/** Every way that a shelf can fill one layer of a slot: the firmest first, tall before thin, so that stacks read from a firm base up. */
function layersFor(shelf: Shelf, rule: SlotRule): Layer[] {
  return shelf.flatMap((item) => item.states.filter(({ heightCm }) => heightCm > 0).flatMap((state): Layer[] => {
    // The fewest twins side by side that are wide enough; more would only cost pieces.
    const count = Math.max(countAsked(item, rule), Math.ceil(rule.leastWidthCm / pieceWidthCm(item, state)));
    const layer = { item, state, count, heightCm: loadedCm(item, state, rule.load) };
    return count <= item.count && count <= MOST_PIECES && layerFaults(layer, rule).length === 0 ? [layer] : [];
  })).sort((a, b) => a.item.softness - b.item.softness || b.heightCm - a.heightCm);
}

function priced(layers: readonly Layer[]): Priced {
  const asked = askedBy(layers);
  return {
    pieces: layers.map(({ item, state, count }) => ({ item: item.id, state: state.id, count })),
    heightCm: layers.reduce((sum, { heightCm }) => sum + heightCm, 0),
    simplicity: layersCost(layers),
    uses: asked.map(({ item }) => item.id).sort().join('+'),
    asked,
  };
}

/** Every stack of the shelf that keeps the rules of a slot, lowest first; the floor itself is the first. */
export const allStacks = (shelf: Shelf, rule: SlotRule): readonly Priced[] => scanOf(shelf, rule).stacks;

function scanOf(shelf: Shelf, rule: SlotRule): Scan {
  const known = remembered.get(shelf) ?? new Map<string, Scan>();
  remembered.set(shelf, known);
  const key = keyOfRule.get(rule) ?? JSON.stringify(rule);
  keyOfRule.set(rule, key);
  const before = known.get(key);
  if (before) return before;
  const scan = laidOut(everyStack(shelf, rule));
  known.set(key, scan);
  return scan;
}

/** Lowest first; of stacks of the same things and the same height only the simplest is worth keeping. */
function laidOut(found: Iterable<Priced>): Scan {
  const simplest = new Map<string, Priced>();
  for (const stack of found) {
    const alike = `${stack.uses}@${stack.heightCm.toFixed(6)}`;
    const other = simplest.get(alike);
    if (!other || stack.simplicity < other.simplicity) simplest.set(alike, stack);
  }
  const stacks = [...simplest.values()].sort((a, b) => a.heightCm - b.heightCm || a.simplicity - b.simplicity);
  const numbers = new Map<string, number>();
  return {
    stacks,
    heights: Float64Array.from(stacks, ({ heightCm }) => heightCm),
    simplicity: Float64Array.from(stacks, ({ simplicity }) => simplicity),
    uses: Int32Array.from(stacks, ({ uses }) => {
      const number = numbers.get(uses) ?? numbers.size;
      numbers.set(uses, number);
      return number;
    }),
  };
}

/** All stacks of a shelf, each set of pieces once, in the first order that keeps the rules. */
function everyStack(shelf: Shelf, rule: SlotRule): Iterable<Priced> {
  const options = layersFor(shelf, rule);
  const fits = options.map((below) => options.map((above) => pairFaults(below, above).length === 0));
  const soft = options.map(({ item }) => isSoft(item));
  // A set of at most four layers as one number, whatever their order.
  const codeOf = (layers: readonly number[]) => [...layers].sort((a, b) => a - b).reduce((code, i) => code * (options.length + 1) + i + 1, 0);
  const found = new Map<number, Priced>([[0, priced([])]]);
  const extend = (chosen: readonly number[], pieceCount: number, softCount: number, heightCm: number) => {
    options.forEach((option, i) => {
      const top = chosen.at(-1);
      if (top !== undefined && !(fits[top] as boolean[])[i]) return;
      if (pieceCount + option.count > MOST_PIECES || heightCm + option.heightCm > TALLEST_CM) return;
      const softLayers = softCount + Number(soft[i]);
      if (softLayers > MOST_SOFT) return;
      const used = chosen.reduce((sum, j) => sum + ((options[j] as Layer).item === option.item ? (options[j] as Layer).count : 0), option.count);
      if (used > option.item.count) return;
      const next = [...chosen, i];
      const code = codeOf(next);
      if (!found.has(code)) found.set(code, priced(next.map((j) => options[j] as Layer)));
      extend(next, pieceCount + option.count, softLayers, heightCm + option.heightCm);
    });
  };
  extend([], 0, 0, 0);
  return found.values();
}

/** Index of the first height at least so high. */
function firstFrom(heights: Float64Array, heightCm: number): number {
  let [low, high] = [0, heights.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((heights[middle] as number) < heightCm) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A rival may cost this much more than the best before it is no rival. */
const RIVAL_COST = 2;
/** The best one among them. */
const MOST_RIVALS = 3;

/** The best stack for a wish between two heights, and the runners-up that use other things. Empty only when nothing stands between them. */
export function bestStacks(shelf: Shelf, rule: SlotRule, { targetCm, lying, used = {} }: StackWish, leastCm = 0, mostCm = Infinity): Stack[] {
  const { stacks, heights, simplicity, uses } = scanOf(shelf, rule);
  const taken = takenFrom(shelf, used);
  const stays = lying !== undefined && lying.length > 0;
  /** The best so far, each of other things, the cheapest first. */
  const best: { index: number; use: number; cost: number }[] = [];
  // What costs as much as this is of no use any more.
  let limit = Infinity;
  // False once the miss alone costs too much: nothing further off matters.
  const look = (index: number): boolean => {
    const miss = missCost(heights[index] as number, targetCm);
    if (miss >= limit) return false;
    const unmoved = miss + (simplicity[index] as number);
    if (unmoved >= limit) return true;
    const { pieces, asked } = stacks[index] as Priced;
    if (!isLeft(asked, taken)) return true;
    const cost = stays ? unmoved + movedCost(lying, pieces) : unmoved;
    if (cost >= limit) return true;
    const use = uses[index] as number;
    const same = best.findIndex((one) => one.use === use);
    if ((best[same]?.cost ?? Infinity) <= cost) return true;
    if (same >= 0) best.splice(same, 1);
    best.push({ index, use, cost });
    best.sort((a, b) => a.cost - b.cost);
    best.splice(MOST_RIVALS);
    limit = Math.min((best[0]?.cost ?? Infinity) + RIVAL_COST, best[MOST_RIVALS - 1]?.cost ?? Infinity);
    return true;
  };
  const start = firstFrom(heights, Math.max(targetCm, leastCm));
  for (let i = start; i < heights.length && (heights[i] as number) <= mostCm && look(i); i++);
  for (let i = Math.min(start, mostCm === Infinity ? start : firstFrom(heights, mostCm + HAIR)) - 1; i >= 0 && (heights[i] as number) >= leastCm && look(i); i--);
  return best.filter(({ cost }) => cost <= (best[0]?.cost ?? Infinity) + RIVAL_COST).map(({ index }) => ({ pieces: (stacks[index] as Priced).pieces, heightCm: heights[index] as number }));
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
