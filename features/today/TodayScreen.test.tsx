import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { planStudent } from '@/core/plan/plan';
import { samplePerson, sampleReading, sampleSession, sampleShelf } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { commit, undo } from '@/store/store';
import { RecordScreen } from '../record/RecordScreen';
import { ShelfScreen } from '../shelf/ShelfScreen';
import { show, today, usualFacts } from '../tests/onScreen';
import { TodayScreen } from './TodayScreen';

const ago = (days: number) => shiftDays(today(), -days);

test('an empty app teaches its first step', async () => {
  await show(<TodayScreen />, []);
  expect(screen.getByRole('heading', { name: 'Begin with one student' })).toBeInTheDocument();
  expect(screen.getByRole('link', { name: 'Fill the shelf' })).toBeInTheDocument();
});

test('who was here last comes first, with what to check and what changes', async () => {
  await show(<TodayScreen />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p0', name: 'Aster Early' })),
    put('sessions', sampleSession(ago(7), { feeling: { strength: 2, place: 'joint' } })),
  ]);
  const cards = screen.getAllByRole('article');
  expect(cards.map((card) => card.getAttribute('aria-label'))).toEqual([
    'Wren Sample',
    'Aster Early',
  ]);
  const first = within(cards[0]!);
  expect(first.getByText(/^Check first: /)).toBeInTheDocument();
  expect(first.getByText('More support')).toBeInTheDocument();
  expect(first.getByText(/^Seat 22\.5 cm → \d+(\.5)? cm:/)).toBeInTheDocument();
  expect(
    within(cards[1]!).getByText('Nothing is read yet: built from what is usual for this height.'),
  ).toBeInTheDocument();
});

test('a session of today already shows what changes next time', async () => {
  const readings = [
    sampleReading({ id: 'l', values: [120, 120, 120], at: ago(21) }),
    sampleReading({ id: 'r', side: 'right', values: [122, 122, 122], at: ago(21) }),
  ];
  const person = samplePerson({ statureCm: 180 });
  const seat = planStudent({ person, readings, sessions: [] }, sampleShelf, ago(21), {
    poses: ['hero'],
  }).poses[0]!.slots[0]!;
  const settled = [
    { slot: 'seat' as const, side: 'both' as const, heightCm: seat.stackCm, pieces: seat.stack },
  ];
  await show(<TodayScreen />, [
    put('people', person),
    ...readings.map((one) => put('readings', one)),
    ...sampleShelf.map((one) => put('shelf', one)),
    ...[21, 14, 7, 0].map((days) =>
      put(
        'sessions',
        sampleSession(ago(days), { settled, feeling: { strength: 2, place: 'muscle' } }),
      ),
    ),
  ]);
  expect(screen.getByText('Less support')).toBeInTheDocument();
  expect(screen.getByText(/Four good times here\./)).toBeInTheDocument();
});

test('only the first six are shown until the rest are asked for', async () => {
  await show(
    <TodayScreen />,
    Array.from({ length: 9 }, (_, i) =>
      put('people', samplePerson({ id: `p${i}`, name: `Person ${i}` })),
    ),
  );
  expect(screen.getAllByRole('article')).toHaveLength(6);
  fireEvent.click(screen.getByRole('button', { name: 'Show the other 3' }));
  expect(screen.getAllByRole('article')).toHaveLength(9);
});

test('the record tells what was settled on and what follows; a worse next day raises', async () => {
  const { state } = await show(<RecordScreen id="p1" />, [
    ...usualFacts(),
    put('sessions', sampleSession(ago(7))),
  ]);
  expect(screen.getByText(/^Seat 22\.5 cm: /)).toBeInTheDocument();
  expect(screen.getByText(/4 of 10 in muscle/)).toBeInTheDocument();
  fireEvent.click(screen.getByRole('radio', { name: 'Worse' }));
  expect(await screen.findByText(/Last time, .*: worse the next day/)).toBeInTheDocument();
  expect(Object.values(state().sessions)[0]?.poses[0]?.nextDay).toBe('worse');
});

describe('the shelf', () => {
  test('begins with a usual one', async () => {
    const { state } = await show(<ShelfScreen />, []);
    fireEvent.click(screen.getByRole('button', { name: 'Begin with a usual shelf' }));
    expect(await screen.findByRole('article', { name: 'Round bolster' })).toBeInTheDocument();
    expect(Object.values(state().shelf)).toHaveLength(7);
  });

  test('a height taped under load is kept and wins', async () => {
    const { state } = await show(<ShelfScreen />);
    fireEvent.click(screen.getByRole('button', { name: 'Change Wool blanket' }));
    fireEvent.change(screen.getByLabelText('Sat on, folded four times'), {
      target: { value: '5' },
    });
    fireEvent.change(screen.getByLabelText('How many'), { target: { value: '9' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/folded four times 8 cm \(5 cm sat on\)/)).toBeInTheDocument();
    expect(state().shelf.wool?.count).toBe(9);
  });

  test.each([
    ['How many', '2.5', 'How many: a whole number.'],
    ['Height, folded three times', '-3', 'Height: -3 is not between 0 and 120 cm.'],
    ['Name', ' ', 'Name: enter what it is called.'],
  ])('%s "%s" is refused', async (label, value, words) => {
    const { state } = await show(<ShelfScreen />);
    fireEvent.click(screen.getByRole('button', { name: 'Change Wool blanket' }));
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(words)).toBeInTheDocument();
    expect(state().shelf.wool).toEqual(sampleShelf.find(({ id }) => id === 'wool'));
  });

  test('what is taken off can be brought back', async () => {
    const { state, store } = await show(<ShelfScreen />);
    fireEvent.click(screen.getByRole('button', { name: 'Take Chair off the shelf' }));
    expect(await screen.findByRole('article', { name: 'Strap' })).toBeInTheDocument();
    await waitFor(() => expect(state().undo.offered?.words).toBe('Chair taken off the shelf'));
    await store.dispatch(undo());
    expect(state().shelf.chair).toEqual(sampleShelf.find(({ id }) => id === 'chair'));
  });
});

test('a new teacher is led: each first step goes when it is done', async () => {
  const { store } = await show(<TodayScreen />, [put('people', samplePerson({ id: 'p1' }))]);
  const steps = () =>
    within(screen.getByRole('region', { name: 'First steps' }))
      .getAllByRole('link')
      .map((one) => one.getAttribute('href'));
  expect(steps()).toEqual(['/shelf', '/students/p1/measure', '/students/p1/mat']);
  const now = (fact: ReturnType<typeof put>) =>
    act(async () => void (await store.dispatch(commit({ words: '', put: [fact], remove: [] }))));
  await now(put('readings', sampleReading({ id: 'r', person: 'p1' })));
  expect(steps()).toEqual(['/shelf', '/students/p1/mat']);
  await now(put('sessions', { ...sampleSession(today()), person: 'p1' }));
  expect(screen.queryByRole('region', { name: 'First steps' })).toBeNull();
});

test('a height that could be found on the mat is told to who comes', async () => {
  const read = (['left', 'right'] as const).map((side) =>
    put('readings', sampleReading({ id: `own-${side}`, side, values: [120, 122, 121] })),
  );
  await show(<TodayScreen />, [...usualFacts(), ...read]);
  expect(
    await screen.findByText(/^Worth trying on the mat: .* could come down to [\d.]+ cm\.$/),
  ).toBeInTheDocument();
});
