import { render, screen } from '@testing-library/react';
import { late } from './late';
import { Words } from './Words';

test('until the code is there a word stands in its place, then the component with its own properties', async () => {
  let come: (arrived: typeof Greeting) => void = () => undefined;
  const Greeting = ({ to }: { readonly to: string }) => <Words>Welcome, {to}.</Words>;
  const loads = jest.fn(() => new Promise<typeof Greeting>((resolve) => (come = resolve)));
  const Late = late(loads);
  expect(loads).not.toHaveBeenCalled();

  render(<Late to="Wren" />);
  expect(screen.getByRole('status')).toHaveTextContent('One moment.');
  come(Greeting);
  expect(await screen.findByText('Welcome, Wren.')).toBeInTheDocument();
  expect(screen.queryByRole('status')).toBeNull();

  render(<Late to="Ash" />);
  expect(await screen.findByText('Welcome, Ash.')).toBeInTheDocument();
  expect(loads).toHaveBeenCalledTimes(1);
});
