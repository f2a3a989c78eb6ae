import fc from 'fast-check';
import { chanceFrom } from '../sim/chance';
import { TiltReader, upFrom, type TiltView } from './tilt';

const HZ = 60;

/** Feeds moments to a reader: turns over time, lying on its back unless said. */
function held(
  reader: TiltReader,
  fromMs: number,
  turnAt: (ms: number) => { betaDeg: number; gammaDeg: number },
  forMs: number,
): TiltView[] {
  const views: TiltView[] = [];
  for (let ms = 0; ms < forMs; ms += 1000 / HZ)
    views.push(reader.take({ atMs: fromMs + ms, ...turnAt(ms) }));
  return views;
}
const at = (betaDeg: number) => () => ({ betaDeg, gammaDeg: 0 });
const takenOf = (views: readonly TiltView[]) =>
  views.flatMap(({ taken }) => (taken === null ? [] : [taken]));

function zeroed(betaDeg = 0): TiltReader {
  const reader = new TiltReader();
  held(reader, 0, at(betaDeg), 500);
  expect(reader.zero(true)).toEqual({ is: 'zeroed', lies: 'back' });
  return reader;
}

test('which way is up, for a phone flat, upright, and on its edge', () => {
  const close = (a: readonly number[], b: readonly number[]) =>
    a.forEach((x, i) => expect(x).toBeCloseTo(b[i]!, 9));
  close(upFrom(0, 0), [0, 0, 1]);
  close(upFrom(90, 0), [0, 1, 0]);
  close(upFrom(0, 90), [-1, 0, 0]);
});

test('a leg raised from the floor reads its angle, past upright too, whatever the floor’s own slope', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 10, max: 150 }),
      fc.integer({ min: -6, max: 6 }),
      (deg, floor) => {
        const views = held(zeroed(floor), 1000, at(deg + floor), 1500);
        expect(views.at(-1)!.deg).toBeCloseTo(deg, 1);
      },
    ),
  );
});

test('standing on its long edge it reads the same turn', () => {
  const reader = new TiltReader();
  // On its right edge, screen to the left: the right-hand axis points down.
  held(reader, 0, () => ({ betaDeg: 0, gammaDeg: 90 }), 500);
  reader.zero();
  // Turned in the plane of the screen, the top end 30° down: beta tells it.
  const views = held(reader, 1000, () => ({ betaDeg: -30, gammaDeg: 90 }), 1500);
  expect(views.at(-1)!.deg).toBeCloseTo(-30, 1);
  expect(Math.abs(views.at(-1)!.skewDeg)).toBeLessThan(1);
});

test('the short edge reads a turn about the long one', () => {
  const reader = new TiltReader('short');
  held(reader, 0, at(0), 500);
  reader.zero();
  const views = held(reader, 1000, () => ({ betaDeg: 0, gammaDeg: -40 }), 1500);
  expect(views.at(-1)!.deg).toBeCloseTo(40, 1);
});

test('held still for a second, it takes the reading once; moved and back, it takes another', () => {
  const reader = zeroed();
  expect(takenOf(held(reader, 1000, at(0), 3000))).toEqual([]);
  const rising = held(reader, 4000, (ms) => ({ betaDeg: ms / 20, gammaDeg: 0 }), 1200);
  expect(takenOf(rising)).toEqual([]);
  const first = takenOf(held(reader, 5200, at(60), 4000));
  expect(first).toHaveLength(1);
  expect(first[0]).toBeCloseTo(60, 0);
  held(reader, 9200, at(20), 300);
  expect(takenOf(held(reader, 9500, at(62), 2000))).toHaveLength(1);
});

test('a trembling hand still reads; a shaking one does not', () => {
  const chance = chanceFrom(4);
  const trembling = (sd: number) =>
    takenOf(
      held(zeroed(), 1000, () => ({ betaDeg: 55 + chance.normal(0, sd), gammaDeg: 0 }), 4000),
    );
  const [reading] = trembling(0.6);
  expect(reading).toBeCloseTo(55, 0);
  expect(trembling(6)).toEqual([]);
});

test('turned on its side it says by how much, and takes nothing', () => {
  const views = held(zeroed(), 1000, () => ({ betaDeg: 40, gammaDeg: 35 }), 3000);
  expect(Math.abs(views.at(-1)!.skewDeg)).toBeGreaterThan(20);
  expect(takenOf(views)).toEqual([]);
});

test('there is no zero before a first moment, nor with the edge upright', () => {
  const reader = new TiltReader();
  expect(reader.zero()).toEqual({ is: 'no moment yet' });
  expect(reader.now()).toBeNull();
  held(reader, 0, at(90), 700);
  expect(reader.zero()).toEqual({ is: 'upright' });
});

test('a zero that slopes is asked about, whichever way it slopes, and taken when it is meant', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 77 }),
      fc.constantFrom(1, -1),
      fc.boolean(),
      (slope, sign, onEdge) => {
        const reader = new TiltReader();
        const turn = () => ({ betaDeg: sign * slope, gammaDeg: onEdge ? 90 : 0 });
        held(reader, 0, turn, 700);
        const outcome = reader.zero();
        if (slope <= 3) expect(outcome.is).toBe('zeroed');
        else {
          expect(outcome.is).toBe('sloping');
          expect('slopeDeg' in outcome && outcome.slopeDeg).toBeCloseTo(sign * slope, 0);
          expect(reader.zero(true).is).toBe('zeroed');
        }
      },
    ),
  );
});

test('no zero is taken on the move, and it is seen how the phone lies', () => {
  const reader = new TiltReader();
  held(reader, 0, (ms) => ({ betaDeg: ms / 100, gammaDeg: 0 }), 300);
  expect(reader.zero()).toEqual({ is: 'moving' });
  held(reader, 300, at(3), 700);
  expect(reader.zero()).toEqual({ is: 'zeroed', lies: 'back' });
  held(reader, 1000, () => ({ betaDeg: 0, gammaDeg: 88 }), 1500);
  expect(reader.zero()).toEqual({ is: 'zeroed', lies: 'edge' });
  // On its face it lies as flat as on its back.
  held(reader, 2500, () => ({ betaDeg: 180, gammaDeg: 0 }), 1500);
  expect(reader.zero()).toEqual({ is: 'zeroed', lies: 'back' });
});

test('a reading by hand tells how far it is turned on its side', () => {
  const reader = zeroed();
  held(reader, 1000, () => ({ betaDeg: 40, gammaDeg: 35 }), 900);
  expect(Math.abs(reader.now()!.skewDeg)).toBeGreaterThan(20);
});

test('a reading by hand is the mean of the last moments', () => {
  const reader = zeroed();
  held(reader, 1000, at(33), 700);
  expect(reader.now()!.deg).toBeCloseTo(33, 0);
});
