import { createSelector } from '@reduxjs/toolkit';
import { recordIn } from '@/core/recordIn';
import type { Day } from '@/core/learn/decide';
import type { MethodId } from '@/core/protocols/protocols';
import { estimateRanges, type Estimates, type StudentRecord } from '@/core/estimate/estimate';
import type { Plan } from '@/core/formats/plan';
import { dayOf, shiftDays, type LocalDay, inTime } from '@/core/formats/time';
import { groupedBy } from '@/core/grouped';
import { shelfAtHome } from '@/core/advise/instead';
import { planStudent } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poses } from '@/core/poses/poses';
import { starterShelf } from '@/core/props/usualShelves';
import { shelfIn, type Shelf } from '@/core/props/shelf';
import { SETTINGS_ID, usualSettings, type SettingsRecord } from '@/core/formats/facts';
import { matOf } from './mat';
import type { RootState } from './store';
import { recordFrom } from '@/core/estimate/recordOf';

export const selectPeople = createSelector(
  (state: RootState) => state.people,
  (people) => Object.values(people).sort((a, b) => a.name.localeCompare(b.name)),
);
export const selectVisits = createSelector(
  (state: RootState) => state.visits,
  (visits) => Object.values(visits),
);
export const selectClasses = createSelector(
  (state: RootState) => state.classes,
  (classes) => Object.values(classes),
);
export const selectSettings = (state: RootState): SettingsRecord =>
  state.settings[SETTINGS_ID] ?? usualSettings;
/** Every prop there is, on whatever shelf: what a record names. */
export const selectAllProps = createSelector(
  (state: RootState) => state.shelf,
  (shelf): Shelf => Object.values(shelf),
);
/** The teacher's own shelf that is used now; empty before it is filled. */
export const selectOwnShelf = createSelector(
  selectAllProps,
  (state: RootState) => selectSettings(state).place,
  shelfIn,
);
/** The shelf that plans are built of: before the teacher's own is filled, what a small studio usually has. */
export const selectShelf = createSelector(selectOwnShelf, (own): Shelf =>
  own.length > 0 ? own : starterShelf,
);
/** Every prop that a record may name: those of the usual shelf, too, as long as there is none of the teacher's own. */
export const selectNamedProps = createSelector(selectAllProps, (all): Shelf =>
  all.length > 0 ? all : starterShelf,
);

/** Readings and sessions shared out by person, so that a change to one student leaves the others' records alone. */
const byPerson = <T extends { person: string; at: string }>() => {
  let before = new Map<string, readonly T[]>();
  return (records: Readonly<Record<string, T>>): ReadonlyMap<string, readonly T[]> => {
    const now = new Map<string, readonly T[]>();
    for (const [person, list] of groupedBy(Object.values(records), (one) => one.person)) {
      const sorted = inTime(list);
      const same = before.get(person);
      now.set(
        person,
        same && same.length === sorted.length && same.every((one, i) => one === sorted[i])
          ? same
          : sorted,
      );
    }
    before = now;
    return now;
  };
};
const selectReadings = createSelector((state: RootState) => state.readings, byPerson());
const selectSessions = createSelector((state: RootState) => state.sessions, byPerson());
const NONE: readonly never[] = [];

export const selectReadingsOf = (state: RootState, person: string) =>
  selectReadings(state).get(person) ?? NONE;
export const selectSessionsOf = (state: RootState, person: string) =>
  selectSessions(state).get(person) ?? NONE;

/** How a student comes today: as said, else as usual. */
export function selectDay({ mat }: RootState, person: string, today: LocalDay): Day {
  const onMat = matOf(mat, person);
  if (onMat) return onMat.day;
  const said = recordIn(mat.came, person);
  return said?.on === today ? said.day : 'usual';
}

/** What the teacher measures with, kept from student to student. */
export const selectMethod = ({ measuring }: RootState): MethodId =>
  measuring.now?.method ?? 'protractor';

/** More variants of one thing than this are not asked for in turn. */
const MOST_VARIANTS = 8;

/**
 * The last answers about a thing, in a few variants, for as long as what they were reckoned from is the same; gone with
 * the thing itself, so that nothing of a removed student stays.
 */
function lastAnswers<R>() {
  const known = new WeakMap<object, Map<string, { from: readonly unknown[]; answer: R }>>();
  return (about: object, from: readonly unknown[], reckon: () => R, variant = ''): R => {
    const variants = known.get(about) ?? new Map<string, { from: readonly unknown[]; answer: R }>();
    known.set(about, variants);
    const before = variants.get(variant);
    if (before && before.from.every((one, i) => one === from[i])) return before.answer;
    const answer = reckon();
    variants.delete(variant);
    variants.set(variant, { from, answer });
    const [oldest] = variants.keys();
    if (variants.size > MOST_VARIANTS && oldest !== undefined) variants.delete(oldest);
    return answer;
  };
}

const lastRecords = lastAnswers<StudentRecord>();
/** The facts of one student; the same object until one of them changes. */
export function selectRecord(state: RootState, id: string): StudentRecord | undefined {
  const person = recordIn(state.people, id);
  if (!person) return undefined;
  const settings = selectSettings(state);
  const [readings, sessions] = [selectReadingsOf(state, id), selectSessionsOf(state, id)];
  return lastRecords(person, [readings, sessions, settings.eyes], () =>
    recordFrom(person, { readings, sessions }, settings),
  );
}

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
