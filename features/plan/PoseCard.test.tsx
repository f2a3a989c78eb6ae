import type { LocalDay } from '@/core/formats/time';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { bodyFrom } from '@/core/body/body';
import { planStudent } from '@/core/plan/plan';
import {
  recordWith,
  samplePerson,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '@/core/tests/samples';
import { estimateRanges, type StudentRecord } from '@/core/estimate/estimate';
import { createStore } from '@/store/store';
import { Provider } from 'react-redux';
import { Memory } from '@/store/tests/memory';
import { PoseCard } from './PoseCard';

const show = (
  record: StudentRecord,
  day: LocalDay = '2026-01-15',
  units: 'cm' | 'in' = 'cm',
  pose = 'hero',
) => {
  const planned = planStudent(record, sampleShelf, day, { poses: [pose] }).poses[0]!;
  const store = createStore(new Memory());
  render(
    <Provider store={store}>
      <PoseCard
        planned={planned}
        person={record.person}
        estimates={estimateRanges(record, day)}
        body={bodyFrom(170)}
        shelf={sampleShelf}
        units={units}
      />
    </Provider>,
  );
  return planned;
};
const knees = [
  sampleReading({ id: 'l', values: [128] }),
  sampleReading({ id: 'r', side: 'right', values: [134] }),
];

test('a card names the pose in both languages, its pieces, and its reason', () => {
  show(recordWith({ readings: knees }));
  const card = within(screen.getByRole('article', { name: 'Hero' }));
  expect(card.getByText(/Vīrāsana/)).toBeInTheDocument();
  expect(card.getByText(/Knee bend 13\d° left, 5° kept in hand/)).toBeInTheDocument();
  expect(card.getByText('First time')).toBeInTheDocument();
  expect(card.getByRole('img')).toHaveAccessibleName(/Hero, seen from the side: seat on/);
});

test('"Why" opens the working: what is asked, what is there, and the doubt', () => {
  show(recordWith({ readings: knees }));
  expect(screen.queryByText('What the pose asks of the joints')).not.toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Why' }));
  expect(screen.getByText('What the pose asks of the joints')).toBeInTheDocument();
  expect(screen.getByText(/Knee bend, hip bent, left: asks \d+°, has \d+°/)).toBeInTheDocument();
  expect(screen.getAllByText(/What widens it most/).length).toBeGreaterThan(0);
});

test('what comes before and after it, and what does at home, is told with the working', () => {
  show(recordWith({ readings: knees }));
  fireEvent.click(screen.getByRole('button', { name: 'Why' }));
  expect(screen.getByText('Before it:').parentElement).toHaveTextContent(
    'Before it: Side-lying thigh stretch, Low lunge',
  );
  expect(screen.getByText('At home:').parentElement).toHaveTextContent(/thick books/);
});

test('a pose behind its gate says what opens it, and can be opened', async () => {
  show(recordWith({ readings: knees }), '2026-01-15', 'cm', 'horse');
  expect(screen.getByText(/^First: Half lotus, 3 times without complaint/)).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Practised elsewhere' })).toBeEnabled();
});

test('the ways of a pose are one tap each', () => {
  show(recordWith({ readings: knees }), '2026-01-15', 'cm', 'pigeon');
  expect(screen.getByRole('radio', { name: 'Upright on the hands' })).toBeChecked();
  expect(screen.getByRole('radio', { name: 'Folded over the shin' })).not.toBeChecked();
});

test('what changes since last time is said as a word, with its mark', () => {
  show(
    recordWith({
      readings: knees,
      sessions: [sampleSession('2026-01-10', { feeling: { strength: 3, place: 'joint' } })],
    }),
  );
  expect(screen.getByText('Ease')).toBeInTheDocument();
  expect(screen.getAllByText(/Last time, 10 Jan: felt at a joint line/).length).toBeGreaterThan(0);
});

test('a forbidden pose shows its reason and no heights', () => {
  show(
    recordWith({
      person: samplePerson({
        cautions: [{ id: 'recent-or-unexplained', answer: 'yes', at: '2026-01-05' }],
      }),
    }),
  );
  expect(screen.getByText('Not for now')).toBeInTheDocument();
  expect(screen.queryByRole('img')).not.toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Why' })).not.toBeInTheDocument();
});

test('inches are a matter of display', () => {
  const planned = show(recordWith({ readings: knees }), '2026-01-15', 'in');
  expect(planned.slots[0]?.stackCm).toBeGreaterThan(15);
  expect(screen.getAllByText(/\d(\.\d+)? in/).length).toBeGreaterThan(0);
});

test('other heights can be tried: the student’s joints answer, and nothing is stored', () => {
  show(recordWith({ readings: knees }));
  fireEvent.click(screen.getByRole('button', { name: 'Try other heights' }));
  expect(screen.getByText(/Drag a top edge on the rail/)).toBeInTheDocument();
  expect(screen.getByRole('status')).toHaveTextContent(/Hero, seen from the side: seat on/);
  fireEvent.click(screen.getByRole('button', { name: 'Back to the plan' }));
  expect(screen.queryByRole('status')).not.toBeInTheDocument();
});

test('a pose with sides says which, and legs that open can be seen from above', () => {
  show(recordWith(), '2026-01-15', 'cm', 'head-to-knee');
  const card = within(screen.getByRole('article', { name: 'One-leg fold, left' }));
  fireEvent.click(card.getByRole('button', { name: 'From above' }));
  expect(card.getByRole('img')).toHaveAccessibleName('One-leg fold, left, seen from above.');
  fireEvent.click(card.getByRole('button', { name: 'From the side' }));
  expect(card.getByRole('img')).toHaveAccessibleName(/seen from the side/);
});

test('a pose in one plane is not offered from above', () => {
  show(recordWith());
  expect(screen.queryByRole('button', { name: 'From above' })).not.toBeInTheDocument();
});
