import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Field } from './Field';
import { Keypad } from './Keypad';
import { Chips, Press, Tick } from './Press';

test('a disabled button does nothing and says so', () => {
  const pressed = jest.fn();
  render(
    <Press disabled onPress={pressed}>
      Record
    </Press>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Record' }));
  expect(pressed).not.toHaveBeenCalled();
  expect(screen.getByRole('button')).toHaveAttribute('aria-disabled', 'true');
});

test('one of a few is chosen, and told', () => {
  function Sides() {
    const [side, setSide] = useState<'left' | 'right' | null>(null);
    return (
      <Chips
        label="Side"
        options={[
          { id: 'left', words: 'Left' },
          { id: 'right', words: 'Right' },
        ]}
        chosen={side}
        onChoose={setSide}
      />
    );
  }
  render(<Sides />);
  fireEvent.click(screen.getByRole('radio', { name: 'Right' }));
  expect(screen.getByRole('radio', { name: 'Right' })).toBeChecked();
  expect(screen.getByRole('radio', { name: 'Left' })).not.toBeChecked();
});

test('Tab comes to the chosen one of a few, and the arrow keys choose round and round', () => {
  function Days() {
    const [day, setDay] = useState<'usual' | 'cold' | 'tired'>('usual');
    return (
      <Chips
        label="Today"
        options={[
          { id: 'usual', words: 'As usual' },
          { id: 'cold', words: 'Cold' },
          { id: 'tired', words: 'Tired' },
        ]}
        chosen={day}
        onChoose={setDay}
      />
    );
  }
  render(<Days />);
  const radio = (name: string) => screen.getByRole('radio', { name });
  const stops = () => screen.getAllByRole('radio').map((one) => one.getAttribute('tabindex'));
  expect(stops()).toEqual(['0', '-1', '-1']);
  radio('As usual').focus();
  fireEvent.keyDown(radio('As usual'), { key: 'ArrowRight' });
  expect(radio('Cold')).toBeChecked();
  expect(radio('Cold')).toHaveFocus();
  expect(stops()).toEqual(['-1', '0', '-1']);
  fireEvent.keyDown(radio('Cold'), { key: 'ArrowUp' });
  fireEvent.keyDown(radio('As usual'), { key: 'ArrowLeft' });
  expect(radio('Tired')).toBeChecked();
  fireEvent.keyDown(radio('Tired'), { key: 'ArrowDown' });
  expect(radio('As usual')).toBeChecked();
  fireEvent.keyDown(radio('Cold'), { key: ' ' });
  expect(radio('Cold')).toBeChecked();
});

test('a line can be ticked', () => {
  const toggled = jest.fn();
  render(
    <Tick checked={false} onToggle={toggled}>
      Warm
    </Tick>,
  );
  fireEvent.click(screen.getByRole('checkbox', { name: 'Warm' }));
  expect(toggled).toHaveBeenCalledTimes(1);
  fireEvent.keyDown(screen.getByRole('checkbox', { name: 'Warm' }), { key: ' ' });
  expect(toggled).toHaveBeenCalledTimes(2);
});

test('a fault belongs to its field', () => {
  render(<Field label="Height" value="17" fault="Height: 17 is not between 90 and 230 cm." />);
  const field = screen.getByLabelText('Height');
  expect(field).toHaveAttribute('aria-invalid', 'true');
  expect(field).toHaveAccessibleDescription(/not between 90 and 230/);
});

test('the keypad types for one thumb', () => {
  const keys: string[] = [];
  render(<Keypad onKey={(key) => keys.push(key)} />);
  for (const name of ['1', '2', 'Point', '5', 'Minus', 'Delete the last digit'])
    fireEvent.click(screen.getByRole('button', { name }));
  expect(keys).toEqual(['1', '2', '.', '5', '-', 'back']);
});
