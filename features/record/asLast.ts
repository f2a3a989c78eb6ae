import { timesOf } from '@/core/advise/progress';
import type { Session, SessionPose } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { asPlanned } from '@/core/learn/settled';

/** A pose as it would be noted with nothing said of it: on what lay there the last time, held as planned. */
export const asLast = (planned: PlanPose, sessions: readonly Session[]): SessionPose => ({
  pose: planned.pose,
  stage: planned.stage,
  side: planned.side,
  settled:
    timesOf(sessions, planned.pose, planned.side).at(-1)?.outcome.settled ?? asPlanned(planned),
  plannedSeconds: planned.holdSeconds,
  heldSeconds: planned.holdSeconds,
  feeling: {},
  faults: [],
});
