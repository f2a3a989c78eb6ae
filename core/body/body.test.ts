import fc from 'fast-check';
import { armCm, bodyFrom, unlikelyLengths, usualShare } from './body';
import { tapedLengths } from './lengths';

test('a body of 170 cm has the lengths of the tables', () => {
  expect(bodyFrom(170)).toMatchObject({ thighCm: 41.65, seatToHipCm: 8.84, ankleHeightCm: 6.63 });
  expect(armCm(bodyFrom(170))).toBeCloseTo(61.54);
});

test('every length grows with stature', () => {
  fc.assert(
    fc.property(fc.double({ min: 100, max: 220, noNaN: true }), (statureCm) => {
      const [one, taller] = [bodyFrom(statureCm), bodyFrom(statureCm + 1)];
      for (const [name, cm] of Object.entries(one))
        expect(taller[name as keyof typeof taller]).toBeGreaterThan(cm);
    }),
  );
});

test('a taped length replaces its ratio and leaves the others alone', () => {
  const taped = bodyFrom(170, { thigh: 46 });
  expect(taped).toEqual({ ...bodyFrom(170), thighCm: 46 });
});

test('a taped arm is shared out in the usual proportions', () => {
  const { upperArmCm, forearmCm, palmCm } = bodyFrom(170, { arm: 70 });
  expect(upperArmCm + forearmCm + palmCm).toBeCloseTo(70);
  expect(upperArmCm / forearmCm).toBeCloseTo(0.186 / 0.146);
});

test('an unlikely tape is questioned, a likely one is not', () => {
  expect(unlikelyLengths(170, { thigh: 42, shin: 70 })).toEqual([
    {
      code: 'unlikely-length',
      length: 'shin',
      cm: 70,
      usualCm: expect.closeTo(41.8, 0),
      statureCm: 170,
    },
  ]);
  for (const length of tapedLengths)
    expect(unlikelyLengths(180, { [length]: 180 * usualShare[length] })).toEqual([]);
});
