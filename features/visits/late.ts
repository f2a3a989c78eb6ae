import { late } from '@/ui/late';

/** What reckons repeating days comes when somebody has visits: a first screen without them does not wait for it. */
const visits = () => import('./all');
export const ComingOn = late(async () => (await visits()).ComingOn);
export const CalendarScreen = late(async () => (await visits()).CalendarScreen);
/** Nothing stands in its place: most know when they come again. */
export const NextTime = late(async () => (await visits()).NextTime, null);
