import fc from 'fast-check';
import { movedBy, onBoard, panned, wholePicture, zoomed, type Size } from './view';

const picture: Size = { width: 1600, height: 1200 };
const board: Size = { width: 400, height: 300 };
const place = fc.tuple(
  fc.double({ min: 0, max: 400, noNaN: true }),
  fc.double({ min: 0, max: 300, noNaN: true }),
);

test('the whole picture fits, centred where there is room to spare', () => {
  expect(wholePicture(picture, board)).toEqual({ scale: 0.25, left: 0, top: 0 });
  const tall = wholePicture({ width: 600, height: 1200 }, board);
  expect(onBoard([300, 600], tall)).toEqual([200, 150]);
});

test('zooming keeps the place under the fingers, and never leaves the picture', () => {
  fc.assert(
    fc.property(place, fc.double({ min: 1.1, max: 6, noNaN: true }), (at, factor) => {
      const whole = wholePicture(picture, board);
      const near = zoomed(whole, factor, at, picture, board);
      const under = [whole.left + at[0] / whole.scale, whole.top + at[1] / whole.scale] as const;
      const [x, y] = onBoard(under, near);
      expect(x).toBeCloseTo(at[0], 6);
      expect(y).toBeCloseTo(at[1], 6);
      const far = panned(near, [9999, -9999], picture, board);
      expect(far.left).toBeCloseTo(0, 6);
      expect(far.top + board.height / far.scale).toBeCloseTo(picture.height, 6);
    }),
  );
});

test('zoom has its ends', () => {
  const whole = wholePicture(picture, board);
  expect(zoomed(whole, 0.1, [0, 0], picture, board)).toEqual(whole);
  expect(zoomed(whole, 1000, [0, 0], picture, board).scale).toBe(2);
});

test('a point moves as far as the finger, and stays on the picture', () => {
  const near = zoomed(wholePicture(picture, board), 4, [200, 150], picture, board);
  expect(movedBy([800, 600], [10, -20], near, picture)).toEqual([810, 580]);
  expect(movedBy([5, 5], [-900, 0], near, picture)).toEqual([0, 5]);
});
