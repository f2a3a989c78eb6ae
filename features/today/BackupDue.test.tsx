import { act, fireEvent, screen, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { noSpare, type Mark, type Spare } from '@/store/spare';
import { bookExported, commit } from '@/store/store';
import { show, today, usualFacts } from '../tests/onScreen';
import { BackupDue } from './BackupDue';

const spareWith = (first: Mark | null) => {
  let mark = first;
  const spare: Spare = { ...noSpare, mark: () => mark, setMark: (next) => void (mark = next) };
  return { spare, mark: () => mark };
};
const old: Mark = {
  people: 0,
  readings: 0,
  sessions: 0,
  at: `${shiftDays(today(), -20)}T08:00:00Z`,
  changes: 3,
  changedAt: `${shiftDays(today(), -20)}T08:00:00Z`,
};
const due = () => screen.queryByRole('region', { name: 'Time for a backup' });

test('what changed two weeks ago asks for a backup, which can be put off', async () => {
  const { spare, mark } = spareWith(old);
  await show(<BackupDue />, usualFacts(), { spare });
  expect(due()).toHaveTextContent(
    'No backup was saved yet: 4 changes stand in this browser alone.',
  );
  fireEvent.click(within(due()!).getByRole('button', { name: 'In a week' }));
  expect(due()).toBeNull();
  expect(mark()?.askAfter).toBe(shiftDays(today(), 7));
});

test('a backup begins the count anew, and a change of today asks for none', async () => {
  const { spare, mark } = spareWith(old);
  const { store } = await show(<BackupDue />, usualFacts(), { spare });
  act(() => void store.dispatch(bookExported(`${today()}T09:00:00Z`)));
  await act(
    async () =>
      void (await store.dispatch(
        commit({ words: 'One more', put: [put('people', samplePerson({ id: 'p9' }))], remove: [] }),
      )),
  );
  expect(due()).toBeNull();
  expect(mark()).toMatchObject({ changes: 1, exportedAt: `${today()}T09:00:00Z` });
});
