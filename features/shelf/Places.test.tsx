import { act, fireEvent, screen } from '@testing-library/react';
import { selectOwnShelf } from '@/store/selectors';
import { undo } from '@/store/store';
import { chooseFile, saveFile } from '../data/files';
import { show } from '../tests/onScreen';
import { ShelfScreen } from './ShelfScreen';

jest.mock('../data/files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const names = () => screen.getAllByRole('article').map((one) => one.getAttribute('aria-label'));
const file = (text: string) => {
  const bytes = new TextEncoder().encode(text);
  return { name: 'a.json', size: bytes.length, arrayBuffer: async () => bytes.buffer };
};
const givenFile = (text: string) => jest.mocked(chooseFile).mockResolvedValue(file(text) as never);

test('another shelf is made, used, and gone again with one undo', async () => {
  const { store, state } = await show(<ShelfScreen />);
  const main = names();
  await press('Another shelf');
  fireEvent.change(screen.getByRole('textbox', { name: /^Name of the shelf/ }), {
    target: { value: 'Parish hall' },
  });
  fireEvent.click(screen.getByRole('radio', { name: 'A flat' }));
  await press('Make this shelf');
  expect(names()).toContain('Books');
  expect(names()).not.toEqual(main);
  await act(async () => void fireEvent.click(screen.getByRole('radio', { name: 'Main shelf' })));
  expect(names()).toEqual(main);
  await act(async () => void fireEvent.click(screen.getByRole('radio', { name: 'Parish hall' })));
  await press('Forget Parish hall');
  expect(names()).toEqual(main);
  expect(Object.values(state().shelf)).toHaveLength(main.length);
  await act(async () => void (await store.dispatch(undo())));
  expect(selectOwnShelf(state()).some(({ kind }) => kind === 'books')).toBe(true);
});

test('a shelf goes out as a file and comes in from one; a bad file is refused by its field', async () => {
  const { state } = await show(<ShelfScreen />);
  const before = selectOwnShelf(state()).length;
  await press('Save as a file');
  const text = jest.mocked(saveFile).mock.calls[0]![1].join('');
  expect(JSON.parse(text)).toMatchObject({ format: 'ojas-shelf/1' });
  givenFile(text);
  await press('Take in a file');
  expect(selectOwnShelf(state())).toHaveLength(2 * before);
  expect(new Set(Object.keys(state().shelf)).size).toBe(2 * before);
  for (const [bad, says] of [
    ['{"format":', /not whole JSON/],
    [text.replace('"count": ', '"count": -'), /shelf\[0\]\.count/],
    ['{"format":"other/1","shelf":[]}', /expected "ojas-shelf\/1"/],
  ] as const) {
    givenFile(bad);
    await press('Take in a file');
    expect(screen.getByRole('alert')).toHaveTextContent(says);
  }
  expect(selectOwnShelf(state())).toHaveLength(2 * before);
});
