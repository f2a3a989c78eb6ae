import type { Table } from '@/core/formats/tables';

/** What writes tables comes when one is saved. */
export const csvOf = async (table: Table): Promise<string> => (await import('./csv')).csvOf(table);
