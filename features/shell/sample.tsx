import { useRouter } from 'expo-router';
import { useState, useSyncExternalStore, type ReactNode } from 'react';
import { View } from 'react-native';
import { Provider } from 'react-redux';
import type { OjasStore } from '@/store/store';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { sampleStore } from '../data/demo';

/** The sample that is looked at, however often the screens are built anew over it; null for the teacher's own records. */
let shown: OjasStore | null = null;
const watching = new Set<() => void>();
const show = (store: OjasStore | null) => {
  shown = store;
  for (const look of watching) look();
};
const useSample = () =>
  useSyncExternalStore(
    (look) => {
      watching.add(look);
      return () => watching.delete(look);
    },
    () => shown,
  );

/** The teacher's own records, or the sample in their place for as long as it is looked at. */
export function OwnOrSample({
  own,
  children,
}: {
  readonly own: OjasStore;
  readonly children: ReactNode;
}) {
  const sample = useSample();
  return (
    <Provider key={sample ? 'sample' : 'own'} store={sample ?? own}>
      {children}
    </Provider>
  );
}

/** Offered where nothing was begun yet. */
export function LookAround() {
  const [missing, setMissing] = useState(false);
  const open = async () => {
    const store = await sampleStore().catch(() => null);
    if (store) show(store);
    else setMissing(true);
  };
  return (
    <>
      <Press onPress={open}>Look around in a sample</Press>
      {missing ? (
        <Words role="alert" className="text-rust">
          The sample could not be loaded. Try again when the app is reached.
        </Words>
      ) : null}
    </>
  );
}

/** Said as long as the sample is looked at, with the way back. */
export function InSample() {
  const isShown = useSample() !== null;
  const router = useRouter();
  if (!isShown) return null;
  return (
    <View
      role="status"
      className="flex-row flex-wrap items-center gap-3 border-b border-ochre bg-sheet px-4 py-2"
    >
      <Words className="flex-1">A sample, invented: try anything. Nothing done here is kept.</Words>
      <Press
        onPress={() => {
          router.replace('/');
          show(null);
        }}
      >
        Leave the sample
      </Press>
    </View>
  );
}
