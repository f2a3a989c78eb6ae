import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { copyBook, readRecords } from '@/workers/records';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Provider } from 'react-redux';
import { selectSettings } from '@/store/selectors';
import { browserSpare, COPY_ADDRESS, COPY_CACHE } from '@/store/spare';
import { createStore, followOtherTabs, openStorage } from '@/store/store';
import { takeTab } from '@/store/tab';
import { Words } from '@/ui/Words';
import { openDemo } from '../data/demo';
import { bringPages } from '../pages/late';
import { useOjas, useOjasDispatch } from '../hooks';
import { WholeBoundary } from './Boundary';
import { teachPatience } from './loadAgain';
import { Lost, Unreachable } from './NoBook';
import { Shell } from './Shell';

const DATABASE = 'ojas';
const PAGES_AFTER_MS = 1500;
const openedStore = () =>
  createStore(createAsyncStorage(DATABASE), {
    tab: takeTab,
    spare: browserSpare(() => copyBook(DATABASE, COPY_CACHE, COPY_ADDRESS)),
    readRest: (keys, people, take) => readRecords(DATABASE, keys, people, take),
  });
teachPatience(globalThis as unknown as Record<string, unknown>);

/** The whole app: its store, its storage, its frame. */
export function Root() {
  const [store] = useState(openedStore);
  return (
    <WholeBoundary store={store}>
      <Provider store={store}>
        <Opening />
      </Provider>
    </WholeBoundary>
  );
}

function Opening() {
  const dispatch = useOjasDispatch();
  const status = useOjas((state) => state.storage.status);
  const lost = useOjas((state) => state.storage.lost);
  const theme = useOjas((state) => selectSettings(state).theme);
  useEffect(() => {
    dispatch(followOtherTabs());
    // Asked once: a browser short of space then leaves this book alone. Where it says no, the book is kept all the same until then.
    void navigator.storage?.persist?.().catch(() => false);
    void dispatch(openStorage()).then(() => dispatch(openDemo()));
  }, [dispatch]);
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const show = () =>
      document.documentElement.classList.toggle(
        'dark',
        theme === 'dark' || (theme === 'system' && dark.matches),
      );
    show();
    dark.addEventListener('change', show);
    return () => dark.removeEventListener('change', show);
  }, [theme]);
  useEffect(() => {
    // The first screen has stood still for a moment by then; the next tap finds its page here.
    const later = status === 'open' ? setTimeout(bringPages, PAGES_AFTER_MS) : undefined;
    return () => clearTimeout(later);
  }, [status]);
  if (status === 'unreachable') return <Unreachable />;
  if (status === 'lost' && lost) return <Lost mark={lost} />;
  if (status !== 'open')
    return (
      <View className="flex-1 items-center justify-center bg-paper">
        <Words role="status">Opening the book…</Words>
      </View>
    );
  return <Shell />;
}
