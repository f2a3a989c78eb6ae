import { act, fireEvent, screen } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { undo } from '@/store/store';
import { show, today, usualFacts } from '../tests/onScreen';
import { TodayScreen } from '../today/TodayScreen';
import { CalendarScreen } from './CalendarScreen';

const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const type = (name: string | RegExp, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } });
const two = () => [...usualFacts(), put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' }))];

test('marked for today, somebody comes first, at an hour that is checked, with what to fetch for all', async () => {
  const { store, state } = await show(<TodayScreen />, two());
  await press('Nadia Orrin comes today');
  expect(await screen.findByRole('heading', { name: 'Comes today' })).toBeInTheDocument();
  const names = () => screen.getAllByRole('article').map((card) => card.getAttribute('aria-label'));
  expect(names()).toEqual(['Nadia Orrin', 'Wren Sample']);
  await press('Hour of Nadia Orrin');
  type(/^Hour of Nadia/, '25:00');
  expect(screen.getByRole('alert')).toHaveTextContent('expected an hour such as 18:15');
  expect(screen.getByRole('button', { name: 'Keep the hour' })).toBeDisabled();
  type(/^Hour of Nadia/, '18:15');
  await press('Keep the hour');
  expect(screen.getByRole('heading', { name: '18:15 · Nadia Orrin' })).toBeInTheDocument();
  await press('Wren Sample comes today');
  expect(screen.getByRole('region', { name: 'To fetch for today' })).toHaveTextContent(
    /For Nadia, Wren/,
  );
  await press('Nadia Orrin does not come today');
  expect(Object.values(state().visits)).toHaveLength(1);
  await act(async () => void (await store.dispatch(undo())));
  expect(Object.values(state().visits)).toHaveLength(2);
});

test('a week: somebody is added, comes every week, stays away once, and no more', async () => {
  const { state } = await show(<CalendarScreen />, [
    ...two(),
    put('sessions', sampleSession(shiftDays(today(), -40))),
  ]);
  expect(screen.getByRole('region', { name: 'Not here for long' })).toHaveTextContent(
    /Wren Sample/,
  );
  expect(screen.getByRole('region', { name: 'Due for a reading' })).toHaveTextContent(
    /Nadia Orrin.*not read yet/,
  );
  fireEvent.click(screen.getByRole('radio', { name: 'Nadia Orrin' }));
  type(/^Day/, '2026-02-30');
  expect(screen.getByRole('alert')).toHaveTextContent(/A day such as/);
  type(/^Day/, today());
  type(/^Hour/, '07:30');
  fireEvent.click(screen.getByRole('radio', { name: 'Every week' }));
  await press('Add Nadia Orrin');
  expect(screen.getByRole('region', { name: /^\w+ \d+ \w+$/ })).toHaveTextContent(
    /today07:30Nadia Orrinevery week/,
  );
  await press('Week after');
  await press(/^Nadia Orrin does not come on /);
  expect(screen.getByText(/: 0 visits\.$/)).toBeInTheDocument();
  await press('Week after');
  expect(screen.getByRole('status')).toHaveTextContent(/: 1 visit\.$/);
  await press('Nadia Orrin no longer comes at that hour');
  expect(state().visits).toEqual({});
});
