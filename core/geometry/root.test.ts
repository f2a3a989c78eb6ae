import fc from 'fast-check';
import { firstZero } from './root';

test('the crossing of any falling curve, from either side', () => {
  const curve = fc.record({
    at: fc.double({ min: -9, max: 9, noNaN: true }),
    steep: fc.double({ min: 0.2, max: 5, noNaN: true }),
    cube: fc.double({ min: 0, max: 0.5, noNaN: true }),
  });
  fc.assert(
    fc.property(curve, ({ at, steep, cube }) => {
      const fall = (x: number) => steep * (at - x) + cube * (at - x) ** 3;
      expect(Math.abs(firstZero(fall, -10, 10, 1e-6) - at)).toBeLessThan(1e-5);
      expect(Math.abs(firstZero((x) => -fall(x), 10, -10, 1e-6) - at)).toBeLessThan(1e-5);
    }),
  );
});

test('a curve with a bend or a step is found in few tries', () => {
  let asked = 0;
  const bent = (x: number) => {
    asked += 1;
    return x < 3 ? 10 : 3.5 - x;
  };
  expect(firstZero(bent, 0, 20, 0.01)).toBeCloseTo(3.5, 1);
  expect(asked).toBeLessThan(20);
});

test('where there is nothing to cross it answers the end that holds', () => {
  expect(firstZero((x) => -1 - x, 0, 5, 0.01)).toBe(0);
  expect(firstZero(() => 1, 0, 5, 0.01)).toBe(5);
});
