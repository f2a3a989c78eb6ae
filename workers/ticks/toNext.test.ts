import fc from 'fast-check';
import { toNextMs } from './toNext';

test('just after the next whole second from a moment on, also where the clock was set back', () => {
  expect(toNextMs(1_000, 1_000)).toBe(1010);
  expect(toNextMs(1_000, 1_250)).toBe(760);
  expect(toNextMs(1_000, 300)).toBe(710);
});

test('ticks one after another show every second once, each within a fiftieth of when it was whole', () =>
  fc.assert(
    fc.property(
      fc.nat(1e9),
      fc.nat(1e7),
      fc.array(fc.integer({ min: -5, max: 10 }), { minLength: 3, maxLength: 20 }),
      (sinceMs, pastMs, offBy) => {
        let now = sinceMs + pastMs;
        const shown = offBy.map((off) => {
          now += toNextMs(sinceMs, now) + off;
          expect((now - sinceMs) % 1000).toBeLessThanOrEqual(20);
          return Math.floor((now - sinceMs) / 1000);
        });
        for (const [i, second] of shown.entries())
          if (i > 0) expect(second).toBe((shown[i - 1] ?? NaN) + 1);
      },
    ),
  ));
