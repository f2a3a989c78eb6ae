import { act, fireEvent, screen } from '@testing-library/react';
import type { HomeLog } from '@/core/advise/homeLog';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { undo } from '@/store/store';
import { chooseFile } from '../data/files';
import { show, today, usualFacts } from '../tests/onScreen';
import { DoneAtHomeScreen } from './DoneAtHomeScreen';
import { homeLogFile, homeLogText } from './phone/link';

jest.mock('../data/files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

const at = `${today()}T00:00:00Z`;
const log: HomeLog = {
  sheet: 'sheet-1',
  name: 'Maya',
  done: [
    { pose: 'hero', side: 'both', at: '2026-03-01T08:00:00Z', heldSeconds: 60, felt: 'right' },
    { pose: 'hero', side: 'both', at: '2026-03-02T08:00:00Z', heldSeconds: 90, felt: 'much' },
    { pose: 'pigeon', side: 'left', at, heldSeconds: 0, felt: 'pain' },
  ],
};
const facts = () => [
  ...usualFacts(),
  put('people', samplePerson({ id: 'p1', name: 'Maya Berg' })),
  put('people', samplePerson({ id: 'p2', name: 'Nadia Okello' })),
];
const settled = () => act(async () => void (await new Promise((go) => setTimeout(go, 30))));
async function open(text: string) {
  window.location.hash = text;
  const shown = await show(<DoneAtHomeScreen />, facts());
  await settled();
  return shown;
}
const press = async (name: string | RegExp) => {
  fireEvent.click(screen.getByRole('button', { name }));
  await settled();
};

test('what was done at home is taken in for its student, once, and can be taken back', async () => {
  const { store, state } = await open(homeLogText(log));
  const region = screen.getByRole('region', { name: 'What was done' });
  expect(region).toHaveTextContent('Hero: 2 times: just right 1, too much 1');
  expect(region).toHaveTextContent('Pigeon, left');
  await press('Take it in for Maya Berg');
  expect(Object.values(state().practices)).toHaveLength(3);
  expect(Object.values(state().practices)[0]).toMatchObject({ person: 'p1', sheet: 'sheet-1' });
  expect(screen.getByText('Taken in.')).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: /Take it in/ })).toBeNull();
  await act(async () => void (await store.dispatch(undo())));
  expect(Object.values(state().practices)).toHaveLength(0);
});

test('a later log of the same sheet brings what is new alone, and knows whose it is', async () => {
  const { state } = await open(homeLogText({ ...log, done: log.done.slice(0, 2) }));
  await press('Take it in for Maya Berg');
  jest
    .mocked(chooseFile)
    .mockResolvedValue(Object.assign(new Blob(), { text: async () => homeLogFile(log) }) as File);
  await press('Open the file');
  expect(screen.getByText('Of it 2 times came in before.')).toBeInTheDocument();
  expect(screen.queryByRole('radiogroup', { name: 'Whose it is' })).toBeNull();
  await press('Take it in for Maya Berg');
  expect(Object.values(state().practices)).toHaveLength(3);
});

test('of a name that nobody has, whose it is is asked for', async () => {
  const { state } = await open(homeLogText({ ...log, name: 'Zoë' }));
  expect(screen.getByRole('button', { name: 'Choose whose it is' })).toBeDisabled();
  fireEvent.click(screen.getByRole('radio', { name: 'Nadia Okello' }));
  await press('Take it in for Nadia Okello');
  expect(new Set(Object.values(state().practices).map(({ person }) => person))).toEqual(
    new Set(['p2']),
  );
});

test.each([
  ['damaged', 'eJwrong', /cut short/],
  ['a file of something else', '{"format":"ojas-book/1"}', /holds nothing/],
  ['of a later version', '{"format":"ojas-home-log/2"}', /newer Ojas/],
])('%s is refused in words, and nothing is taken in', async (_, text, words) => {
  const { state } = await open('');
  jest
    .mocked(chooseFile)
    .mockResolvedValue(Object.assign(new Blob(), { text: async () => text }) as File);
  await press('Open the file');
  expect(screen.getByRole('alert')).toHaveTextContent(words);
  expect(Object.values(state().practices)).toHaveLength(0);
});
