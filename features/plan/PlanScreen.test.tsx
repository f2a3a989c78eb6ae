import { act, fireEvent, screen, within } from '@testing-library/react';
import { put } from '@/store/facts';
import { samplePerson, sampleReading } from '@/core/tests/samples';
import { show, usualFacts } from '../tests/onScreen';
import { PlanScreen } from './PlanScreen';

const among = (group: string, name: string) =>
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }),
  );
const ago = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);

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
  among('What of them', 'With cautions');
  const pigeon = within(screen.getByRole('article', { name: 'Pigeon, left' }));
  expect(pigeon.getByText('Another pose instead: Reclined figure four')).toBeInTheDocument();
  expect(pigeon.queryByRole('img')).not.toBeInTheDocument();
  expect(screen.queryByRole('article', { name: 'Standing fold' })).not.toBeInTheDocument();
});

test('the months to come are told where there is record enough, and refused where there is not', async () => {
  await show(<PlanScreen id="p1" />);
  const hero = () => within(screen.getByRole('article', { name: 'Hero' }));
  fireEvent.click(hero().getByRole('button', { name: 'Why' }));
  expect(hero().getByText(/^Not enough record: 1 of 3 dated readings/)).toBeInTheDocument();
});

test('with readings over weeks a height is carried forward, and never promised', async () => {
  const readings = (['left', 'right'] as const).flatMap((side) =>
    [70, 49, 28, 7].map((days, i) =>
      put(
        'readings',
        sampleReading({
          id: `${side}${days}`,
          side,
          values: [118 + 3 * i, 118 + 3 * i],
          at: ago(days),
        }),
      ),
    ),
  );
  await show(<PlanScreen id="p1" />, [...usualFacts(), ...readings]);
  const hero = within(screen.getByRole('article', { name: 'Hero' }));
  fireEvent.click(hero.getByRole('button', { name: 'Why' }));
  expect(hero.getByText('In the months to come')).toBeInTheDocument();
  expect(hero.getByText(/^Half of today’s height/)).toBeInTheDocument();
  expect(
    hero.getByText('If practice goes on as it has. Likely, not promised.'),
  ).toBeInTheDocument();
});

test('a choice set for one pose changes that pose', async () => {
  await show(<PlanScreen id="p1" />);
  const card = () => within(screen.getByRole('article', { name: 'Hero' }));
  expect(card().queryByText('Behind the knee')).not.toBeInTheDocument();
  fireEvent.click(card().getByRole('button', { name: 'Why' }));
  await act(
    async () => void fireEvent.click(card().getByRole('radio', { name: 'A folded towel' })),
  );
  expect(card().getAllByText(/Behind the knee/).length).toBeGreaterThan(0);
});
