import { screen, waitFor } from '@testing-library/react';
import { show } from '../tests/onScreen';
import { HowScreen, inUnits } from './HowScreen';

const answer = (text: string, ok = true) =>
  Object.assign(globalThis, { fetch: async () => ({ ok, text: async () => text }) });

test('headings, drawings, tables, lists and formulas of the document are shown', async () => {
  answer(
    '# All\n\n## The body\n\nA *chain* of **straight** parts, 2.5 cm.\n\n![Staff](reckoning/staff.svg)\n\n> 90 − δ\n\n- one\n- two\n\n| purpose | rounds |\n|---|---|\n| carry | up |\n',
  );
  await show(<HowScreen />);
  await waitFor(() =>
    expect(screen.getByRole('heading', { name: 'The body', level: 2 })).toBeInTheDocument(),
  );
  expect(screen.getByRole('img', { name: /^Staff: / })).toHaveAttribute(
    'src',
    '/reckoning/staff.svg',
  );
  expect(screen.getAllByRole('listitem')).toHaveLength(2);
  expect(screen.getByText('90 − δ')).toBeInTheDocument();
  expect(document.body).toHaveTextContent('carryrounds: up');
});

test('what cannot be loaded is said, with another try', async () => {
  answer('', false);
  await show(<HowScreen />);
  expect(await screen.findByText('It cannot be loaded now.')).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Try again' })).toBeInTheDocument();
});

test('lengths are told in inches where those were chosen', () => {
  expect(inUnits('from 5–10 cm, 2.5 cm and 3.6° per centimetre', 'in')).toBe(
    'from 2–4 in, 1 in and 9.1° per inch',
  );
  expect(inUnits('2.5 cm', 'cm')).toBe('2.5 cm');
});
