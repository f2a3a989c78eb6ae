import type { StudentRecord } from '../estimate/estimate';
import type { Plan } from '../formats/plan';
import { dayOf, shiftDays, type LocalDay } from '../formats/time';
import { tells, type Trial } from '../learn/trialLadder';
import { planningFor, type Planning, type PlanWish } from '../plan/plan';
import { practisedPoses } from '../plan/practised';
import { poses } from '../poses/poses';
import type { Shelf } from '../props/shelf';
import { placeKey } from './order';

/** What a visit is reckoned from. */
export interface VisitTask {
  readonly record: StudentRecord;
  readonly shelf: Shelf;
  readonly today: LocalDay;
  readonly day: PlanWish['day'];
  readonly method: PlanWish['method'];
}

/** What is reckoned of a student for today's visit. */
export interface VisitWork {
  readonly plan: Plan;
  /** The pose, by its place, in which trying would tell most; null where none is worth it. */
  readonly worth: { readonly place: string; readonly trial: Trial } | null;
}

const isDoneOn = ({ sessions }: StudentRecord, today: LocalDay) =>
  sessions.some(({ at }) => dayOf(at) === today);

/**
 * The planning of the poses that a student practises, and of some more, for today; for the next time once today's
 * session is recorded.
 */
export function visitPlanning(
  { record, shelf, today, day, method }: VisitTask,
  also: readonly string[] = [],
): Planning {
  const wanted = new Set([...practisedPoses(record.sessions), ...also]);
  return planningFor(record, shelf, isDoneOn(record, today) ? shiftDays(today, 1) : today, {
    day,
    method,
    poses: poses.map(({ id }) => id).filter((pose) => wanted.has(pose)),
  });
}

/** Of some places, the one in which trying would tell most; null where none is worth it. */
export function worthTrying(
  places: readonly string[],
  trialAt: (place: string) => Trial | null,
): VisitWork['worth'] {
  let best: VisitWork['worth'] = null;
  for (const place of places) {
    const trial = trialAt(place);
    if (trial && (!best || tells(trial) > tells(best.trial))) best = { place, trial };
  }
  return best;
}

/** All that a first look at who comes asks for. */
export function visitWork(task: VisitTask): VisitWork {
  const { plan, trial } = visitPlanning(task);
  const tried = plan.poses.filter(
    ({ posture, decision }) => posture !== null && decision.action !== 'rest',
  );
  const at = new Map(tried.map((planned) => [placeKey(planned), planned]));
  const isDone = isDoneOn(task.record, task.today);
  return {
    plan,
    worth: isDone
      ? null
      : worthTrying([...at.keys()], (place) => {
          const planned = at.get(place);
          return planned ? trial(planned) : null;
        }),
  };
}
