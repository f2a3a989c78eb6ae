import { formatRFC3339 } from 'date-fns/formatRFC3339';

/** How far the clock on the wall is ahead of the one that only ever goes on, at the most that was seen. */
let aheadMs = -Infinity;

/**
 * This moment for a hold. It goes on with the clock on the wall, over a sleep of the device too; where that one is set
 * back it goes on all the same, so that what was held stays held.
 */
export function holdNow(): string {
  const goneMs = performance.now();
  aheadMs = Math.max(aheadMs, Date.now() - goneMs);
  return formatRFC3339(new Date(aheadMs + goneMs), { fractionDigits: 3 });
}
