import { countingWords, countWords } from './counted';

test.each([
  ['horse', 'knees-down', 5, '5 breaths', 'Let the body settle; then count.'],
  [
    'standing-fold',
    'rounds',
    3,
    '3 rounds',
    'Down with the breath out, half up with the breath in.',
  ],
  ['legs-wiped', '', 8, '8 times, with the breath', 'One breath, one movement.'],
  // A pose of a later book is counted as movements are.
  ['not-yet-known', '', 8, '8 times, with the breath', 'One breath, one movement.'],
])('%s %s is counted in what it is made of', (pose, way, times, told, said) => {
  expect(countWords({ pose, way }, times)).toBe(told);
  expect(countingWords({ pose, way })).toBe(said);
});
