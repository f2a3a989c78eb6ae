import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Provider } from 'react-redux';
import { selectSettings } from '@/store/selectors';
import { createStore, followOtherTabs, openStorage } from '@/store/store';
import { Words } from '@/ui/Words';
import { openDemo } from '../data/demo';
import { useOjas, useOjasDispatch } from '../hooks';
import { Shell } from './Shell';

/** The whole app: its store, its storage, its frame. */
export function Root() {
  const [store] = useState(() => createStore(createAsyncStorage('ojas')));
  return <Provider store={store}><Opening /></Provider>;
}

function Opening() {
  const dispatch = useOjasDispatch();
  const opened = useOjas((state) => state.storage.opened);
  const theme = useOjas((state) => selectSettings(state).theme);
  useEffect(() => {
    followOtherTabs(dispatch);
    // Asked once: a browser short of space then leaves this book alone. Where it says no, the book is kept all the same until then.
    void navigator.storage?.persist?.().catch(() => false);
    void dispatch(openStorage()).then(() => dispatch(openDemo()));
  }, [dispatch]);
  useEffect(() => {
    const dark = window.matchMedia('(prefers-color-scheme: dark)');
    const show = () => document.documentElement.classList.toggle('dark', theme === 'dark' || (theme === 'system' && dark.matches));
    show();
    dark.addEventListener('change', show);
    return () => dark.removeEventListener('change', show);
  }, [theme]);
  if (!opened) return <View className="flex-1 items-center justify-center bg-paper"><Words role="status">Opening the book…</Words></View>;
  return <Shell />;
}
