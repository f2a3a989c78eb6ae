import { act, fireEvent, render, screen } from '@testing-library/react';
import { Provider } from 'react-redux';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { commit, createStore, openStorage } from '@/store/store';
import { Memory } from '@/store/tests/memory';
import { saveFile } from '../data/files';
import { PlaceBoundary, WholeBoundary } from './Boundary';
import { show } from '../tests/onScreen';
import { Shortcuts } from './Shortcuts';
import { loadWithPatience, partsWaiting, tryPartsNow } from './loadAgain';

jest.mock('../data/files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

let broken = true;
function Breaks() {
  if (broken) throw new Error('a fault of ours');
  return <p>All is well</p>;
}

const filled = async () => {
  const store = createStore(new Memory());
  await store.dispatch(openStorage());
  await store.dispatch(commit({ words: 'x', put: [put('people', samplePerson())], remove: [] }));
  return store;
};

describe('a fault', () => {
  beforeEach(() => {
    broken = true;
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    jest.mocked(saveFile).mockClear();
  });
  afterEach(() => jest.restoreAllMocks());

  test('in a place is kept to that place, with the book within reach, and can be left behind', async () => {
    render(
      <Provider store={await filled()}>
        <PlaceBoundary>
          <Breaks />
        </PlaceBoundary>
      </Provider>,
    );
    expect(screen.getByRole('heading', { name: 'This place cannot be shown' })).toBeInTheDocument();
    expect(screen.getByText('What was said: a fault of ours')).toBeInTheDocument();
    await act(
      async () => void fireEvent.click(screen.getByRole('button', { name: 'Save a backup' })),
    );
    expect(jest.mocked(saveFile).mock.calls[0]?.[1].join('')).toMatch('Wren Sample');
    broken = false;
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(screen.getByText('All is well')).toBeInTheDocument();
  });

  test('in the whole leaves a way to save the book, whatever is on screen', async () => {
    render(
      <WholeBoundary store={await filled()}>
        <Breaks />
      </WholeBoundary>,
    );
    expect(screen.getByRole('heading', { name: 'Ojas cannot be shown' })).toBeInTheDocument();
    await act(
      async () => void fireEvent.click(screen.getByRole('button', { name: 'Save a backup' })),
    );
    expect(jest.mocked(saveFile).mock.calls[0]?.[1].join('')).toMatch('Wren Sample');
  });
});

test('a part that does not load is tried again, then said, and shown once it is there', async () => {
  jest.useFakeTimers();
  try {
    let fails = 6;
    const load = jest.fn(async () => {
      if (fails-- > 0) throw new Error('offline');
    });
    let there = false;
    void loadWithPatience(load).then(() => {
      there = true;
    });
    await jest.advanceTimersByTimeAsync(6500);
    expect([load.mock.calls.length, partsWaiting(), there]).toEqual([4, 1, false]);
    tryPartsNow();
    await jest.advanceTimersByTimeAsync(0);
    expect(load).toHaveBeenCalledTimes(5);
    await jest.advanceTimersByTimeAsync(40_000);
    expect([partsWaiting(), there]).toEqual([0, true]);
  } finally {
    jest.useRealTimers();
  }
});

test('keys: ? lists them, the list closes, and nothing happens while something is typed', async () => {
  await show(
    <>
      <Shortcuts />
      <input aria-label="typed" />
    </>,
  );
  const key = (value: string, at: Element = document.body) =>
    act(
      async () => void fireEvent.keyDown(at, { key: value, code: value === '?' ? 'Slash' : value }),
    );
  await key('?', screen.getByRole('textbox', { name: 'typed' }));
  expect(screen.queryByRole('dialog')).toBeNull();
  await key('?');
  expect(screen.getByRole('dialog', { name: 'Keys' })).toHaveTextContent(/wWeek/);
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Close' })));
  expect(screen.queryByRole('dialog')).toBeNull();
});
