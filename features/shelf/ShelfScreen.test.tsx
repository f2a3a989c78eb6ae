import { act, fireEvent, screen, within } from '@testing-library/react';
import { starterShelf, usualItem } from '@/core/props/usualShelves';
import { put } from '@/store/facts';
import { selectOwnShelf, selectShelf } from '@/store/selectors';
import { show } from '../tests/onScreen';
import { ShelfScreen } from './ShelfScreen';

const twoBlocks = [put('shelf', usualItem('block', 'block', 'Foam block', 2))];
const press = (name: string) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));

test('an empty shelf begins with a usual one; plans are built of that before', async () => {
  const { state } = await show(<ShelfScreen />, []);
  expect(selectOwnShelf(state())).toEqual([]);
  expect(selectShelf(state())).toEqual(starterShelf);
  expect(screen.queryByRole('region', { name: 'What it builds' })).not.toBeInTheDocument();
  await press('Begin with a usual shelf');
  expect(Object.keys(state().shelf).length).toBeGreaterThan(4);
});

test('what the shelf builds is told with its gaps and what would close them', async () => {
  await show(<ShelfScreen />, twoBlocks);
  const builds = within(screen.getByRole('region', { name: 'What it builds' }));
  expect(builds.queryByRole('img')).not.toBeInTheDocument();
  await press('Show the heights');
  const kneeling = within(builds.getByRole('group', { name: 'Seat to kneel on' }));
  expect(kneeling.getByRole('img')).toHaveAccessibleName(/heights: .*foam block flat/);
  expect(
    kneeling.getAllByText(/^Nothing between \d.*: one (more )?.* gives .* cm\.$/).length,
  ).toBeGreaterThan(0);
});

test('a prop is doubled, to be measured and renamed as another kind', async () => {
  const { state } = await show(<ShelfScreen />, twoBlocks);
  await press('Another kind of Foam block');
  expect(Object.values(state().shelf).map((item) => item?.name)).toEqual(
    expect.arrayContaining(['Foam block', 'Foam block, another kind']),
  );
});

test('a fold is measured as a pile, free and sat on: one takes its share, and a pile that grows is refused', async () => {
  const { state } = await show(<ShelfScreen />, [
    put('shelf', usualItem('wool', 'blanket', 'Wool blanket', 6)),
  ]);
  await press('Change Wool blanket');
  const words = 'folded three times';
  await press(`Measured as a pile, ${words}`);
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(new RegExp(`^${label}, ${words}`)), {
      target: { value: text },
    });
  const take = () => screen.getByRole('button', { name: 'Take one’s share of it' });
  type('How many in the pile', '1');
  expect(screen.getByText('From 2 to 12 of them.')).toBeInTheDocument();
  type('How many in the pile', '4');
  type('Pile free', '18');
  type('Pile sat on', '19');
  expect(screen.getByText('Sat on: cannot be higher than free.')).toBeInTheDocument();
  expect(take()).toBeDisabled();
  type('Pile sat on', '14.2');
  await act(async () => void fireEvent.click(take()));
  await press('Save');
  expect(state().shelf['wool']?.states).toContainEqual(
    expect.objectContaining({ heightCm: 4.5, loadedCm: 3.6 }),
  );
});

test('one more and one less of a thing are a tap each, and never none', async () => {
  const { state } = await show(<ShelfScreen />, twoBlocks);
  const bolster = () => Object.values(state().shelf).find(({ name }) => name === 'Foam block')!;
  const before = bolster().count;
  await press('One Foam block more');
  expect(bolster().count).toBe(before + 1);
  for (let i = 0; i < before; i++) await press('One Foam block less');
  expect(bolster().count).toBe(1);
  expect(screen.getByRole('button', { name: 'One Foam block less' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
});
