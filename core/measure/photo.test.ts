import { cosDeg, sinDeg } from '../angles';
import { bodyFrom } from '../body/body';
import type { Point } from '../geometry/posture';
import { picture } from '../parameters';
import { protocols, type ProtocolId } from '../protocols/protocols';
import type { Spot } from '../protocols/photoWay';
import { chanceFrom, type Chance } from '../sim/chance';
import { measuringFigure } from './figures';
import { usualOf, valueShowing } from './shown';
import { levelHeld, readPhoto, type PictureLevel } from './photo';

const body = bodyFrom(170);
const wayOf = (id: ProtocolId) => protocols.find((one) => one.id === id)!.photo!;

/** A camera somewhere, by its own lens: what it makes of points in the plane of the student's side. */
function lens(pitchDeg: number, yawDeg: number, rollDeg: number, awayCm: number) {
  return (all: readonly Point[]): Spot[] => {
    const mid = [0, 1].map((k) => all.reduce((sum, one) => sum + one[k]!, 0) / all.length);
    return all.map(([x, y]): Spot => {
      // Turned about the upright, then about the level axis, then seen from so far, then turned in the hand.
      const [u, v] = [x - mid[0]!, y - mid[1]!];
      const [across, depth] = [u * cosDeg(yawDeg), u * sinDeg(yawDeg)];
      const up = v * cosDeg(pitchDeg) + depth * sinDeg(pitchDeg);
      const far = awayCm + depth * cosDeg(pitchDeg) - v * sinDeg(pitchDeg);
      const [px, py] = [(1500 * across) / far, (-1500 * up) / far];
      const turned = [
        px * cosDeg(rollDeg) - py * sinDeg(rollDeg),
        px * sinDeg(rollDeg) + py * cosDeg(rollDeg),
      ];
      return [960 + turned[0]!, 700 + turned[1]!];
    });
  };
}

/** Root mean squares of what is stated and what is really off, over pictures of figures of known angles. */
function errors(id: ProtocolId, usual: number, level: PictureLevel, rollSd: number, seed: number) {
  const chance: Chance = chanceFrom(seed);
  let [stated, real] = [0, 0];
  const pictures = 1500;
  for (let i = 0; i < pictures; i++) {
    const value = usual + chance.normal(0, 6);
    const { landmarks } = measuringFigure(id, value, body)!;
    const found = landmarks.map(([x, y]): Point => [
      x + chance.normal(0, picture.landmark.value),
      y + chance.normal(0, picture.landmark.value),
    ]);
    const camera = lens(
      chance.normal(0, picture.pitch.value),
      chance.normal(0, picture.skew.value),
      chance.normal(0, rollSd),
      picture.away.value,
    );
    const read = readPhoto(wayOf(id), camera(found), level, body)!;
    stated += read.semDeg ** 2;
    real += (read.deg - value) ** 2;
  }
  return { stated: Math.sqrt(stated / pictures), real: Math.sqrt(real / pictures) };
}

const byPicture = protocols.filter(({ photo }) => photo !== null);
test.each(byPicture.map((one) => [one.id, one] as const))(
  '%s: what a picture says of its error is what it is',
  (id, protocol) => {
    const { mean } = usualOf(protocol.range, 'unknown');
    const usual = valueShowing(protocol, mean, { body, coupling: { mean: 0.95, sd: 0.2 } });
    for (const [by, rollSd] of [
      ['hand', picture.byHand.value],
      ['phone', picture.byPhone.value],
    ] as const) {
      const { stated, real } = errors(id, usual, { deg: 0, by }, rollSd, 41);
      // Nothing is stated under two degrees, whatever it is.
      if (stated > picture.least.value * 1.05) expect(real / stated).toBeGreaterThan(0.8);
      expect(real / stated).toBeLessThan(1.15);
    }
  },
);

test('a picture is as level as it is known to be', () => {
  const { landmarks } = measuringFigure('pelvic-tilt.standing', 10, body)!;
  const points = lens(0, 0, 0, 250)(landmarks);
  const sem = (by: PictureLevel['by']) =>
    readPhoto(wayOf('pelvic-tilt.standing'), points, { deg: 0, by }, body)!.semDeg;
  expect(sem('hand')).toBeGreaterThan(sem('phone'));
  expect(sem('phone')).toBeGreaterThan(sem('line'));
});

describe('how a phone is held tells the level of its picture', () => {
  /** The sensor's angles of a phone that is turned clockwise by so much, tipped back a little. */
  const held = (clockwiseDeg: number, tippedDeg = 0) => {
    const along = cosDeg(tippedDeg);
    const [right, top, out] = [
      -sinDeg(clockwiseDeg) * along,
      cosDeg(clockwiseDeg) * along,
      sinDeg(tippedDeg),
    ];
    const betaDeg = (Math.asin(top) * 180) / Math.PI;
    const gammaDeg = (Math.atan2(-right, out) * 180) / Math.PI;
    return { betaDeg, gammaDeg };
  };
  test.each([0, 1, -4, 12])(
    'upright, turned by %d°: the floor lies turned the other way',
    (deg) => {
      expect(levelHeld(held(deg, 5), 0)).toBeCloseTo(-deg, 6);
      const { landmarks } = measuringFigure('straight-leg-raise.pelvis-watched', 60, body)!;
      const picture = lens(0, 0, -deg, 250)(landmarks);
      const level = { deg: levelHeld(held(deg, 5), 0)!, by: 'phone' } as const;
      expect(
        readPhoto(wayOf('straight-leg-raise.pelvis-watched'), picture, level, body)!.deg,
      ).toBeCloseTo(60, 2);
    },
  );
  test('on either side, the picture turns with it', () => {
    expect(levelHeld(held(-90 + 3, 5), 90)).toBeCloseTo(-3, 6);
    expect(levelHeld(held(90 - 2, 5), 270)).toBeCloseTo(2, 6);
  });
  test('lying flat, it tells none', () => expect(levelHeld(held(20, 85), 0)).toBeNull());
});
