import { useEffect, useState } from 'react';
import { everySecond } from '@/workers/ticks';
import type { Mat } from '@/store/mat';
import { nowIso } from '../hooks';

/** When a hold would have begun that was never paused, in milliseconds of the clock; null where none runs. */
export const begunMs = ({
  holdingSince,
  heldSeconds,
}: Pick<Mat, 'holdingSince' | 'heldSeconds'>) =>
  holdingSince === null ? null : Date.parse(holdingSince) - 1000 * heldSeconds;

/** This moment, anew at every whole second of a hold for as long as it runs. */
export function useSeconds(sinceMs: number | null): readonly [now: string, look: () => void] {
  const [now, setNow] = useState(nowIso);
  useEffect(
    () => (sinceMs === null ? undefined : everySecond(sinceMs, () => setNow(nowIso()))),
    [sinceMs],
  );
  return [now, () => setNow(nowIso())];
}
