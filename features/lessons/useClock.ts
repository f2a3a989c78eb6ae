import { useEffect, useState } from 'react';
import { everySecond } from '@/workers/ticks';
import { holdNow } from '../mat/holdClock';

/** This moment in milliseconds of the clock that never goes back. */
export const nowMs = (): number => Date.parse(holdNow());

/** This moment, anew at every whole second since another for as long as something runs; and at once when asked. */
export function useClock(sinceMs: number, runs: boolean): readonly [now: number, look: () => void] {
  const [now, setNow] = useState(nowMs);
  useEffect(
    () => (runs ? everySecond(sinceMs, () => setNow(nowMs())) : undefined),
    [sinceMs, runs],
  );
  return [now, () => setNow(nowMs())];
}
