import { recordWith, samplePerson } from '../tests/samples';
import { priorOf, rangeIds, ranges, type RangeId } from '../ranges/ranges';
import { estimateRanges } from './estimate';
import { priorFor, saidVeryMobile } from './mobile';

const DAY = '2026-03-01';
const said = (answer: 'yes' | 'no', veryMobile?: boolean) =>
  samplePerson({
    sex: 'unknown',
    cautions: [{ id: 'very-mobile', answer, at: '2026-01-05' }],
    ...(veryMobile === undefined ? {} : { veryMobile }),
  });

test('who is marked as very mobile is believed freer where nothing was read', () => {
  expect(saidVeryMobile(samplePerson())).toBeUndefined();
  expect(saidVeryMobile(said('yes'))).toBe(true);
  expect(saidVeryMobile(said('yes', false))).toBe(false);
  const [usual, mobile] = [
    priorOf('hipRotation', 'unknown'),
    priorFor('hipRotation', said('yes'), DAY),
  ];
  expect(mobile).toEqual({ mean: usual.mean + usual.sd, sd: usual.sd });
  expect(priorFor('hipRotation', said('no'), DAY)).toEqual(usual);
  // How a pelvis stands is no matter of freedom.
  expect(priorFor('pelvicTilt.standing', said('yes'), DAY)).toEqual(
    priorOf('pelvicTilt.standing', 'unknown'),
  );
});

test('readings have the last word', () => {
  const person = said('yes');
  const estimates = estimateRanges(recordWith({ person, readings: [] }), DAY);
  expect(estimates['hipRotation:left']?.source).toBe('assumed');
  expect(estimates['hipRotation:left']?.mean).toBeCloseTo(
    priorFor('hipRotation', person, DAY).mean,
    0,
  );
});

describe('age', () => {
  const aged = (id: RangeId, age: number) =>
    priorFor(id, samplePerson({ sex: 'unknown', birthYear: 2026 - age }), DAY).mean;
  test('takes from spine, arms, hips and ankles, and leaves the rest', () => {
    for (const id of rangeIds) {
      if (ranges[id].prior === null) continue;
      const less = aged(id, 25) - aged(id, 75);
      expect([id, less]).toEqual([id, 5 * (ranges[id].lessPerDecade ?? 0)]);
    }
    // As lunges at a wall are surveyed: 36 to 40 for the young, some 25 in old age.
    expect(aged('ankleBend', 20)).toBeGreaterThan(36);
    expect(aged('ankleBend', 75)).toBeCloseTo(22.5, 6);
  });
  test('unsaid is as usual, and so is a child or a year that is none', () => {
    expect(priorFor('spineFold', samplePerson({ sex: 'unknown' }), DAY)).toEqual(
      priorOf('spineFold', 'unknown'),
    );
    expect(aged('spineFold', 3)).toBe(aged('spineFold', 18));
    expect(aged('spineFold', -20)).toBe(aged('spineFold', 18));
    expect(aged('spineFold', 126)).toBe(aged('spineFold', 90));
  });
});
