import { fireEvent, screen } from '@testing-library/react';
import { decision } from '@/core/parameters';
import { show } from '../tests/onScreen';
import { ReckoningScreen } from './ReckoningScreen';

test('every number that is assumed is found by its name or source', async () => {
  await show(<ReckoningScreen />, []);
  const all = screen.getAllByRole('heading', { level: 2 }).length;
  const field = screen.getByLabelText('Find a number');
  fireEvent.change(field, { target: { value: 'longest gap' } });
  expect(screen.getByText(String(decision.longestGap.value))).toBeInTheDocument();
  expect(screen.getAllByRole('heading', { level: 2 }).length).toBeLessThan(all);
  fireEvent.change(field, { target: { value: 'no such thing' } });
  expect(screen.getByText('No number is called “no such thing”.')).toBeInTheDocument();
});
