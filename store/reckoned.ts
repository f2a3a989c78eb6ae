import { shelfAtHome } from '@/core/advise/instead';
import {
  visitPlanning,
  worthTrying,
  type VisitTask,
  type VisitWork,
} from '@/core/advise/visitWork';
import { estimateRanges, type Estimates } from '@/core/estimate/estimate';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { dayOf, type LocalDay } from '@/core/formats/time';
import type { Trial } from '@/core/learn/trialLadder';
import { planningFor, planStudent, type Planning } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import type { SlotKey } from '@/core/slots';
import { lastAnswers } from './lastAnswers';
import { selectDay, selectMethod, selectRecord, selectShelf } from './selectors';
import type { RootState } from './store';

const lastEstimates = lastAnswers<Estimates>();
export function selectEstimates(
  state: RootState,
  id: string,
  today: LocalDay,
): Estimates | undefined {
  const record = selectRecord(state, id);
  return record && lastEstimates(record, [today], () => estimateRanges(record, today));
}

const lastTasks = lastAnswers<VisitTask>();
/** What a student's visit is reckoned from: the same for as long as nothing of it changes. */
export function selectVisitTask(
  state: RootState,
  id: string,
  today: LocalDay,
): VisitTask | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  const [shelf, day, method] = [
    selectShelf(state),
    selectDay(state, id, today),
    selectMethod(state),
  ];
  return lastTasks(record, [shelf, today, day, method], () => ({
    record,
    shelf,
    today,
    day,
    method,
  }));
}

const lastPlannings = lastAnswers<Planning>();
function selectPlanning(
  state: RootState,
  id: string,
  today: LocalDay,
  also: string,
): Planning | undefined {
  const task = selectVisitTask(state, id, today);
  return task && lastPlannings(task, [], () => visitPlanning(task, also.split(',')), also);
}

/**
 * The plan for today; once today's session is recorded, the plan for next time. Of the poses that the student
 * practises, and of others that are asked for by their ids, joined by commas: the whole catalogue is seldom looked at.
 */
export const selectPlan = (
  state: RootState,
  id: string,
  today: LocalDay,
  also = '',
): Plan | undefined => selectPlanning(state, id, today, also)?.plan;

/** The planning of one pose within today's visit: none once the session of today is recorded. */
function selectVisit(
  state: RootState,
  id: string,
  today: LocalDay,
  pose: string,
): Planning | undefined {
  const record = selectRecord(state, id);
  if (!record || record.sessions.some(({ at }) => dayOf(at) === today)) return undefined;
  if (practisedPoses(record.sessions).has(pose)) return selectPlanning(state, id, today, '');
  const [shelf, day] = [selectShelf(state), selectDay(state, id, today)];
  return lastAlone(
    record,
    [shelf, today, day],
    () => planningFor(record, shelf, today, { day, poses: [pose] }),
    pose,
  );
}
const lastAlone = lastAnswers<Planning>();

/** What is worth trying of a pose within today's visit; null where nothing is. */
export const selectTrial = (
  state: RootState,
  id: string,
  today: LocalDay,
  at: Pick<PlanPose, 'pose' | 'side'>,
): Trial | null => selectVisit(state, id, today, at.pose)?.trial(at) ?? null;

/** The slots of a pose whose height the teacher may try of their own within today's visit. */
export const selectTriable = (
  state: RootState,
  id: string,
  today: LocalDay,
  at: Pick<PlanPose, 'pose' | 'side'>,
): readonly SlotKey[] => selectVisit(state, id, today, at.pose)?.triable(at) ?? NO_SLOTS;
const NO_SLOTS: readonly SlotKey[] = [];

/** Of some poses, named by pose and side, the one in which trying would tell most today; null where none is worth it. */
export function selectVisitTrial(
  state: RootState,
  id: string,
  today: LocalDay,
  places: readonly string[],
): VisitWork['worth'] {
  return worthTrying(places, (place) => {
    const [pose = '', side = 'both'] = place.split('/');
    return selectTrial(state, id, today, { pose, side: side as PlanPose['side'] });
  });
}

const lastAtHome = lastAnswers<Plan>();
/** One pose, or all that the student practises, as it is built of what they have at home, on a usual day. */
export function selectPlanAtHome(
  state: RootState,
  id: string,
  today: LocalDay,
  pose?: string,
): Plan | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  const wanted = pose === undefined ? [...practisedPoses(record.sessions)] : [pose];
  return lastAtHome(
    record,
    [today],
    () => planStudent(record, shelfAtHome(record.person), today, { poses: wanted }),
    pose ?? '',
  );
}
