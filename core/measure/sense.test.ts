import fc from 'fast-check';
import { contextOf, estimateRanges } from '../estimate/estimate';
import { observationOf } from '../estimate/observations';
import { readingRefused } from '../formats/readingRefused';
import { protocols } from '../protocols/protocols';
import { keyOf, ranges } from '../ranges/ranges';
import { extremeBodies, recordWith, samplePerson, sampleReading } from '../tests/samples';
import { farFromBelieved } from './sense';

const coupling = { mean: 0.95, sd: 0.2 };

test('over all ways, bodies and values: what is kept is human, its error finite and never nothing', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...protocols),
      fc.constantFrom(...extremeBodies),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (protocol, { body }, share, seatCm) => {
        const value = protocol.least + share * (protocol.most - protocol.least);
        const reading = sampleReading({
          range: protocol.range,
          protocol: protocol.id,
          method: protocol.methods[0],
          values: [value],
          seatCm,
        });
        const context = { body, coupling, seatCm };
        const range = ranges[protocol.range];
        const read = protocol.convert(value, 1, context);
        expect(Number.isFinite(read.mean) && Number.isFinite(read.sem)).toBe(true);
        const isHuman = read.mean >= range.least && read.mean <= range.most;
        const codes = readingRefused(reading, context).map(({ code }) => code);
        if (!isHuman) expect(codes).toHaveLength(1);
        if (codes[0] === 'not-human') expect(isHuman).toBe(false);
        if (protocol.unit === 'deg') expect(codes).toHaveLength(isHuman ? 0 : 1);
        const seen = observationOf(reading, context);
        if (!seen) return;
        expect(seen.mean).toBeGreaterThanOrEqual(range.least);
        expect(seen.mean).toBeLessThanOrEqual(range.most);
        expect(seen.sd).toBeGreaterThan(0);
      },
    ),
    { numRuns: 400 },
  );
});

test('conversions run one way over all that can be kept, and none stands still there', () => {
  for (const protocol of protocols)
    for (const { body } of extremeBodies) {
      const context = { body, coupling, seatCm: 12 };
      const means = Array.from(
        { length: 60 },
        (_, i) => protocol.least + (i / 59) * (protocol.most - protocol.least),
      )
        .filter(
          (value) =>
            readingRefused(
              { ...sampleReading(), ...protocolOfReading(protocol), values: [value] },
              context,
            ).length === 0,
        )
        .map((value) => protocol.convert(value, 1, context).mean);
      expect(means.length).toBeGreaterThan(5);
      const way = Math.sign((means.at(-1) ?? 0) - (means[0] ?? 0));
      for (let i = 1; i < means.length; i++)
        expect(way * ((means[i] as number) - (means[i - 1] as number))).toBeGreaterThan(0);
    }
});
const protocolOfReading = ({ range, id, methods }: (typeof protocols)[number]) => ({
  range,
  protocol: id,
  method: methods[0] as never,
  seatCm: 12,
});

test('a tape that comes to what nobody shows is refused by name, whatever the way', () => {
  const context = { ...contextOf(samplePerson({ statureCm: 150 }), {}), seatCm: 0 };
  const gap = sampleReading({
    range: 'hipRotation',
    method: 'tape',
    protocol: 'crossed-seat-gap',
    values: [55],
    seatCm: 0,
  });
  const codesOf = (reading: typeof gap) => readingRefused(reading, context).map(({ code }) => code);
  expect(codesOf(gap)).toEqual(['beyond-lengths']);
  const heel = sampleReading({ method: 'tape', protocol: 'heel-to-seat', values: [0] });
  expect(codesOf(heel)).toHaveLength(1);
  const kneeling = sampleReading({ method: 'from-pose', protocol: 'kneeling-seat', values: [48] });
  expect(codesOf(kneeling)).toEqual(['beyond-lengths']);
});

describe('what lies far from what is believed', () => {
  const record = recordWith({
    readings: [55, 57, 58].map((deg, i) =>
      sampleReading({
        id: `r${i}`,
        range: 'hamstring',
        method: 'protractor',
        at: `2026-01-0${i + 1}`,
        values: [deg, deg],
      }),
    ),
  });
  const believed = estimateRanges(record, '2026-01-10')[keyOf('hamstring', 'left')];
  const asked = (mean: number, bound?: 'atLeast') =>
    farFromBelieved(
      'hamstring',
      { mean, sem: 2, lasting: 0, ...(bound ? { bound } : {}) },
      believed,
    ) !== null;

  test('is asked about, either way; what may be chance is not', () => {
    expect([asked(95), asked(20)]).toEqual([true, true]);
    expect([asked(57), asked(63), asked(50)]).toEqual([false, false, false]);
  });
  test('a limit below it says nothing against it', () => {
    expect([asked(20, 'atLeast'), asked(95, 'atLeast')]).toEqual([false, true]);
  });
  test('of what was never read, only the quite unusual is asked about', () => {
    const assumed = estimateRanges(recordWith({}), '2026-01-10')[keyOf('hamstring', 'left')];
    const at = (mean: number) =>
      farFromBelieved('hamstring', { mean, sem: 2, lasting: 0 }, assumed) !== null;
    expect([at(40), at(75), at(110)]).toEqual([false, false, true]);
  });
});
