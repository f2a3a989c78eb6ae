import { shelfAtHome } from '@/core/advise/instead';
import { estimateRanges, type Estimates } from '@/core/estimate/estimate';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { dayOf, shiftDays, type LocalDay } from '@/core/formats/time';
import { tells, type Trial } from '@/core/learn/trialLadder';
import { planningFor, planStudent, type Planning } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poses } from '@/core/poses/poses';
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

const lastPlannings = lastAnswers<Planning>();
function selectPlanning(
  state: RootState,
  id: string,
  today: LocalDay,
  also: string,
): Planning | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  const [shelf, day, method] = [
    selectShelf(state),
    selectDay(state, id, today),
    selectMethod(state),
  ];
  return lastPlannings(
    record,
    [shelf, today, day, method],
    () => {
      const wanted = new Set([...practisedPoses(record.sessions), ...also.split(',')]);
      const isDone = record.sessions.some(({ at }) => dayOf(at) === today);
      return planningFor(record, shelf, isDone ? shiftDays(today, 1) : today, {
        day,
        method,
        poses: poses.map((pose) => pose.id).filter((pose) => wanted.has(pose)),
      });
    },
    also,
  );
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
): { readonly place: string; readonly trial: Trial } | null {
  let best: { readonly place: string; readonly trial: Trial } | null = null;
  for (const place of places) {
    const [pose = '', side = 'both'] = place.split('/');
    const trial = selectTrial(state, id, today, { pose, side: side as PlanPose['side'] });
    if (trial && (!best || tells(trial) > tells(best.trial))) best = { place, trial };
  }
  return best;
}

const lastAtHome = lastAnswers<Plan>();
/** One pose as it is built of what the student has at home, on a usual day. */
export function selectPlanAtHome(
  state: RootState,
  id: string,
  today: LocalDay,
  pose: string,
): Plan | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  return lastAtHome(
    record,
    [today],
    () => planStudent(record, shelfAtHome(record.person), today, { poses: [pose] }),
    pose,
  );
}
