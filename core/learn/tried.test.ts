import { sessionPoseSchema } from '../formats/book';
import { samplePose } from '../tests/samples';
import { speaksOf, triedOf, triedSteps, untakenSteps } from './tried';

const seat = (heightCm: number, word: boolean, more = {}) => ({
  slot: 'seat',
  side: 'both' as const,
  heightCm,
  word,
  ...more,
});
const hero = (...trials: ReturnType<typeof seat>[]) => samplePose({ pose: 'hero', trials });

test('a slot that nobody knows, and a height that nothing builds, are kept and left out', () => {
  const odd = [seat(12, false, { slot: 'hover' }), seat(220, false)];
  const outcome = hero(...odd, seat(10, true));
  expect(sessionPoseSchema.parse(outcome).trials).toEqual(outcome.trials);
  expect(triedSteps(outcome)).toEqual([seat(10, true)]);
  expect(untakenSteps(outcome)).toEqual(odd);
  expect(triedOf(outcome, 'seat')).toEqual([seat(10, true)]);
});

test('a word speaks of a height where that is part of its answer, and nowhere else', () => {
  expect(speaksOf('hero', undefined, 'seat')).toBe(true);
  expect(speaksOf('hero', 'front-knee:left', 'seat')).toBe(true);
  expect(speaksOf('hero', 'inner-knee', 'seat')).toBe(false);
  expect(speaksOf('hero', 'front-thigh', 'seat')).toBe(false);
  expect(speaksOf('hero', 'a place of another book', 'seat')).toBe(true);
  const elsewhere = hero(seat(12, false), seat(10, true, { spot: 'front-ankle' }));
  expect(triedOf(elsewhere, 'seat')).toEqual([seat(12, false)]);
});
