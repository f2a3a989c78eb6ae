import type { Estimates } from '@/core/estimate/estimate';
import type { Plan } from '@/core/formats/plan';
import { selectEstimates, selectPlan } from '@/store/reckoned';
import { useOjas, useToday } from './hooks';

/** The plan of the poses that a student practises, and of some more. */
export function usePlan(id: string, also: readonly string[] = NO_MORE): Plan | undefined {
  const today = useToday();
  return useOjas((state) => selectPlan(state, id, today, also.join(',')));
}
const NO_MORE: readonly string[] = [];

/** What is believed of each range today. */
export function useEstimates(id: string): Estimates | undefined {
  const today = useToday();
  return useOjas((state) => selectEstimates(state, id, today));
}
