import { decidesWords, heightsWords } from './decides';

const at = (pose: string, slot = 'seat' as const) => ({ pose, slot });

test.each([
  [[], 'decides no height alone'],
  [[at('hero')], 'decides one height: Hero'],
  [[at('hero'), at('child')], 'decides two heights: Hero and Child'],
  [[at('hero'), at('child'), at('staff')], 'decides three heights: Hero, Child and Staff'],
  [
    [at('hero'), at('child'), at('staff'), at('pigeon')],
    'decides four heights: Hero, Child and two more poses',
  ],
  [
    [at('hero'), { pose: 'hero', slot: 'ankle' as const }, at('of a later version')],
    'decides three heights: Hero and of a later version',
  ],
] as const)('what a reading is good for is told by the heights that it decides: %j', (all, words) =>
  expect(decidesWords(all)).toBe(words),
);

test('many are counted in figures', () =>
  expect(heightsWords(Array.from({ length: 12 }, (_, i) => at(`p${i}`)))).toBe('12 heights'));
