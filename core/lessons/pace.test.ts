import type { Session, SessionPose } from '../formats/book';
import { paceOf } from './pace';

const posed = (setUpSeconds?: number, more: Partial<SessionPose> = {}): SessionPose => ({
  pose: 'staff',
  side: 'both',
  settled: [
    {
      slot: 'seat',
      side: 'both',
      heightCm: 10,
      pieces: [{ item: 'b', state: 'quarter', count: 2 }],
    },
  ],
  heldSeconds: 60,
  feeling: {},
  faults: [],
  ...(setUpSeconds === undefined ? {} : { setUpSeconds }),
  ...more,
});
const sessions = (poses: SessionPose[], times = 1): Session[] =>
  Array.from({ length: times }, (_, i) => ({
    id: `s${i}`,
    person: 'p',
    at: '2026-01-05T10:00:00Z',
    poses,
  }));
/** Two pieces carried, and four lines of the way in. */
const USUAL = 2 * 7 + 4 * 5;

test('before anything was timed everybody is usual', () => {
  expect(paceOf([])).toBe(1);
  expect(paceOf(sessions([posed()]))).toBe(1);
});

test('what was timed counts the more the more there is of it', () => {
  const slow = [1, 5, 40].map((times) => paceOf(sessions([posed(USUAL * 2)], times)));
  expect(slow[0]).toBeGreaterThan(1);
  expect(slow[1]).toBeGreaterThan(slow[0]!);
  expect(slow[2]).toBeCloseTo(2, 0);
  expect(paceOf(sessions([posed(USUAL)], 40))).toBeCloseTo(1, 6);
});

test('a talk between is no pace, and nobody is quicker or slower than anybody is', () => {
  expect(paceOf(sessions([posed(1800)], 20))).toBe(1);
  expect(paceOf(sessions([posed(1)], 200))).toBe(0.5);
  expect(paceOf(sessions([posed(USUAL * 3.5)], 400))).toBe(2.5);
});

test('what lies already is not carried again, and a pose that nobody knows is timed all the same', () => {
  const twice = paceOf(sessions([posed(USUAL), posed(20)], 40));
  expect(twice).toBeCloseTo(1, 6);
  expect(paceOf(sessions([posed(20, { pose: 'of-a-later-version' })]))).toBeLessThanOrEqual(1);
});
