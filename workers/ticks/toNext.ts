const SECOND_MS = 1000;
/** A hair after the second is whole: a timer that fires a little early would still show the one before. */
const AFTER_MS = 10;

/**
 * Milliseconds from now until just after the next whole second counted from a moment on, also where the clock was set
 * back.
 */
export const toNextMs = (sinceMs: number, nowMs: number): number =>
  SECOND_MS - ((((nowMs - sinceMs) % SECOND_MS) + SECOND_MS) % SECOND_MS) + AFTER_MS;
