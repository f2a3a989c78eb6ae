import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { samplePerson } from '@/core/tests/samples';
import { bookOf } from '@/core/formats/bookText';
import { commit, factsOf } from '@/store/store';
import { MoreScreen } from '../settings/MoreScreen';
import { ReckoningScreen } from '../settings/ReckoningScreen';
import { show } from '../tests/onScreen';
import { beginAtFirstPage } from './beginAtFirstPage';
import { DataScreen } from './DataScreen';
import { isSealed, sealed, unsealed } from '@/workers/seal';
import { chooseFile, saveFile } from './files';

jest.mock('@/workers/seal', () => ({
  isSealed: jest.fn(async () => false),
  sealed: jest.fn(),
  unsealed: jest.fn(),
}));
jest.mock('./beginAtFirstPage', () => ({ beginAtFirstPage: jest.fn() }));
jest.mock('./files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

/** Chooses a file of this text. */
async function choose(name: string, text: string): Promise<void> {
  jest.mocked(chooseFile).mockResolvedValueOnce({
    name,
    size: text.length,
    arrayBuffer: async () => new TextEncoder().encode(text).buffer as ArrayBuffer,
  } as File);
  fireEvent.click(screen.getByRole('button', { name: 'Restore a backup' }));
  await screen.findByText(new RegExp(name.replace('.', '\\.')));
}

test('a foreign file is refused with its place, and nothing changes', async () => {
  const { state } = await show(<DataScreen />);
  const before = factsOf(state());
  await choose('other.json', '{"format":"someone-else/3"}');
  expect(
    screen.getByText('other.json was not taken in; nothing stored has changed.'),
  ).toBeInTheDocument();
  expect(screen.getByText(/expected "ojas-book\/1"/)).toBeInTheDocument();
  expect(factsOf(state())).toEqual(before);
});

test('a file far too large is not even read', async () => {
  await show(<DataScreen />);
  jest.mocked(chooseFile).mockResolvedValueOnce({
    name: 'huge.json',
    size: 5e9,
    arrayBuffer: () => Promise.reject(new Error('read')),
  } as unknown as File);
  fireEvent.click(screen.getByRole('button', { name: 'Restore a backup' }));
  expect(await screen.findByText(/5000 MB is more than a backup can be/)).toBeInTheDocument();
});

test('new records come in, and those that differ only when asked', async () => {
  const { state } = await show(<DataScreen />);
  const book = bookOf(factsOf(state()));
  await choose(
    'theirs.json',
    JSON.stringify({
      ...book,
      people: [
        { ...book.people[0], name: 'Renamed There' },
        samplePerson({ id: 'p7', name: 'New There' }),
      ],
    }),
  );
  expect(
    screen.getByText(/theirs\.json: 1 new, \d+ the same as here, 1 that differ/),
  ).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Take in, as chosen' }));
  await waitFor(() => expect(state().people.p7?.name).toBe('New There'));
  expect(state().people.p1?.name).toBe('Wren Sample');
  await choose(
    'theirs.json',
    JSON.stringify({ ...book, people: [{ ...book.people[0], name: 'Renamed There' }] }),
  );
  fireEvent.click(screen.getByRole('button', { name: 'Take in all, replacing 1' }));
  await waitFor(() => expect(state().people.p1?.name).toBe('Renamed There'));
});

test('a field that both sides changed is chosen by itself, and what one removed is asked', async () => {
  const { store, state } = await show(<DataScreen />);
  const book = bookOf(factsOf(state()));
  await act(
    async () =>
      void (await store.dispatch(
        commit({ words: 'x', put: [], remove: [{ kind: 'readings', id: 'l' }] }),
      )),
  );
  await choose(
    'theirs.json',
    JSON.stringify({
      ...book,
      people: [{ ...book.people[0], name: 'Renamed There', statureCm: 181 }],
      gone: [{ id: 'readings/r', at: '2026-03-01' }],
      readings: book.readings.filter(({ id }) => id !== 'r'),
    }),
  );
  const which = (field: string) =>
    within(screen.getByRole('radiogroup', { name: `Wren Sample, ${field}: which stands` }));
  fireEvent.click(which('Height').getByRole('radio', { name: 'As in the backup' }));
  expect(which('Name').getByRole('radio', { name: 'As here' })).toBeChecked();
  const tick = (group: string) =>
    fireEvent.click(within(screen.getByRole('group', { name: group })).getByRole('checkbox'));
  tick('Removed here, still in the backup');
  tick('Removed there, still here');
  fireEvent.click(screen.getByRole('button', { name: 'Take in, as chosen' }));
  await waitFor(() => expect(state().people.p1?.statureCm).toBe(181));
  expect(state().people.p1?.name).toBe('Wren Sample');
  expect(Object.keys(state().readings)).toEqual(['l']);
});

test('choosing no file leaves everything as it is', async () => {
  const { state } = await show(<DataScreen />);
  const before = factsOf(state());
  jest.mocked(chooseFile).mockResolvedValueOnce(null);
  fireEvent.click(screen.getByRole('button', { name: 'Restore a backup' }));
  await waitFor(() => expect(chooseFile).toHaveBeenCalled());
  expect(factsOf(state())).toEqual(before);
});

test('settings are facts: stored, and undone like any other', async () => {
  const { state } = await show(<MoreScreen />);
  fireEvent.click(screen.getByRole('radio', { name: 'Inches' }));
  await waitFor(() => expect(state().settings.settings?.units).toBe('in'));
  expect(state().undo.offered?.words).toBe('Lengths in inches');
});

test('every number that is assumed is shown with where it comes from', async () => {
  await show(<ReckoningScreen />);
  expect(screen.getByText('Sit allowance:', { exact: false })).toHaveTextContent('19 ± 5');
  expect(screen.getAllByText(/starting value/).length).toBeGreaterThan(40);
});

describe('a table from a spreadsheet', () => {
  const openTable = async (text: string) => {
    jest.mocked(chooseFile).mockResolvedValueOnce({
      name: 'readings.csv',
      size: text.length,
      arrayBuffer: async () => new TextEncoder().encode(text).buffer as ArrayBuffer,
    } as File);
    fireEvent.click(screen.getByRole('button', { name: 'Take in a table' }));
    await screen.findByText(/readings\.csv/);
  };
  const lengthOf = (records: object) => Object.keys(records).length;

  test('brings what can be read once it is agreed, and tells what cannot by row and column', async () => {
    const { state } = await show(<DataScreen />);
    const [person] = Object.values(state().people);
    const before = lengthOf(state().readings);
    await openTable(
      `student;date;range;side;value\n${person!.name};3/2/2020;Hamstring;left;71,5\n${person!.name};4/2/2020;Wings;left;3\n`,
    );
    expect(screen.getByText(/1 new, 0 here already, 1 that cannot be read/)).toBeInTheDocument();
    expect(screen.getByText('“Wings” is no range that is known here.')).toBeInTheDocument();
    expect(screen.getByText('row 3, range:')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Say how its days are written' })).toBeDisabled();
    fireEvent.click(screen.getByRole('radio', { name: 'Month, then day' }));
    fireEvent.click(screen.getByRole('radio', { name: 'Tape' }));
    fireEvent.click(screen.getByRole('radio', { name: 'By eye' }));
    expect(lengthOf(state().readings)).toBe(before);
    fireEvent.click(screen.getByRole('button', { name: 'Take in the 1 that can be read' }));
    expect(await screen.findByText('One line of readings.csv taken in.')).toBeInTheDocument();
    expect(Object.values(state().readings).at(-1)).toMatchObject({
      at: '2020-03-02',
      range: 'hamstring',
      method: 'by-eye',
      values: [71.5],
    });
  });

  test('that is none of ours is refused, and nothing changes', async () => {
    const { state } = await show(<DataScreen />);
    const before = factsOf(state());
    await openTable('fruit,colour\napple,red\n');
    expect(screen.getByText(/columns are missing: student, day, range\./)).toBeInTheDocument();
    expect(factsOf(state())).toEqual(before);
  });
});

describe('a locked backup', () => {
  const tick = () => fireEvent.click(screen.getByRole('checkbox', { name: /Locked/ }));
  const press = (name: string) =>
    act(async () => void fireEvent.click(screen.getByRole('button', { name })));
  const enter = (text: string) =>
    fireEvent.change(screen.getByLabelText(/^Passphrase/), { target: { value: text } });

  test('goes out only with a passphrase that is long enough, and says so where it fails', async () => {
    await show(<DataScreen />);
    tick();
    enter('too short');
    expect(screen.getByRole('button', { name: 'Save a backup' })).toBeDisabled();
    enter('long enough to keep');
    jest.mocked(saveFile).mockClear();
    jest.mocked(sealed).mockResolvedValueOnce(null);
    await press('Save a backup');
    expect(await screen.findByRole('alert')).toHaveTextContent('nothing was saved');
    expect(saveFile).not.toHaveBeenCalled();
    jest.mocked(sealed).mockResolvedValueOnce(new Blob(['locked']));
    await press('Save a backup');
    expect(jest.mocked(sealed).mock.calls.at(-1)![1]).toBe('long enough to keep');
    expect(jest.mocked(saveFile).mock.calls.at(-1)![0]).toMatch(/\.json\.age$/);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('tells a wrong passphrase from a damaged file, and reads what it opens', async () => {
    const { state } = await show(<DataScreen />);
    const text = JSON.stringify(bookOf(factsOf(state())));
    const file = { name: 'book.age', size: 10 } as File;
    jest.mocked(isSealed).mockResolvedValueOnce(true);
    jest.mocked(chooseFile).mockResolvedValueOnce(file);
    await press('Restore a backup');
    for (const [answer, words] of [
      ['passphrase', /does not open by this passphrase/],
      ['damaged', /damaged or was cut short/],
    ] as const) {
      jest.mocked(unsealed).mockResolvedValueOnce(answer);
      enter('some passphrase');
      await press('Open it');
      expect(await screen.findByText(words)).toBeInTheDocument();
    }
    jest.mocked(unsealed).mockResolvedValueOnce({
      size: text.length,
      arrayBuffer: async () => new TextEncoder().encode(text).buffer as ArrayBuffer,
    } as Blob);
    enter('some passphrase');
    await press('Open it');
    expect(await screen.findByText(/book\.age: 0 new, \d+ the same as here/)).toBeInTheDocument();
  });
});

test('everything is erased only by the word, and the page begins anew', async () => {
  const { state } = await show(<DataScreen />);
  const erase = () => screen.getByRole('button', { name: 'Erase everything' });
  expect(erase()).toBeDisabled();
  fireEvent.change(screen.getByLabelText(/^Write “erase”/), { target: { value: 'Erase ' } });
  await act(async () => void fireEvent.click(erase()));
  expect(beginAtFirstPage).toHaveBeenCalledTimes(1);
  expect(state().storage.fault).toBeNull();
});
