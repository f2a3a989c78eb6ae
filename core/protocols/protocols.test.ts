import { bodyFrom } from '../body/body';
import { estimateRanges } from '../estimate/estimate';
import { observationOf } from '../estimate/observations';
import { recordWith, sampleReading } from '../tests/samples';
import {
  crossedSeatRotation,
  protocolOf,
  protocols,
  semOf,
  wholeError,
  type ConversionContext,
} from './protocols';
import { rangeIds, type RangeId } from '../ranges/ranges';

const body = bodyFrom(170);
const context: ConversionContext = { body, coupling: { mean: 0.95, sd: 0.2 } };
const convert = (id: string, value: number, sem = 1, more: Partial<ConversionContext> = {}) =>
  protocols.find((one) => one.id === id)!.convert(value, sem, { ...context, ...more });

test('every range that can be read has a way, and most have a tape or a tilt', () => {
  for (const id of rangeIds.filter((one) => one !== 'hamstringCoupling'))
    expect(protocols.some(({ range }) => range === id)).toBe(true);
});

test('every way says what to hold, where the tool goes, when to stop and what spoils it', () => {
  for (const { position, holdStill, tool, stopWhen, spoiledBy, methods: by } of protocols) {
    for (const words of [position, holdStill, tool, stopWhen, spoiledBy])
      expect(words.length).toBeGreaterThan(6);
    expect(stopWhen).toMatch(/Stop|Leave/);
    expect(by.length).toBeGreaterThan(0);
  }
});

describe('a knee gap in a crossed seat', () => {
  test('a lower knee on the same seat means more rotation', () => {
    const read = [24, 18, 12].map(
      (gap) => convert('crossed-seat-gap', gap, 1, { seatCm: 10 }).mean,
    );
    expect(read).toEqual([...read].sort((a, b) => a - b));
  });
  test('the same gap on a higher seat means less', () => {
    expect(crossedSeatRotation(15, 16, 130, body)).toBeLessThan(
      crossedSeatRotation(15, 10, 130, body),
    );
  });
  test('its doubt has the tape and the knee’s bend in it', () => {
    const { sem, lasting } = convert('crossed-seat-gap', 15, 1, { seatCm: 12 });
    expect(sem).toBeGreaterThan(0.5);
    expect(lasting).toBeGreaterThan(1);
    expect(wholeError({ sem, lasting })).toBeGreaterThan(2);
  });
  test('the seat of the reading goes into it', () => {
    const at = (seatCm: number) =>
      observationOf(
        sampleReading({
          range: 'hipRotation',
          method: 'tape',
          protocol: 'crossed-seat-gap',
          values: [15],
          seatCm,
        }),
        context,
      )?.mean ?? NaN;
    expect(at(8)).toBeGreaterThan(at(16) + 5);
  });
});

test('a shin swung inward on a table edge reads 22° short, give or take 6', () => {
  const read = convert('table-edge-rotation', 40, 3);
  expect(read).toEqual({ mean: 62, sem: 3, lasting: 6 });
  expect(wholeError(read)).toBeCloseTo(Math.hypot(3, 6), 6);
});

test('a knee that comes straight from 90/90 says only that the hamstring is at least so long', () => {
  expect(convert('knee-extension-90', 0)).toMatchObject({ mean: 90, bound: 'atLeast' });
  expect(convert('knee-extension-90', 8)).not.toHaveProperty('bound');
});

test('signs are kept: a shin behind upright, an arm past the line of the trunk', () => {
  const tiltOf = (id: string) => protocols.find((one) => one.id === id)!.tilt!;
  expect(tiltOf('ankle-bend.shin').value(85)).toBe(-5);
  expect(tiltOf('ankle-bend.shin').value(126)).toBe(36);
  expect(tiltOf('arm-overhead.lying').value(-175)).toBe(185);
});

test('a straddle is reckoned from the hips, which stand apart, to the heels, which lie beyond the ankles', () => {
  expect(convert('straddle-width', 100).mean).toBeCloseTo(27.5, 0);
  expect(convert('straddle-width', 140).mean).toBeCloseTo(43, 0);
});

test('a knee at a wall leans the shin of this foot and this shin, from where the toe touches it on', () => {
  const at = (cm: number) => convert('knee-to-wall', cm).mean;
  expect([at(0), at(3), at(10), at(15)].map(Math.round)).toEqual([18, 22, 33, 41]);
  const long = protocols
    .find(({ id }) => id === 'knee-to-wall')!
    .convert(10, 1, { ...context, body: bodyFrom(170, { shin: 46, foot: 25 }) });
  expect(long.mean).toBeLessThan(at(10));
});

test('no gap under a kneeling ankle says only that it points at least so far', () => {
  expect(convert('kneeling-ankle-gap', 0)).toMatchObject({ bound: 'atLeast', mean: 62 });
  expect(convert('kneeling-ankle-gap', 3)).not.toHaveProperty('bound');
  const read = estimateRanges(
    recordWith({
      readings: [
        sampleReading({
          range: 'anklePoint',
          method: 'tape',
          protocol: 'kneeling-ankle-gap',
          values: [0],
        }),
      ],
    }),
    '2026-01-20',
  );
  // What is left above 62° of what is usual: never further than the freer half of all ankles.
  expect(read['anklePoint:left']!.mean).toBeGreaterThan(60);
  expect(read['anklePoint:left']!.mean).toBeLessThan(69);
});

describe('a teacher’s own eye', () => {
  const byEye = (eyes?: Parameters<typeof estimateRanges>[0]['eyes']) =>
    estimateRanges(
      {
        ...recordWith({
          readings: [sampleReading({ range: 'hamstring', method: 'by-eye', values: [70] })],
        }),
        ...(eyes ? { eyes } : {}),
      },
      '2026-01-20',
    )['hamstring:left']!;
  test('whose bias is known is corrected for it', () => {
    expect(byEye({ hamstring: { biasDeg: 8, sdDeg: 7 } }).mean).toBeLessThan(byEye().mean - 3);
  });
  test('that is proven sharp is believed more', () => {
    expect(byEye({ hamstring: { biasDeg: 0, sdDeg: 3 } }).sd).toBeLessThan(byEye().sd);
    expect(
      semOf(protocolOf('hamstring', 'by-eye')!, 'by-eye', { hamstring: { biasDeg: 0, sdDeg: 3 } }),
    ).toBe(3);
  });
  test('says nothing about another range or another method', () => {
    expect(byEye({ hipFlexion: { biasDeg: 20, sdDeg: 1 } })).toEqual(byEye());
    expect(
      semOf(protocolOf('hamstring', 'protractor')!, 'protractor', {
        hamstring: { biasDeg: 9, sdDeg: 1 },
      }),
    ).toBe(3);
  });
});

test('a warm body is brought back to cold', () => {
  const mean = (warm: boolean) =>
    estimateRanges(
      recordWith({
        readings: [
          sampleReading({
            range: 'hipRotation',
            protocol: 'table-edge-rotation',
            values: [45, 45],
            warm,
          }),
        ],
      }),
      '2026-01-20',
    )['hipRotation:left']!.mean;
  expect(mean(false) - mean(true)).toBeGreaterThan(2);
});

test('the ways of a range read in one unit each, and refuse what no person shows', () => {
  for (const { least, most, range } of protocols) {
    expect(most).toBeGreaterThan(least);
    expect(rangeIds as readonly RangeId[]).toContain(range);
  }
});

test('a photo is taken from where the angle shows: a swung shin from in front, a leg aside from above, who lies from as low', () => {
  const from = (id: string) => protocols.find((one) => one.id === id)!.photo!.camera;
  expect(from('table-edge-rotation')).toMatch(/^From in front/);
  expect(from('spread.on-back')).toMatch(/^From straight above/);
  for (const { id, photo, traits } of protocols)
    if (photo && id !== 'spread.on-back' && traits.some((trait) => trait === 'onBack'))
      expect(photo.camera).toMatch(/kneel or sit|table/);
});
