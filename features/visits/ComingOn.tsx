import type { ReactNode } from 'react';
import type { LocalDay } from '@/core/formats/time';
import { selectClasses, selectVisits } from '@/store/selectors';
import { useOjas } from '../hooks';
import type { Coming } from './comers';
import { occurrencesBetween } from './occurrences';

/** What falls between two days, both taken in. */
export function useComing(from: LocalDay, to: LocalDay): Coming {
  const visits = useOjas(selectVisits);
  const classes = useOjas(selectClasses);
  return {
    visits: occurrencesBetween(visits, from, to),
    classes: occurrencesBetween(classes, from, to),
  };
}

/** Who comes on a day, for what shows them. */
export function ComingOn({
  day,
  children,
}: {
  readonly day: LocalDay;
  readonly children: (coming: Coming) => ReactNode;
}) {
  return children(useComing(day, day));
}
