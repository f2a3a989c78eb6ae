import { kinds, type PropKind } from './kinds';
import type { ShelfItem } from './shelf';

/** An item of a kind in its usual states, to be measured and renamed. */
export function usualItem(
  id: string,
  kind: PropKind,
  name: string,
  count: number,
  softness = kinds[kind].softness,
): ShelfItem {
  return {
    id,
    kind,
    name,
    count,
    softness,
    states: kinds[kind].lies.map(({ id: state, heightCm }) => ({ id: state, heightCm })),
  };
}

/** What a small studio usually has: somewhere to begin. */
export const starterShelf: readonly ShelfItem[] = [
  usualItem('block', 'block', 'Block', 4),
  usualItem('half-block', 'half-block', 'Half block', 2),
  usualItem('blanket', 'blanket', 'Blanket', 4),
  usualItem('towel', 'towel', 'Towel', 2),
  usualItem('bolster', 'bolster-round', 'Round bolster', 1),
  usualItem('strap', 'strap', 'Strap', 1),
  usualItem('chair', 'chair', 'Chair', 1),
];

/** What a room for a dozen people has. */
export const studioShelf: readonly ShelfItem[] = [
  usualItem('cork-block', 'block', 'Cork block', 14),
  usualItem('half-block', 'half-block', 'Half block', 8),
  usualItem('wool-blanket', 'blanket', 'Wool blanket', 16),
  usualItem('towel', 'towel', 'Hand towel', 10),
  usualItem('round-bolster', 'bolster-round', 'Round bolster', 4),
  usualItem('flat-bolster', 'bolster-flat', 'Flat bolster', 6),
  usualItem('strap', 'strap', 'Strap', 12),
  usualItem('chair', 'chair', 'Chair', 6),
];

/** What is found in a flat. */
export const homeShelf: readonly ShelfItem[] = [
  usualItem('books', 'books', 'Books', 4),
  usualItem('towel', 'towel', 'Bath towel', 4),
  usualItem('blanket', 'blanket', 'Blanket', 2),
  usualItem('cushion', 'cushion', 'Sofa cushion', 2),
  usualItem('belt', 'strap', 'Belt', 1),
  usualItem('chair', 'chair', 'Kitchen chair', 1),
  usualItem('stool', 'bench', 'Footstool', 1),
];

/** Shelves to try a plan on. */
export const usualShelves = {
  studio: studioShelf,
  starter: starterShelf,
  home: homeShelf,
} as const;
export type UsualShelf = keyof typeof usualShelves;
