import { loading } from '../parameters';

export const propKinds = [
  'block',
  'half-block',
  'wedge',
  'blanket',
  'towel',
  'bolster-round',
  'bolster-flat',
  'cushion',
  'strap',
  'mat',
  'chair',
  'bench',
  'books',
] as const;
export type PropKind = (typeof propKinds)[number];

/** One way a prop can lie: a face, a fold, a roll. */
export interface PropState {
  readonly id: string;
  /** Unloaded height of one. */
  readonly heightCm: number;
  /** Height with an adult sitting on it, taped; it wins over any reckoning. */
  readonly loadedCm?: number;
}

/** Something on the shelf, with how many there are. */
export interface ShelfItem {
  readonly id: string;
  readonly kind: PropKind;
  readonly name: string;
  readonly count: number;
  /** Share of its height lost under a seated adult, 0 for wood. */
  readonly softness: number;
  readonly states: readonly PropState[];
  /** The shelf that it stands on, where there are several; the main one has no name. */
  readonly place?: string;
}

export type Shelf = readonly ShelfItem[];

/** What stands on one shelf of several; the main one has no name. */
export const shelfIn = (items: Shelf, place = ''): Shelf =>
  items.filter((item) => (item.place ?? '') === place);

export interface KindOfProp {
  readonly id: PropKind;
  readonly name: string;
  readonly softness: number;
  /** Width across the body and depth along it of one, as it usually lies. */
  readonly widthCm: number;
  readonly depthCm: number;
  readonly states: readonly (PropState & { readonly name: string })[];
}

const kind = (
  id: PropKind,
  name: string,
  softness: number,
  widthCm: number,
  depthCm: number,
  states: readonly [string, string, number][],
): KindOfProp => ({
  id,
  name,
  softness,
  widthCm,
  depthCm,
  states: states.map(([state, words, heightCm]) => ({ id: state, name: words, heightCm })),
});

/** What kinds of props there are and how each can lie; the teacher's own measures replace the heights. */
export const kinds: Readonly<Record<PropKind, KindOfProp>> = {
  block: kind('block', 'Block', 0, 23, 15, [
    ['flat', 'flat', 7.5],
    ['edge', 'on edge', 15],
    ['end', 'on end', 23],
  ]),
  'half-block': kind('half-block', 'Half block', 0, 30, 20, [['flat', 'flat', 2.5]]),
  wedge: kind('wedge', 'Wedge', 0, 40, 15, [['thick-back', 'thick side back', 4]]),
  blanket: kind('blanket', 'Blanket', 0.25, 60, 34, [
    ['fold-2', 'folded in 2', 1],
    ['fold-4', 'folded in 4', 2],
    ['fold-8', 'folded in 8', 4],
    ['fold-16', 'folded in 16', 8],
    ['fold-32', 'folded in 32', 16],
    ['roll-half', 'rolled, half width', 8],
    ['roll-tight', 'rolled tight', 12],
    ['roll-loose', 'rolled loose', 16],
  ]),
  towel: kind('towel', 'Towel', 0.25, 40, 24, [
    ['fold-2', 'folded in 2', 0.8],
    ['fold-4', 'folded in 4', 1.6],
    ['fold-8', 'folded in 8', 3.2],
    ['roll', 'rolled', 7],
  ]),
  'bolster-round': kind('bolster-round', 'Round bolster', 0.23, 65, 23, [['flat', 'lying', 22]]),
  'bolster-flat': kind('bolster-flat', 'Flat bolster', 0.2, 65, 30, [['flat', 'lying', 15]]),
  cushion: kind('cushion', 'Cushion', 0.6, 40, 36, [['flat', 'flat', 15]]),
  strap: kind('strap', 'Strap', 0, 4, 6, [
    ['fold-3', 'folded in 3', 0.75],
    ['length', 'long', 0],
  ]),
  mat: kind('mat', 'Mat', 0, 60, 40, [
    ['single', 'one layer', 0.5],
    ['fold-4', 'folded in 4', 2],
    ['roll', 'rolled', 12],
  ]),
  chair: kind('chair', 'Chair', 0, 40, 40, [['seat', 'its seat', 45]]),
  bench: kind('bench', 'Bench or stool', 0, 40, 26, [['top', 'its top', 20]]),
  books: kind('books', 'Books', 0, 24, 17, [
    ['one', 'one', 3],
    ['two', 'two', 6],
    ['three', 'three', 9],
  ]),
};

/** The plain words for how a prop lies. */
export const stateName = (item: Pick<ShelfItem, 'kind'>, stateId: string) =>
  kinds[item.kind].states.find(({ id }) => id === stateId)?.name ?? stateId;

/** Hard things carry soft ones, never the other way about. */
export const SOFT_FROM = 0.08;
/** Whether a prop gives under weight. */
export const isSoft = (item: ShelfItem) => item.softness >= SOFT_FROM;

/** Height of one piece under a share of the seated load. A height taped under load is scaled back for lighter loads. */
export function loadedCm(item: ShelfItem, state: PropState, load: number): number {
  const lost = state.loadedCm === undefined ? item.softness : 1 - state.loadedCm / state.heightCm;
  return state.heightCm * (1 - Math.min(Math.max(0, lost) * load, loading.bottomsOut.value));
}
