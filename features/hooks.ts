import { useDispatch, useSelector } from 'react-redux';
import type { Estimates } from '@/core/estimate/estimate';
import type { Plan } from '@/core/formats/plan';
import type { Units } from '@/ui/format';
import { selectEstimates, selectPlan, selectSettings } from '@/store/selectors';
import type { OjasStore, RootState } from '@/store/store';

export const useOjasDispatch = () => useDispatch<OjasStore['dispatch']>();
export const useOjas = <T>(select: (state: RootState) => T): T => useSelector(select);

export const nowIso = () => new Date().toISOString();
/** The calendar day, as facts are dated. */
export const todayIso = () => nowIso().slice(0, 10);

export const usePerson = (id: string) => useOjas((state) => state.people[id]);
/** The plan of the poses that a student practises, and of some more. */
export const usePlan = (id: string, also: readonly string[] = NO_MORE): Plan | undefined => useOjas((state) => selectPlan(state, id, todayIso(), also.join(',')));
const NO_MORE: readonly string[] = [];
export const useEstimates = (id: string): Estimates | undefined => useOjas((state) => selectEstimates(state, id, todayIso()));
export const useUnits = (): Units => useOjas((state) => selectSettings(state).units);

let counter = 0;
/** A fresh id: the moment, and a counter for several in one moment. */
export const freshId = (prefix: string) => `${prefix}-${Date.now().toString(36)}-${(counter++).toString(36)}`;
