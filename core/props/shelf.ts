import { loading } from '../parameters';
import { kinds, lieOf, type PropKind } from './kinds';

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

/** The plain words for how a prop lies. */
export const stateName = ({ kind }: Pick<ShelfItem, 'kind'>, state: string) =>
  lieOf(kind, state).name;
/** A thing with the way it lies, where it can lie in more than one, or slopes: "cork block on edge", "flat bolster". */
export function pieceName({ name, kind }: Pick<ShelfItem, 'name' | 'kind'>, state: string): string {
  const lie = lieOf(kind, state);
  const isPlain = kinds[kind].lies.length === 1 && !lie.uses.includes('slope');
  return isPlain ? name : `${name} ${lie.name}`;
}

/** Hard things carry soft ones, never the other way about. */
export const SOFT_FROM = 0.08;
/** Whether a prop gives under weight. */
export const isSoft = (item: ShelfItem) => item.softness >= SOFT_FROM;

/** Height of one piece under a share of the seated load. A height taped under load is scaled back for lighter loads. */
export function loadedCm(item: ShelfItem, state: PropState, load: number): number {
  const lost = state.loadedCm === undefined ? item.softness : 1 - state.loadedCm / state.heightCm;
  return state.heightCm * (1 - Math.min(Math.max(0, lost) * load, loading.bottomsOut.value));
}
