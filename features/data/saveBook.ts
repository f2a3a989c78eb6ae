import { bookOf, bookParts, eachPart, recordsIn } from '@/core/formats/bookText';
import { bookOfOne } from '@/core/formats/oneStudent';
import { sealed } from '@/workers/seal';
import { storedBook } from '@/workers/stored/storedBook';
import { bookExported, factsOf, rawTexts, whenArrived, type Thunk } from '@/store/store';
import { nowIso, todayIso } from '../hooks';
import { inFileName } from './fileName';
import { saveFile } from './files';

const JSON_TYPE = 'application/json';
const fileName = () => `ojas-book-${todayIso()}.json`;

/** Work of so long is done before the screen is let draw. */
const AT_ONCE_MS = 40;
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

/**
 * Hands the whole book to the person as a file, part by part; `told` hears how many records are written, of how many.
 *
 * @param passphrase locks it, in the open age format.
 * @returns whether it was saved.
 */
export const saveBook =
  (
    told: (done: number, of: number) => void = () => undefined,
    passphrase?: string,
  ): Thunk<Promise<boolean>> =>
  async (dispatch, getState) => {
    await dispatch(whenArrived());
    const book = bookOf(
      factsOf(getState()),
      getState().storage.setAside.map(({ of }) => of),
    );
    const of = recordsIn(book);
    const parts: Blob[] = [];
    let [done, since] = [0, performance.now()];
    for (const part of eachPart(book)) {
      // Handed over to the browser as it is written: the text need not stay.
      parts.push(new Blob([part]));
      done += part.split('\n').length - 1;
      if (performance.now() - since < AT_ONCE_MS) continue;
      told(Math.min(done, of), of);
      await breathe();
      since = performance.now();
    }
    if (passphrase === undefined) saveFile(fileName(), parts, JSON_TYPE);
    else {
      told(0, 0);
      const locked = await sealed(new Blob(parts), passphrase);
      if (!locked) return false;
      saveFile(`${fileName()}.age`, [locked], 'application/octet-stream');
    }
    dispatch(bookExported(nowIso()));
    return true;
  };

/** One student's record as a file of its own, with or without the answers on health; the names of others stay here. */
export const saveStudent =
  (person: string, withAnswers: boolean): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    await dispatch(whenArrived());
    const book = bookOfOne(bookOf(factsOf(getState())), person, withAnswers);
    const [one] = book?.people ?? [];
    if (!book || !one) return;
    saveFile(`ojas-${inFileName(one.name)}-${todayIso()}.json`, bookParts(book), JSON_TYPE);
  };

/** The whole book straight from storage, for when what is on screen is not to be trusted. */
export const saveStoredBook = (): Thunk<Promise<void>> => async (dispatch) => {
  saveFile(fileName(), bookParts(storedBook(await dispatch(rawTexts()))), JSON_TYPE);
};
