import { createSelector } from '@reduxjs/toolkit';
import type { Day } from '@/core/adapt/decide';
import type { Eyes, MethodId } from '@/core/ranges/protocols';
import { estimateRanges, type Estimates, type StudentRecord } from '@/core/estimate/estimate';
import type { Plan } from '@/core/formats/plan';
import { dayOf, shiftDays } from '@/core/formats/time';
import { planStudent } from '@/core/plan/plan';
import { practisedPoses } from '@/core/plan/practised';
import { poses } from '@/core/poses/poses';
import type { Shelf } from '@/core/props/shelf';
import { SETTINGS_ID, type SettingsRecord } from './facts';
import type { RootState } from './store';

export const selectPeople = createSelector((state: RootState) => state.people, (people) => Object.values(people).sort((a, b) => a.name.localeCompare(b.name)));
export const selectShelf = createSelector((state: RootState) => state.shelf, (shelf): Shelf => Object.values(shelf));
export const selectSettings = (state: RootState): SettingsRecord => state.settings[SETTINGS_ID] ?? usualSettings;
const usualSettings: SettingsRecord = { id: SETTINGS_ID, units: 'cm', theme: 'system' };

/** Readings and sessions shared out by person, so that a change to one student leaves the others' records alone. */
const byPerson = <T extends { person: string; at: string }>() => {
  let before = new Map<string, readonly T[]>();
  return (records: Readonly<Record<string, T>>): ReadonlyMap<string, readonly T[]> => {
    const lists = new Map<string, T[]>();
    for (const record of Object.values(records)) lists.set(record.person, [...(lists.get(record.person) ?? []), record]);
    const now = new Map<string, readonly T[]>();
    for (const [person, list] of lists) {
      const sorted = list.sort((a, b) => a.at.localeCompare(b.at));
      const same = before.get(person);
      now.set(person, same && same.length === sorted.length && same.every((one, i) => one === sorted[i]) ? same : sorted);
    }
    before = now;
    return now;
  };
};
const selectReadings = createSelector((state: RootState) => state.readings, byPerson());
const selectSessions = createSelector((state: RootState) => state.sessions, byPerson());
const NONE: readonly never[] = [];

export const selectReadingsOf = (state: RootState, person: string) => selectReadings(state).get(person) ?? NONE;
export const selectSessionsOf = (state: RootState, person: string) => selectSessions(state).get(person) ?? NONE;

/** How a student comes today: as said, else as usual. */
export function selectDay({ mat }: RootState, person: string, today: string): Day {
  if (mat.now?.person === person) return mat.now.day;
  const said = mat.came[person];
  return said?.on === today ? said.day : 'usual';
}

/** What the teacher measures with, kept from student to student. */
export const selectMethod = ({ measuring }: RootState): MethodId => measuring.now?.method ?? 'protractor';

/** What an answer about one student is reckoned from. */
interface Asked {
  readonly record: StudentRecord;
  readonly shelf: Shelf;
  readonly today: string;
  readonly day: Day;
  readonly method: MethodId;
}
const sameAsked = (a: Asked, b: Asked) =>
  a.today === b.today && a.day === b.day && a.method === b.method && a.shelf === b.shelf && a.record.person === b.record.person && a.record.eyes === b.record.eyes &&
  a.record.readings === b.record.readings && a.record.sessions === b.record.sessions;

/** Remembers a student's answer until one of the facts it read changes. */
function perStudent<R>(reckon: (asked: Asked, also: string) => R) {
  const known = new Map<string, { asked: Asked; answer: R }>();
  return (state: RootState, person: string, today: string, also = ''): R | undefined => {
    const one = state.people[person];
    if (!one) return undefined;
    const { eyes } = selectSettings(state);
    const record: StudentRecord = { person: one, readings: selectReadingsOf(state, person), sessions: selectSessionsOf(state, person), ...(eyes ? { eyes: eyes as Eyes } : {}) };
    const asked: Asked = { record, shelf: selectShelf(state), today, day: selectDay(state, person, today), method: selectMethod(state) };
    const key = `${person}/${also}`;
    const before = known.get(key);
    if (before && sameAsked(before.asked, asked)) return before.answer;
    const answer = reckon(asked, also);
    known.set(key, { asked, answer });
    return answer;
  };
}

/**
 * The plan for today; once today's session is recorded, the plan for next time. Of the poses that the student practises,
 * and of others that are asked for by their ids, joined by commas: the whole catalogue is seldom looked at.
 */
export const selectPlan: (state: RootState, person: string, today: string, also?: string) => Plan | undefined = perStudent(({ record, shelf, today, day, method }, also) => {
  const wanted = new Set([...practisedPoses(record.sessions), ...also.split(',')]);
  const on = record.sessions.some(({ at }) => dayOf(at) === today) ? shiftDays(today, 1) : today;
  return planStudent(record, shelf, on, { day, method, poses: poses.map(({ id }) => id).filter((id) => wanted.has(id)) });
});
/** The facts of one student; the same object until one of them changes. */
export const selectRecord: (state: RootState, person: string, today: string) => StudentRecord | undefined = perStudent(({ record }) => record);
export const selectEstimates: (state: RootState, person: string, today: string) => Estimates | undefined = perStudent(({ record, today }) => estimateRanges(record, today));
