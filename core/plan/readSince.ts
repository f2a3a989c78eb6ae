import type { Decision } from '../learn/decide';
import { splitKey } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { sidelessKey, slotRefOf, type SlotKey } from '../slots';
import { movesWith } from '../build/buildSlot';
import { lies } from '../lies';
import { leanOn, lyingAt, type Laid } from './lay';

/** Of two legs that were read anew, the one that the support leans on is told. */
const weight = ({ deg, upCm }: { readonly deg: number; readonly upCm: number }) =>
  Math.abs(deg) * upCm;

/**
 * What was read since this pose was last done, where it moves the belief enough to matter here, and what comes of it
 * today: it goes down, it waits for a good time, or it goes up.
 */
export function readSince(laid: Laid, decision: Decision): Reason<'read-since'>[] {
  const rises = (slot: SlotKey) => laid.since.toCm.has(slot);
  const moved = laid.since.moved.flatMap(({ key, deg }) => {
    const on = (deg < 0 ? leanOn(laid, key, rises) : null) ?? leanOn(laid, key);
    return on ? [{ key, deg, ...on }] : [];
  });
  // What a support rises for is told before what only waits.
  const risen = moved.filter(({ deg, slot }) => deg < 0 && rises(slot));
  const most = (risen.length > 0 ? risen : moved).reduce<(typeof moved)[number] | null>(
    (a, b) => (a && weight(a) >= weight(b) ? a : b),
    null,
  );
  if (!most || !(rises(most.slot) || lies(lyingAt(laid, most.slot)?.heightCm ?? 0))) return [];
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
