import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Aside, Title, Words } from '@/ui/Words';
import type { OjasStore } from '@/store/store';
import { saveStoredBook } from '../data/saveBook';
import { useOjasDispatch } from '../hooks';

const said = (error: unknown) => (error instanceof Error ? error.message : String(error));

/** Keeps a fault in one place of the app to that place; going elsewhere leaves it behind. */
export function PlaceBoundary({ children }: { readonly children: ReactNode }) {
  const path = usePathname();
  return (
    <ErrorBoundary FallbackComponent={PlaceFault} resetKeys={[path]}>
      {children}
    </ErrorBoundary>
  );
}

function PlaceFault({ error, resetErrorBoundary }: FallbackProps) {
  const dispatch = useOjasDispatch();
  return (
    <Screen title="This place cannot be shown">
      <Words role="alert">
        Something here could not be worked out. Nothing stored has changed, and the other places go
        on working.
      </Words>
      <Press kind="main" onPress={resetErrorBoundary}>
        Try again
      </Press>
      <Press onPress={() => dispatch(saveStoredBook())}>Save a backup</Press>
      <Aside>What was said: {said(error)}</Aside>
    </Screen>
  );
}

/**
 * The last net: whatever breaks, the book can be saved and the app loaded anew. It leans on nothing but the storage.
 */
export function WholeBoundary({
  store,
  children,
}: {
  readonly store: OjasStore;
  readonly children: ReactNode;
}) {
  return (
    <ErrorBoundary
      fallbackRender={({ error }) => (
        <View role="main" className="flex-1 items-center justify-center gap-4 bg-paper p-6">
          <Title level={1}>Ojas cannot be shown</Title>
          <Words role="alert">Something could not be worked out. Nothing stored has changed.</Words>
          <Press kind="main" onPress={() => window.location.assign('/')}>
            Load it anew
          </Press>
          <Press onPress={() => store.dispatch(saveStoredBook())}>Save a backup</Press>
          <Aside>What was said: {said(error)}</Aside>
        </View>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
