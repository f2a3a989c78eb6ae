import { act, fireEvent, screen, within } from '@testing-library/react';
import { put } from '@/store/facts';
import { samplePerson, sampleReading, sampleSession } from '@/core/tests/samples';
import { show, usualFacts } from '../tests/onScreen';
import { HomeScreen } from './HomeScreen';
import { PoseScreen } from './PoseScreen';

const ago = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
const open = (pose: string, facts = usualFacts(), side?: string) =>
  show(<PoseScreen id="p1" pose={pose} side={side} />, facts);
const region = (name: string) => within(screen.getByRole('region', { name }));

test('a pose’s page tells figure, build, how, around, home, why and what was before', async () => {
  await open('hero');
  expect(screen.getByRole('heading', { name: 'Hero', level: 1 })).toBeInTheDocument();
  expect(screen.getByText('Vīrāsana')).toBeInTheDocument();
  expect(region('Figure').getByRole('img')).toHaveAccessibleName(/Hero, seen from the side: seat/);
  expect(
    region('Build').getByRole('list', { name: 'Seat, from the floor up' }),
  ).toBeInTheDocument();
  expect(region('How').getByText('Come out')).toBeInTheDocument();
  expect(screen.getByRole('link', { name: 'Side-lying thigh stretch' })).toHaveAttribute(
    'href',
    '/students/p1/poses/cats-tail',
  );
  expect(region('At home').getByText(/thick books/)).toBeInTheDocument();
  expect(
    region('Why').getByText(/Knee bend with a bent hip, left: asks \d+°, has \d+°/),
  ).toBeInTheDocument();
  expect(region('Why').getAllByText(/What widens it most/).length).toBeGreaterThan(0);
  expect(region('Before').getByText('Not practised yet.')).toBeInTheDocument();
});

test('a tap on a piece says what else could stand there, and the build follows', async () => {
  await open('hero');
  const pieces = () => region('Build').getByRole('list', { name: 'Seat, from the floor up' });
  const before = pieces().textContent;
  fireEvent.click(within(pieces()).getAllByRole('button')[0]!);
  expect(region('Build').getByText(/^(At home: |At home nothing)/)).toBeInTheDocument();
  fireEvent.click(region('Build').getByRole('button', { name: /^Without any / }));
  expect(pieces().textContent).not.toBe(before);
});

test('what is set of the pose is stepped, and the figure answers', async () => {
  await open('standing-fold');
  const said = () => region('Figure').getByRole('img').getAttribute('aria-label');
  const before = said();
  fireEvent.click(screen.getByRole('button', { name: 'Knee bend: more' }));
  fireEvent.click(screen.getByRole('button', { name: 'Knee bend: more' }));
  expect(said()).not.toBe(before);
});

test('stages are a path with what opens the next', async () => {
  await open('staff');
  const stages = within(screen.getByRole('list', { name: 'Stages' }));
  expect(stages.getByText(/ — here$/)).toBeInTheDocument();
  expect(stages.getAllByRole('listitem').length).toBeGreaterThan(2);
});

test('the ways of a pose are one tap each', async () => {
  await open('pigeon');
  expect(screen.getByRole('radio', { name: 'Upright on the hands' })).toBeChecked();
  await act(
    async () => void fireEvent.click(screen.getByRole('radio', { name: 'Folded over the shin' })),
  );
  expect(screen.getByRole('radio', { name: 'Folded over the shin' })).toBeChecked();
});

test('the sides of a pose are a choice, and legs that open are seen from above', async () => {
  await open('head-to-knee', usualFacts(), 'right');
  expect(screen.getByRole('radio', { name: 'Right' })).toBeChecked();
  fireEvent.click(screen.getByRole('radio', { name: 'Above' }));
  expect(region('Figure').getByRole('img')).toHaveAccessibleName(
    'One-leg fold, right, seen from above.',
  );
});

test('a pose in one plane is offered from the side alone', async () => {
  await open('hero');
  expect(screen.queryByRole('radio', { name: 'Above' })).not.toBeInTheDocument();
});

test('what if a range were stiffer: the heights that it would take', async () => {
  await open('staff');
  const name = 'hamstring, left: 5° stiffer';
  for (let i = 0; i < 4; i++) fireEvent.click(screen.getByRole('button', { name }));
  expect(screen.getByText('Hamstring, left 20° stiffer')).toBeInTheDocument();
  expect(screen.getByText(/\d (cm )?higher\.?|cm higher/)).toBeInTheDocument();
});

test('a pose that a caution forbids says so, and leads on', async () => {
  const facts = [
    ...usualFacts(),
    put(
      'people',
      samplePerson({ cautions: [{ id: 'knee-meniscus', answer: 'yes', at: '2026-01-05' }] }),
    ),
  ];
  await open('pigeon', facts, 'left');
  expect(screen.getByText('Another pose instead: Reclined figure four')).toBeInTheDocument();
  expect(screen.queryByRole('region', { name: 'Build' })).not.toBeInTheDocument();
});

test('what was done before is told, the last time first', async () => {
  await open('hero', [
    ...usualFacts(),
    put('sessions', sampleSession(ago(9), {})),
    put('sessions', { ...sampleSession(ago(2), {}), id: 'later' }),
  ]);
  expect(region('Before').getAllByText(/of 10 in muscle/).length).toBe(2);
});

test('the months to come are told where there is record enough, and refused where there is not', async () => {
  await open('hero');
  expect(screen.getByText(/^Not enough record: 1 of 3 dated readings/)).toBeInTheDocument();
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
  await open('hero', [...usualFacts(), ...readings]);
  expect(screen.getByText('In the months to come')).toBeInTheDocument();
  expect(screen.getByText(/^Half of today’s height/)).toBeInTheDocument();
  expect(
    screen.getByText('If practice goes on as it has. Likely, not promised.'),
  ).toBeInTheDocument();
});

test('a choice set for one pose changes that pose', async () => {
  await open('hero');
  expect(screen.queryByRole('heading', { name: /^Behind the knee/ })).not.toBeInTheDocument();
  await act(
    async () => void fireEvent.click(screen.getByRole('radio', { name: 'A folded towel' })),
  );
  expect(screen.getAllByRole('heading', { name: /^Behind the knee/ }).length).toBeGreaterThan(0);
});

test('no such pose leads back to the plan', async () => {
  await open('no-such-pose');
  expect(screen.getByRole('heading', { name: 'No such pose' })).toBeInTheDocument();
});

describe('what is at home', () => {
  test('begins with what most flats have, is counted, and taken back', async () => {
    const { state } = await show(<HomeScreen id="p1" />);
    expect(screen.getByText(/^Nothing is noted yet/)).toBeInTheDocument();
    await act(
      async () => void fireEvent.click(screen.getByRole('button', { name: 'Books: one more' })),
    );
    expect(state().people.p1?.home.find(({ id }) => id === 'books')?.count).toBe(5);
    await act(
      async () => void fireEvent.click(screen.getByRole('button', { name: 'As in most flats' })),
    );
    expect(state().people.p1?.home).toEqual([]);
  });
});

test('what is tried is laid out for the next session, kept there, and taken back', async () => {
  const { state } = await open('hero');
  const pieces = () => region('Build').getByRole('list', { name: 'Seat, from the floor up' });
  fireEvent.click(within(pieces()).getAllByRole('button')[0]!);
  fireEvent.click(region('Build').getByRole('button', { name: /^Without any / }));
  const tried = pieces().textContent;
  await act(
    async () => void fireEvent.click(screen.getByRole('button', { name: 'Use this next time' })),
  );
  expect(screen.getByText('Used next time, as it stands here.')).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Use this next time' })).toBeNull();
  const laid = state().mat.laid['p1']?.poses['hero/both'];
  expect(laid?.settled.find(({ slot }) => slot === 'seat')?.pieces.length).toBeGreaterThan(0);
  expect(pieces().textContent).toBe(tried);
  fireEvent.click(screen.getByRole('button', { name: 'Back to the plan' }));
  expect(state().mat.laid['p1']?.poses['hero/both']).toBeUndefined();
  expect(pieces().textContent).not.toBe(tried);
});

test('another student stands in the same pose, each height beside this one’s', async () => {
  await open('hero', [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin', statureCm: 150 })),
  ]);
  const other = region('Another body');
  await act(async () => void fireEvent.click(other.getByRole('radio', { name: 'Nadia Orrin' })));
  expect(other.getByRole('img', { name: /^Hero, seen from the side/ })).toBeInTheDocument();
  expect(screen.getByRole('region', { name: 'Another body' })).toHaveTextContent(
    /Seat \d+(\.5)? cm \((as high|[\d.]+ cm (higher|lower))\)/,
  );
  await act(
    async () => void fireEvent.click(other.getByRole('radio', { name: /in three months/ })),
  );
  expect(other.getByText(/^The record cannot tell yet/)).toBeInTheDocument();
  await act(
    async () => void fireEvent.click(other.getByRole('radio', { name: /in three months/ })),
  );
  expect(other.queryByText(/^The record cannot tell yet/)).toBeNull();
});

test('with three dated readings a body is carried three months on', async () => {
  const facts = [
    ...usualFacts(),
    ...[90, 60, 30].flatMap((days, i) =>
      (['left', 'right'] as const).map((side) =>
        put(
          'readings',
          sampleReading({ id: `o${days}${side}`, side, values: [118 + 4 * i], at: ago(days) }),
        ),
      ),
    ),
  ];
  await open('hero', facts);
  const other = region('Another body');
  await act(
    async () => void fireEvent.click(other.getByRole('radio', { name: /in three months/ })),
  );
  expect(
    other.getByText(/if practice goes on as it has\. Likely, not promised\./),
  ).toBeInTheDocument();
  expect(screen.getByRole('region', { name: 'Another body' })).toHaveTextContent(
    /Seat \d+(\.5)? cm \((as high|[\d.]+ cm lower)\)/,
  );
});
