import { kinds, type PropKind, type ShelfItem } from './shelf';

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
    states: kinds[kind].states.map(({ id: state, heightCm }) => ({ id: state, heightCm })),
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
