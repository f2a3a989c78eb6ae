import { createSelector } from '@reduxjs/toolkit';
import { recordIn } from '@/core/recordIn';
import type { Day } from '@/core/learn/decide';
import type { Practice } from '@/core/formats/book';
import type { MethodId } from '@/core/protocols/protocols';
import type { StudentRecord } from '@/core/estimate/estimate';
import { type LocalDay, inTime } from '@/core/formats/time';
import { groupedBy } from '@/core/grouped';
import { starterShelf } from '@/core/props/usualShelves';
import { shelfIn, type Shelf } from '@/core/props/shelf';
import { SETTINGS_ID, usualSettings, type SettingsRecord } from '@/core/formats/facts';
import { lastAnswers } from './lastAnswers';
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
const selectPractices = createSelector((state: RootState) => state.practices, byPerson());
const NONE: readonly never[] = [];

export const selectReadingsOf = (state: RootState, person: string) =>
  selectReadings(state).get(person) ?? NONE;
export const selectSessionsOf = (state: RootState, person: string) =>
  selectSessions(state).get(person) ?? NONE;
/** What a student did at home, oldest first. */
export const selectPracticesOf = (state: RootState, person: string): readonly Practice[] =>
  selectPractices(state).get(person) ?? NONE;

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

const lastRecords = lastAnswers<StudentRecord>();
/** The facts of one student; the same object until one of them changes. */
export function selectRecord(state: RootState, id: string): StudentRecord | undefined {
  const person = recordIn(state.people, id);
  if (!person) return undefined;
  const settings = selectSettings(state);
  const [readings, sessions] = [selectReadingsOf(state, id), selectSessionsOf(state, id)];
  const practices = selectPracticesOf(state, id);
  return lastRecords(person, [readings, sessions, practices, settings.eyes], () =>
    recordFrom(person, { readings, sessions, practices }, settings),
  );
}
