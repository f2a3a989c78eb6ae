import { visitSchema } from '@/core/formats/book';

import { faultsIn } from '@/core/formats/faults';
import type { Words } from '@/ui/words/words';

/** What is wrong with an hour, or nothing. */
export const hourFault = (typed: string, say: Words): string | undefined => {
  const { error } = visitSchema.shape.time.safeParse(typed);
  return error && faultsIn(error, typed).map((one) => say.fault(one).words)[0];
};
