import { checkBook } from '@/core/formats/check';
import { shiftBook } from '@/core/formats/shift';
import { factsOfBook } from '@/core/formats/bookText';
import { commit, undoDismissed, type Thunk } from '@/store/store';
import { todayIso } from '../hooks';

/** The server of the demo names the sample book in the page; any other host of the app does not. */
const demoBook = () => document.querySelector<HTMLMetaElement>('meta[name="ojas-demo"]')?.content;

/** Whether the page names a sample book. */
export const namesDemo = (): boolean => Boolean(demoBook());

/** The last evening of the sample book falls this many days before today. */
const DAYS_AGO = 3;

/** Fills an empty app with the sample book where the page names one. */
export const openDemo = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  const address = demoBook();
  const { people, shelf, storage } = getState();
  if (
    !address ||
    storage.status !== 'open' ||
    storage.left > 0 ||
    Object.keys(people).length > 0 ||
    Object.keys(shelf).length > 0
  )
    return;
  const answer = await fetch(address);
  if (!answer.ok) return;
  const checked = checkBook(await answer.json(), todayIso());
  if (!checked.ok) return;
  await dispatch(
    commit({
      words: 'Sample book loaded',
      put: factsOfBook(shiftBook(checked.value, todayIso(), DAYS_AGO)),
      remove: [],
    }),
  );
  dispatch(undoDismissed());
};
