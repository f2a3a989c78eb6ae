import { late } from '@/ui/late';

/** The table of students comes when it is first looked at, with what sorts it, which nothing else needs. */
export const StudentTable = late(async () => (await import('./StudentTable')).StudentTable);
