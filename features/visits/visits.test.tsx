import { act, fireEvent, screen, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { usualItem } from '@/core/props/usualShelves';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { clock } from '@/ui/format';
import { undo } from '@/store/store';
import { saveFile } from '../data/files';
import { show, today, usualFacts } from '../tests/onScreen';
import { TodayScreen } from '../today/TodayScreen';
import { CalendarScreen } from './CalendarScreen';

jest.mock('../data/files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

const press = (name: string | RegExp) =>
  act(async () => void fireEvent.click(screen.getByRole('button', { name })));
const type = (name: string | RegExp, text: string) =>
  fireEvent.change(screen.getByLabelText(name, { selector: 'input' }), { target: { value: text } });
const two = () => [...usualFacts(), put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' }))];

test('marked for today, somebody comes first, at an hour that is checked, with what to fetch for all', async () => {
  const { store, state } = await show(<TodayScreen />, two());
  await press('Nadia Orrin comes today');
  expect(await screen.findByRole('heading', { name: 'Comes today' })).toBeInTheDocument();
  const names = () => screen.getAllByRole('article').map((card) => card.getAttribute('aria-label'));
  expect(names()).toEqual(['Nadia Orrin', 'Wren Sample']);
  await press('Hour of Nadia Orrin');
  type(/^Hour of Nadia/, '25:00');
  expect(screen.getByRole('button', { name: 'Keep the hour' })).toBeDisabled();
  type(/^Hour of Nadia/, '18:15');
  await press('Keep the hour');
  expect(
    screen.getByRole('heading', { name: `${clock('18:15')} · Nadia Orrin` }),
  ).toBeInTheDocument();
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
  expect(screen.getByRole('alert')).toHaveTextContent('Choose a day.');
  type(/^Day/, today());
  type(/^Hour/, '07:30');
  fireEvent.click(screen.getByRole('radio', { name: 'Every week' }));
  await press('Add Nadia Orrin');
  expect(screen.getByRole('region', { name: /^\w+ \d+ \w+$/ })).toHaveTextContent(
    `today${clock('07:30')}Nadia Orrinevery week`,
  );
  await press('Week after');
  await press(/^Nadia Orrin does not come on /);
  expect(screen.getByText(/: 0 visits\.$/)).toBeInTheDocument();
  await press('Week after');
  expect(screen.getByRole('status')).toHaveTextContent(/: 1 visit\.$/);
  await press('Nadia Orrin no longer comes at that hour');
  expect(state().visits).toEqual({});
});

test('a class: named, its people ticked, every week; on its day it says what all need at once', async () => {
  const { state } = await show(<CalendarScreen />, two());
  const add = within(screen.getByRole('region', { name: 'Add to the week' }));
  fireEvent.click(add.getByRole('radio', { name: 'A class' }));
  const tick = (name: string) => fireEvent.click(add.getByRole('checkbox', { name }));
  expect(add.getByRole('button', { name: /Name it and tick/ })).toBeDisabled();
  fireEvent.change(add.getByLabelText(/Its name/), { target: { value: 'Hips' } });
  tick('Wren Sample');
  tick('Nadia Orrin');
  fireEvent.change(add.getByLabelText(/Hour/), { target: { value: '18:30' } });
  fireEvent.click(add.getByRole('radio', { name: 'Every week' }));
  await press('Add Hips, 2 in it');
  expect(Object.values(state().classes)).toMatchObject([
    { name: 'Hips', people: ['p1', 'p2'], on: today(), time: '18:30', repeats: 'FREQ=WEEKLY' },
  ]);
  expect(screen.getByRole('status')).toHaveTextContent(/: 0 visits, 1 class\.$/);
  await press('Who is in Hips');
  const who = within(screen.getByRole('region', { name: /^\w+ \d+ \w+$/ }));
  fireEvent.click(who.getByRole('checkbox', { name: 'Nadia Orrin' }));
  await press('Keep who is in it');
  expect(Object.values(state().classes)).toMatchObject([{ people: ['p1'] }]);
  await press(/^Hips is not on /);
  expect(screen.getByRole('status')).toHaveTextContent(/: 0 visits\.$/);
  await press('Week after');
  await press('Hips ends');
  expect(state().classes).toEqual({});
});

test('who is in a class comes at its hour; what all need at once is fetched, and what is short is said', async () => {
  const it = { id: 'c1', name: 'Hips', people: ['p1', 'p2', 'gone'], on: today(), time: '18:30' };
  await show(<TodayScreen />, [
    ...two().filter(({ kind }) => kind !== 'shelf'),
    put('shelf', { ...usualItem('b1', 'blanket', 'Blanket', 1) }),
    put('classes', it),
  ]);
  expect(
    await screen.findByRole('heading', { name: `${clock('18:30')} · Wren Sample` }),
  ).toBeInTheDocument();
  expect(screen.getByRole('article', { name: 'Nadia Orrin' })).toHaveTextContent(/In Hips/);
  expect(screen.getByRole('region', { name: 'To fetch for Hips' })).toHaveTextContent(
    /Too few for everybody at once: blanket: 2 needed, you have 1/,
  );
});

test('what repeats by a rule that is not read here is kept, shown, said, and can be taken out', async () => {
  const odd = { on: shiftDays(today(), -30), repeats: 'FREQ=DAILY;INTERVAL=-1' };
  const { state } = await show(<CalendarScreen />, [
    ...usualFacts(),
    put('visits', { id: 'v', person: 'p1', ...odd }),
    put('classes', { id: 'c', name: 'Hips', people: ['p1'], ...odd, on: today() }),
  ]);
  expect(screen.getByRole('status')).toHaveTextContent(/: 0 visits, 1 class\.$/);
  expect(screen.getByText('repeats in a way that is not read here')).toBeInTheDocument();
  const kept = screen.getByRole('region', { name: 'Not read here' });
  expect(kept).toHaveTextContent(/Wren Sample, from .*: FREQ=DAILY;INTERVAL=-1/);
  await press('Wren Sample no longer repeats');
  await press('Hips no longer repeats');
  expect([state().visits, state().classes]).toEqual([{}, {}]);
});

test('a class begins together: who is there in a tap each, their mats at once, and that they were there', async () => {
  const sparrow = samplePerson({ id: 'p3', name: 'Sparrow New' });
  const { state } = await show(<TodayScreen />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' })),
    put('people', sparrow),
    put('sessions', sampleSession(shiftDays(today(), -40))),
    put('sessions', { ...sampleSession(shiftDays(today(), -40)), id: 's2', person: 'p2' }),
    put('classes', {
      id: 'k',
      name: 'Hips',
      people: ['p1', 'p2', 'p3'],
      on: today(),
      time: '18:15',
    }),
  ]);
  const evening = within(await screen.findByRole('region', { name: /^Hips, / }));
  const begin = () => evening.getByRole('button', { name: /^Begin the class/ });
  expect(begin()).toHaveAttribute('aria-disabled', 'true');
  const is = async (name: string, words: string) =>
    act(
      async () =>
        void fireEvent.click(
          within(evening.getByRole('radiogroup', { name: `Whether ${name} is here` })).getByRole(
            'radio',
            { name: words },
          ),
        ),
    );
  await is('Sparrow New', 'Not today');
  await act(
    async () => void fireEvent.click(evening.getByRole('button', { name: 'The other 2 are here' })),
  );
  expect(state().classes['k']?.came).toEqual([
    { on: today(), person: 'p3', is: 'away' },
    { on: today(), person: 'p2', is: 'here' },
    { on: today(), person: 'p1', is: 'here' },
  ]);
  expect(begin()).toHaveTextContent('Begin the class: 2 mats');
  await act(async () => void fireEvent.click(begin()));
  const { now, parked } = state().mat;
  expect([now?.person, ...Object.keys(parked)].sort()).toEqual(['p1', 'p2']);
  expect(now?.poses.length).toBeGreaterThan(0);
});

test('who was in a class was here, though no session was noted', async () => {
  await show(<CalendarScreen />, [
    ...usualFacts(),
    put('sessions', sampleSession(shiftDays(today(), -40))),
    put('classes', {
      id: 'k',
      name: 'Hips',
      people: ['p1'],
      on: shiftDays(today(), -3),
      came: [{ on: shiftDays(today(), -3), person: 'p1', is: 'here' }],
    }),
  ]);
  expect(screen.getByRole('region', { name: 'Not here for long' })).toHaveTextContent(
    'Everybody was here within three weeks.',
  );
});

test('the week is saved for a calendar, with first names and an initial', async () => {
  await show(<CalendarScreen />);
  await act(
    async () => void fireEvent.click(screen.getByRole('button', { name: 'Save for a calendar' })),
  );
  const [name, [text], type] = jest.mocked(saveFile).mock.calls.at(-1)!;
  expect([name, type]).toEqual(['ojas-week.ics', 'text/calendar']);
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text).toContain('Due for a reading');
});
