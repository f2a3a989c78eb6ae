import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { storageFaultDismissed, undo, undoDismissed } from '@/store/store';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useOjas, useOjasDispatch } from '../hooks';
import { takeNewer, useOffline } from '../offline';

const UNDO_SECONDS = 12;

/** A newer version that waits; it is told until it is put off for this time. */
function Newer() {
  const { newer } = useOffline();
  const [later, setLater] = useState<ServiceWorker | null>(null);
  if (!newer || newer === later) return null;
  return (
    <View
      role="status"
      className="my-2 w-full max-w-xl flex-row flex-wrap items-center gap-3 rounded-md border border-line bg-sheet px-3 py-2"
    >
      <Words className="flex-1">A newer Ojas is here.</Words>
      <Press onPress={takeNewer}>Take it</Press>
      <Press kind="quiet" onPress={() => setLater(newer)}>
        Later
      </Press>
    </View>
  );
}

/** What was just done, with its undo; what could not be stored; and that a newer version waits, while nothing runs. */
export function Notices({ isBusy }: { readonly isBusy: boolean }) {
  const dispatch = useOjasDispatch();
  const offered = useOjas((state) => state.undo.offered);
  const fault = useOjas((state) => state.storage.fault);
  useEffect(() => {
    if (offered === null) return;
    const timer = setTimeout(() => dispatch(undoDismissed()), UNDO_SECONDS * 1000);
    return () => clearTimeout(timer);
  }, [offered, dispatch]);
  return (
    <View className="items-center gap-2 px-3">
      {isBusy ? null : <Newer />}
      {fault ? (
        <View
          role="alert"
          className="my-2 w-full max-w-xl flex-row items-center gap-3 rounded-md border border-rust bg-sheet px-3 py-2"
        >
          <Words className="flex-1 text-rust">{fault}</Words>
          <Press kind="quiet" onPress={() => dispatch(storageFaultDismissed())}>
            Close
          </Press>
        </View>
      ) : null}
      <View role="status" aria-live="polite" className="w-full max-w-xl">
        {offered ? (
          <View className="my-2 flex-row items-center gap-3 rounded-md border border-line bg-ink px-4 py-1">
            <Words className="flex-1 text-paper">{offered.words}</Words>
            <Press className="my-1" onPress={() => dispatch(undo(offered.seq))}>
              Undo
            </Press>
          </View>
        ) : null}
      </View>
    </View>
  );
}
