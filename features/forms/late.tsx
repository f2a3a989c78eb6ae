import { lazy, Suspense, type ComponentProps } from 'react';
import { Aside } from '@/ui/Words';
import type * as Forms from './all';

/** Forms and what reads them come when one is opened: they weigh more than the places that show them. */
const forms = () => import('./all');
const LateStudentForm = lazy(async () => ({ default: (await forms()).StudentForm }));
const LateItemForm = lazy(async () => ({ default: (await forms()).ItemForm }));

const LateProportions = lazy(async () => ({ default: (await forms()).Proportions }));

const Waiting = <Aside role="status">One moment.</Aside>;

export const StudentForm = (props: ComponentProps<typeof Forms.StudentForm>) => (
  <Suspense fallback={Waiting}>
    <LateStudentForm {...props} />
  </Suspense>
);
export const ItemForm = (props: ComponentProps<typeof Forms.ItemForm>) => (
  <Suspense fallback={Waiting}>
    <LateItemForm {...props} />
  </Suspense>
);
export const Proportions = (props: ComponentProps<typeof Forms.Proportions>) => (
  <Suspense fallback={Waiting}>
    <LateProportions {...props} />
  </Suspense>
);
