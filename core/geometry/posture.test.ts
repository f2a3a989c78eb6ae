import fc from 'fast-check';
import { between, spineAt, spineFrom, type Point } from './posture';

const lean = fc.double({ min: -120, max: 170, noNaN: true });
const hip: Point = [3, 18];

test('a spine keeps its length, and each step turns on by as much', () => {
  fc.assert(
    fc.property(lean, lean, fc.double({ min: 30, max: 70, noNaN: true }), (from, to, trunkCm) => {
      const points = spineFrom(hip, trunkCm, from, to);
      const steps = points.slice(1).map((point, i) => ({
        cm: between(points[i] as Point, point),
        deg:
          (Math.atan2(point[0] - (points[i] as Point)[0], point[1] - (points[i] as Point)[1]) *
            180) /
          Math.PI,
      }));
      for (const { cm } of steps) expect(cm).toBeCloseTo(trunkCm / steps.length, 9);
      steps.forEach(({ deg }, i) => {
        const wanted = from + ((i + 0.5) / steps.length) * (to - from);
        expect(Math.cos(((deg - wanted) * Math.PI) / 180)).toBeCloseTo(1, 9);
      });
    }),
  );
});

test('its upper end alone is where the whole of it ends', () => {
  fc.assert(
    fc.property(lean, lean, (from, to) => {
      const [whole, end] = [
        spineFrom(hip, 50, from, to).at(-1) as Point,
        spineAt(hip, 50, from, to),
      ];
      expect(between(whole, end)).toBeLessThan(1e-9);
    }),
  );
  expect(between(spineAt(hip, 50, 20, 20), spineAt(hip, 50, 20, 20 + 1e-12))).toBeLessThan(1e-9);
});
