import fc from 'fast-check';
import { protocols } from '../protocols/protocols';
import { asItTurns, type TiltWay } from '../protocols/tiltWay';
import { chanceFrom } from '../sim/chance';
import { Excursion } from './excursion';
import { TiltReader } from './tilt';

const HZ = 50;
const raise = asItTurns('Along the shin');
/** From here to there in so many degrees a second, then held for so long. */
interface Move {
  readonly toDeg: number;
  readonly degPerS: number;
  readonly holdMs: number;
}

/** A phone on a limb, filmed: every reading that is taken of it, limb by limb. */
function filmed(
  moves: readonly (Move | { readonly carriedTo: string })[],
  { tremorDeg = 0, freer = 1 as 1 | -1, way = raise as TiltWay, seed = 1 } = {},
) {
  const chance = chanceFrom(seed);
  const reader = new TiltReader();
  const excursion = new Excursion(freer, way);
  const readings: { limb: string; value: number }[] = [];
  let [atMs, deg, limb, trembles] = [0, 0, 'left', 0];
  excursion.on(limb);
  const moment = (turn: number) => {
    atMs += 1000 / HZ;
    const view = reader.take({
      atMs,
      betaDeg: turn + chance.normal(0, trembles),
      gammaDeg: chance.normal(0, trembles),
    });
    const still = view.restingDeg === null ? null : way.value(view.restingDeg);
    const seen = excursion.moment(way.value(view.deg), still, atMs);
    if (seen.taken !== null) readings.push({ limb, value: seen.taken });
  };
  for (let i = 0; i < HZ; i++) moment(0);
  expect(reader.zero().is).toBe('zeroed');
  trembles = tremorDeg;
  for (const move of moves) {
    if ('carriedTo' in move) {
      limb = move.carriedTo;
      excursion.on(limb);
      continue;
    }
    const { toDeg, degPerS, holdMs } = move;
    const steps = Math.max(1, Math.round((Math.abs(toDeg - deg) / degPerS) * HZ));
    for (let i = 1; i <= steps; i++) moment(deg + ((toDeg - deg) * i) / steps);
    deg = toDeg;
    for (let ms = 0; ms < holdMs; ms += 1000 / HZ) moment(deg);
  }
  return readings;
}
const up = (toDeg: number, holdMs = 1500, degPerS = 30): Move => ({ toDeg, degPerS, holdMs });
const down = (holdMs = 1500): Move => ({ toDeg: 0, degPerS: 40, holdMs });

test('pauses on the way up, however many and however long, are no end', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.integer({ min: 10, max: 70 }), { maxLength: 4 }),
      fc.integer({ min: 76, max: 120 }),
      fc.integer({ min: 1200, max: 4000 }),
      (pauses, endDeg, holdMs) => {
        const rising = [...pauses].sort((a, b) => a - b).map((deg) => up(deg, holdMs));
        const readings = filmed([...rising, up(endDeg, holdMs), down()]);
        expect(readings).toHaveLength(1);
        expect(Math.abs((readings[0]?.value ?? 0) - endDeg)).toBeLessThan(1);
      },
    ),
    { numRuns: 25 },
  );
});

test('a slow raise, at any speed, reads once, at its end', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 12, noNaN: true }),
      fc.integer({ min: 30, max: 90 }),
      (degPerS, endDeg) => {
        const readings = filmed([up(endDeg, 1800, degPerS), down()]);
        expect(readings.map(({ value }) => Math.round(value))).toEqual([endDeg]);
      },
    ),
    { numRuns: 12 },
  );
});

test('a limb that sinks a little and goes on has not ended', () => {
  const readings = filmed([up(50), up(43), up(61), down()]);
  expect(readings.map(({ value }) => Math.round(value))).toEqual([61]);
});

test('a trembling hand reads within a degree; a shaking one reads nothing', () => {
  for (const seed of [1, 2, 3, 4]) {
    const [one] = filmed([up(64, 3000), down()], { tremorDeg: 0.4, seed });
    expect(Math.abs((one?.value ?? 0) - 64)).toBeLessThan(1);
    expect(filmed([up(64, 3000), down()], { tremorDeg: 6, seed })).toEqual([]);
  }
});

test('carried to the other limb, it reads nothing before it has rested there', () => {
  const twoEach = [up(63), down(), up(64), { toDeg: 20, degPerS: 40, holdMs: 0 }];
  // Held in the hand at thirty degrees, laid down, and raised: what was held on the way is nobody's.
  const readings = filmed([
    ...twoEach,
    { carriedTo: 'right' },
    down(600),
    up(30, 1600),
    down(4500),
    up(57),
    down(),
    up(58),
    down(),
  ]);
  expect(readings.map(({ limb, value }) => [limb, Math.round(value)])).toEqual([
    ['left', 63],
    ['left', 64],
    ['right', 57],
    ['right', 58],
  ]);
});

test('that it lies on the other limb can be said', () => {
  const excursion = new Excursion(1, raise);
  excursion.on('left');
  excursion.on('right');
  expect(excursion.moment(40, 40, 100).rested).toBe(false);
  expect(excursion.liesThere().rested).toBe(true);
  expect(excursion.moment(55, 55, 2000).furthest).toBe(55);
  expect(excursion.moment(10, null, 3000).taken).toBe(55);
});

test('a lag is read at its least, a shin that leans or swings from upright at its most', () => {
  const tiltOf = (id: string) => protocols.find((one) => one.id === id)!.tilt!;
  const rounded = (readings: ReturnType<typeof filmed>) =>
    readings.map(({ value }) => Math.round(value));
  const lag = filmed([up(40), up(68), up(5)], { freer: -1, way: tiltOf('knee-extension-90') });
  expect(rounded(lag)).toEqual([22]);
  // From the floor to the shin, which leans forward past upright and comes back.
  const lean = filmed([up(91), up(108), up(127), up(90)], { way: tiltOf('ankle-bend.shin') });
  expect(rounded(lean)).toEqual([37]);
  const swing = filmed([up(90), up(58), up(44), up(88)], { way: tiltOf('table-edge-rotation') });
  expect(rounded(swing)).toEqual([46]);
});
