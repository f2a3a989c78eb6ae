import { availableParallelism } from 'node:os';
import Piscina from 'piscina';
import type { PlanAnswer } from './planTask';

export type PlanOutcome =
  | { readonly ok: true; readonly answer: PlanAnswer }
  | { readonly ok: false; readonly words: string };
/** Answers one request for a plan, given its bytes. */
export type Planner = (bytes: Uint8Array) => Promise<PlanOutcome>;

export interface PlannerBounds {
  /** A plan takes milliseconds, a large book a second or two; what takes longer is given up. */
  readonly mostMs?: number;
  /** So many requests may wait; more are turned away at once. */
  readonly mostWaiting?: number;
  readonly threads?: number;
}

/** One processor stays free for whoever loads the app meanwhile. */
const THREADS = Math.max(1, Math.min(4, availableParallelism() - 1));

/** Plans in threads of their own, one request at a time each, with a deadline: the server's thread stays free. */
export function planner(
  taskFile: string,
  { mostMs = 10_000, mostWaiting = 16, threads: mostThreads = THREADS }: PlannerBounds = {},
): Planner {
  const threads = new Piscina({
    filename: taskFile,
    minThreads: 0,
    maxThreads: mostThreads,
    idleTimeout: 60_000,
  });
  let open = 0;
  return async (bytes) => {
    if (open >= mostThreads + mostWaiting)
      return { ok: false, words: 'too much is asked at once: try again in a moment.' };
    open += 1;
    try {
      return {
        ok: true,
        answer: (await threads.run(bytes, { signal: AbortSignal.timeout(mostMs) })) as PlanAnswer,
      };
    } catch (error) {
      const late = error instanceof Error && error.name === 'AbortError';
      return {
        ok: false,
        words: late
          ? `no plan within ${mostMs / 1000} seconds: ask for fewer poses, or plan on your own machine.`
          : 'the plan could not be worked out.',
      };
    } finally {
      open -= 1;
    }
  };
}
