import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { samplePerson, sampleReading, sampleShelf } from '@/core/tests/samples';
import { put, type Fact } from '@/store/facts';
import {
  commit,
  createStore,
  openStorage,
  undoDismissed,
  type OjasStore,
  type RootState,
} from '@/store/store';
import { todayIso } from '../hooks';
import { Memory } from '@/store/tests/memory';

export const today = todayIso;

/** A student with both knees read, on a usual shelf. */
export const usualFacts = (): Fact[] => [
  put('people', samplePerson()),
  ...sampleShelf.map((item) => put('shelf', item)),
  put('readings', sampleReading({ id: 'l', values: [128, 130], at: today() })),
  put('readings', sampleReading({ id: 'r', side: 'right', values: [134, 133], at: today() })),
];

export interface Shown {
  readonly store: OjasStore;
  readonly state: () => RootState;
}

/** Shows a screen over a store with these facts. */
export async function show(
  screen: ReactElement,
  facts: readonly Fact[] = usualFacts(),
  options: Parameters<typeof createStore>[1] = {},
): Promise<Shown> {
  const store = createStore(new Memory(), options);
  await store.dispatch(openStorage());
  await store.dispatch(commit({ words: 'set up', put: facts, remove: [] }));
  store.dispatch(undoDismissed());
  render(<Provider store={store}>{screen}</Provider>);
  return { store, state: () => store.getState() as RootState };
}
