import { useEffect, useState } from 'react';
import { selectSettings } from '@/store/selectors';
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

/** The whole app: its store, its storage, its frame. */
export function Root() {
  const store = openedStore();
  return (
    <WholeBoundary store={store}>
      <OwnOrSample own={store}>
        <Opening />
      </OwnOrSample>
    </WholeBoundary>
  );
}

function Opening() {
  const status = useOjas((state) => state.storage.status);
  const lost = useOjas((state) => state.storage.lost);
  const [filling, setFilling] = useState(fillingWithDemo);
  useEffect(() => void filling?.then(() => setFilling(null)), [filling]);
  const theme = useOjas((state) => selectSettings(state).theme);
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
