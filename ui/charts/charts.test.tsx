import { render, screen } from '@testing-library/react';
import type { Look } from '@/core/estimate/looks';
import { sampleReading } from '@/core/tests/samples';
import { Course } from './Course';
import { lookOf } from './looks';
import { ReadingDots } from './ReadingDots';
import { StageChart } from './StageChart';
import { StepChart } from './StepChart';

const steps = (values: readonly number[], warnedAt = -1) =>
  values.map((value, i) => ({ at: `2026-01-${10 + i}`, value, warned: i === warnedAt }));
const cm = (value: number) => `${value} cm`;
const marks = (selector: string) => document.querySelectorAll(selector).length;

test('each support has its own line and a mark for every time; where a joint spoke it is a triangle', () => {
  render(
    <StepChart
      courses={[
        { name: 'Seat', steps: steps([15, 12.5, 12.5], 1) },
        { name: 'Ankle', steps: steps([4, 4, 2]) },
      ]}
      written={cm}
      words="Hero, heights through time"
    />,
  );
  expect(screen.getByRole('img', { name: 'Hero, heights through time' })).toBeInTheDocument();
  expect(marks('circle')).toBe(5);
  // Two lines and one triangle.
  expect(marks('path')).toBe(3);
  expect(screen.getByText('0 cm')).toBeInTheDocument();
  expect(screen.getByText('10 Jan 2026')).toBeInTheDocument();
  expect(screen.getByText('12 Jan 2026')).toBeInTheDocument();
});

test('a single time is drawn, and no time at all is no chart', () => {
  const { rerender } = render(
    <StepChart courses={[{ name: 'Seat', steps: steps([8]) }]} written={cm} words="once" />,
  );
  expect(marks('circle')).toBe(1);
  rerender(<StepChart courses={[]} written={cm} words="never" />);
  expect(screen.queryByRole('img')).toBeNull();
});

test('lines are told apart without their colours', () => {
  const dashes = [0, 1, 2, 3].map((i) => lookOf(i).dash);
  expect(new Set(dashes).size).toBe(4);
  expect(lookOf(4)).toBe(lookOf(0));
});

const look = (day: string, mean: number, changed = false): Look => ({
  reading: sampleReading({ id: day, at: day, values: [mean] }),
  day: day as Look['day'],
  mean,
  sem: 3,
  lasting: {},
  bound: 'equal',
  level: { mean, sd: 4 },
  change: changed ? { deg: 12, believable: 9 } : null,
});

test('the course of a range says from when to when, what it is now, and marks what is real', () => {
  render(
    <Course
      name="Hamstring, left"
      looks={[look('2026-01-10', 55), look('2026-02-10', 58), look('2026-03-10', 70, true)]}
    />,
  );
  expect(
    screen.getByRole('img', {
      name: 'Hamstring, left through time: 3 readings from 10 Jan 2026 to 10 Mar 2026, now 70° ± 5',
    }),
  ).toBeInTheDocument();
  const radii = [...document.querySelectorAll('circle')].map((one) => one.getAttribute('r'));
  expect(radii).toEqual(['4.5', '4.5', '6']);
});

test('readings are dots on a scale that holds them all, with their mean', () => {
  render(<ReadingDots values={[60, 62, 64]} mean={62} sem={2} unit="°" />);
  expect(screen.getByRole('img', { name: 'Readings 60, 62, 64, mean 62°' })).toBeInTheDocument();
  const xs = [...document.querySelectorAll('circle')].map((one) => Number(one.getAttribute('cx')));
  expect(xs).toHaveLength(3);
  expect(xs).toEqual([...xs].sort((a, b) => a - b));
  for (const x of xs) expect(x).toBeGreaterThan(0);
});

test('stages stand under one another, the most supported first, with a dot for every time', () => {
  const times = [
    { at: '2026-01-10', stage: 'Thigh' },
    { at: '2026-01-17', stage: 'Thigh' },
    { at: '2026-02-10', stage: 'Knee' },
  ];
  render(<StageChart stages={['Upright', 'Thigh', 'Knee']} times={times} words="how far down" />);
  expect(screen.getByRole('img', { name: 'how far down' })).toBeInTheDocument();
  const rows = [...document.querySelectorAll('circle')].map((dot) =>
    Number(dot.getAttribute('cy')),
  );
  expect(rows[0]).toBe(rows[1]);
  expect(rows[2]).toBeGreaterThan(rows[1]!);
  expect(screen.getByText('10 Jan 2026')).toBeInTheDocument();
});

test('one time alone is one dot and one day', () => {
  render(
    <StageChart
      stages={['Thigh', 'Knee']}
      times={[{ at: '2026-01-10', stage: 'Knee' }]}
      words="x"
    />,
  );
  expect(marks('circle')).toBe(1);
  expect(screen.getAllByText(/2026/)).toHaveLength(1);
});
