import { samplePose, sampleSession } from '../tests/samples';
import { dialCourses, heightCourses, movedIn, timesOf, triedIn } from './progress';

const seat = (heightCm: number) => ({
  slot: 'seat' as const,
  side: 'both' as const,
  heightCm,
  pieces: [],
});
const on = (day: string, of: object) => sampleSession(day, of);

const sessions = [
  on('2026-01-08', { settled: [seat(15)] }),
  on('2026-01-15', { settled: [seat(12.5)], feeling: { strength: 5, place: 'joint' } }),
  on('2026-01-22', { settled: [seat(15)] }),
  on('2026-01-29', {
    settled: [seat(10), { ...seat(0), slot: 'ankle' as const }],
    dials: [{ dial: 'kneeBend' as const, reckoned: 20, value: 30 }],
  }),
];
const { pose, side } = samplePose();

test('heights of a support are told time by time, with where a joint spoke', () => {
  const [course, ...others] = heightCourses(timesOf(sessions, pose, side));
  expect(others).toEqual([]);
  expect(course?.steps.map(({ value }) => value)).toEqual([15, 12.5, 15, 10]);
  expect(course?.steps.map(({ warned }) => warned)).toEqual([false, true, false, false]);
});

test('what was set of the pose is told from the times that it was noted', () =>
  expect(dialCourses(timesOf(sessions, pose, side))).toEqual([
    { key: 'kneeBend', steps: [{ at: '2026-01-29', value: 30, warned: false }] },
  ]));

test('what moved over a span is its first against its last; the same height did not move', () => {
  expect(movedIn(sessions)).toEqual([{ pose, side, slot: 'seat', fromCm: 15, toCm: 10 }]);
  expect(movedIn(sessions.slice(0, 3))).toEqual([]);
  expect(movedIn([])).toEqual([]);
});

test('steps that were tried are told by their slot, day by day, and of no other', () => {
  const seat = { slot: 'seat', side: 'both' } as const;
  const times = [
    { at: '2026-03-02' as const, outcome: samplePose({ trials: [] }) },
    {
      at: '2026-03-09' as const,
      outcome: samplePose({
        trials: [
          { ...seat, heightCm: 12, word: false },
          { ...seat, heightCm: 10, word: true },
          { slot: 'ankle', side: 'both', heightCm: 4, word: false },
        ],
      }),
    },
  ];
  expect(triedIn(times, 'seat')).toEqual([
    { at: '2026-03-09', value: 12, word: false },
    { at: '2026-03-09', value: 10, word: true },
  ]);
  expect(triedIn(times, 'underKnees')).toEqual([]);
});
