import { lazy, Suspense, type ComponentProps } from 'react';
import { Aside } from '@/ui/Words';
import type * as Visits from './all';

/** What reckons repeating days comes when somebody has visits: a first screen without them does not wait for it. */
const visits = () => import('./all');
const LateComing = lazy(async () => ({ default: (await visits()).ComingOn }));
const LateCalendar = lazy(async () => ({ default: (await visits()).CalendarScreen }));

const Waiting = <Aside role="status">One moment.</Aside>;

export const ComingOn = (props: ComponentProps<typeof Visits.ComingOn>) => (
  <Suspense fallback={Waiting}>
    <LateComing {...props} />
  </Suspense>
);
export const CalendarScreen = () => (
  <Suspense fallback={Waiting}>
    <LateCalendar />
  </Suspense>
);
