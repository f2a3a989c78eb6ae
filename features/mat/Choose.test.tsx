import { act, fireEvent, screen, within } from '@testing-library/react';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { matStarted, poseLaid } from '@/store/mat';
import { show, usualFacts } from '../tests/onScreen';
import { MatScreen } from './MatScreen';

const list = () => within(screen.getByRole('list', { name: 'Today’s poses in their order' }));
const ticked = () =>
  list()
    .getAllByRole('checkbox', { checked: true })
    .map((box) => box.textContent?.replace('✓', ''));
const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const choose = (name: string) =>
  act(async () => void fireEvent.click(screen.getByRole('radio', { name })));

test('what is practised is proposed, and a pose can be done again at the end', async () => {
  const { state } = await show(<MatScreen id="p1" />);
  const before = ticked();
  expect(before).toContain('Hero');
  await press('Hero again at the end');
  expect(ticked()).toEqual([...before, 'Hero']);
  await press(new RegExp(`^Begin: ${before.length + 1} poses`));
  expect(state().mat.now?.poses.filter((key) => key === 'hero/both')).toHaveLength(2);
});

test('a shipped sequence brings its poses in its order, each on both sides', async () => {
  await show(<MatScreen id="p1" />);
  await choose('Quiet evening');
  expect(ticked()[0]).toBe('Constructive rest');
  expect(ticked()).toEqual(
    expect.arrayContaining([
      'Crossed-leg reclined twist, left',
      'Crossed-leg reclined twist, right',
    ]),
  );
});

test('what is missing before and after is proposed, and put where it belongs', async () => {
  await show(<MatScreen id="p1" />);
  for (const box of list().getAllByRole('checkbox', { checked: true })) {
    if (!/Hero|Child/.test(box.textContent ?? '')) await act(async () => void fireEvent.click(box));
  }
  expect(ticked().sort()).toEqual(['Child', 'Hero']);
  const asks = within(screen.getByRole('region', { name: 'What this order asks for' }));
  expect(asks.getByText(/^About \d+ minutes with setting up/)).toBeInTheDocument();
  // One sentence, one tap; each by itself where that is wanted.
  expect(asks.getByText(/^Nothing before Hero warms it; nothing after Hero/)).toBeInTheDocument();
  expect(asks.getByRole('button', { name: /^Mend it: add / })).toBeInTheDocument();
  expect(asks.queryByText('Hero has nothing before it that warms it.')).not.toBeInTheDocument();
  await press('One by one');
  expect(asks.getByText('Hero has nothing before it that warms it.')).toBeInTheDocument();
  await press('Add Side-lying thigh stretch before it');
  expect(ticked().filter((words) => /^Side-lying thigh stretch/.test(words ?? ''))).toHaveLength(2);
  expect(ticked().indexOf('Hero')).toBeGreaterThan(
    ticked().indexOf('Side-lying thigh stretch, right'),
  );
  await press(/^Mend it: add /);
  expect(asks.queryByRole('button', { name: /^Mend it/ })).not.toBeInTheDocument();
  expect(ticked()).toEqual(expect.arrayContaining(['Hero', 'Child']));
});

test('an order is kept under its own name for any student, and forgotten', async () => {
  const { state } = await show(<MatScreen id="p1" />, usualFacts());
  fireEvent.change(screen.getByLabelText('Name of the sequence'), {
    target: { value: 'Thursday backs' },
  });
  await press('Keep it for any student');
  const [own] = Object.values(state().settings)[0]?.sequences ?? [];
  expect(own).toMatchObject({ name: 'Thursday backs' });
  expect(own?.poses).toContain('hero');
  expect(screen.getByRole('radio', { name: 'Thursday backs' })).toBeInTheDocument();
  await press('Forget Thursday backs');
  expect(screen.queryByRole('radio', { name: 'Thursday backs' })).not.toBeInTheDocument();
});

test('one seat throughout is built at the start in every pose that it serves', async () => {
  const { state } = await show(<MatScreen id="p1" />);
  await choose('Outer hip');
  await press(/^One seat throughout: /);
  await press(/^Begin: /);
  const seats = Object.values(state().mat.now?.settled ?? {}).map(
    (settled) => settled.find(({ slot }) => slot === 'seat')?.heightCm,
  );
  expect(seats.length).toBeGreaterThan(1);
  expect(new Set(seats).size).toBe(1);
});

test('an order given to others waits for them, with what was laid out for one pose', async () => {
  const { state, store } = await show(<MatScreen id="p1" />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' })),
  ]);
  await choose('Quiet evening');
  await press('Choose students');
  await act(
    async () => void fireEvent.click(screen.getByRole('checkbox', { name: /Nadia Orrin/ })),
  );
  await press('Lay it out for 1 student');
  expect(screen.getByText(/^Laid out for Nadia Orrin/)).toBeInTheDocument();
  const order = state().mat.laid['p2']?.order;
  expect(order?.[0]).toBe('constructive');
  expect(new Set(order).size).toBe(order?.length);
  const settled = [{ slot: 'seat' as const, side: 'both' as const, heightCm: 9, pieces: [] }];
  store.dispatch(
    poseLaid({
      person: 'p2',
      at: '2026-01-08T18:00:00Z',
      pose: 'hero/both',
      settled,
      dials: [],
      changes: [],
    }),
  );
  act(
    () =>
      void store.dispatch(
        matStarted({ person: 'p2', poses: ['hero/both'], at: '2026-01-08T18:00:00Z' }),
      ),
  );
  expect(state().mat.now?.settled['hero/both']).toEqual(settled);
  expect(state().mat.laid['p2']).toBeUndefined();
});
