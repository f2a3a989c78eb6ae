import { movesBetween, placeKey, type PlaceKey } from '../advise/order';
import type { PlanPose } from '../formats/plan';
import { lesson as parameter } from '../parameters';
import { carrySeconds, enterSeconds } from './pace';
import { leads, type PlannedStep } from './planLesson';

/** What is going on: setting up, the way in, a hold or a movement, the way out, the way to another place. */
export type Phase = 'build' | 'enter' | 'hold' | 'out' | 'move' | 'way';

/** One stretch of a lesson that is led, by the clock. */
export interface Segment {
  /** Which planned step. */
  readonly step: number;
  readonly phase: Phase;
  readonly seconds: number;
}

/** Where a lesson has come to, as far as the time of what follows depends on it. */
export interface Reached {
  /** The last pose that was built: what lies there. */
  readonly built: PlanPose | null;
  /** A way that is not gone yet: it is gone once something is done at its end. */
  readonly way: number | null;
  /** The pose that somebody has just come out of, with nothing done since: it is not gone into again. */
  readonly outOf: PlaceKey | null;
}
export const atTheStart: Reached = { built: null, way: null, outOf: null };

const NOTHING: Pick<PlanPose, 'slots'> = { slots: [] };

const whole = Math.round;

/** Fetching and laying what is needed next, where anything is carried at all. */
function buildOf(
  step: number,
  planned: PlanPose | null,
  { built }: Reached,
  pace: number,
): readonly Segment[] {
  const carried = planned ? carrySeconds(movesBetween(built ?? NOTHING, planned)) : 0;
  return carried > 0 ? [{ step, phase: 'build', seconds: whole(carried * pace) }] : [];
}

/** What one more step takes, stretch by stretch, and where the lesson then is. */
export function led(
  steps: readonly PlannedStep[],
  at: number,
  reached: Reached,
  seconds: number,
  pace: number,
): { readonly segments: readonly Segment[]; readonly reached: Reached } {
  const one = steps[at] as PlannedStep;
  if (leads(one)) return { segments: [], reached: { ...reached, way: at } };
  const before = reached.way === null ? undefined : steps[reached.way];
  const way: Segment[] =
    before && reached.way !== null
      ? [{ step: reached.way, phase: 'way', seconds: whole(before.seconds * pace) }]
      : [];
  if (one.is === 'step') {
    const phase = one.step.kind === 'movement' ? 'move' : 'way';
    // What it is done on must lie there, too.
    const on = phase === 'move' ? one.within : null;
    return {
      segments: [
        ...way,
        ...buildOf(at, on, reached, pace),
        { step: at, phase, seconds: whole(seconds) },
      ],
      reached: { built: on ?? reached.built, way: null, outOf: null },
    };
  }
  const { planned } = one;
  if (reached.outOf === placeKey(planned) && reached.way === null) return { segments: [], reached };
  const isOther = reached.built?.pose === planned.pose && reached.built.side !== planned.side;
  const enter = enterSeconds(planned, isOther);
  return {
    segments: [
      ...way,
      ...buildOf(at, planned, reached, pace),
      { step: at, phase: 'enter', seconds: whole(enter * pace) },
      { step: at, phase: 'hold', seconds: whole(seconds) },
      {
        step: at,
        phase: 'out',
        seconds: whole(parameter.comeOut.value + parameter.rest.value),
      },
    ],
    reached: { built: planned, way: null, outOf: placeKey(planned) },
  };
}

/**
 * A lesson by the clock: setting up by the pieces that are carried, ways in by what is said, holds, ways out and a
 * breath of rest.
 *
 * @param pace of this student, against what is usual.
 */
export function timelineOf(steps: readonly PlannedStep[], pace = 1): readonly Segment[] {
  let reached = atTheStart;
  const segments: Segment[] = [];
  for (const [at, step] of steps.entries()) {
    const next = led(steps, at, reached, step.seconds, pace);
    segments.push(...next.segments);
    reached = next.reached;
  }
  return segments;
}

export const secondsOf = (segments: readonly Pick<Segment, 'seconds'>[]): number =>
  segments.reduce((sum, { seconds }) => sum + seconds, 0);
