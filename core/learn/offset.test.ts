import fc from 'fast-check';
import { chanceEnough, offsetFrom, type HeightEvidence } from './offset';

const even = (sdCm: number) => ({ downCm: sdCm, upCm: sdCm });
const enough = (overReckonedCm: number): HeightEvidence => ({ says: 'enough', overReckonedCm });
const tooLow = (overReckonedCm: number): HeightEvidence => ({ says: 'tooLow', overReckonedCm });

test('without sessions the offset is nothing, with its prior spread', () => {
  const offset = offsetFrom([], 3);
  expect(offset.meanCm).toBe(0);
  expect(offset.sdCm).toBeCloseTo(3, 1);
});

test('a height that went well says little when it stood far over the reckoned one', () => {
  expect(Math.abs(offsetFrom([enough(12)], 3).meanCm)).toBeLessThan(0.05);
});

test('heights that went well under the reckoned one bring it down, and those too low bring it up', () => {
  expect(offsetFrom([enough(-2), enough(-2)], 3).meanCm).toBeLessThan(-2);
  expect(offsetFrom([tooLow(2)], 3).meanCm).toBeGreaterThan(2);
});

test('a height found by trying is shrunk toward nothing', () => {
  const { meanCm } = offsetFrom([{ says: 'settled', overReckonedCm: 4 }], 3);
  expect(meanCm).toBeCloseTo((4 * 9) / (9 + 1.5 ** 2), 1);
});

test('a higher support is never less likely to be enough', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.boolean(), fc.double({ min: -8, max: 8, noNaN: true })), {
        maxLength: 8,
      }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (seen, cm) => {
        const offset = offsetFrom(
          seen.map(([good, over]) => (good ? enough(over) : tooLow(over))),
          3,
        );
        expect(chanceEnough(cm + 1, 10, even(2), offset)).toBeGreaterThanOrEqual(
          chanceEnough(cm, 10, even(2), offset),
        );
      },
    ),
  );
});

test('good sessions at a height make the next rung down more likely', () => {
  const next = (sessions: number) =>
    chanceEnough(
      20,
      20,
      even(2),
      offsetFrom(
        Array.from({ length: sessions }, () => enough(1)),
        4,
      ),
    );
  expect(next(2)).toBeGreaterThan(next(0));
  expect(next(5)).toBeGreaterThan(next(2));
});

test('fifty sessions do not drown in rounding', () => {
  const { meanCm, sdCm } = offsetFrom(
    Array.from({ length: 50 }, (_, i) => (i % 2 === 0 ? enough(3) : tooLow(-3))),
    3,
  );
  expect(Number.isFinite(meanCm)).toBe(true);
  expect(sdCm).toBeGreaterThan(0);
});

test('a chosen height has no offset', () =>
  expect(offsetFrom([enough(2)], 0)).toMatchObject({ meanCm: 0, sdCm: 0 }));

test('one word that may be false moves less than it would if words never lied', () => {
  // Said too low at a height that stood far over what is reckoned: more likely a slip than a body four spreads off.
  expect(offsetFrom([tooLow(9)], 3).meanCm).toBeLessThan(3);
  expect(offsetFrom([tooLow(9), tooLow(9), tooLow(9)], 3).meanCm).toBeGreaterThan(4);
});

test('what was said long ago counts for less, and never for nothing', () => {
  const after = (daysAgo: number) => offsetFrom([{ ...tooLow(2), daysAgo }], 3);
  expect(after(0).meanCm).toBeGreaterThan(after(182).meanCm + 0.3);
  expect(after(182).meanCm).toBeGreaterThan(after(1000).meanCm);
  expect(after(1000).meanCm).toBeGreaterThan(0);
  expect(after(1000).sdCm).toBeGreaterThan(after(0).sdCm);
});

describe('what is felt of a support that carries', () => {
  const felt = (strength: number, times = 1, overReckonedCm = 4): HeightEvidence[] =>
    Array.from({ length: times }, () => ({ says: 'enough', overReckonedCm, strength }));
  const mean = (evidence: HeightEvidence[]) => offsetFrom(evidence, 4).meanCm;

  test('what is hardly felt could stand lower, what is felt strongly should not', () => {
    expect(mean(felt(1))).toBeLessThan(mean([enough(4)]));
    expect(mean(felt(6))).toBeGreaterThan(mean([enough(4)]));
  });

  test('the same feeling time and again says little more than once: people have measures of their own', () => {
    const [once, ten] = [mean(felt(2)), mean(felt(2, 10))];
    expect(Math.abs(ten - once)).toBeLessThan(2.5);
    expect(offsetFrom(felt(2, 10), 4).sdCm).toBeGreaterThan(1);
  });

  test('a feeling that stays faint while the support comes down says more than one that stays at one height', () => {
    const down = [6, 4, 2, 0].flatMap((over) => felt(2, 1, over));
    expect(mean(down)).toBeLessThan(mean(felt(2, 4, 3)));
  });
});

test('a body that swings much says less with one good day', () => {
  const good = (swingCm: number): HeightEvidence => ({
    says: 'enough',
    overReckonedCm: -2,
    swingCm,
  });
  expect(offsetFrom([good(4)], 3).meanCm).toBeGreaterThan(offsetFrom([good(0)], 3).meanCm);
});
