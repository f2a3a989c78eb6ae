import { late } from '@/ui/late';

/** Forms and what reads them come when one is opened: they weigh more than the places that show them. */
const forms = () => import('./all');
export const StudentForm = late(async () => (await forms()).StudentForm);
export const ItemForm = late(async () => (await forms()).ItemForm);
export const Proportions = late(async () => (await forms()).Proportions);
