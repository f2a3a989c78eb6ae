import { render, screen, within } from '@testing-library/react';
import type { PlanPose } from '@/core/formats/plan';
import { planStudent } from '@/core/plan/plan';
import { poseById, stagesOf } from '@/core/poses/poses';
import { recordWith, sampleReading, sampleShelf } from '@/core/tests/samples';
import { Stages } from './Stages';

const staff = planStudent(
  recordWith({ readings: [sampleReading({ range: 'hamstring', values: [50] })] }),
  sampleShelf,
  '2026-01-15',
  { poses: ['staff'] },
).poses[0]!;
const at = (stage: string): PlanPose => ({ ...staff, stage });
const items = () => within(screen.getByRole('list', { name: 'Stages' })).getAllByRole('listitem');

test('the path goes from the most supported stage to the floor, with one marked as here', () => {
  render(<Stages planned={staff} units="cm" />);
  const stages = stagesOf(poseById('staff')!, staff.way);
  expect(items().map((item) => item.textContent)).toHaveLength(stages.length);
  expect(items().filter((item) => item.getAttribute('aria-current') === 'step')).toHaveLength(1);
});

test('the next stage says what opens it, in the teacher’s units', () => {
  const { unmount } = render(<Stages planned={at('knees-on-roll')} units="cm" />);
  expect(
    screen.getByText(/^Comes once nothing is needed here: under the knees, today /),
  ).toBeVisible();
  unmount();
  render(<Stages planned={at('knees-on-roll')} units="in" />);
  expect(
    screen.getByText(/^Comes once nothing is needed here: under the knees, today .* in\.$/),
  ).toBeVisible();
});

test('a stage for want of room says so, and the last one opens nothing', () => {
  const { unmount } = render(<Stages planned={at('knees-bent')} units="cm" />);
  expect(screen.getByText('Comes once under the knees can be built low enough.')).toBeVisible();
  unmount();
  render(<Stages planned={at('floor')} units="cm" />);
  expect(screen.queryByText(/^Opens/)).not.toBeInTheDocument();
});

test('a pose that is not set up has no path', () => {
  render(<Stages planned={at('')} units="cm" />);
  expect(screen.queryByRole('list')).not.toBeInTheDocument();
});
