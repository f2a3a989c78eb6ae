import type { Table } from '@/core/formats/tables';
import { late } from '@/ui/late';

/** What writes and reads tables comes when one is asked for. */
const csv = () => import('./csv');
export const csvOf = async (table: Table): Promise<string> => (await csv()).csvOf(table);
export const LookAtTable = late(async () => (await csv()).LookAtTable);
