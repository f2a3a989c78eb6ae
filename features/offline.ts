import { useSyncExternalStore } from 'react';

/** Whether the app opens without a network: a browser keeps one only from a secure address. */
export type Kept = 'impossible' | 'fetching' | 'ready' | 'failed';

interface Offline {
  readonly kept: Kept;
  /** A newer version, whole and waiting. */
  readonly newer: ServiceWorker | null;
  /** Asks whether the app is to stand among the others of the device; where the browser offers it. */
  readonly install: (() => void) | null;
}

const canKeep = () =>
  typeof navigator !== 'undefined' && 'serviceWorker' in navigator && window.isSecureContext;

let now: Offline = { kept: canKeep() ? 'fetching' : 'impossible', newer: null, install: null };
const watching = new Set<() => void>();
function become(change: Partial<Offline>): void {
  now = { ...now, ...change };
  for (const look of watching) look();
}

export const useOffline = (): Offline =>
  useSyncExternalStore(
    (look) => {
      watching.add(look);
      return () => watching.delete(look);
    },
    () => now,
  );

const HOUR_MS = 3_600_000;

/** A version that was fetched whole: the first is what the app has, a later one waits until it is taken. */
function follow(worker: ServiceWorker): void {
  const look = () => {
    const isFirst = navigator.serviceWorker.controller === null;
    if (worker.state === 'installed' && !isFirst) become({ newer: worker });
    if (worker.state === 'redundant') {
      if (now.newer === worker) become({ newer: null });
      if (now.kept === 'fetching') become({ kept: 'failed' });
    }
  };
  worker.addEventListener('statechange', look);
  look();
}

async function fetchAll(): Promise<void> {
  const kept = await navigator.serviceWorker.register('/sw.js');
  if (kept.installing) follow(kept.installing);
  if (kept.waiting) follow(kept.waiting);
  kept.addEventListener('updatefound', () => kept.installing && follow(kept.installing));
  void navigator.serviceWorker.ready.then(() => become({ kept: 'ready' }));
  let looked = Date.now();
  // A page that stays open for days learns of a newer version too; without a network nothing is missing.
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'visible' || Date.now() - looked < HOUR_MS) return;
    looked = Date.now();
    kept.update().catch(() => undefined);
  });
}

let isAsked = false;
/** Keeps all of the app on this device, fetched beside what the teacher does. Once, after the first screen. */
export function keepOffline(): void {
  if (isAsked) return;
  isAsked = true;
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    const asked = event as Event & { prompt: () => Promise<unknown> };
    become({
      install: () => {
        become({ install: null });
        void asked.prompt();
      },
    });
  });
  if (!canKeep()) return;
  fetchAll().catch(() => become({ kept: 'failed' }));
}

/** Goes over to the newer version: only when the teacher says so, for the page begins anew. */
export function takeNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
    once: true,
  });
  now.newer?.postMessage({ type: 'SKIP_WAITING' });
}
