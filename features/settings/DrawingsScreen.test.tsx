import { fireEvent, screen, within } from '@testing-library/react';
import { poses } from '@/core/poses/poses';
import { show } from '../tests/onScreen';
import { DrawingsScreen } from './DrawingsScreen';

const choose = (name: string) =>
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'Which poses' })).getByRole('radio', { name }),
  );

test('each pose of a group is drawn for five bodies, with its heights', async () => {
  await show(<DrawingsScreen />, []);
  const seated = poses.filter(({ group }) => group === 'seated');
  const ways = seated.flatMap(({ ways: own = [] }) => own);
  expect(screen.getAllByRole('article')).toHaveLength(seated.length + ways.length);
  const staff = within(screen.getByRole('article', { name: 'Staff' }));
  expect(staff.getAllByRole('img')).toHaveLength(5);
  expect(
    staff.getByRole('img', { name: /^Stiff, 170 cm: Staff, seen from the side: seat on/ }),
  ).toBeInTheDocument();
  expect(staff.getByText('nothing beneath')).toBeInTheDocument();
});

test('where another pose serves better it is named', async () => {
  await show(<DrawingsScreen />, []);
  choose('Seated');
  const lotus = within(screen.getByRole('article', { name: 'Half lotus' }));
  expect(lotus.getAllByText('Another pose instead: Easy crossed legs').length).toBeGreaterThan(0);
});

test('open legs are shown from above', async () => {
  await show(<DrawingsScreen />, []);
  fireEvent.click(screen.getByRole('button', { name: 'From above' }));
  expect(
    within(screen.getByRole('article', { name: 'Soles together' })).getByRole('img', {
      name: 'Soles together, Free, 170 cm, seen from above.',
    }),
  ).toBeInTheDocument();
  expect(
    within(screen.getByRole('article', { name: 'Staff' })).getByRole('img', {
      name: /^Usual, 170 cm: Staff, seen from the side/,
    }),
  ).toBeInTheDocument();
});
