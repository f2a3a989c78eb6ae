import { fireEvent, screen, within } from '@testing-library/react';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { show, today, usualFacts } from '../tests/onScreen';
import { HomeSheetScreen } from './HomeSheetScreen';

const ticked = () =>
  screen
    .getAllByRole('checkbox')
    .filter((one) => one.getAttribute('aria-checked') === 'true')
    .map((one) => one.textContent?.replace('✓', ''));

test('what is ticked stands on the sheet, built of what is at home, and when to stop', async () => {
  await show(<HomeSheetScreen id="p1" />);
  const names = ticked();
  expect(names.length).toBeGreaterThan(2);
  for (const name of names) {
    const pose = screen.getByRole('region', { name: name ?? '' });
    expect(within(pose).getByText('Go in')).toBeInTheDocument();
    expect(within(pose).getByText('Come out')).toBeInTheDocument();
    expect(within(pose).getByText(/How long/)).toBeInTheDocument();
    // What lay in the studio is not told at home.
    expect(within(pose).queryByText(/last time/)).toBeNull();
  }
  expect(screen.getByRole('region', { name: 'When to stop' })).toBeInTheDocument();
  const [first] = names;
  fireEvent.click(screen.getByRole('checkbox', { name: new RegExp(first ?? '') }));
  expect(screen.queryByRole('region', { name: first ?? '' })).toBeNull();
  for (const name of names.slice(1))
    fireEvent.click(screen.getByRole('checkbox', { name: new RegExp(name ?? '') }));
  expect(screen.getByText('Nothing is ticked yet.')).toBeInTheDocument();
  expect(screen.queryByRole('region', { name: 'When to stop' })).toBeNull();
});

test('what must first be allowed in writing is not ticked by itself, and a sore knee is told plainly', async () => {
  const at = today();
  const cautions = [
    { id: 'knee-replacement' as const, side: 'left' as const, answer: 'yes' as const, at },
  ];
  await show(<HomeSheetScreen id="p1" />, [
    put('people', samplePerson({ cautions })),
    ...usualFacts().slice(1),
  ]);
  const hero = screen.getByRole('checkbox', { name: /^✓?Hero: once the written go-ahead is here/ });
  expect(hero).toHaveAttribute('aria-checked', 'false');
  fireEvent.click(hero);
  const told = screen.getByRole('region', { name: 'Hero' });
  expect(within(told).getByText(/sit no lower than this/)).toBeInTheDocument();
  expect(within(told).queryByText(/of knee bend are left/)).toBeNull();
});
