import { groupedBy } from '../grouped';
import { lies } from '../lies';
import { decision, stackCost, thin } from '../parameters';
import { kinds } from './kinds';
import { isSoft, type Shelf, type ShelfItem } from './shelf';
import {
  askedBy,
  bareCost,
  carriesEnds,
  carriesNothing,
  countAll,
  countAsked,
  isLeft,
  largestStepCm,
  layerFaults,
  layerHeightCm,
  layersCost,
  missCost,
  MOST_PIECES,
  MOST_SOFT,
  movedCost,
  type Rounding,
  pairFaults,
  piecesMoved,
  pieceWidthCm,
  takenFrom,
  wholeFaults,
  type Layer,
  type Piece,
  type SlotRule,
  type Some,
  type Stack,
  type StackWish,
  type Used,
} from './stack';

/** Tallest stack worth building, over the floor. */
const TALLEST_CM = 62;

/** Everything that may fill one layer of a slot, the cheapest first, laid out for scanning. */
interface Layers {
  readonly rule: SlotRule;
  readonly all: readonly Layer[];
  readonly heightCm: Float64Array;
  /** Cost of each by itself: its pieces, softness, wobble. */
  readonly cost: Float64Array;
  /** Place of each among all from firm to soft, tall to thin: so stacks are read from the floor up. */
  readonly firmness: Int32Array;
  /** Pieces of each, whether it is soft, and whether anything may lie on it. */
  readonly pieces: Uint8Array;
  readonly soft: Uint8Array;
  readonly topOnly: Uint8Array;
  /** Numbers of the layers, lowest first, and their heights. */
  readonly rising: Int32Array;
  readonly risingCm: Float64Array;
  /** Numbers of the layers that are tried as the lower ones of three or four, most of the time all of them. */
  readonly lower: Readonly<Record<1 | 2 | 3, Int32Array>>;
  /** Whether one layer may lie on another, asked once. */
  readonly fits: Map<number, boolean>;
  /** Every stack there is, where the layers are few enough to build them all. */
  readonly stacks: Stacks | null;
}

/** Stacks, lowest first, laid out for scanning. */
interface Stacks {
  readonly all: readonly Whole[];
  readonly heightCm: Float64Array;
  readonly cost: Float64Array;
}

/** A stack with what is known of it before any target is; what only a choice between stacks asks is made then. */
class Whole {
  private madePieces: readonly Piece[] | undefined;
  private madeAsked: readonly Some[] | undefined;
  private madeUses: string | undefined;

  constructor(
    /** From the floor up. */
    private readonly layers: readonly Layer[],
    readonly heightCm: number,
    readonly cost: number,
  ) {}

  get pieces(): readonly Piece[] {
    return (this.madePieces ??= this.layers.map(({ item, state, count }) => ({
      item: item.id,
      state: state.id,
      count,
    })));
  }

  /** How many it asks for of each item. */
  get asked(): readonly Some[] {
    return (this.madeAsked ??= askedBy(this.layers));
  }

  /** The items it uses, for telling rivals apart. */
  get uses(): string {
    return (this.madeUses ??= this.asked
      .map(({ item }) => item.id)
      .sort()
      .join('+'));
  }
}
const NOTHING = new Whole([], 0, 0);

/** Layers are remembered for as long as their shelf lives. */
const remembered = new WeakMap<Shelf, Map<SlotRule | string, Layers>>();

function layersFor(shelf: Shelf, rule: SlotRule): Layers {
  const known = remembered.get(shelf) ?? new Map<SlotRule | string, Layers>();
  remembered.set(shelf, known);
  const before = known.get(rule);
  if (before) return before;
  const key = JSON.stringify(rule);
  const layers = known.get(key) ?? laidOut(fewAlike(everyLayer(shelf, rule)), rule);
  known.set(key, layers).set(rule, layers);
  return layers;
}

function everyLayer(shelf: Shelf, rule: SlotRule): Layer[] {
  return shelf
    .flatMap((item) =>
      item.states
        .filter(({ heightCm }) => heightCm > 0)
        .flatMap((state): Layer[] => {
          // The fewest twins side by side that are wide enough, or one for each end of a bolster; more would only cost
          // pieces.
          const fewest = Math.max(
            countAsked(item, rule),
            Math.ceil(rule.leastWidthCm / pieceWidthCm(item, state)),
          );
          const heightCm = layerHeightCm(item, state, rule);
          return [...new Set([fewest, ...(endsIn(rule, item) ? [Math.max(2, fewest)] : [])])]
            .map((count) => ({ item, state, count, heightCm }))
            .filter(
              (layer) =>
                layer.count <= item.count &&
                layer.count <= MOST_PIECES &&
                heightCm <= TALLEST_CM &&
                layerFaults(layer, rule).length === 0,
            );
        }),
    )
    .sort(
      (a, b) =>
        a.item.softness - b.item.softness ||
        b.heightCm - a.heightCm ||
        kinds[a.item.kind].widthCm - kinds[b.item.kind].widthCm,
    );
}

/** Whether a bolster could lie here with one of these under each end. */
const endsIn = (rule: SlotRule, item: ShelfItem) =>
  carriesEnds({ item }, rule) &&
  (rule.asks.includes('long flat') || rule.asks.includes('long round'));

/** On a shelf of so many ways to lie, things that are alike in all that is weighed stand in for each other. */
const MANY = 30;
/** Enough for a stack and its rivals, with some in use elsewhere. */
const MOST_ALIKE = 5;

/** All layers; of very many that are alike the first few: a sixth same block changes no answer. */
function fewAlike(layers: readonly Layer[]): readonly Layer[] {
  if (layers.length <= MANY) return layers;
  const alike = groupedBy(
    layers,
    ({ item, state, count, heightCm }) =>
      `${item.kind}/${state.id}/${item.softness}/${count}/${heightCm}`,
  );
  const kept = new Set([...alike.values()].flatMap((group) => group.slice(0, MOST_ALIKE)));
  return layers.filter((layer) => kept.has(layer));
}

function laidOut(firmFirst: readonly Layer[], rule: SlotRule): Layers {
  const firmnessOf = new Map(firmFirst.map((layer, i) => [layer, i]));
  const costOf = new Map(firmFirst.map((layer) => [layer, layersCost([layer], rule)]));
  const all = [...firmFirst].sort((a, b) => (costOf.get(a) as number) - (costOf.get(b) as number));
  const cost = Float64Array.from(all, (layer) => costOf.get(layer) as number);
  const heightCm = Float64Array.from(all, (layer) => layer.heightCm);
  const numbers = Int32Array.from(all, (_, i) => i);
  const rising = numbers
    .slice()
    .sort((a, b) => (heightCm[a] as number) - (heightCm[b] as number) || a - b);
  const layers: Layers = {
    rule,
    all,
    heightCm,
    cost,
    firmness: Int32Array.from(all, (layer) => firmnessOf.get(layer) as number),
    rising,
    risingCm: Float64Array.from(rising, (i) => heightCm[i] as number),
    pieces: Uint8Array.from(all, ({ count }) => count),
    soft: Uint8Array.from(all, ({ item }) => Number(isSoft(item))),
    topOnly: Uint8Array.from(all, (layer) => Number(carriesNothing(layer))),
    lower: {
      1: numbers,
      2: thinned(all, cost, MOST_TRIED[2]),
      3: thinned(all, cost, MOST_TRIED[3]),
    },
    fits: new Map(),
    stacks: null,
  };
  return all.length <= FEW ? { ...layers, stacks: everyStack(layers) } : layers;
}

/** Of so many layers all stacks are built once, and then only looked up. */
const FEW = 16;

/** Whether one layer may lie on another, by their numbers; asked once. */
function mayLie({ all, rule, fits }: Layers, below: number, above: number): boolean {
  const key = below * all.length + above;
  const known = fits.get(key);
  if (known !== undefined) return known;
  const answer = pairFaults(all[below] as Layer, all[above] as Layer, rule).length === 0;
  fits.set(key, answer);
  return answer;
}

/** All stacks, each set of layers once, in the first order that keeps the rules. */
function everyStack(layers: Layers): Stacks {
  const found: Whole[] = [];
  const numbers = layers.all.map((_, i) => i);
  // Of what lies on nothing, and of what carries nothing, a stack holds one: at its foot, and on its top.
  const lone = numbers.map((one) => ({
    onNothing: !numbers.some((other) => mayLie(layers, other, one)),
    carriesNone: !numbers.some((other) => mayLie(layers, one, other)),
  }));
  const clash = (one: number, other: number) =>
    (lone[one]?.onNothing && lone[other]?.onNothing) ||
    (lone[one]?.carriesNone && lone[other]?.carriesNone);
  const extend = (chosen: readonly number[]) => {
    const whole = wholeOf(chosen, layers);
    if (whole === null) return;
    if (whole !== undefined) found.push(whole);
    if (chosen.length === MOST_PIECES) return;
    for (let i = chosen.at(-1) ?? 0; i < numbers.length; i++)
      if (!chosen.some((one) => clash(one, i))) extend([...chosen, i]);
  };
  extend([]);
  const all = found.sort((a, b) => a.heightCm - b.heightCm || a.cost - b.cost);
  return {
    all,
    heightCm: Float64Array.from(all, (one) => one.heightCm),
    cost: Float64Array.from(all, (one) => one.cost),
  };
}

/** Some layers as a stack; undefined where no order of them may stand, null where not even more of them could. */
function wholeOf(numbers: readonly number[], layers: Layers): Whole | null | undefined {
  const { all, rule, heightCm: heights, cost: costs, soft, firmness, pieces } = layers;
  let [count, softOnes, heightCm, cost] = [0, 0, 0, 0];
  for (const i of numbers) {
    count += pieces[i] as number;
    softOnes += soft[i] as number;
    heightCm += heights[i] as number;
    cost += costs[i] as number;
  }
  if (count > MOST_PIECES || softOnes > MOST_SOFT || heightCm > TALLEST_CM) return null;
  if (numbers.some((i) => piecesOfItem(i, numbers, layers) > (all[i] as Layer).item.count))
    return null;
  const order = firstOrder(
    [...numbers].sort((a, b) => (firmness[a] as number) - (firmness[b] as number)),
    layers,
  )?.map((i) => all[i] as Layer);
  return order && wholeFaults(order, rule).length === 0
    ? new Whole(order, heightCm, cost + bareCost(order, rule))
    : undefined;
}

/** How many pieces some layers ask for of the item of one of them. */
function piecesOfItem(of: number, numbers: readonly number[], { all, pieces }: Layers): number {
  const { item } = all[of] as Layer;
  let sum = 0;
  for (const i of numbers) if ((all[i] as Layer).item === item) sum += pieces[i] as number;
  return sum;
}

/**
 * So many layers are tried as the lower two of three, or the lower three of four; a shelf of thirty kinds has fewer.
 */
const MOST_TRIED = { 2: 500, 3: 100 } as const;

/** The finest spread over the heights, in cm, and by how much each next one is coarser. */
const FINEST_CM = 0.25;
const COARSER = 1.5;

/** All layers where they are few; of very many the cheapest at each height and softness, spread over the heights. */
function thinned(all: readonly Layer[], cost: Float64Array, most: number): Int32Array {
  const numbers = Int32Array.from(all, (_, i) => i);
  for (let gridCm = FINEST_CM; numbers.length > most; gridCm *= COARSER) {
    const cheapest = new Map<string, number>();
    for (const i of numbers) {
      const { item, heightCm } = all[i] as Layer;
      const alike = `${Math.round(heightCm / gridCm)}/${isSoft(item)}`;
      const other = cheapest.get(alike);
      if (other === undefined || (cost[i] as number) < (cost[other] as number))
        cheapest.set(alike, i);
    }
    if (cheapest.size <= most) return Int32Array.from([...cheapest.values()].sort((a, b) => a - b));
  }
  return numbers;
}

/** Index of the first height at least so high. */
function lowerBound(heights: Float64Array, heightCm: number): number {
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
/** Rounding of heights that are sums. */
const HAIR = 1e-9;

interface Weighed {
  readonly whole: Whole;
  readonly cost: number;
}
/** The best stacks so far, each of other things, the cheapest first. */
class Rivals {
  readonly best: Weighed[] = [];
  /** What costs as much as this is of no use any more. */
  limit = Infinity;

  /** `most` rivals are asked for; one where only the best is. */
  constructor(private readonly most: number) {}

  add(whole: Whole, cost: number): void {
    const at = this.best.findIndex((one) => one.whole.uses === whole.uses);
    const same = this.best[at];
    if (same && same.cost <= cost) return;
    if (same) this.best.splice(at, 1);
    this.best.push({ whole, cost });
    this.best.sort((a, b) => a.cost - b.cost);
    this.best.splice(this.most);
    this.limit = Math.min(
      (this.best[0]?.cost ?? Infinity) + RIVAL_COST,
      this.best[this.most - 1]?.cost ?? Infinity,
    );
  }
}

/** Layers from the floor up in the first order in which each may lie on the one below; undefined when there is none. */
function firstOrder(
  left: readonly number[],
  layers: Layers,
  chosen: readonly number[] = [],
): readonly number[] | undefined {
  if (left.length === 0) return chosen;
  const top = chosen.at(-1);
  for (let i = 0; i < left.length; i++) {
    const next = left[i] as number;
    if ((i > 0 && left[i - 1] === next) || (top !== undefined && !mayLie(layers, top, next)))
      continue;
    const whole = firstOrder(
      left.filter((_, at) => at !== i),
      layers,
      [...chosen, next],
    );
    if (whole) return whole;
  }
  return undefined;
}

/**
 * The best stack for a wish, and the runners-up that use other things. Empty only when nothing stands between the
 * heights that it allows.
 *
 * @param most so many are sought; one where only the best is of use.
 */
export function bestStacks(
  shelf: Shelf,
  rule: SlotRule,
  {
    targetCm,
    lying,
    used = {},
    mostPieces = MOST_PIECES,
    leastCm = 0,
    mostCm = Infinity,
  }: StackWish,
  most = MOST_RIVALS,
): Stack[] {
  const layers = layersFor(shelf, rule);
  const search: Search = {
    layers,
    rivals: new Rivals(most),
    targetCm,
    leastCm,
    mostCm: Math.min(TALLEST_CM, mostCm),
    taken: takenFrom(shelf, used),
    lying: lying && lying.length > 0 ? lying : null,
    rounding: rule,
    mostPieces,
    mostLayers: rule.mostLayers ?? MOST_PIECES,
  };
  if (layers.stacks) lookThrough(search, layers.stacks);
  else searchDeep(search);
  const { best } = search.rivals;
  return best
    .filter(({ cost }) => cost <= (best[0]?.cost ?? Infinity) + RIVAL_COST)
    .map(({ whole: { pieces, heightCm } }) => ({ pieces: [...pieces], heightCm }));
}

/** What is sought, and the best so far. */
interface Search {
  readonly layers: Layers;
  readonly rivals: Rivals;
  readonly targetCm: number;
  readonly leastCm: number;
  readonly mostCm: number;
  readonly taken: readonly Some[];
  readonly lying: readonly Piece[] | null;
  readonly rounding: Rounding;
  readonly mostPieces: number;
  readonly mostLayers: number;
}

/** Weighs one stack that could be worth it: what it asks for must be left, and moving what lies there costs. */
function weigh(search: Search, whole: Whole): void {
  const { rivals, taken, lying, targetCm, rounding, mostPieces, mostLayers } = search;
  if (!isLeft(whole.asked, taken) || countAll(whole.pieces) > mostPieces) return;
  if (whole.pieces.length > mostLayers) return;
  const cost =
    whole.cost +
    missCost(whole.heightCm, targetCm, rounding) +
    (lying ? movedCost(lying, whole.pieces) : 0);
  if (cost < rivals.limit) rivals.add(whole, cost);
}

/**
 * Visits what stands at rising heights, over `cm` below it, from the wanted height upward and then downward, until it
 * is told that nothing further off can matter.
 */
function outward(
  { targetCm, leastCm, mostCm }: Search,
  heights: Float64Array,
  cm: number,
  visit: (at: number) => boolean,
): void {
  const start = lowerBound(heights, Math.max(targetCm, leastCm) - cm);
  for (
    let at = start;
    at < heights.length && cm + (heights[at] as number) <= mostCm && visit(at);
    at++
  );
  // Of what stands as high as each other the first comes first on the way down, too.
  for (let end = Math.min(start, lowerBound(heights, mostCm - cm + HAIR)); end > 0;) {
    const heightCm = heights[end - 1] as number;
    if (cm + heightCm < leastCm) return;
    const from = lowerBound(heights, heightCm - HAIR);
    for (let at = from; at < end; at++) if (!visit(at)) return;
    end = from;
  }
}

function lookThrough(search: Search, { all, heightCm, cost }: Stacks): void {
  const { rivals, targetCm, rounding } = search;
  outward(search, heightCm, 0, (at) => {
    const miss = missCost(heightCm[at] as number, targetCm, rounding);
    if (miss >= rivals.limit) return false;
    if (miss + (cost[at] as number) < rivals.limit) weigh(search, all[at] as Whole);
    return true;
  });
}

/**
 * Where the layers are too many to build every stack: those of one layer first, then of two, three and four. The last
 * layer is sought by its height alone, within what the best so far still leaves to be missed, so that a shelf of
 * hundreds of kinds is no slower than its near ones.
 */
function searchDeep(search: Search): void {
  const { layers, rivals, targetCm, leastCm, mostCm, rounding } = search;
  const { all, heightCm, cost, pieces, soft, topOnly, rising, risingCm, lower } = layers;
  // What moving is sure to cost, over the pieces that lie there and may stay: so much for each piece that is laid.
  const perPiece = search.lying ? stackCost.perPieceMoved.value : 0;
  const moved = search.lying
    ? perPiece * (countAll(search.lying) - 2 * mayStay(search.lying, layers))
    : 0;
  const numbers: number[] = [];
  /** Looks at every last layer, no cheaper than the lower ones, that could go with them. */
  const complete = (at: Partly) => {
    const dearest = (cost[at.from] ?? Infinity) + perPiece;
    outward(search, risingCm, at.cm, (place) => {
      const i = rising[place] as number;
      const miss = missCost(at.cm + (risingCm[place] as number), targetCm, rounding);
      if (at.spent + miss + dearest >= rivals.limit) return false;
      if (
        i < at.from ||
        at.spent + miss + (cost[i] as number) + perPiece * (pieces[i] as number) >= rivals.limit ||
        at.pieces + (pieces[i] as number) > MOST_PIECES ||
        at.soft + (soft[i] as number) > MOST_SOFT ||
        at.tops + (topOnly[i] as number) > 1
      )
        return true;
      const whole = wholeOf([...numbers, i], layers);
      if (whole) weigh(search, whole);
      return true;
    });
  };
  /** Chooses so many lower layers, each no cheaper than the one before, then looks for the last. */
  const descend = (left: number, candidates: Int32Array, at: Partly) => {
    if (left === 0) return complete(at);
    for (const i of candidates) {
      if (i < at.from) continue;
      const own = cost[i] as number;
      // All that follow are as dear or dearer.
      const least = (left + 1) * (own + perPiece);
      if (at.spent + least >= rivals.limit) break;
      const cm = at.cm + (heightCm[i] as number);
      if (cm >= mostCm) continue;
      // Already over the target, it can only go further over.
      const over = cm > targetCm ? missCost(cm, targetCm, rounding) : 0;
      if (at.spent + least + over >= rivals.limit) continue;
      const [count, softOnes, tops] = [
        at.pieces + (pieces[i] as number),
        at.soft + (soft[i] as number),
        at.tops + (topOnly[i] as number),
      ];
      if (count >= MOST_PIECES || softOnes > MOST_SOFT || tops > 1) continue;
      numbers.push(i);
      descend(left - 1, candidates, {
        from: i,
        cm,
        spent: at.spent + own + perPiece * (pieces[i] as number),
        pieces: count,
        soft: softOnes,
        tops,
      });
      numbers.pop();
    }
  };
  if (leastCm <= 0 && mostCm >= 0) weigh(search, NOTHING);
  if (all.length === 0) return;
  const none: Partly = { from: 0, cm: 0, spent: moved, pieces: 0, soft: 0, tops: 0 };
  complete(none);
  for (const below of [1, 2, 3] as const) descend(below, lower[below], none);
}

/** Of pieces that lie there, how many at most could stay. */
const mayStay = (lying: readonly Piece[], { all }: Layers) =>
  countAll(
    lying.filter((piece) =>
      all.some(({ item, state }) => item.id === piece.item && state.id === piece.state),
    ),
  );

/** Lower layers chosen so far: the last of them by number, and what they come to. */
interface Partly {
  readonly from: number;
  readonly cm: number;
  readonly spent: number;
  readonly pieces: number;
  readonly soft: number;
  readonly tops: number;
}

const LEAST_STEP = decision.leastRung.value;
/** The step that is looked for, between the least that is felt and the usual largest. */
const MIDDLE_STEP = (decision.mostRung.value + LEAST_STEP) / 2;

/**
 * The stack one step below what lies there: a rung of the shelf's own, felt, but no more than a step allows.
 *
 * @param wideCm a larger step that is wanted whole where it is given, in cm.
 */
export function rungBelow(
  shelf: Shelf,
  rule: SlotRule,
  lying: Stack,
  used: Used = {},
  mostPieces = MOST_PIECES,
  wideCm?: number,
): Stack | undefined {
  const { heightCm, pieces } = lying;
  const wish = {
    targetCm: Math.max(0, heightCm - (wideCm ?? MIDDLE_STEP)),
    lying: pieces,
    used,
    mostPieces: Math.max(mostPieces, countAll(pieces)),
  };
  const stepCm = Math.max(largestStepCm(rule), wideCm ?? 0);
  // The last thin fold goes away whole.
  const mostCm = Math.max(lies(heightCm) ? 0 : -Infinity, heightCm - LEAST_STEP) + HAIR;
  const leastCm = heightCm - stepCm - HAIR;
  const below = (atLeastCm: number) =>
    bestStacks(shelf, rule, { ...wish, leastCm: atLeastCm, mostCm }, 1)[0];
  const next = below(leastCm);
  if (!next || !lies(next.heightCm) || next.heightCm >= thin.built.value) return next;
  return leastCm <= 0 ? { pieces: [], heightCm: 0 } : below(thin.built.value);
}

/** Steps down at which a stack is looked for that a hand makes of what lies there, in cm. */
const HAND_STEPS = [1.25, 2, 2.75];
/** Further down at once nobody tries. */
const MOST_HAND_STEP = 3;
/** A layer less, or one thing otherwise. */
const ONE_MOVE = 2;

/**
 * The stack a felt step below that a hand makes of what lies there: a layer less, or one thing otherwise; the nearest
 * step where nothing is so simple.
 */
export function stepBelow(
  shelf: Shelf,
  rule: SlotRule,
  lying: Stack,
  used: Used = {},
): Stack | undefined {
  const { heightCm, pieces } = lying;
  const bounds = {
    lying: pieces,
    used,
    leastCm: Math.max(thin.built.value, heightCm - MOST_HAND_STEP),
    mostCm: heightCm - LEAST_STEP + HAIR,
  };
  const simple = HAND_STEPS.flatMap((stepCm) =>
    bestStacks(shelf, rule, { ...bounds, targetCm: Math.max(0, heightCm - stepCm) }),
  ).filter((one) => piecesMoved(one.pieces, pieces) <= ONE_MOVE);
  const awayCm = (one: Stack) => Math.abs(one.heightCm - heightCm + MIDDLE_STEP);
  const [best] = simple.sort((a, b) => awayCm(a) - awayCm(b));
  return best ?? rungBelow(shelf, rule, lying, used);
}

/** The stack one step above; where the shelf has no small step up, the next one that it can build. */
export function rungAbove(
  shelf: Shelf,
  rule: SlotRule,
  lying: Stack,
  used: Used = {},
  { mostPieces = MOST_PIECES, mostCm = Infinity }: { mostPieces?: number; mostCm?: number } = {},
): Stack | undefined {
  const { heightCm, pieces } = lying;
  const wish = {
    targetCm: heightCm + MIDDLE_STEP,
    lying: pieces,
    used,
    mostPieces,
    leastCm: heightCm + LEAST_STEP - HAIR,
  };
  const oneStepCm = Math.min(mostCm, heightCm + largestStepCm(rule) + HAIR);
  return (
    bestStacks(shelf, rule, { ...wish, mostCm: oneStepCm }, 1)[0] ??
    bestStacks(shelf, rule, { ...wish, mostCm }, 1)[0]
  );
}
