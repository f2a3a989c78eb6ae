import { parse, unparse } from 'papaparse';
import type { Rows } from '@/core/formats/tablesIn';
import type { Table } from '@/core/formats/tables';

/** Tells a spreadsheet that names are in UTF-8. */
const MARK = '\ufeff';

/**
 * A table as comma separated values. What a spreadsheet would run as a formula begins with an apostrophe, so that it
 * stays what was written; numbers stay numbers.
 */
export const csvOf = ({ head, rows }: Table): string =>
  `${MARK}${unparse({ fields: [...head], data: rows.map((row) => [...row]) }, { escapeFormulae: true })}\r\n`;

/** The rows of a file whose cells are parted by commas, semicolons or tabs. */
export const rowsOf = (text: string): Rows =>
  parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimitersToGuess: [',', ';', '\t'],
  }).data;

/** The text of a file: in UTF-8, or as older spreadsheets write it. */
export function textOf(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
