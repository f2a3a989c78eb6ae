import { useEffect } from 'react';

/** Keeps the screen on while a hold runs or a limb is read, where the browser can; taken up again when the page comes back. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== 'visible') return;
      // Refused on low battery and in some browsers: then the screen sleeps, and the timer goes on all the same.
      lock = await navigator.wakeLock.request('screen').catch(() => null);
      if (over) await lock?.release();
    };
    void take();
    document.addEventListener('visibilitychange', take);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [on]);
}
