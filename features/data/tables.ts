import { bookOf } from '@/core/formats/bookText';
import { tableOf, type TableId } from '@/core/formats/tables';
import { factsOf, whenArrived, type Thunk } from '@/store/store';
import { todayIso } from '../hooks';
import { saveFile } from './files';

/** Hands a table of all records to the person, as a file that spreadsheets open. */
export const saveTable =
  (id: TableId): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    await dispatch(whenArrived());
    const { csvOf } = await import('./csv');
    const text = csvOf(tableOf(bookOf(factsOf(getState())), id));
    saveFile(`ojas-${id}-${todayIso()}.csv`, [text], 'text/csv');
  };
