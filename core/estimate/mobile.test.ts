import { recordWith, samplePerson } from '../tests/samples';
import { priorOf } from '../ranges/ranges';
import { estimateRanges } from './estimate';
import { priorFor, saidVeryMobile } from './mobile';

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
  const [usual, mobile] = [priorOf('hipRotation', 'unknown'), priorFor('hipRotation', said('yes'))];
  expect(mobile).toEqual({ mean: usual.mean + usual.sd, sd: usual.sd });
  expect(priorFor('hipRotation', said('no'))).toEqual(usual);
  // How a pelvis stands is no matter of freedom.
  expect(priorFor('pelvicTilt.standing', said('yes'))).toEqual(
    priorOf('pelvicTilt.standing', 'unknown'),
  );
});

test('readings have the last word', () => {
  const person = said('yes');
  const estimates = estimateRanges(recordWith({ person, readings: [] }), '2026-03-01');
  expect(estimates['hipRotation:left']?.source).toBe('assumed');
  expect(estimates['hipRotation:left']?.mean).toBeCloseTo(priorFor('hipRotation', person).mean, 0);
});
