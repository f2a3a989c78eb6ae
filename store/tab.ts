import { shortName } from '@/workers/stored/shortName';

/** This tab among others: each has a name of its own for as long as it lives, over reloads. */
export interface Tab {
  readonly name: string;
  /** Names of tabs that live now, as far as this browser tells. */
  readonly alive: () => Promise<ReadonlySet<string>>;
}

const KEPT = 'ojas-tab';
const lockOf = (name: string) => `ojas-tab-${name}`;

function keptName(): string {
  try {
    return sessionStorage.getItem(KEPT) ?? shortName();
  } catch {
    return shortName();
  }
}

/** Takes the tab's own name again after a reload; a tab that was doubled takes a new one. */
export async function takeTab(): Promise<Tab> {
  const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
  const hold = (name: string) =>
    new Promise<boolean>((resolve) => {
      if (!locks) return resolve(true);
      // Held until the tab is gone: the promise inside never settles.
      void locks
        .request(lockOf(name), { ifAvailable: true }, (lock) => {
          resolve(lock !== null);
          return lock === null ? undefined : new Promise(() => undefined);
        })
        .catch(() => resolve(true));
      return undefined;
    });
  let name = keptName();
  // The page before a reload may need a moment to let go.
  const again = async () => {
    await new Promise((resolve) => setTimeout(resolve, 250));
    return hold(name);
  };
  if (!(await hold(name)) && !(await again())) {
    name = shortName();
    await hold(name);
  }
  try {
    sessionStorage.setItem(KEPT, name);
  } catch {
    // Without it a reload counts as a new tab, which takes over what this one left.
  }
  return {
    name,
    alive: async () =>
      new Set(
        ((await locks?.query())?.held ?? []).flatMap((lock) =>
          lock.name?.startsWith(lockOf('')) ? [lock.name.slice(lockOf('').length)] : [],
        ),
      ),
  };
}
