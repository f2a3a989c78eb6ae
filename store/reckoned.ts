import { shelfAtHome } from '@/core/advise/instead';
import { estimateRanges, type Estimates } from '@/core/estimate/estimate';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { dayOf, shiftDays, type LocalDay } from '@/core/formats/time';
import { tells, type Trial } from '@/core/learn/trialLadder';
import { planStudent, triableFor, trialFor } from '@/core/plan/plan';
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

const lastPlans = lastAnswers<Plan>();
/**
 * The plan for today; once today's session is recorded, the plan for next time. Of the poses that the student
 * practises, and of others that are asked for by their ids, joined by commas: the whole catalogue is seldom looked at.
 */
export function selectPlan(
  state: RootState,
  id: string,
  today: LocalDay,
  also = '',
): Plan | undefined {
  const record = selectRecord(state, id);
  if (!record) return undefined;
  const [shelf, day, method] = [
    selectShelf(state),
    selectDay(state, id, today),
    selectMethod(state),
  ];
  return lastPlans(
    record,
    [shelf, today, day, method],
    () => {
      const wanted = new Set([...practisedPoses(record.sessions), ...also.split(',')]);
      const isDone = record.sessions.some(({ at }) => dayOf(at) === today);
      return planStudent(record, shelf, isDone ? shiftDays(today, 1) : today, {
        day,
        method,
        poses: poses.map((pose) => pose.id).filter((pose) => wanted.has(pose)),
      });
    },
    also,
  );
}

const lastTrials = lastAnswers<Trial | null>();
/** What is worth trying of a pose within today's visit; null where nothing is. */
export function selectTrial(
  state: RootState,
  id: string,
  today: LocalDay,
  { pose, side }: Pick<PlanPose, 'pose' | 'side'>,
): Trial | null {
  const record = selectRecord(state, id);
  if (!record || record.sessions.some(({ at }) => dayOf(at) === today)) return null;
  const [shelf, day] = [selectShelf(state), selectDay(state, id, today)];
  return lastTrials(
    record,
    [shelf, today, day],
    () => trialFor(record, shelf, today, { pose, side }, { day }),
    `${pose}/${side}`,
  );
}

const lastTriable = lastAnswers<readonly SlotKey[]>();
/** The slots of a pose whose height the teacher may try of their own within today's visit. */
export function selectTriable(
  state: RootState,
  id: string,
  today: LocalDay,
  { pose, side }: Pick<PlanPose, 'pose' | 'side'>,
): readonly SlotKey[] {
  const record = selectRecord(state, id);
  if (!record) return NO_SLOTS;
  const [shelf, day] = [selectShelf(state), selectDay(state, id, today)];
  return lastTriable(
    record,
    [shelf, today, day],
    () => triableFor(record, shelf, today, { pose, side }, { day }),
    `${pose}/${side}`,
  );
}
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
