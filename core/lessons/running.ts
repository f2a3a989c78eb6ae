import type { Segment } from './timeline';

/** A lesson that is led, as far as the clock goes: from it and the time on the wall follows where it is. */
export interface Run {
  readonly segments: readonly Pick<Segment, 'seconds'>[];
  /** The stretch that began at `since`; all of them done once it is as many as there are. */
  readonly at: number;
  /** When that one began, in milliseconds of the clock; later by what was paused. */
  readonly sinceMs: number;
  /** Since when it stands still; null while it goes on. */
  readonly pausedMs: number | null;
  /** So many seconds more of this stretch than planned. */
  readonly moreSeconds: number;
}

/** Where a led lesson is at a moment. */
export interface Now {
  /** The stretch that is going on; as many as there are once all is done. */
  readonly at: number;
  /** When it began, in milliseconds. */
  readonly sinceMs: number;
  /** Seconds gone of it, and left. */
  readonly goneSeconds: number;
  readonly leftSeconds: number;
  /** When the lesson ends as it goes now, in milliseconds: later for as long as it stands still. */
  readonly endsMs: number;
}

/**
 * Where a lesson is: it goes on by the clock on the wall, whether or not anybody looked, and over a page that was away
 * or loaded anew.
 */
export function nowIn(run: Run, nowMs: number): Now {
  const { segments, pausedMs } = run;
  const clockMs = pausedMs ?? nowMs;
  let { at, sinceMs, moreSeconds } = run;
  const lasts = () => ((segments[at]?.seconds ?? 0) + moreSeconds) * 1000;
  while (at < segments.length && clockMs - sinceMs >= lasts()) {
    sinceMs += lasts();
    at += 1;
    moreSeconds = 0;
  }
  const goneMs = Math.max(0, clockMs - sinceMs);
  const leftMs = at < segments.length ? lasts() - goneMs : 0;
  const afterMs = segments.slice(at + 1).reduce((sum, { seconds }) => sum + seconds * 1000, 0);
  return {
    at,
    sinceMs,
    goneSeconds: goneMs / 1000,
    leftSeconds: leftMs / 1000,
    endsMs: at < segments.length ? nowMs + leftMs + afterMs : sinceMs,
  };
}

/** The same run, reckoned from the stretch that is going on now. */
export function broughtUp(run: Run, nowMs: number): Run {
  const { at, sinceMs } = nowIn(run, nowMs);
  return at === run.at ? run : { ...run, at, sinceMs, moreSeconds: 0 };
}

export const pausedAt = (run: Run, nowMs: number): Run =>
  run.pausedMs === null ? { ...broughtUp(run, nowMs), pausedMs: nowMs } : run;

export const goesOnAt = (run: Run, nowMs: number): Run =>
  run.pausedMs === null
    ? run
    : { ...run, sinceMs: run.sinceMs + Math.max(0, nowMs - run.pausedMs), pausedMs: null };

/** Another stretch begins now; paused, it waits at its beginning. */
export const turnedTo = (run: Run, at: number, nowMs: number): Run => ({
  ...run,
  at: Math.min(Math.max(0, at), run.segments.length),
  sinceMs: nowMs,
  pausedMs: run.pausedMs === null ? null : nowMs,
  moreSeconds: 0,
});

export const longerBy = (run: Run, seconds: number, nowMs: number): Run => {
  const here = broughtUp(run, nowMs);
  return { ...here, moreSeconds: here.moreSeconds + seconds };
};
