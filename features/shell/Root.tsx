import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { ErrorBoundary } from 'react-error-boundary';
import type { Settings } from '@/core/formats/book';
import { selectSettings } from '@/store/selectors';
import { Words } from '@/ui/Words';
import { bringPages, Lost } from '../pages/late';
import { useOjas } from '../hooks';
import { WholeBoundary } from './Boundary';
import { teachPatience } from './loadAgain';
import { keepOffline } from '../offline';
import { Unreachable, Waiting } from './Opening';
import { fillingWithDemo, openedStore } from './openedStore';
import { OwnOrSample } from './sample';
import { Frame, Shell } from './Shell';

const PAGES_AFTER_MS = 1500;
teachPatience(globalThis as unknown as Record<string, unknown>);

/** The whole app; a student's own phone that was sent a sheet shows that alone, and opens no book. */
export function Root() {
  return usePathname() === '/at-home' ? <SheetAlone /> : <OwnBook />;
}

/** What a student was sent, by itself. */
function SheetAlone() {
  useEffect(() => followTheme('system'), []);
  useEffect(() => {
    const later = setTimeout(keepOffline, PAGES_AFTER_MS);
    return () => clearTimeout(later);
  }, []);
  return (
    <View className="flex-1 bg-paper">
      <ErrorBoundary
        fallback={
          <Words role="alert" className="p-6">
            This sheet cannot be shown. Ask your teacher to show the code once more.
          </Words>
        }
      >
        <Slot />
      </ErrorBoundary>
    </View>
  );
}

/** The teacher's app: its store, its storage, its frame. */
function OwnBook() {
  const store = openedStore();
  return (
    <WholeBoundary store={store}>
      <OwnOrSample own={store}>
        <Opening />
      </OwnOrSample>
    </WholeBoundary>
  );
}

/** Shows the page light or dark, and goes on as the device does. */
function followTheme(theme: Settings['theme']): () => void {
  const dark = window.matchMedia('(prefers-color-scheme: dark)');
  const show = () =>
    document.documentElement.classList.toggle(
      'dark',
      theme === 'dark' || (theme === 'system' && dark.matches),
    );
  show();
  dark.addEventListener('change', show);
  return () => dark.removeEventListener('change', show);
}

function Opening() {
  const status = useOjas((state) => state.storage.status);
  const lost = useOjas((state) => state.storage.lost);
  const [filling, setFilling] = useState(fillingWithDemo);
  useEffect(() => void filling?.then(() => setFilling(null)), [filling]);
  const theme = useOjas((state) => selectSettings(state).theme);
  useEffect(() => followTheme(theme), [theme]);
  useEffect(() => {
    // The first screen has stood still for a moment by then; the next tap finds its page here.
    const later =
      status === 'open' || status === 'looking'
        ? setTimeout(() => {
            bringPages();
            keepOffline();
          }, PAGES_AFTER_MS)
        : undefined;
    return () => clearTimeout(later);
  }, [status]);
  if (status === 'unreachable') return <Unreachable />;
  if (status === 'lost' && lost) return <Lost mark={lost} />;
  if (status === 'opening' || (status === 'open' && filling))
    return (
      <Frame waits>
        <Waiting />
      </Frame>
    );
  return <Shell />;
}
