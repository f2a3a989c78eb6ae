import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { copyBook, readRecords } from '@/workers/records';
import { browserSpare, COPY_ADDRESS, COPY_CACHE } from '@/store/spare';
import { createStore, followOtherTabs, openStorage, type OjasStore } from '@/store/store';
import { takeTab } from '@/store/tab';
import { namesDemo, openDemo } from '../data/demo';

const DATABASE = 'ojas';
let opened: OjasStore | null = null;
let filled: Promise<void> | null = null;

/**
 * The store of this document: made once and opened once, however often the screens are built anew over it. A second one
 * would be another window to the first, and keep it from its session.
 */
export function openedStore(): OjasStore {
  if (opened) return opened;
  opened = createStore(createAsyncStorage(DATABASE), {
    tab: takeTab,
    spare: browserSpare((onPurpose) => copyBook(DATABASE, COPY_CACHE, COPY_ADDRESS, onPurpose)),
    readRest: (keys, people, take) => readRecords(DATABASE, keys, people, take),
  });
  const { dispatch } = opened;
  dispatch(followOtherTabs());
  // Asked once: a browser short of space then leaves this book alone. Where it says no, the book is kept all the same
  // until then.
  void navigator.storage?.persist?.().catch(() => false);
  filled = dispatch(openStorage())
    .then(() => dispatch(openDemo()))
    // Without the sample book the app is an empty one.
    .catch(() => undefined);
  return opened;
}

/** The sample book on its way in, where the page names one: until then nobody knows that there is no book. */
export const fillingWithDemo = (): Promise<void> | null => (namesDemo() ? filled : null);
