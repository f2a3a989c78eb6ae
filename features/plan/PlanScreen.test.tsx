import { fireEvent, screen, within } from '@testing-library/react';
import { put } from '@/store/facts';
import { samplePerson } from '@/core/tests/samples';
import { show, usualFacts } from '../tests/onScreen';
import { PlanScreen } from './PlanScreen';

const among = (group: string, name: string) =>
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }),
  );

test('the commonest poses come first, the others by their group, each side by itself', async () => {
  await show(<PlanScreen id="p1" />);
  expect(screen.getAllByRole('article').map((card) => card.getAttribute('aria-label'))).toEqual([
    'Staff',
    'Hero',
    'Child',
    'Standing fold',
    'Seated fold',
  ]);
  among('Which poses', 'Kneeling');
  const names = screen.getAllByRole('article').map((card) => card.getAttribute('aria-label'));
  expect(names).toEqual(expect.arrayContaining(['Child', 'Low lunge, left', 'Low lunge, right']));
  expect(names).not.toContain('Staff');
});

test('what a caution changes can be looked at alone', async () => {
  const facts = [
    ...usualFacts(),
    put(
      'people',
      samplePerson({ cautions: [{ id: 'knee-meniscus', answer: 'yes', at: '2026-01-05' }] }),
    ),
  ];
  await show(<PlanScreen id="p1" />, facts);
  among('Which poses', 'Folds, hips and squats');
  fireEvent.click(screen.getByRole('button', { name: /^Set what is shown/ }));
  among('What of them', 'With cautions');
  const pigeon = within(screen.getByRole('article', { name: 'Pigeon, left' }));
  expect(pigeon.getByText('Another pose instead: Reclined figure four')).toBeInTheDocument();
  expect(pigeon.queryByRole('img')).not.toBeInTheDocument();
  expect(screen.queryByRole('article', { name: 'Standing fold' })).not.toBeInTheDocument();
});

test('a pose is found by either name, without its marks', async () => {
  await show(<PlanScreen id="p1" />);
  fireEvent.click(screen.getByRole('button', { name: 'Find a pose' }));
  const field = screen.getByLabelText('Find a pose, in English or Sanskrit');
  fireEvent.change(field, { target: { value: 'virasana' } });
  const names = () => screen.getAllByRole('article').map((card) => card.getAttribute('aria-label'));
  expect(names()).toEqual(expect.arrayContaining(['Hero', 'Reclined hero']));
  fireEvent.change(field, { target: { value: 'figure four' } });
  expect(names()).toContain('Reclined figure four, left');
  fireEvent.change(field, { target: { value: 'zzz' } });
  expect(screen.getByText('No pose is called “zzz”.')).toBeInTheDocument();
});

test('one control says what is set', async () => {
  await show(<PlanScreen id="p1" />);
  fireEvent.click(
    screen.getByRole('button', { name: 'Set what is shown: Built-up alignment, everything' }),
  );
  among('What of them', 'What changes');
  expect(
    screen.getByRole('button', { name: 'Set what is shown: Built-up alignment, what changes' }),
  ).toHaveAttribute('aria-expanded', 'true');
});
