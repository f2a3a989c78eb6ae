import { screen, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { show, today, usualFacts } from '../tests/onScreen';
import { ClassScreen } from './ClassScreen';

test('a class on one sheet: by pose, with what lies under each of them, and what is fetched', async () => {
  const session = { ...sampleSession(shiftDays(today(), -7)), id: 's2', person: 'p2' };
  await show(<ClassScreen id="k" />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' })),
    put('people', samplePerson({ id: 'p3', name: 'Not Here' })),
    put('sessions', session),
    put('classes', { id: 'k', name: 'Hips', people: ['p1', 'p2'], on: today(), time: '18:15' }),
  ]);
  const hero = within(screen.getByRole('region', { name: 'Hero' }));
  expect(hero.getByText('Wren Sample')).toBeInTheDocument();
  expect(hero.getByText('Nadia Orrin')).toBeInTheDocument();
  expect(hero.getAllByText(/^Seat \d+(\.5)? cm: /)).toHaveLength(2);
  expect(screen.queryByText(/Not Here/)).toBeNull();
  expect(screen.getByRole('region', { name: 'To fetch for Hips' })).toBeInTheDocument();
});

test('a class that ended says so', async () => {
  await show(<ClassScreen id="gone" />, usualFacts());
  expect(screen.getByText(/This class has ended/)).toBeInTheDocument();
});
