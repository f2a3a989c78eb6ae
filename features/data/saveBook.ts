import { bookOf, bookParts } from '@/core/formats/bookText';
import { storedBook } from '@/workers/stored/storedBook';
import { bookExported, factsOf, rawTexts, whenArrived, type Thunk } from '@/store/store';
import { nowIso, todayIso } from '../hooks';
import { saveFile } from './files';

const JSON_TYPE = 'application/json';
const fileName = () => `ojas-book-${todayIso()}.json`;

/** Hands the whole book to the person as a file. */
export const saveBook = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  await dispatch(whenArrived());
  saveFile(
    fileName(),
    bookParts(
      bookOf(
        factsOf(getState()),
        getState().storage.setAside.map(({ of }) => of),
      ),
    ),
    JSON_TYPE,
  );
  dispatch(bookExported(nowIso()));
};

/** The same straight from storage, for when what is on screen is not to be trusted. */
export const saveStoredBook = (): Thunk<Promise<void>> => async (dispatch) => {
  saveFile(fileName(), bookParts(storedBook(await dispatch(rawTexts()))), JSON_TYPE);
};
