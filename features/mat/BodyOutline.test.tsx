import { fireEvent, render, screen } from '@testing-library/react';
import { BodyOutline, parts, scaleFor, THUMB_PX } from './BodyOutline';

test('a tap says the part and its side, a second one where in it', () => {
  const onChoose = jest.fn();
  const { rerender } = render(<BodyOutline chosen={null} onChoose={onChoose} />);
  expect(screen.getAllByRole('radio')).toHaveLength(18);
  fireEvent.click(screen.getByRole('radio', { name: 'Left knee' }));
  expect(onChoose).toHaveBeenLastCalledWith('inner-knee:left', 'joint');
  rerender(<BodyOutline chosen="inner-knee:left" onChoose={onChoose} />);
  expect(screen.getByText('Felt at the inner knee, left.')).toBeInTheDocument();
  fireEvent.click(screen.getByRole('radio', { name: 'Back of the knee' }));
  expect(onChoose).toHaveBeenLastCalledWith('behind-knee:left', 'joint');
  fireEvent.click(screen.getByRole('radio', { name: 'Right thigh, behind' }));
  expect(onChoose).toHaveBeenLastCalledWith('back-thigh:right', 'muscle');
  fireEvent.click(screen.getByRole('radio', { name: 'Low back' }));
  expect(onChoose).toHaveBeenLastCalledWith('low-back', 'low-back');
});

test('no ring lies over another, on the narrowest phone too', () => {
  const narrowPx = 290;
  for (const [i, one] of parts.entries())
    for (const other of parts.slice(i + 1).filter(({ seen }) => seen === one.seen)) {
      const apartCm = Math.hypot(one.at[0] - other.at[0], one.at[1] - other.at[1]);
      expect([one.id, other.id, apartCm * scaleFor(narrowPx) >= THUMB_PX]).toEqual([
        one.id,
        other.id,
        true,
      ]);
    }
});
