import { usualItem as item } from '@/core/props/usualShelves';
import type { ShelfItem } from '@/core/props/shelf';

/** What stands on the boathouse shelf. */
export const boathouseShelf: ShelfItem[] = [
  item('cork-block', 'block', 'Cork block', 14),
  item('foam-block', 'block', 'Foam block', 6, 0.04),
  item('half-block', 'half-block', 'Half block', 8),
  item('wool-blanket', 'blanket', 'Wool blanket', 16),
  item('hand-towel', 'towel', 'Hand towel', 10),
  item('round-bolster', 'bolster-round', 'Round bolster', 4),
  item('flat-bolster', 'bolster-flat', 'Flat bolster', 6),
  item('strap', 'strap', 'Strap', 12),
  item('slat-chair', 'chair', 'Slatted chair', 6),
];
