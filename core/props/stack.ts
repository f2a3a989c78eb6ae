import { decision, stackCost } from '../parameters';
import { isMade, kinds, lieOf, type Use } from './kinds';
import { isSoft, loadedCm, pieceName, type PropState, type Shelf, type ShelfItem } from './shelf';

/** One layer of a stack: `count` alike pieces side by side. */
export interface Piece {
  readonly item: string;
  readonly state: string;
  readonly count: number;
}

/** Bottom layer first. */
export interface Stack {
  readonly pieces: readonly Piece[];
  readonly heightCm: number;
}

/** What a slot asks of anything that is put there. */
export interface SlotRule {
  /** Share of the seated load. */
  readonly load: number;
  /** What may lie here: whatever can serve as one of these. */
  readonly asks: readonly Use[];
  /** The stack must be this wide, alike under both sides. */
  readonly leastWidthCm: number;
  /** The largest single step down, where the usual one cannot be built. */
  readonly mostStepCm?: number;
  /** Whether too low is worse than too high, or either as bad. */
  readonly rounds: 'up' | 'nearest';
  /** A head or a chest lies on it: something soft comes first. */
  readonly softFirst?: boolean;
  /** It is sat on for minutes: bare and hard is worse than a fold more. */
  readonly softTop?: true;
  /** So far off what is asked, in cm, hardly anybody feels it here. */
  readonly unfeltCm?: number;
  /** So many things on each other at most, where fewer than usual stand firm enough. */
  readonly mostLayers?: number;
  /** Each hand or foot has a stack of its own, built of twins. */
  readonly pair?: boolean;
  /**
   * A ramp: something long and soft lies with its foot at the pelvis and its head end on the rest, of whose height the
   * shoulder blades feel this share.
   */
  readonly rampLever?: number;
  /** A pile that stands by itself is at most so many times as tall as its smaller side. */
  readonly mostSlender?: number;
  /** A flat bolster may lie on a flat one: the body holds them. */
  readonly bolsterOnBolster?: boolean;
  /** A bolster lies level here, on a block under each end; elsewhere one end may lean on a block. */
  readonly levelBolster?: boolean;
  /** What is built higher than this, in cm, stands on furniture, or on a bolster with a block under each end. */
  readonly steadyFromCm?: number;
  /** What is lower than that lies on legs, where no bolster on blocks stands. */
  readonly onLegs?: true;
  /** Up to so high, in cm, a bolster with a fold on it stands on legs. */
  readonly onLegsMostCm?: number;
}

/** The largest single step down, in cm. */
export const largestStepCm = (rule: Pick<SlotRule, 'mostStepCm'>) =>
  rule.mostStepCm ?? decision.mostRung.value;

export const MOST_PIECES = 4;
export const MOST_SOFT = 3;
/** A third one rolls away. */
const MOST_BOLSTERS = 2;

/** A layer with its shelf item looked up. */
export interface Layer {
  readonly item: ShelfItem;
  readonly state: PropState;
  readonly count: number;
  readonly heightCm: number;
}

/** Height that one layer adds, as it stands under its slot's load. */
export function layerHeightCm(
  item: ShelfItem,
  state: PropState,
  { load, rampLever }: Pick<SlotRule, 'load' | 'rampLever'>,
) {
  // A back lies along what is long; all else stands under its head end.
  const share = rampLever === undefined || isMade(item.kind, 'long') ? 1 : rampLever;
  return share * loadedCm(item, state, load);
}

function layersOf(stack: readonly Piece[], shelf: Shelf, rule: SlotRule): Layer[] {
  return stack.map(({ item: id, state: stateId, count }) => {
    const item = shelf.find((one) => one.id === id);
    const state = item?.states.find((one) => one.id === stateId);
    if (!item || !state) throw new Error(`the shelf has no ${id} ${stateId}`);
    return { item, state, count, heightCm: layerHeightCm(item, state, rule) };
  });
}

/** Height of a stack as it stands under its slot's load. */
export const stackHeightCm = (pieces: readonly Piece[], shelf: Shelf, rule: SlotRule) =>
  layersOf(pieces, shelf, rule).reduce((sum, { heightCm }) => sum + heightCm, 0);

/** The small face or the roll that a piece lies on, where it does. */
const onOf = ({ item, state }: Pick<Layer, 'item' | 'state'>) => lieOf(item.kind, state.id).on;

/** How wide one piece lies across the body in a state; a block on its end is as wide as it is deep. */
export const pieceWidthCm = (item: ShelfItem, state: PropState) =>
  onOf({ item, state }) === 'end' ? kinds[item.kind].depthCm : kinds[item.kind].widthCm;

const OVERHANG_CM = 4;
const isRoll = (layer: Layer) => onOf(layer) === 'roll';
/** Ways to lie on which nothing may be put. */
export const carriesNothing = (layer: Layer) => onOf(layer) === 'end' || isRoll(layer);

/** The rules that a layer, a pair of them, or a whole stack can break. */
export type StackFault =
  | 'does not serve here'
  | 'narrower than what lies on it'
  | 'no twin'
  | 'hard on soft'
  | 'on a block on end'
  | 'hard on a block on edge'
  | 'a small face on something'
  | 'furniture on something'
  | 'a roll on something'
  | 'on a roll'
  | 'a bolster on something soft'
  | 'a flat bolster on another, loose'
  | 'a bolster on one block'
  | 'more than a cloth on something round'
  | 'hard on a chair'
  | 'wider than what it lies on'
  | 'a back on nothing long'
  | 'a bolster on blocks over the legs'
  | 'a tower under a head'
  | 'too many bolsters'
  | 'too slender'
  | 'not enough on the shelf'
  | 'too many pieces'
  | 'too many soft layers';

/** What forbids one layer in a slot whatever lies above or below it. */
export function layerFaults({ item, state, count }: Layer, rule: SlotRule): StackFault[] {
  const faults: StackFault[] = [];
  if (!lieOf(item.kind, state.id).uses.some((use) => rule.asks.includes(use)))
    faults.push('does not serve here');
  // Every layer, not the top alone, must carry both sides alike.
  if (pieceWidthCm(item, state) * count < rule.leastWidthCm)
    faults.push('narrower than what lies on it');
  if (count < countAsked(item, rule)) faults.push('no twin');
  return faults;
}

/** Twins, where each hand or foot has its own stack; one thing wide enough for both counts as a pair. */
export const countAsked = (item: ShelfItem, rule: SlotRule) =>
  rule.pair && !isFurniture({ item }) ? 2 : 1;

const isBolster = ({ item }: Layer) => isMade(item.kind, 'bolster');
const isFlatBolster = ({ item }: Layer) => isMade(item.kind, 'flat bolster');

/** Furniture has its own height free. */
const isFurniture = ({ item }: Pick<Layer, 'item'>) => isMade(item.kind, 'furniture');
/** Whether a bolster lies level on one of these at each end. */
export const carriesEnds = ({ item }: Pick<Layer, 'item'>, { levelBolster }: Lies) =>
  levelBolster === true && !isSoft(item) && !isFurniture({ item });

/** What a slot's rule says of what may lie on what. */
type Lies = Pick<SlotRule, 'bolsterOnBolster' | 'levelBolster'>;
type IsBroken = (below: Layer, above: Layer, rule: Lies) => boolean;

/** What may lie on what, rule by rule. */
const pairRules: readonly (readonly [StackFault, IsBroken])[] = [
  ['hard on soft', (below, above) => isSoft(below.item) && !isSoft(above.item)],
  ['on a block on end', (below) => onOf(below) === 'end'],
  ['hard on a block on edge', (below, above) => onOf(below) === 'edge' && !isSoft(above.item)],
  ['a small face on something', (_, above) => onOf(above) === 'end' || onOf(above) === 'edge'],
  ['furniture on something', (_, above) => isFurniture(above)],
  ['a roll on something', (_, above) => isRoll(above)],
  ['on a roll', (below) => isRoll(below)],
  [
    'a bolster on something soft',
    (below, above) =>
      isBolster(above) && isSoft(below.item) && !(isFlatBolster(below) && isFlatBolster(above)),
  ],
  [
    'a flat bolster on another, loose',
    (below, above, { bolsterOnBolster }) =>
      isFlatBolster(below) && isFlatBolster(above) && bolsterOnBolster !== true,
  ],
  [
    'a bolster on one block',
    (below, above, rule) => isBolster(above) && carriesEnds(below, rule) && below.count < 2,
  ],
  [
    'more than a cloth on something round',
    (below, above) => isMade(below.item.kind, 'round') && !isMade(above.item.kind, 'cloth'),
  ],
  [
    'hard on a chair',
    (below, above) => isMade(below.item.kind, 'soft on top alone') && !isSoft(above.item),
  ],
  [
    'wider than what it lies on',
    (below, above) =>
      !isSoft(above.item) &&
      pieceWidthCm(above.item, above.state) * above.count >
        pieceWidthCm(below.item, below.state) * below.count + OVERHANG_CM,
  ],
];

/** What forbids one layer on another. */
export const pairFaults = (below: Layer, above: Layer, rule: Lies = {}): StackFault[] =>
  pairRules.flatMap(([fault, isBroken]) => (isBroken(below, above, rule) ? [fault] : []));

/** The smaller side that a layer stands on, in centimetres; twins for two hands stand apart, others side by side. */
function smallerSideCm({ item, state, count }: Layer, pair: boolean) {
  const {
    widthCm,
    depthCm,
    lies: [{ heightCm: flatCm }],
  } = kinds[item.kind];
  const on = onOf({ item, state });
  const across = pair ? widthCm : widthCm * count;
  if (on === 'edge') return Math.min(across, flatCm);
  if (on === 'end') return Math.min(depthCm, flatCm);
  return Math.min(across, depthCm);
}

/** What a head's height forbids: no tower carries it, and no bolster on blocks stands on legs. */
function towerFaults(
  layers: readonly Layer[],
  { steadyFromCm, onLegs, onLegsMostCm = 0 }: SlotRule,
): StackFault[] {
  const [bottom, second] = layers;
  if (steadyFromCm === undefined || !bottom) return [];
  const onEnds = second !== undefined && isBolster(second) && bottom.count >= 2;
  const heightCm = layers.reduce((sum, layer) => sum + layer.heightCm, 0);
  if (heightCm <= steadyFromCm)
    return onEnds && onLegs ? ['a bolster on blocks over the legs'] : [];
  // Over legs that lie together a bolster still stands, with a fold on it.
  if (onLegs && heightCm <= onLegsMostCm && isBolster(bottom)) return [];
  // So high stands a stool, a chair, or a bolster on a block at each end.
  return onEnds || isFurniture(bottom) ? [] : ['a tower under a head'];
}

/** What forbids some layers as a whole, whichever lies on which. */
export function wholeFaults(layers: readonly Layer[], rule: SlotRule): StackFault[] {
  const faults: StackFault[] = [];
  const top = layers.at(-1);
  if (rule.rampLever !== undefined && top && !isMade(top.item.kind, 'long'))
    faults.push('a back on nothing long');
  faults.push(...towerFaults(layers, rule));
  const bolsters = layers.filter(isBolster);
  if (bolsters.reduce((sum, { count }) => sum + count, 0) > MOST_BOLSTERS)
    faults.push('too many bolsters');
  const free = layers.filter((layer) => !isFurniture(layer));
  const heightCm = free.reduce((sum, layer) => sum + layer.heightCm, 0);
  const sideCm = Math.min(...free.map((layer) => smallerSideCm(layer, rule.pair === true)));
  if (rule.mostSlender !== undefined && free.length > 1 && heightCm > rule.mostSlender * sideCm)
    faults.push('too slender');
  return faults;
}

/** The rules that a stack breaks, beside what is in use elsewhere; an empty list for a stack that may be used. */
export function stackFaults(
  pieces: readonly Piece[],
  shelf: Shelf,
  rule: SlotRule,
  used: Used = {},
): StackFault[] {
  const layers = layersOf(pieces, shelf, rule);
  const all = layers.reduce((sum, { count }) => sum + count, 0);
  return [
    ...new Set([
      ...layers.flatMap((layer) => layerFaults(layer, rule)),
      ...layers.slice(1).flatMap((above, i) => pairFaults(layers[i] as Layer, above, rule)),
      ...wholeFaults(layers, rule),
      ...(askedBy(layers).some(({ item, count }) => count + (used[item.id] ?? 0) > item.count)
        ? (['not enough on the shelf'] as const)
        : []),
      ...(all > MOST_PIECES ? (['too many pieces'] as const) : []),
      ...(layers.filter(({ item }) => isSoft(item)).length > MOST_SOFT
        ? (['too many soft layers'] as const)
        : []),
    ]),
  ];
}

/** Tall faces and rolls are less steady, as shares of a block on its end. */
const wobbleOf = (layer: Layer) => {
  const on = onOf(layer);
  if (on === 'end') return 1;
  if (on === 'edge' || isMade(layer.item.kind, 'round')) return stackCost.rollWobbles.value;
  return isMade(layer.item.kind, 'wobbles') ? stackCost.cushionWobbles.value : 0;
};

/** What a layer costs for how it feels: softness makes a pile less sure, hardness is hard on a head. */
const feelCost = ({ item }: Layer, softFirst: boolean) => {
  if (softFirst) return isSoft(item) ? 0 : stackCost.perHardUnderHead.value;
  return isSoft(item) ? stackCost.perSoftLayer.value : 0;
};

/** Cost of layers apart from how near they come: pieces, softness, wobble. */
export const layersCost = (layers: readonly Layer[], { softFirst }: Pick<SlotRule, 'softFirst'>) =>
  layers.reduce(
    (sum, layer) =>
      sum +
      layer.count * stackCost.perPiece.value +
      feelCost(layer, softFirst === true) +
      wobbleOf(layer) * stackCost.perWobble.value,
    0,
  );
/** What it costs that nothing soft lies on top of what is sat on; the soft layers of a stack lie on the hard ones. */
export const bareCost = (layers: readonly Layer[], { softTop }: Pick<SlotRule, 'softTop'>) =>
  softTop && layers.length > 0 && !layers.some(({ item }) => isSoft(item))
    ? stackCost.perBareSeat.value
    : 0;

/** What a stack costs for its pieces: fewer, and fewer kinds, cost less. */
export function simplicityCost(pieces: readonly Piece[], shelf: Shelf, rule: SlotRule): number {
  const layers = layersOf(pieces, shelf, rule);
  return layersCost(layers, rule) + bareCost(layers, rule);
}

/** Of two heights as far off, the lower. */
const TIES_DOWN = 0.98;
/** What decides how dear a miss is. */
export type Rounding = Pick<SlotRule, 'rounds' | 'unfeltCm'>;
/**
 * Cost of standing off the target; where it rounds up, too low costs more than too high, and what is not felt costs
 * little.
 */
export function missCost(
  heightCm: number,
  targetCm: number,
  { rounds, unfeltCm = 0 }: Rounding,
): number {
  const offCm = Math.abs(heightCm - targetCm);
  // That nothing is there at all is felt.
  const unfelt = heightCm > 0 ? Math.min(offCm, unfeltCm) : 0;
  const cost = unfelt * stackCost.unfelt.value + (offCm - unfelt) * stackCost.overTarget.value;
  if (heightCm >= targetCm) return cost;
  return cost * (rounds === 'up' ? stackCost.underTarget.value : TIES_DOWN);
}

const isAlike = (a: Piece, b: Piece) => a.item === b.item && a.state === b.state;
const countOf = (pieces: readonly Piece[], piece: Piece) =>
  pieces.reduce((sum, one) => sum + (isAlike(one, piece) ? one.count : 0), 0);
/** How many pieces lie in a stack. */
export const countAll = (pieces: readonly Piece[]) =>
  pieces.reduce((sum, { count }) => sum + count, 0);

/** Pieces that must be brought or taken away to turn one stack into another. */
export function piecesMoved(from: readonly Piece[], to: readonly Piece[]): number {
  let stay = 0;
  to.forEach((piece, i) => {
    // A kind of piece that lies in two layers is weighed once.
    const seen = to.findIndex((one) => isAlike(one, piece)) < i;
    if (!seen) stay += Math.min(countOf(to, piece), countOf(from, piece));
  });
  return countAll(from) + countAll(to) - 2 * stay;
}

/** How many of each item are in use elsewhere. */
export type Used = Readonly<Record<string, number>>;

/** So many of one thing on the shelf. */
export interface Some {
  readonly item: ShelfItem;
  readonly count: number;
}

/** What is in use, with its shelf items looked up. */
export function takenFrom(shelf: Shelf, used: Used): Some[] {
  const taken: Some[] = [];
  for (const [id, count] of Object.entries(used)) {
    const item = shelf.find((one) => one.id === id);
    if (item) taken.push({ item, count });
  }
  return taken;
}

/** Whether what is left of the shelf has enough. */
export function isLeft(asked: readonly Some[], taken: readonly Some[]): boolean {
  for (const { item, count } of taken)
    for (const one of asked) if (one.item === item && one.count + count > item.count) return false;
  return true;
}

/** How many of each item some layers ask for. */
export function askedBy(layers: readonly Pick<Layer, 'item' | 'count'>[]): Some[] {
  const items = [...new Set(layers.map(({ item }) => item))];
  return items.map((item) => ({
    item,
    count: layers.reduce((sum, layer) => sum + (layer.item === item ? layer.count : 0), 0),
  }));
}

/** What is in use once some more pieces are. */
export function usedWith(used: Used, pieces: readonly Piece[]): Used {
  const all: Record<string, number> = { ...used };
  for (const { item, count } of pieces) all[item] = (all[item] ?? 0) + count;
  return all;
}

/** What some stacks use together. */
export const usedBy = (stacks: readonly (readonly Piece[])[]): Used =>
  stacks.reduce<Used>(usedWith, {});

/** What is weighed when stacks are compared. */
export interface StackWish {
  readonly targetCm: number;
  /** What already lies there; nothing, for a first build. */
  readonly lying?: readonly Piece[] | undefined;
  /** What other slots of the pose already use, by item. */
  readonly used?: Used;
  /** So many pieces at most. */
  readonly mostPieces?: number;
  /** Nothing stands lower than this; 0 where nothing is said. */
  readonly leastCm?: number;
  /** Nothing stands higher than this. */
  readonly mostCm?: number;
}

/** What a stack costs for the pieces that would have to be moved. */
export const movedCost = (lying: readonly Piece[] | undefined, to: readonly Piece[]) =>
  lying && lying.length > 0 ? piecesMoved(lying, to) * stackCost.perPieceMoved.value : 0;

/** What a stack costs in all: its distance from the target, its pieces, and what is moved. */
export const stackCostOf = (
  stack: Stack,
  shelf: Shelf,
  rule: SlotRule,
  { targetCm, lying }: StackWish,
) =>
  missCost(stack.heightCm, targetCm, rule) +
  simplicityCost(stack.pieces, shelf, rule) +
  movedCost(lying, stack.pieces);

/** A stack in words, top first: "blanket folded twice on 2 × cork block flat". */
export function stackWords(pieces: readonly Piece[], shelf: Shelf): string {
  if (pieces.length === 0) return 'the floor';
  return [...pieces]
    .reverse()
    .map(({ item: id, state, count }) => {
      const item = shelf.find((one) => one.id === id);
      const name = item ? pieceName({ ...item, name: item.name.toLowerCase() }, state) : id;
      return `${count > 1 ? `${count} × ` : ''}${name}`;
    })
    .join(' on ');
}
