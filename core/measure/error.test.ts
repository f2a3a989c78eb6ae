import { estimateRanges } from '../estimate/estimate';
import { methodIds, protocolsOf } from '../protocols/protocols';
import { rangeIds, ranges } from '../ranges/ranges';
import { samplePerson } from '../tests/samples';
import { readingErrorBy } from './error';

const person = samplePerson();
const estimates = estimateRanges({ person, readings: [], sessions: [] }, '2026-03-01');

test('an angle read as it is has the error of its method, less for more readings', () => {
  const protractor = readingErrorBy('protractor', { person }, estimates);
  expect(protractor('hipFlexion', 'left', 118, 1)).toBeCloseTo(3, 6);
  // How each of four is read evens out; where the tool was laid does not.
  expect(protractor('hipFlexion', 'left', 118, 4)).toBeCloseTo(3 * Math.hypot(0.6, 0.8 / 2), 6);
  expect(
    readingErrorBy('phone-tilt', { person }, estimates)('hipFlexion', 'left', 118, 1),
  ).toBeCloseTo(2.5, 6);
  expect(readingErrorBy('by-eye', { person }, estimates)('hipFlexion', 'left', 118, 1)).toBeCloseTo(
    7,
    6,
  );
});

test('an eye that was proven is believed', () => {
  const eyes = { hipFlexion: { biasDeg: 4, sdDeg: 4.5 } };
  expect(
    readingErrorBy('by-eye', { person, eyes }, estimates)('hipFlexion', 'left', 118, 1),
  ).toBeCloseTo(4.5, 6);
});

test('every range that can be read has an error by every method, a tape’s by its formula', () => {
  for (const method of methodIds)
    for (const range of rangeIds.filter((id) => protocolsOf(id).length > 0 && ranges[id].prior)) {
      const error = readingErrorBy(method, { person }, estimates)(
        range,
        'left',
        ranges[range].prior!.mean,
        2,
      );
      expect(error).toBeGreaterThan(0.01);
      expect(error).toBeLessThan(15);
    }
  const wall = readingErrorBy('tape', { person }, estimates)('ankleBend', 'left', 30, 1);
  expect(wall).toBeGreaterThan(1.5);
});

test('what a caution leaves out altogether has none', () => {
  const sore = samplePerson({
    cautions: [{ id: 'recent-or-unexplained', answer: 'yes', at: '2026-03-01' }],
  });
  expect(
    readingErrorBy('protractor', { person: sore }, estimates)('hamstring', 'left', 56, 2),
  ).toBeNull();
});
