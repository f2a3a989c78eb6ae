import { toNextMs } from './ticks/toNext';
import type { TicksTask } from './ticks.worker';

/**
 * Calls at every whole second from a moment on, until it is stopped. A page that is not looked at is let run its own
 * timers once a minute at most; a worker's go on.
 *
 * @param sinceMs The moment from which seconds are counted, in milliseconds of the clock.
 * @returns What stops it.
 */
export function everySecond(sinceMs: TicksTask, call: () => void): () => void {
  if (typeof Worker === 'undefined') return bySelf(sinceMs, call);
  const worker = new Worker(new URL('./ticks.worker', import.meta.url));
  let stop = () => worker.terminate();
  worker.onmessage = call;
  // Where it cannot be loaded, the page's own timers are better than none.
  worker.onerror = () => {
    worker.terminate();
    stop = bySelf(sinceMs, call);
  };
  worker.postMessage(sinceMs);
  return () => stop();
}

function bySelf(sinceMs: number, call: () => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const wait = () => {
    timer = setTimeout(
      () => {
        call();
        wait();
      },
      toNextMs(sinceMs, Date.now()),
    );
  };
  wait();
  return () => clearTimeout(timer);
}
