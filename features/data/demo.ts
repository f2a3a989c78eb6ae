import { checkBook } from '@/core/formats/check';
import { shiftBook } from '@/core/formats/shift';
import { factsOfBook } from '@/core/formats/bookText';
import { inOrder } from '@/store/locks';
import { HeldStorage } from '@/store/storage';
import {
  commit,
  createStore,
  openStorage,
  undoDismissed,
  type OjasStore,
  type Thunk,
} from '@/store/store';
import { todayIso } from '../hooks';

/** The sample book lies beside the app. */
const SAMPLE_ADDRESS = '/sample.json';

/** The server of the demo says in the page that an empty app begins with the sample book. */
export const namesDemo = (): boolean => document.querySelector('meta[name="ojas-demo"]') !== null;

/** The last evening of the sample book falls this many days before today. */
const DAYS_AGO = 3;

/** The sample book, its last evening a few days ago; null where it cannot be had. */
async function sampleBook() {
  const answer = await fetch(SAMPLE_ADDRESS);
  const checked = answer.ok ? checkBook(await answer.json(), todayIso()) : null;
  return checked?.ok ? shiftBook(checked.value, todayIso(), DAYS_AGO) : null;
}

/** Fills a store with the sample book; whether it could. */
const fillWithSample = (): Thunk<Promise<boolean>> => async (dispatch) => {
  const book = await sampleBook();
  if (!book) return false;
  await dispatch(commit({ words: 'Sample records loaded', put: factsOfBook(book), remove: [] }));
  dispatch(undoDismissed());
  return true;
};

/** Fills an empty app with the sample book where the page says so. */
export const openDemo = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  const { people, shelf, storage } = getState();
  const isEmpty = Object.keys(people).length === 0 && Object.keys(shelf).length === 0;
  if (namesDemo() && storage.status === 'open' && storage.left === 0 && isEmpty)
    await dispatch(fillWithSample());
};

/** The sample book in a store of its own, which nothing outlives; null where it cannot be had. */
export async function sampleStore(): Promise<OjasStore | null> {
  const store = createStore(new HeldStorage(), { lock: inOrder() });
  await store.dispatch(openStorage());
  return (await store.dispatch(fillWithSample())) ? store : null;
}
