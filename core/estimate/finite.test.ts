import fc from 'fast-check';
import type { Reading } from '../formats/book';
import { readingRefused } from '../formats/readingRefused';
import { shiftDays } from '../formats/time';
import { protocols } from '../protocols/protocols';
import { ranges } from '../ranges/ranges';
import { recordWith, samplePerson, sampleReading } from '../tests/samples';
import { knownOf } from './estimate';

const DAY = '2026-06-01';

/** Anything that a way of reading takes, its very ends above all, on any day, past or to come. */
const anyReading = fc.constantFrom(...protocols).chain((protocol) =>
  fc
    .record({
      value: fc.oneof(
        fc.constantFrom(protocol.least, protocol.most),
        fc.double({ min: protocol.least, max: protocol.most, noNaN: true }),
      ),
      method: fc.constantFrom(...protocol.methods),
      side: fc.constantFrom<Reading['side']>('left', 'right'),
      days: fc.integer({ min: -4000, max: 400 }),
      warm: fc.boolean(),
      seatCm: fc.constantFrom(0, 12, 80),
    })
    .map(({ value, method, side, days, warm, seatCm }) =>
      sampleReading({
        range: protocol.range,
        protocol: protocol.id,
        side: ranges[protocol.range].sided ? side : 'both',
        method,
        values: [value],
        at: shiftDays(DAY, days),
        warm,
        ...(protocol.onSeat ? { seatCm } : {}),
      }),
    ),
);
const anyRecord = fc
  .tuple(fc.integer({ min: 1400, max: 2100 }), fc.array(anyReading, { minLength: 1, maxLength: 6 }))
  .map(([mm, readings]) =>
    recordWith({
      person: samplePerson({ statureCm: mm / 10 }),
      readings: readings.map((one, i) => ({ ...one, id: `r${i}` })),
    }),
  );

test('whatever a way of reading takes, what is believed is a number with an error over nought', () => {
  fc.assert(
    fc.property(anyRecord, (record) => {
      for (const reading of record.readings) expect(readingRefused(reading)).toEqual([]);
      const { estimates, levelsOn } = knownOf(record, DAY);
      for (const { key, mean, sd, driftPerWeek, driftSd } of Object.values(estimates)) {
        expect([key, mean, sd, driftPerWeek, driftSd].slice(1).every(Number.isFinite)).toBe(true);
        expect(sd).toBeGreaterThan(0);
      }
      for (const days of [-5000, -700, -3, 0])
        expect(Object.values(levelsOn(shiftDays(DAY, days))).every(Number.isFinite)).toBe(true);
    }),
  );
});
