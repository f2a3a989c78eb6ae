import { act, fireEvent, screen, within } from '@testing-library/react';
import { selectPeople } from '@/store/selectors';
import { usePerson } from '../hooks';
import { show } from '../tests/onScreen';
import { Choice, PoseChoices } from './PoseChoices';

const Shown = ({ pose }: { readonly pose?: string }) => {
  const person = usePerson('p1');
  return person ? (
    <>
      <Choice person={person} question="behindKnee" {...(pose ? { pose } : {})} />
      <PoseChoices person={person} pose="hero" />
    </>
  ) : null;
};
const pick = async (name: string | RegExp, at = 0) =>
  act(
    async () =>
      void fireEvent.click(
        within(
          screen.getAllByRole('radiogroup', { name: 'Support behind the knee' })[at]!,
        ).getByRole('radio', { name }),
      ),
  );

test('a choice is set for a student, and given back to the approach', async () => {
  const { state } = await show(<Shown />);
  await pick('A folded strap');
  expect(selectPeople(state())[0]?.choices).toEqual({ behindKnee: 'strap' });
  // For the pose alone, what was set for the student is what holds.
  expect(
    within(screen.getAllByRole('radiogroup', { name: 'Support behind the knee' })[1]!).getByRole(
      'radio',
      { name: 'As for this student: a folded strap' },
    ),
  ).toBeChecked();
  await pick(/^As the approach/);
  expect(selectPeople(state())[0]?.choices).toEqual({});
});

test('a choice for one pose leaves the others alone', async () => {
  const { state } = await show(<Shown />);
  await pick('A folded towel', 1);
  expect(selectPeople(state())[0]?.choices).toEqual({ 'hero/behindKnee': 'towel' });
});
