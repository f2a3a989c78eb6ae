import { late } from '@/ui/late';

/** What reckons repeating days comes when somebody has visits: a first screen without them does not wait for it. */
const visits = () => import('./all');
export const ComingOn = late(async () => (await visits()).ComingOn);
export const CalendarScreen = late(async () => (await visits()).CalendarScreen);
