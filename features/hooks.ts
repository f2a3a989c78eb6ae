import { formatRFC3339 } from 'date-fns/formatRFC3339';
import { useSyncExternalStore } from 'react';
import { shallowEqual, useDispatch, useSelector } from 'react-redux';
import { recordIn } from '@/core/recordIn';
import { dayOf, type LocalDay } from '@/core/formats/time';
import type { Units } from '@/ui/format';
import { wordsIn, type Words } from '@/ui/words/words';
import { usualSettings } from '@/core/formats/facts';
import { edit, put, SETTINGS_ID, type Change, type SettingsRecord } from '@/store/facts';
import { selectSettings } from '@/store/selectors';
import { commit, type OjasStore, type RootState } from '@/store/store';
import { shortName } from '@/workers/stored/shortName';

export const useOjasDispatch = () => useDispatch<OjasStore['dispatch']>();
export const useOjas = <T>(select: (state: RootState) => T): T => useSelector(select);

/** A list made anew each time, that is the same for as long as what is in it is. */
export const useOjasList = <T>(select: (state: RootState) => readonly T[]): readonly T[] =>
  useSelector(select, shallowEqual);

/** This moment with the offset of this place: a fact's day is the day where it was noted. */
export const nowIso = () => formatRFC3339(new Date(), { fractionDigits: 3 });
/** The calendar day here. */
export const todayIso = (): LocalDay => dayOf(nowIso());

const MINUTE_MS = 60_000;
function onTurn(listener: () => void): () => void {
  const timer = setInterval(listener, MINUTE_MS);
  document.addEventListener('visibilitychange', listener);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', listener);
  };
}
/** Today, also on a screen that was left open over midnight. */
export const useToday = (): LocalDay => useSyncExternalStore(onTurn, todayIso, todayIso);

export const usePerson = (id: string) => useOjas((state) => recordIn(state.people, id));
/** What the core says, in words and in the teacher's units. */
export const useWords = (): Words => wordsIn(useUnits());
export const useUnits = (): Units => useOjas((state) => selectSettings(state).units);

/** A fresh id: the moment, and chance for several in one moment, in one tab or two. */
export const freshId = (prefix: string) => `${prefix}-${Date.now().toString(36)}-${shortName()}`;

/** Changes what is set for the teacher, and what goes with it, with the words that its undo is offered by. */
export function useSet() {
  const stored = useOjas((state) => state.settings[SETTINGS_ID]);
  const dispatch = useOjasDispatch();
  return (change: Partial<SettingsRecord>, words: string, also: Partial<Change> = {}) =>
    dispatch(
      commit({
        words,
        put: [
          ...(also.put ?? []),
          ...(stored ? [] : [put('settings', { ...usualSettings, ...change })]),
        ],
        edit: stored ? [edit('settings', SETTINGS_ID, (now) => ({ ...now, ...change }))] : [],
        remove: also.remove ?? [],
      }),
    );
}
