import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { useRouter } from 'expo-router';
import { cautions } from '@/core/safety/cautions';
import { samplePerson, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { factsOf, undo } from '@/store/store';
import { show, today, usualFacts } from '../tests/onScreen';
import { IntakeScreen } from './IntakeScreen';
import { NewStudentScreen } from './NewStudentScreen';
import { StudentScreen } from './StudentScreen';
import { StudentsScreen } from './StudentsScreen';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const fill = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('a new student', () => {
  test('needs a name and a height, in words when they are missing', async () => {
    const { state } = await show(<NewStudentScreen />, []);
    press('Save and ask the questions');
    expect(await screen.findByText('Name: enter what the student is called.')).toBeInTheDocument();
    expect(screen.getByText('Height: Enter a number.')).toBeInTheDocument();
    expect(state().people).toEqual({});
  });

  test('is stored with what was said', async () => {
    const { state } = await show(<NewStudentScreen />, []);
    fill('Name', '  Merle Quist ');
    fill('Height', '171,5');
    fill('Year of birth', '1980');
    fireEvent.click(screen.getByRole('radio', { name: 'Woman' }));
    fireEvent.click(screen.getByRole('radio', { name: 'Breath-paced' }));
    press('Save and ask the questions');
    await waitFor(() =>
      expect(Object.values(state().people)[0]).toMatchObject({
        name: 'Merle Quist',
        statureCm: 171.5,
        birthYear: 1980,
        sex: 'woman',
        approach: 'breath-paced',
      }),
    );
  });

  test.each([false, true])('goes on to the questions, but not once left: %s', async (leaves) => {
    const went = jest.spyOn(useRouter(), 'replace');
    const { state } = await show(<NewStudentScreen />, []);
    fill('Name', 'Merle Quist');
    fill('Height', '171');
    press('Save and ask the questions');
    if (leaves) window.history.pushState(null, '', '/shelf');
    await waitFor(() => expect(Object.keys(state().people)).toHaveLength(1));
    await act(async () => undefined);
    expect(went).toHaveBeenCalledTimes(leaves ? 0 : 1);
    went.mockRestore();
    window.history.pushState(null, '', '/');
  });

  test('may be entered in inches', async () => {
    const { state } = await show(<NewStudentScreen />, [
      put('settings', { id: 'settings', units: 'in', theme: 'system' }),
    ]);
    fill('Name', 'Inch Sample');
    fill('Height', '67');
    press('Save and ask the questions');
    await waitFor(() => expect(Object.values(state().people)[0]?.statureCm).toBeCloseTo(170.2, 1));
  });
});

describe('the questions', () => {
  test('all stand open at first, and each "yes" says what it changes and when to refer', async () => {
    const { state } = await show(<IntakeScreen id="p1" />);
    const group = within(screen.getByRole('radiogroup', { name: 'Meniscus injury' }));
    expect(group.getByRole('radio', { name: 'Not asked' })).toBeChecked();
    fireEvent.click(group.getByRole('radio', { name: 'Yes' }));
    expect(await screen.findByText(/15° of knee bend are left to spare/)).toBeInTheDocument();
    expect(screen.getByText(/Locking, swelling or giving way/)).toBeInTheDocument();
    fireEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Which side' })).getByRole('radio', {
        name: 'Left',
      }),
    );
    await waitFor(() =>
      expect(state().people.p1?.cautions).toEqual([
        expect.objectContaining({ id: 'knee-meniscus', answer: 'yes', side: 'left' }),
      ]),
    );
  });

  test('a sore knee is asked where it hurts, and each place says what it adds', async () => {
    const { state } = await show(<IntakeScreen id="p1" />);
    expect(screen.queryByRole('group', { name: 'Where it hurts' })).toBeNull();
    fireEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Knee that hurts' })).getByRole('radio', {
        name: 'Yes',
      }),
    );
    const where = within(await screen.findByRole('group', { name: 'Where it hurts' }));
    expect(screen.queryByText(/a folded towel fills the back of the knee/)).toBeNull();
    fireEvent.click(where.getByRole('checkbox', { name: 'The back of the knee' }));
    expect(await screen.findByText(/a folded towel fills the back of the knee/)).toBeVisible();
    await waitFor(() => expect(state().people.p1?.cautions[0]?.spots).toEqual(['behind-knee']));
    fireEvent.click(where.getByRole('checkbox', { name: 'The back of the knee' }));
    await waitFor(() => expect(state().people.p1?.cautions[0]?.spots).toEqual([]));
  });

  test('the rest can be answered no at once, and undone', async () => {
    const { state } = await show(<IntakeScreen id="p1" />);
    press(/All asked: no to the remaining/);
    await waitFor(() => expect(state().people.p1?.cautions).toHaveLength(cautions.length));
    expect(state().undo.offered?.words).toBe(`${cautions.length} questions answered no`);
  });

  test('a go-ahead needs a whole date that is not to come', async () => {
    const { state } = await show(<IntakeScreen id="p1" />, [
      ...usualFacts(),
      put(
        'people',
        samplePerson({ cautions: [{ id: 'hip-replacement', answer: 'yes', at: '2026-01-05' }] }),
      ),
    ]);
    fill('Date of the written go-ahead', 'in May');
    press('Note the go-ahead');
    expect(screen.getByRole('alert')).toHaveTextContent('Choose the date that it bears.');
    fill('Date of the written go-ahead', '2999-01-01');
    press('Note the go-ahead');
    expect(screen.getByRole('alert')).toHaveTextContent('2999-01-01 is after today');
    fill('Date of the written go-ahead', '2026-01-20');
    press('Note the go-ahead');
    await waitFor(() => expect(state().people.p1?.cautions[0]?.goAheadAt).toBe('2026-01-20'));
  });
});

describe('one student', () => {
  test('another approach says what it would do to this plan before it is taken', async () => {
    const { state } = await show(<StudentScreen id="p1" />, usualFacts());
    press('Change name, height, approach');
    expect(screen.queryByText(/^In Wren Sample’s plan: /)).toBeNull();
    fireEvent.click(screen.getByRole('radio', { name: 'Long quiet holds' }));
    expect(
      await screen.findByText(/^In Wren Sample’s plan: holding \d+:\d\d → /),
    ).toBeInTheDocument();
    expect(state().people.p1?.approach).toBe('built-up-alignment');
  });

  test('shows measured ranges with their doubt and age, and how many are assumed', async () => {
    await show(<StudentScreen id="p1" />);
    expect(screen.getByText('Knee bend with a bent hip, left')).toBeInTheDocument();
    expect(screen.getAllByText(/^1[23]\d° ± \d+$/).length).toBe(2);
    expect(screen.getByText(/^\d+ more are assumed\.$/)).toBeInTheDocument();
  });

  test('can be changed', async () => {
    const { state } = await show(<StudentScreen id="p1" />);
    press('Change name, height, approach');
    fill('Height', '181');
    press('Save');
    await waitFor(() => expect(state().people.p1?.statureCm).toBe(181));
  });

  test('goes with every reading and session, in one change that can be undone', async () => {
    const { state, store } = await show(<StudentScreen id="p1" />, [
      ...usualFacts(),
      put('sessions', sampleSession(today())),
    ]);
    const before = factsOf(state());
    press('Remove student');
    await waitFor(() => expect(state().people).toEqual({}));
    expect([state().readings, state().sessions]).toEqual([{}, {}]);
    await store.dispatch(undo());
    expect(factsOf(state())).toEqual(before);
  });

  test('one who is not there is said to be', async () => {
    await show(<StudentScreen id="nobody" />);
    expect(screen.getByRole('heading', { name: 'No such student' })).toBeInTheDocument();
  });
});

test('students are found by a part of their name', async () => {
  await show(<StudentsScreen />, [
    put('people', samplePerson({ id: 'a', name: 'Ada Brook' })),
    put('people', samplePerson({ id: 'b', name: 'Ben Cliff' })),
  ]);
  fireEvent.change(screen.getByLabelText('Find by name'), { target: { value: 'BRO' } });
  expect(screen.getAllByRole('listitem')).toHaveLength(1);
  fireEvent.change(screen.getByLabelText('Find by name'), { target: { value: 'zz' } });
  expect(screen.getByText('Nobody is called “zz”.')).toBeInTheDocument();
});
