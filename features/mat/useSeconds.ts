import { useEffect, useState } from 'react';
import { everySecond } from '@/workers/ticks';
import type { Mat } from '@/store/mat';
import { holdNow } from './holdClock';

/** When a hold would have begun that was never paused, in milliseconds of the clock; null where none runs. */
export const begunMs = ({
  holdingSince,
  heldSeconds,
}: Pick<Mat, 'holdingSince' | 'heldSeconds'>) =>
  holdingSince === null ? null : Date.parse(holdingSince) - 1000 * heldSeconds;

/** This moment, anew at every whole second of a hold for as long as it runs. */
export function useSeconds(sinceMs: number | null): readonly [now: string, look: () => void] {
  const [now, setNow] = useState(holdNow);
  useEffect(
    () => (sinceMs === null ? undefined : everySecond(sinceMs, () => setNow(holdNow()))),
    [sinceMs],
  );
  return [now, () => setNow(holdNow())];
}
