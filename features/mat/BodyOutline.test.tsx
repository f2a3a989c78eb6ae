import { fireEvent, render, screen } from '@testing-library/react';
import { BodyOutline } from './BodyOutline';

test('a tap says where, and what kind of place it is', () => {
  const onChoose = jest.fn();
  render(<BodyOutline chosen={null} onChoose={onChoose} />);
  expect(screen.getAllByRole('radio')).toHaveLength(10);
  fireEvent.click(screen.getByRole('radio', { name: 'Knee' }));
  expect(onChoose).toHaveBeenLastCalledWith('knee', 'joint');
  fireEvent.click(screen.getByRole('radio', { name: 'Back of the thigh' }));
  expect(onChoose).toHaveBeenLastCalledWith('back-thigh', 'muscle');
  fireEvent.click(screen.getByRole('radio', { name: 'Low back' }));
  expect(onChoose).toHaveBeenLastCalledWith('low-back', 'low-back');
});
