import { late } from '@/ui/late';
import type { HomeLog } from '@/core/advise/homeLog';
import type { NoSheet, TakenHome } from './link';

/** What packs a sheet into an address and a code, and opens one, comes when it is asked for. */
const address = () => import('./address');
export const OnPhone = late(async () => (await address()).OnPhone);
export const ToTeacher = late(async () => (await address()).ToTeacher);
export const homeLogIn = async (text: string): Promise<HomeLog | NoSheet> =>
  (await address()).homeLogIn(text);
export const sheetIn = async (text: string): Promise<TakenHome | NoSheet> =>
  (await address()).sheetIn(text);
