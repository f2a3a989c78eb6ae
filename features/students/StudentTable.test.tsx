import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { samplePerson, sampleReading, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { commit } from '@/store/store';
import { show, today } from '../tests/onScreen';
import { StudentTable } from './StudentTable';

const ago = (days: number) => shiftDays(today(), -days);
const hamstring = (person: string, days: number, value: number) =>
  put(
    'readings',
    sampleReading({
      id: `${person}${days}`,
      person,
      range: 'hamstring',
      protocol: 'straight-leg-raise.pelvis-watched',
      at: ago(days),
      values: [value, value, value],
    }),
  );
const session = (person: string, days: number) =>
  put('sessions', { ...sampleSession(ago(days)), id: `s${person}`, person });
const facts = () => [
  put('people', samplePerson({ id: 'a', name: 'Aster Early' })),
  put(
    'people',
    samplePerson({
      id: 'b',
      name: 'Birk Orme',
      cautions: [{ id: 'knee-pain', answer: 'yes', side: 'left', at: ago(90) }],
    }),
  ),
  put('people', samplePerson({ id: 'c', name: 'Carys Hale' })),
  put('classes', { id: 'k', name: 'Hips', people: ['c'], on: today() }),
  hamstring('a', 90, 50),
  hamstring('b', 90, 40),
  hamstring('b', 3, 75),
  session('a', 40),
  session('c', 2),
];
const names = () =>
  screen.getAllByRole('listitem').map((one) => /^[A-Z]\S+ [A-Z][a-z]+/.exec(one.textContent)?.[0]);
const choose = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));

test('students stand in the order that is asked for', async () => {
  await show(<StudentTable />, facts());
  const first = () => names().map((name) => name?.split(' ')[0]);
  expect(first()).toEqual(['Aster', 'Birk', 'Carys']);
  choose('Last here');
  expect(first()).toEqual(['Carys', 'Aster', 'Birk']);
  choose('Longest away');
  expect(first()).toEqual(['Birk', 'Aster', 'Carys']);
  // Never read, 90 days ago, 3 days ago.
  choose('Longest unread');
  expect(first()).toEqual(['Carys', 'Aster', 'Birk']);
  choose('Due for a reading');
  expect(first()).toEqual(['Carys', 'Aster']);
});

test('whose hamstrings changed most is one tap, told apart from read once and never read', async () => {
  await show(<StudentTable />, facts());
  choose('Changed most');
  await waitFor(() => expect(screen.getByText(/^75° left, 35° freer since /)).toBeInTheDocument());
  expect(screen.getByText(/^50° left, read once, /)).toBeInTheDocument();
  expect(screen.getByText('never read')).toBeInTheDocument();
  expect(names().map((name) => name?.split(' ')[0])).toEqual(['Birk', 'Aster', 'Carys']);
  choose('Knee bend with a bent hip');
  await waitFor(() => expect(screen.getAllByText('never read')).toHaveLength(3));
});

test('the list is narrowed to who has something to mind, to a class, and by name', async () => {
  await show(<StudentTable />, facts());
  choose('Something to mind');
  expect(screen.getAllByRole('listitem')).toHaveLength(1);
  expect(screen.getByRole('heading', { name: 'Birk Orme' })).toBeInTheDocument();
  choose('Hips');
  expect(screen.getByRole('heading', { name: 'Carys Hale' })).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText('Find by name'), { target: { value: 'aster' } });
  expect(screen.queryByRole('listitem')).toBeNull();
  expect(screen.getByText('Nobody is called “aster”.')).toBeInTheDocument();
});

test('who is removed meanwhile leaves the list, whatever is being reckoned', async () => {
  const { store } = await show(<StudentTable />, facts());
  choose('Changed most');
  await act(async () => {
    await store.dispatch(
      commit({ words: 'removed', put: [], remove: [{ kind: 'people', id: 'a' }] }),
    );
  });
  expect(screen.getAllByRole('listitem')).toHaveLength(2);
  await waitFor(() => expect(screen.getByText(/^75° left, 35° freer since /)).toBeInTheDocument());
});
