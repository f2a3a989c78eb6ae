import type { SessionPose } from '../formats/book';
import { firstAndLast } from './firstAndLast';

const posed = (pose: string, side: SessionPose['side'], seatCm: number): SessionPose => ({
  pose,
  side,
  settled: [{ slot: 'seat', side: 'both', heightCm: seatCm, pieces: [] }],
  heldSeconds: 60,
  feeling: {},
  faults: [],
});

test('the first beside the last, each side by itself, with the heights that are not the same', () => {
  const poses = [
    posed('staff', 'both', 12),
    posed('head-to-knee', 'left', 8),
    posed('staff', 'both', 10),
    posed('head-to-knee', 'right', 8),
    posed('staff', 'both', 9),
  ];
  const [only, ...others] = firstAndLast({ poses });
  expect(others).toEqual([]);
  expect(only).toMatchObject({ place: 'staff/both', first: poses[0], last: poses[4] });
  expect(only!.heights).toEqual([expect.objectContaining({ firstCm: 12, lastCm: 9 })]);
});

test('heights that stayed are none, and what lay nowhere at first stood at 0', () => {
  const bare = { ...posed('staff', 'both', 0), settled: [] };
  expect(firstAndLast({ poses: [bare, posed('staff', 'both', 5)] })[0]!.heights).toEqual([
    expect.objectContaining({ firstCm: 0, lastCm: 5 }),
  ]);
  expect(firstAndLast({ poses: [posed('staff', 'both', 5), posed('staff', 'both', 5)] })).toEqual([
    expect.objectContaining({ heights: [] }),
  ]);
});
