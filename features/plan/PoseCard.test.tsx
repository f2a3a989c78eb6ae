import type { LocalDay } from '@/core/formats/time';
import { render, screen, within } from '@testing-library/react';
import { planStudent } from '@/core/plan/plan';
import {
  recordWith,
  samplePerson,
  sampleReading,
  sampleSession,
  sampleShelf,
} from '@/core/tests/samples';
import type { StudentRecord } from '@/core/estimate/estimate';
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
        isFirst
        planned={planned}
        person={record.person}
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

test('a card shows what changes, the figure and the build, and opens the pose’s own page', () => {
  const planned = show(recordWith({ readings: knees }));
  const card = within(screen.getByRole('article', { name: 'Hero' }));
  expect(card.getByText('First time')).toBeInTheDocument();
  expect(card.getByRole('img', { name: /^Hero, seen from the side: seat on/ })).toBeInTheDocument();
  const seat = planned.slots[0]!;
  expect(seat.stack.length).toBeGreaterThan(0);
  expect(card.getByRole('img', { name: /^Seat: / })).toBeInTheDocument();
  expect(card.getByRole('link', { name: 'Open Hero' })).toHaveAttribute(
    'href',
    '/students/p1/poses/hero?side=both',
  );
});

test('crossed and open seats are shown from the front, where knees stand against hips', () => {
  show(recordWith({ readings: knees }), '2026-01-15', 'cm', 'open-book');
  expect(
    screen.getByRole('img', { name: /seen from the front: left thigh .* the hips, right thigh/ }),
  ).toBeInTheDocument();
});

test('a pose behind its gate says what opens it, and can be opened', async () => {
  show(recordWith({ readings: knees }), '2026-01-15', 'cm', 'sundial');
  expect(
    screen.getByText(/^First: Heron, raised knee straight, on a seat, once without complaint/),
  ).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Practised elsewhere' })).toBeEnabled();
});

test('what changes since last time is said as a word with its mark, its reason and the height before', () => {
  const planned = show(
    recordWith({
      readings: knees,
      sessions: [sampleSession('2026-01-10', { feeling: { strength: 3, place: 'joint' } })],
    }),
  );
  expect(screen.getByText('More support')).toBeInTheDocument();
  expect(screen.getAllByText(/Last time, 10 Jan: felt at a joint line/).length).toBeGreaterThan(0);
  expect(planned.slots[0]!.stackCm).toBeGreaterThan(planned.slots[0]!.lastCm! + 0.5);
  expect(screen.getByText(/^last time \d/)).toBeInTheDocument();
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
});

test('inches are a matter of display', () => {
  const planned = show(recordWith({ readings: knees }), '2026-01-15', 'in');
  expect(planned.slots[0]?.stackCm).toBeGreaterThan(15);
  expect(screen.getAllByText(/\d(\.\d+)? in/).length).toBeGreaterThan(0);
});
