import fc from 'fast-check';
import { bodyFrom } from '../body/body';
import { between, type Point } from '../geometry/posture';
import { protocols, type Protocol, type ProtocolId } from '../protocols/protocols';
import { extremeBodies } from '../tests/samples';
import { measuringFigure, type MeasuringFigure } from './figures';
import { levelFrom, readPhoto, straight } from './photo';
import type { Spot } from '../protocols/photoWay';
import { thighTaperDeg } from '../protocols/tiltWay';

const body = bodyFrom(170);
const way = (id: ProtocolId) => protocols.find((one) => one.id === id) as Protocol;
const onPicture = ([x, y]: Point): Spot => [500 + 4 * x, 900 - 4 * y];
const middleOf = ({ least, most }: { least: number; most: number }, share: number) =>
  least + share * (most - least);

const pointsOf = ({ body: drawn }: MeasuringFigure): readonly Point[] =>
  'side' in drawn
    ? [
        drawn.side.hip,
        drawn.side.knee,
        drawn.side.ankle,
        drawn.side.toe,
        drawn.side.head,
        drawn.side.hand,
        ...drawn.side.spine,
      ]
    : [...drawn.flat.legs.flat(), drawn.flat.head, ...drawn.flat.shoulders];

test.each(protocols.map(({ id }) => id))(
  '%s is drawn for every body, at low, middling and high values, with its tool',
  (id) => {
    const protocol = protocols.find((one) => one.id === id)!;
    for (const { body: any } of extremeBodies) {
      for (const share of [0.1, 0.4, 0.7]) {
        const figure = measuringFigure(id, middleOf(protocol, share), any, 10);
        for (const point of pointsOf(figure!))
          for (const x of point) expect(Number.isFinite(x)).toBe(true);
        expect(figure!.tools.length + (figure!.hold ? 1 : 0)).toBeGreaterThan(0);
      }
    }
  },
);

test('limbs keep their lengths in every drawing from the side', () => {
  for (const { id, least, most } of protocols) {
    const figure = measuringFigure(id, middleOf({ least, most }, 0.5), body);
    if (!figure || !('side' in figure.body) || id === 'crossed-seat-gap') continue;
    const { hip, knee, ankle } = figure.body.side;
    expect(between(hip, knee)).toBeCloseTo(body.thighCm, 0);
    expect(between(knee, ankle)).toBeCloseTo(body.shinCm, 0);
  }
});

test.each(protocols.filter(({ photo }) => photo !== null).map(({ id }) => id))(
  '%s: a picture of the drawn figure reads what was drawn',
  (id) => {
    const { least, most } = protocols.find((one) => one.id === id)!;
    fc.assert(
      fc.property(
        fc.double({
          min: Math.max(least, id === 'arm-overhead.lying' ? 0 : least),
          max: Math.min(
            most,
            id.startsWith('thigh-behind') || id.startsWith('pelvic')
              ? 40
              : id === 'arm-overhead.lying'
                ? 188
                : ['spread.on-back', 'ankle-point.lying'].includes(id)
                  ? 89
                  : most,
          ),
          noNaN: true,
        }),
        (value) => {
          const read = readPhoto(
            way(id).photo!,
            measuringFigure(id, value, body)!.landmarks.map(onPicture),
            straight,
            body,
          );
          const shown = id === 'table-edge-rotation' ? Math.abs(value) : value;
          expect(read!.deg).toBeCloseTo(shown, 3);
        },
      ),
      { numRuns: 30 },
    );
  },
);

test('a picture held askew reads the same once its level is laid', () => {
  const turn =
    (deg: number) =>
    ([x, y]: Spot): Spot => {
      const t = (deg * Math.PI) / 180;
      return [x * Math.cos(t) - y * Math.sin(t), x * Math.sin(t) + y * Math.cos(t)];
    };
  const points = measuringFigure('straight-leg-raise.pelvis-watched', 64, body)!
    .landmarks.map(onPicture)
    .map(turn(7));
  const { photo } = way('straight-leg-raise.pelvis-watched');
  const floor = levelFrom(turn(7)([0, 900]), turn(7)([900, 900]), 'level');
  const plumb = levelFrom(turn(7)([40, 900]), turn(7)([40, 100]), 'plumb');
  expect(floor).toBeCloseTo(7, 6);
  expect(plumb).toBeCloseTo(7, 6);
  expect(readPhoto(photo!, points, { deg: floor, by: 'line' }, body)!.deg).toBeCloseTo(64, 3);
  expect(readPhoto(photo!, points, straight, body)!.deg).toBeCloseTo(57, 0);
});

test('a long limb is read within about three degrees, a short line across the pelvis less well', () => {
  const semOf = (id: ProtocolId, value: number) =>
    readPhoto(
      way(id).photo!,
      measuringFigure(id, value, body)!.landmarks.map(onPicture),
      straight,
      body,
    )!.semDeg;
  expect(semOf('knee-bend.on-back', 120)).toBeGreaterThan(1.5);
  expect(semOf('knee-bend.on-back', 120)).toBeLessThan(4);
  expect(semOf('pelvic-tilt.standing', 10)).toBeGreaterThan(4);
  expect(semOf('straight-leg-raise.pelvis-watched', 60)).toBeLessThan(3);
});

test('points that lie on one another read nothing', () => {
  expect(
    readPhoto(
      way('pelvic-tilt.standing').photo!,
      [
        [5, 5],
        [5, 5],
      ],
      straight,
      body,
    ),
  ).toBeNull();
});

test('a phone reads the drawn limbs as it would the real ones', () => {
  const directionOf = (from: Point, to: Point) =>
    (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  const sideOf = (id: ProtocolId, value: number) => {
    const drawn = measuringFigure(id, value, body)!.body;
    if (!('side' in drawn)) throw new Error(id);
    return drawn.side;
  };
  const raised = sideOf('straight-leg-raise.pelvis-watched', 112);
  expect(
    way('straight-leg-raise.pelvis-watched').tilt!.value(directionOf(raised.knee, raised.ankle)),
  ).toBeCloseTo(112, 6);
  const bent = sideOf('knee-bend.on-back', 138);
  expect(
    way('knee-bend.on-back').tilt!.value(
      // The phone lies on the skin, which falls toward the knee.
      directionOf(bent.hip, bent.knee) - thighTaperDeg,
      directionOf(bent.knee, bent.ankle),
    ),
  ).toBeCloseTo(138, 6);
  const lag = sideOf('knee-extension-90', 35);
  expect(way('knee-extension-90').tilt!.value(directionOf(lag.knee, lag.ankle))).toBeCloseTo(35, 6);
  const hanging = sideOf('thigh-behind.edge', 12);
  expect(
    way('thigh-behind.edge').tilt!.value(directionOf(hanging.hip, hanging.knee) - thighTaperDeg),
  ).toBeCloseTo(12, 6);
  expect(thighTaperDeg).toBeCloseTo(5.4, 1);
  const shin = sideOf('ankle-bend.shin', 34);
  // On the front of the shin the screen looks ahead: leaning forward, the phone goes on past upright.
  expect(way('ankle-bend.shin').tilt!.value(180 - directionOf(shin.ankle, shin.knee))).toBeCloseTo(
    34,
    6,
  );
});

test('a phone and a photo have a way wherever a protocol names them, and nowhere else', () => {
  for (const { id, methods, tilt, photo } of protocols)
    expect([id, tilt !== null, photo !== null]).toEqual([
      id,
      methods.includes('phone-tilt'),
      methods.includes('photo'),
    ]);
});

/** Tapes that are drawn from end to end of what is typed, over what people show. */
const drawnTapes: readonly (readonly [ProtocolId, from: number, to: number])[] = [
  ['straddle-width', 40, 165],
  ['knee-to-wall', 1, 18],
  ['heel-to-seat', 12, 60],
  ['heel-to-seat.face-down', 12, 60],
  ['kneeling-seat', 4, 30],
  ['kneeling-ankle-gap', 1, 8],
];
test.each(drawnTapes)(
  '%s: the tape in the drawing is as long as what was typed',
  (id, from, to) => {
    fc.assert(
      fc.property(
        fc.double({ min: from, max: to, noNaN: true }),
        fc.constantFrom(...extremeBodies),
        (cm, { body: any }) => {
          const [tape] = measuringFigure(id, cm, any)!.tools;
          expect(between(tape!.from, tape!.to)).toBeCloseTo(cm, 1);
        },
      ),
      { numRuns: 40 },
    );
  },
);

test('at the wall the front of the knee touches it, and the shin leans as far as is read', () => {
  for (const { body: any } of extremeBodies)
    for (const cm of [0, 4, 11]) {
      const figure = measuringFigure('knee-to-wall', cm, any)!;
      const { knee, ankle } = 'side' in figure.body ? figure.body.side : ({} as never);
      expect(knee[0] + any.kneeFrontCm).toBeCloseTo(figure.furniture[0]!.fromX, 1);
      const context = { body: any, coupling: { mean: 0.95, sd: 0.2 } };
      expect(way('knee-to-wall').convert(cm, 1, context).mean).toBeCloseTo(
        (Math.atan2(knee[0] - ankle[0], knee[1] - ankle[1]) * 180) / Math.PI,
        3,
      );
    }
});

test('a square foot reads no pointing by photo', () => {
  const { landmarks } = measuringFigure('ankle-point.lying', 0, body)!;
  expect(
    readPhoto(way('ankle-point.lying').photo!, landmarks.map(onPicture), straight, body)!.deg,
  ).toBeCloseTo(0, 3);
});
