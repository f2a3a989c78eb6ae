import type { Decision } from '../learn/decide';
import { splitKey } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { sidelessKey, slotRefOf, type SlotKey } from '../slots';
import { movesWith } from '../build/buildSlot';
import { leaningOn, lyingAt, type Laid } from './lay';

/**
 * What was read since this pose was last done, where it moves the belief enough to matter here, and what comes of it
 * today: it goes down, it waits for a good time, or it goes up.
 */
export function readSince(laid: Laid, decision: Decision): Reason<'read-since'>[] {
  const rises = (slot: SlotKey) => laid.since.toCm.has(slot);
  const moved = laid.since.moved.flatMap(({ key, deg }) => {
    const slot = (deg < 0 ? leaningOn(laid, key, rises) : null) ?? leaningOn(laid, key);
    return slot ? [{ key, deg, slot }] : [];
  });
  // What a support rises for is told before what only waits.
  const risen = moved.filter(({ deg, slot }) => deg < 0 && rises(slot));
  const most = (risen.length > 0 ? risen : moved).reduce<(typeof moved)[number] | null>(
    (a, b) => (a && Math.abs(a.deg) >= Math.abs(b.deg) ? a : b),
    null,
  );
  if (!most || !lyingAt(laid, most.slot)) return [];
  const goesUp = rises(most.slot) || decision.action === 'raise';
  const comes =
    rises(most.slot) || movesWith(decision, most.slot) ? (goesUp ? 'up' : 'down') : 'stays';
  const { id: range, side } = splitKey(most.key);
  return [
    {
      code: 'read-since',
      range,
      side,
      deg: most.deg,
      slot: slotRefOf(sidelessKey(most.slot)).slot,
      comes,
    },
  ];
}
