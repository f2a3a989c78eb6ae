import { lazy, Suspense, type ComponentProps } from 'react';
import { Aside } from '../Words';
import type * as Charts from './all';

/** Scales and axes come with the first chart: no other screen waits for them. */
const charts = () => import('./all');
const LateCourse = lazy(async () => ({ default: (await charts()).Course }));
const LateStepChart = lazy(async () => ({ default: (await charts()).StepChart }));

const LateReadingDots = lazy(async () => ({ default: (await charts()).ReadingDots }));

const Waiting = <Aside role="status">One moment.</Aside>;

export const Course = (props: ComponentProps<typeof Charts.Course>) => (
  <Suspense fallback={Waiting}>
    <LateCourse {...props} />
  </Suspense>
);
export const StepChart = (props: ComponentProps<typeof Charts.StepChart>) => (
  <Suspense fallback={Waiting}>
    <LateStepChart {...props} />
  </Suspense>
);
export const ReadingDots = (props: ComponentProps<typeof Charts.ReadingDots>) => (
  <Suspense fallback={Waiting}>
    <LateReadingDots {...props} />
  </Suspense>
);
