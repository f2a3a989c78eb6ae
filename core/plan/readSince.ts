import { dayOf } from '../formats/time';
import type { Decision } from '../learn/decide';
import { decision as parameter } from '../parameters';
import { ranges, splitKey, type RangeKey } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { sidelessKey, slotRefOf } from '../slots';
import { movesWith } from '../build/buildSlot';
import { leaningOn, lyingAt, type Laid } from './lay';

/**
 * What was read since this pose was last done, where it moves the belief enough to matter here, and what comes of it
 * today: it goes down, it waits for a good time, or it goes up.
 */
export function readSince(laid: Laid, decision: Decision): Reason<'read-since'>[] {
  const { family, side, earlier, context } = laid;
  const last = earlier.at(-1);
  if (!last) return [];
  const lastDay = dayOf(last.at);
  const since = context.record.readings.filter(({ at }) => dayOf(at) > lastDay);
  if (since.length === 0) return [];
  const before = context.estimatesOn(lastDay);
  const moved = family.needs(side).flatMap((input) => {
    const key = input as RangeKey;
    const [was, is] = [before[key], context.estimates[key]];
    if (!was || !is || is.source !== 'measured') return [];
    const { id, side: on } = splitKey(key);
    const isRead = since.some((one) => one.range === id);
    const deg = is.mean - was.mean;
    const slot = leaningOn(laid, key);
    return isRead && slot && ranges[id].unit === 'deg' && Math.abs(deg) >= parameter.readMoves.value
      ? [{ range: id, side: on, deg, slot }]
      : [];
  });
  const most = moved.reduce<(typeof moved)[number] | null>(
    (a, b) => (a && Math.abs(a.deg) >= Math.abs(b.deg) ? a : b),
    null,
  );
  if (!most || !lyingAt(laid, most.slot)) return [];
  const comes = movesWith(decision, most.slot)
    ? decision.action === 'lower'
      ? 'down'
      : 'up'
    : 'stays';
  return [
    {
      code: 'read-since',
      range: most.range,
      side: most.side,
      deg: most.deg,
      slot: slotRefOf(sidelessKey(most.slot)).slot,
      comes,
    },
  ];
}
