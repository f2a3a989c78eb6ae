/** Parts of the app that wait to be loaded, told to whoever shows it. */
let waiting = 0;
const listeners = new Set<() => void>();
const wakers = new Set<() => void>();

function tell(change: number): void {
  waiting += change;
  for (const listener of listeners) listener();
}

export const partsWaiting = () => waiting;
export function onPartsWaiting(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
/** Tries at once what would be tried later. */
export const tryPartsNow = () => [...wakers].forEach((wake) => wake());

/** Quick tries before it is said, then one now and then for as long as it takes. */
const QUICK_MS = [400, 1500, 4000];
const SLOW_MS = 15_000;

const sleep = (ms: number) =>
  new Promise<void>((resolve) => {
    const wake = () => {
      clearTimeout(timer);
      wakers.delete(wake);
      resolve();
    };
    const timer = setTimeout(wake, ms);
    wakers.add(wake);
  });

/**
 * Loads a part of the app, again and again until it is there: offline, a busy server or a new build are not the end of
 * the page. A part that never comes leaves its place waiting; the rest goes on working.
 */
export async function loadWithPatience(load: () => Promise<void>): Promise<void> {
  for (let tries = 0, said = false; ; tries++) {
    try {
      await load();
      if (said) tell(-1);
      return;
    } catch {
      if (tries >= QUICK_MS.length && !said) {
        said = true;
        tell(1);
      }
      await sleep(QUICK_MS[tries] ?? SLOW_MS);
    }
  }
}

type Loader = (path: string) => Promise<void>;

/** Teaches the bundle's own loader of parts patience; nothing to do where all is in one file. */
export function teachPatience(scope: Record<string, unknown>): void {
  for (const name of Object.keys(scope).filter((one) => one.endsWith('__loadBundleAsync'))) {
    const load = scope[name] as Loader;
    scope[name] = (path: string) => loadWithPatience(() => load(path));
  }
  if (typeof window !== 'undefined') window.addEventListener('online', tryPartsNow);
}
