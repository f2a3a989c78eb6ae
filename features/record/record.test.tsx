import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { undo } from '@/store/store';
import { MatScreen } from '../mat/MatScreen';
import { show, today, usualFacts } from '../tests/onScreen';
import { RecordScreen } from './RecordScreen';

const ago = (days: number) => shiftDays(today(), -days);
const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const pick = (group: string | RegExp, name: string) =>
  act(
    async () =>
      void fireEvent.click(
        within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }),
      ),
  );
const facts = () => [...usualFacts(), put('sessions', sampleSession(ago(7)))];

test('a decision shows its evidence and is overruled in one tap, with why, and taken back', async () => {
  const { state } = await show(<RecordScreen id="p1" />, facts());
  const next = () => within(screen.getByRole('region', { name: 'Next time' }));
  await press('Why, or change it: Hero');
  expect(next().getByText(/held · \d+ of 10/)).toBeInTheDocument();
  expect(next().getByText(/^Knee bend, hip bent: left /)).toBeInTheDocument();
  fireEvent.change(next().getByRole('textbox', { name: /^Why/ }), {
    target: { value: 'long row on Sunday' },
  });
  await press('More support: Hero');
  const laid = state().mat.laid['p1']?.poses['hero/both'];
  expect(laid?.why).toBe('long row on Sunday');
  expect(laid?.changes[0]?.toCm).toBeGreaterThan(laid?.changes[0]?.fromCm ?? Infinity);
  expect(next().getByText(/^seat \d+(\.5)? cm; reckoned \d+(\.5)? cm\.$/)).toBeInTheDocument();
  await press('As proposed, after all');
  expect(state().mat.laid['p1']?.poses['hero/both']).toBeUndefined();
});

test('a session is corrected pose by pose, gets a note, and each change is undone', async () => {
  const { store, state } = await show(<RecordScreen id="p1" />, facts());
  const session = () => Object.values(state().sessions)[0]!;
  await press(/^Correct the session of /);
  await pick('How strong, Hero', '6');
  await pick('Where it was felt, Hero', 'At a joint line');
  expect(session().poses[0]?.feeling).toEqual({ strength: 6, place: 'joint' });
  const held = session().poses[0]!.heldSeconds;
  await press('Half a minute more, Hero');
  expect(session().poses[0]?.heldSeconds).toBe(held + 30);
  fireEvent.change(screen.getByRole('textbox', { name: 'Note' }), {
    target: { value: 'Left knee spoke.' },
  });
  await press('Keep the note');
  expect(session().note).toBe('Left knee spoke.');
  await act(async () => void (await store.dispatch(undo())));
  expect(session().note).toBeUndefined();
});

test('a past session is noted on what lay there last; a day to come is refused', async () => {
  const { state } = await show(<RecordScreen id="p1" />, facts());
  await press('Note a past session');
  const day = screen.getByRole('textbox', { name: /^Its day/ });
  fireEvent.change(day, { target: { value: shiftDays(today(), 2) } });
  expect(screen.getByRole('alert')).toHaveTextContent('This day is still to come.');
  expect(screen.getByRole('button', { name: 'Note it' })).toBeDisabled();
  fireEvent.change(day, { target: { value: ago(2) } });
  await pick('Where it was felt, all poses alike', 'In muscle');
  await pick('How strong, Hero', '2');
  await press('Note it');
  const noted = Object.values(state().sessions).find(({ at }) => at === ago(2));
  expect(noted?.poses.map(({ pose }) => pose)).toEqual(['hero']);
  expect(noted?.poses[0]?.feeling).toEqual({ strength: 2, place: 'muscle' });
  // Nobody was asked after them.
  expect(noted?.poses[0]).not.toHaveProperty('pelvis');
  expect(noted?.poses[0]).not.toHaveProperty('breath');
  expect(noted?.poses[0]?.settled).toEqual(sampleSession(ago(7)).poses[0]?.settled);
});

test('the day after is asked at the next visit where it was not said', async () => {
  const { state } = await show(<MatScreen id="p1" />, facts());
  await pick('How was the next day', 'Worse');
  expect(Object.values(state().sessions)[0]?.poses[0]?.nextDay).toBe('worse');
  expect(screen.queryByRole('radiogroup', { name: 'How was the next day' })).toBeNull();
});

test('a session of the wrong student is moved in one act, refused where it cannot be theirs, and brought back', async () => {
  const other = samplePerson({ id: 'p2', name: 'Aster Early' });
  const unborn = samplePerson({ id: 'p3', name: 'Tansy Later', birthYear: 2099 });
  const { store, state } = await show(<RecordScreen id="p1" />, [
    ...facts(),
    put('people', other),
    put('people', unborn),
  ]);
  const before = Object.values(state().sessions).filter(({ person }) => person === 'p1').length;
  fireEvent.click(screen.getAllByRole('button', { name: /^Correct the session of/ })[0]!);
  await press('It was somebody else’s');
  await press('Tansy Later');
  expect(screen.getByRole('alert')).toHaveTextContent('Tansy Later was born in 2099');
  await press('Aster Early');
  const of = (id: string) =>
    Object.values(state().sessions).filter(({ person }) => person === id).length;
  await waitFor(() => expect([of('p1'), of('p2')]).toEqual([before - 1, 1]));
  await act(() => store.dispatch(undo()));
  await waitFor(() => expect([of('p1'), of('p2')]).toEqual([before, 0]));
});
