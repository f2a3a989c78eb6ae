import { bookOf } from '@/core/formats/bookText';
import { tableOf, type Table, type TableId } from '@/core/formats/tables';
import { factsOf, whenArrived, type Thunk } from '@/store/store';
import { todayIso } from '../hooks';
import { saveFile } from './files';
import { csvOf } from './lateCsv';

/** Hands a table to the person as a file. */
export async function saveCsv(name: string, table: Table): Promise<void> {
  saveFile(`${name}.csv`, [await csvOf(table)], 'text/csv');
}

/** Hands a table of all records to the person, as a file that spreadsheets open. */
export const saveTable =
  (id: TableId): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    await dispatch(whenArrived());
    await saveCsv(`ojas-${id}-${todayIso()}`, tableOf(bookOf(factsOf(getState())), id));
  };
