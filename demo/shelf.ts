import type { ShelfItem } from '@/core/props/shelf';
import { kinds, type PropKind } from '@/core/props/shelf';

/** An item with the usual states of its kind. */
function item(id: string, kind: PropKind, name: string, count: number, states?: readonly string[], softness?: number): ShelfItem {
  const usual = kinds[kind];
  return {
    id, kind, name, count, softness: softness ?? usual.softness,
    states: usual.states.filter((state) => !states || states.includes(state.id)).map(({ id: state, heightCm }) => ({ id: state, heightCm })),
  };
}

/** What stands on the boathouse shelf. */
export const boathouseShelf: ShelfItem[] = [
  item('cork-block', 'block', 'Cork block', 14),
  item('foam-block', 'block', 'Foam block', 6, undefined, 0.04),
  item('half-block', 'half-block', 'Half block', 8),
  item('wool-blanket', 'blanket', 'Wool blanket', 16),
  item('hand-towel', 'towel', 'Hand towel', 10),
  item('round-bolster', 'bolster-round', 'Round bolster', 4),
  item('flat-bolster', 'bolster-flat', 'Flat bolster', 6),
  item('strap', 'strap', 'Strap', 12),
  item('slat-chair', 'chair', 'Slatted chair', 6),
];
