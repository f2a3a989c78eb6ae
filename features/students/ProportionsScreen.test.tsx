import { act, fireEvent, screen } from '@testing-library/react';
import { show } from '../tests/onScreen';
import { ProportionsScreen } from './ProportionsScreen';
import { StudentScreen } from './StudentScreen';

const taping = () => show(<ProportionsScreen id="p1" />);
const type = (name: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } });
const keep = () =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep these lengths' })));

test('a taped length is kept and takes the place of its share; an empty one comes from the height', async () => {
  const { state } = await taping();
  expect(screen.getByText('Every length comes from the height.')).toBeInTheDocument();
  type(/^Thigh/, '44,5');
  await keep();
  expect(state().people.p1?.bodyCm).toEqual({ thigh: 44.5 });
  expect(screen.getByText(/1 of 8 lengths are taped/)).toBeInTheDocument();
  type(/^Thigh/, '');
  await keep();
  expect(state().people.p1?.bodyCm).toEqual({});
});

test('an unlikely length is questioned and kept, a senseless one refused', async () => {
  const { state } = await taping();
  type(/^Shin/, '70');
  await keep();
  expect(await screen.findByText(/^Shin 70 cm is far from the 42 cm/)).toBeInTheDocument();
  expect(state().people.p1?.bodyCm).toEqual({ shin: 70 });
  type(/^Foot/, 'two');
  await keep();
  expect(screen.getByText(/^Foot: /)).toBeInTheDocument();
  expect(state().people.p1?.bodyCm).toEqual({ shin: 70 });
});

test('choices are counted, and each is set from the student’s page', async () => {
  const { state } = await show(<StudentScreen id="p1" />);
  expect(screen.getByText(/Every choice is the approach’s/)).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Choices' }));
  expect(screen.getAllByRole('radiogroup').length).toBeGreaterThanOrEqual(14);
  await act(async () => void fireEvent.click(screen.getByRole('radio', { name: 'Tall' })));
  expect(state().people.p1?.choices).toEqual({ pelvis: 'tall' });
  expect(screen.getByText(/1 choice is set for this student alone/)).toBeInTheDocument();
});
