import { samplePose, sampleSession } from '../tests/samples';
import { earlierOf, evidenceOf, historyBefore, settledAt } from './history';

test('earlier times are of that pose and side, before today, oldest first', () => {
  const sessions = [
    sampleSession('2026-02-01'),
    sampleSession('2026-01-10'),
    sampleSession('2026-03-01'),
    sampleSession('2026-01-20', { pose: 'staff' }),
    sampleSession('2026-01-22', { side: 'left' }),
  ];
  expect(
    earlierOf(historyBefore(sessions, '2026-03-01'), 'hero', 'both').map(({ at }) => at),
  ).toEqual(['2026-01-10', '2026-02-01']);
});

test('the parts of a ramp are told apart', () => {
  const pose = samplePose({
    settled: [
      { slot: 'back', part: 'low', side: 'both', heightCm: 20, pieces: [] },
      { slot: 'back', part: 'high', side: 'both', heightCm: 34, pieces: [] },
    ],
  });
  expect(settledAt(pose, 'back.high')?.heightCm).toBe(34);
  expect(settledAt(pose, 'back.low')?.heightCm).toBe(20);
  expect(settledAt(pose, 'seat')).toBeUndefined();
});

describe('what a session says of a height', () => {
  const said = (more: Parameters<typeof samplePose>[0], goesUp: string | null = null) =>
    evidenceOf(samplePose(more), 'seat', 20, goesUp);
  test('going well says: enough', () =>
    expect(said({})).toEqual([{ says: 'enough', overReckonedCm: 2.5 }]));
  test('a joint says: too low, of the slot that it points at', () => {
    expect(said({ feeling: { strength: 2, place: 'joint' } }, 'seat')).toEqual([
      { says: 'tooLow', overReckonedCm: 2.5 },
    ]);
    expect(said({ feeling: { strength: 2, place: 'joint' } }, 'back.high')).toEqual([]);
  });
  test('going against the advice says: this height', () =>
    expect(said({ overruled: true })).toEqual([{ says: 'settled', overReckonedCm: 2.5 }]));
  test('half a hold says nothing', () => expect(said({ heldSeconds: 20 })).toEqual([]));
  test('a slot where nothing was settled says nothing', () =>
    expect(evidenceOf(samplePose({ settled: [] }), 'seat', 20, null)).toEqual([]));
});
