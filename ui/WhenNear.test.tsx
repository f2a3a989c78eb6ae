import { act, fireEvent, render, screen } from '@testing-library/react';
import { Text } from 'react-native';
import { WhenNear } from './WhenNear';

type Tell = (seen: { isIntersecting: boolean }[]) => void;
let tell: Tell[] = [];
beforeEach(() => {
  tell = [];
  Object.assign(globalThis, {
    IntersectionObserver: class {
      constructor(listener: Tell) {
        tell.push(listener);
      }
      observe = () => undefined;
      disconnect = () => undefined;
    },
  });
});
afterEach(() => {
  delete (globalThis as { IntersectionObserver?: unknown }).IntersectionObserver;
});
const shown = () =>
  render(
    <WhenNear roomPx={100}>
      <Text>reckoned</Text>
    </WhenNear>,
  );

test('what is out of sight waits until it is near', () => {
  shown();
  act(() => tell.forEach((one) => one([{ isIntersecting: false }])));
  expect(screen.queryByText('reckoned')).toBeNull();
  act(() => tell.forEach((one) => one([{ isIntersecting: true }])));
  expect(screen.getByText('reckoned')).toBeInTheDocument();
});

test('printed, all of it is there', () => {
  shown();
  fireEvent(window, new Event('beforeprint'));
  expect(screen.getByText('reckoned')).toBeInTheDocument();
});
