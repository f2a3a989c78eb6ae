import type { ReactNode } from 'react';
import type { LocalDay } from '@/core/formats/time';
import { selectVisits } from '@/store/selectors';
import { useOjas } from '../hooks';
import { occurrencesBetween, type Occurrence } from './occurrences';

/** Who comes on a day, in the order of hours, for what shows them. */
export function ComingOn({
  day,
  children,
}: {
  readonly day: LocalDay;
  readonly children: (coming: readonly Occurrence[]) => ReactNode;
}) {
  const visits = useOjas(selectVisits);
  return children(occurrencesBetween(visits, day, day));
}
