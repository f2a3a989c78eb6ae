import { unparse } from 'papaparse';
import type { Table } from '@/core/formats/tables';

/** Tells a spreadsheet that names are in UTF-8. */
const MARK = '\ufeff';

/**
 * A table as comma separated values. What a spreadsheet would run as a formula begins with an apostrophe, so that it
 * stays what was written; numbers stay numbers.
 */
export const csvOf = ({ head, rows }: Table): string =>
  `${MARK}${unparse({ fields: [...head], data: rows.map((row) => [...row]) }, { escapeFormulae: true })}\r\n`;
