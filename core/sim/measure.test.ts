import { reading as parameter } from '../parameters';
import { measureFigures } from './measure';

const ways = measureFigures({ bodies: 600, seed: 77 });

test.each(ways.map((way) => [way.protocol, way] as const))(
  '%s reads what is true of bodies that are not quite what stature says, within its stated error',
  (_, { trueMean, readMean, statedError, realError }) => {
    // A crooked formula would lie off in the middle; a knee lag and a crossed seat lie a little, by their curve.
    expect(Math.abs(readMean - trueMean)).toBeLessThan(2.5);
    expect(realError).toBeLessThan(1.2 * statedError);
    expect(realError).toBeGreaterThan(0.6 * statedError);
    expect(statedError).toBeGreaterThan(parameter.leastError.value);
  },
);

test('of steady students’ six looks hardly a course shows a change, over all ways of reading', () => {
  const mean = ways.reduce((sum, { falseChanges }) => sum + falseChanges, 0) / ways.length;
  expect(mean).toBeLessThan(4);
  // 150 students a way: chance alone gives one or two more in a hundred here and there.
  for (const { falseChanges } of ways) expect(falseChanges).toBeLessThan(10);
});

test('the same seed gives the same figures', () => {
  const small = { bodies: 20, seed: 5 };
  expect(measureFigures(small)).toEqual(measureFigures(small));
});
