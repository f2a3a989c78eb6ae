import type { VisitTask, VisitWork } from '@/core/advise/visitWork';
import { assumedText } from './plans/assume';
import type { AskedVisit, VisitAnswer } from './plans.worker';

/** So long the program waits for another visit before it is let go. */
const IDLE_MS = 30_000;

interface Waiting {
  readonly resolve: (work: VisitWork) => void;
  readonly reject: (error: Error) => void;
}

let worker: Worker | null = null;
let idle: ReturnType<typeof setTimeout> | undefined;
let asked = 0;
const waiting = new Map<number, Waiting>();

function end(error?: Error): void {
  worker?.terminate();
  worker = null;
  for (const { reject } of waiting.values()) reject(error ?? new Error('no answer came'));
  waiting.clear();
}

function begun(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./plans.worker', import.meta.url), { name: assumedText(null) });
  worker.onmessage = ({ data }: MessageEvent<VisitAnswer>) => {
    const one = waiting.get(data.id);
    waiting.delete(data.id);
    if ('failed' in data) one?.reject(new Error(data.failed));
    else one?.resolve(data.work);
    if (waiting.size === 0) idle = setTimeout(() => end(), IDLE_MS);
  };
  worker.onerror = (event) => end(new Error(event.message || 'the worker could not be loaded'));
  return worker;
}

/** What is reckoned of a visit, beside the page. Fails where there is no worker, or it cannot reckon. */
export function visitBeside(visit: VisitTask): Promise<VisitWork> {
  clearTimeout(idle);
  const id = (asked += 1);
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject });
    begun().postMessage({ id, visit } satisfies AskedVisit);
  });
}
