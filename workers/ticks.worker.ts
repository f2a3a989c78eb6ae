import { toNextMs } from './ticks/toNext';

/** The moment from which whole seconds are counted, in milliseconds of the clock. */
export type TicksTask = number;

self.onmessage = ({ data: sinceMs }: MessageEvent<TicksTask>) => {
  const tick = () => {
    self.postMessage(null);
    setTimeout(tick, toNextMs(sinceMs, Date.now()));
  };
  setTimeout(tick, toNextMs(sinceMs, Date.now()));
};
