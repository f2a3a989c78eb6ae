import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { planStudent } from '@/core/plan/plan';
import { poseById } from '@/core/poses/poses';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { studioShelf } from '@/core/props/usualShelves';
import { put } from '@/store/facts';
import { selectRecord } from '@/store/selectors';
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
  expect(next().getByText('Seat 23 cm')).toBeInTheDocument();
  await press('Why, or change it: Hero');
  expect(next().getByText(/held · \d+ of 10/)).toBeInTheDocument();
  expect(next().getByText(/^Knee bend with a bent hip: left /)).toBeInTheDocument();
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
  expect(screen.queryByRole('button', { name: 'Keep: Note' })).toBeNull();
  fireEvent.change(screen.getByRole('textbox', { name: 'Note' }), {
    target: { value: 'Left knee spoke.' },
  });
  await press('Keep: Note');
  expect(session().note).toBe('Left knee spoke.');
  await act(async () => void (await store.dispatch(undo())));
  expect(session().note).toBeUndefined();
});

test('a past session is noted on what lay there last; a day to come is refused', async () => {
  const { state } = await show(<RecordScreen id="p1" />, facts());
  await press('Note a past session');
  const day = screen.getByLabelText('Its day');
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

test('height, pieces, spot, fault and note of a pose are put right, and what was learned follows', async () => {
  const { state } = await show(<RecordScreen id="p1" />, facts());
  const pose = () => Object.values(state().sessions)[0]!.poses[0]!;
  const seat = () => pose().settled.find(({ slot }) => slot === 'seat')!;
  const target = () =>
    planStudent(selectRecord(state(), 'p1')!, studioShelf, today(), {
      poses: ['hero'],
    }).poses[0]!.slots.find(({ slot }) => slot === 'seat')!.offsetCm;
  const [wasCm, learnedCm] = [seat().heightCm, target()];
  await press(/^Correct the session of /);
  await press('Another height: Seat, Hero');
  const typed = () => screen.getByRole('textbox', { name: /^Seat, Hero/ });
  fireEvent.change(typed(), { target: { value: 'high' } });
  expect(screen.getByRole('alert')).toHaveTextContent('A height from 0 to');
  fireEvent.change(typed(), { target: { value: String(wasCm - 6) } });
  const near = screen
    .getAllByRole('button')
    .filter((one) => /^\d+(\.5)? cm: /.test(one.textContent ?? ''));
  await act(async () => void fireEvent.click(near[0]!));
  expect(Math.abs(seat().heightCm - (wasCm - 6))).toBeLessThan(1.5);
  expect(seat().pieces.length).toBeGreaterThan(0);
  expect(target()).toBeLessThan(learnedCm);
  const fault = poseById('hero')!.faults[0]!;
  fireEvent.click(screen.getByRole('checkbox', { name: fault.seen }));
  await waitFor(() => expect(pose().faults).toEqual([fault.id]));
  fireEvent.change(screen.getByRole('textbox', { name: 'Note of Hero' }), {
    target: { value: 'On two blankets, after the run.' },
  });
  await press('Keep: Note of Hero');
  expect(pose().note).toBe('On two blankets, after the run.');
});

test('day and hour are put right, a pose is added or left out, and what cannot have been is refused by name', async () => {
  const { store, state } = await show(<RecordScreen id="p1" />, [
    ...facts(),
    put('people', samplePerson({ birthYear: 1980 })),
  ]);
  const session = () => Object.values(state().sessions)[0]!;
  await press(/^Correct the session of /);
  const day = () => screen.getByLabelText('Day of the session');
  fireEvent.change(day(), { target: { value: '1979-05-01' } });
  await press('Keep day and hour');
  expect(screen.getByRole('alert')).toHaveTextContent('was born in 1980');
  fireEvent.change(day(), { target: { value: ago(9) } });
  fireEvent.change(screen.getByLabelText('Hour of the session'), { target: { value: '18:15' } });
  await press('Keep day and hour');
  await waitFor(() => expect(session().at.slice(0, 16)).toBe(`${ago(9)}T18:15`));
  await pick('How the student came', 'Tired');
  expect(session().day).toBe('tired');
  fireEvent.change(screen.getByRole('textbox', { name: 'A pose that is missing' }), {
    target: { value: 'staff' },
  });
  await press('Add Staff');
  expect(session().poses.map(({ pose }) => pose)).toEqual(['hero', 'staff']);
  await press('Leave Hero out of this record');
  expect(session().poses.map(({ pose }) => pose)).toEqual(['staff']);
  // The last one is removed with its session alone.
  await press('Correct Staff');
  expect(screen.queryByRole('button', { name: /out of this record$/ })).toBeNull();
  await act(async () => void (await store.dispatch(undo())));
  expect(session().poses.map(({ pose }) => pose)).toEqual(['hero', 'staff']);
});

test('a past session takes the heights that lay there', async () => {
  const { state } = await show(<RecordScreen id="p1" />, facts());
  await press('Note a past session');
  fireEvent.change(screen.getByLabelText('Its day'), { target: { value: ago(3) } });
  await press('Another height: Seat, Hero');
  fireEvent.change(screen.getByRole('textbox', { name: /^Seat, Hero/ }), {
    target: { value: '14' },
  });
  await press('Only the height');
  await press('Note it');
  const noted = Object.values(state().sessions).find(({ at }) => at === ago(3));
  expect(noted?.poses[0]?.settled.find(({ slot }) => slot === 'seat')).toMatchObject({
    heightCm: 14,
    pieces: [],
  });
});
