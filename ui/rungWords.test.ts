import fc from 'fast-check';
import { sampleShelf } from '@/core/tests/samples';
import type { Piece } from '@/core/props/stack';
import { rungWords } from './rungWords';

const [one, other] = sampleShelf.filter(({ states }) => states.length > 1);
const piece = (item = one!, at = 0, count = 1): Piece => ({
  item: item.id,
  state: item.states[at]!.id,
  count,
});
const say = (before: readonly Piece[], after: readonly Piece[]) =>
  rungWords(before, after, sampleShelf);

test('a layer less, a layer more, a thing turned, a thing in the place of another', () => {
  const [below, above] = [piece(), piece(other)];
  expect(say([below, above], [below])).toMatch(
    new RegExp(`^Take away: ${other!.name.toLowerCase()}, `),
  );
  expect(say([below], [below, above])).toMatch(/^Lay on: /);
  expect(say([piece(one, 0)], [piece(one, 1)])).toMatch(
    new RegExp(`^${one!.name.toLowerCase()}: .+, not .+`),
  );
  expect(say([below], [above])).toMatch(/, instead of /);
  expect(say([below], [])).toBe('To the floor');
  expect(say([piece(one, 0, 2)], [piece(one, 0, 1)])).toMatch(/^Take away: /);
});

test('what stays, or is built anew, has no step', () => {
  expect(say([piece()], [piece()])).toBeNull();
  expect(say([piece(one, 0), piece(other, 0)], [piece(one, 1), piece(other, 1)])).toBeNull();
});

test('whatever lies there, a step is words or none', () => {
  const any = fc.array(
    fc.constantFrom(...sampleShelf).chain((item) =>
      fc.record({
        item: fc.constant(item.id),
        state: fc.constantFrom(...item.states.map(({ id }) => id)),
        count: fc.integer({ min: 1, max: 3 }),
      }),
    ),
    { maxLength: 4 },
  );
  fc.assert(
    fc.property(any, any, (before, after) => {
      const words = say(before, after);
      if (words !== null) expect(words).not.toMatch(/undefined|NaN|^\s*$/);
    }),
  );
});
