import fc from 'fast-check';
import { fromCm, length, toCm } from './format';
import { readNumber } from './number';

test.each([
  ['12', 12],
  ['12.5', 12.5],
  ['12,5', 12.5],
  [' −7 ', -7],
  ['128°', 128],
  ['21 cm', 21],
  ['0,125', null],
  ['1,234', null],
  ['1.2.3', null],
  ['abc', null],
  ['', null],
  ['1e3', null],
])('%s', (typed, expected) => {
  const read = readNumber(typed);
  expect(read.ok ? read.value : null).toBe(expected);
  if (!read.ok) expect(read.words.length).toBeGreaterThan(10);
});

test('an ambiguous comma names both readings', () => {
  const read = readNumber('1,234');
  expect(read.ok ? '' : read.words).toMatch(/write 1\.234 or 1234/);
});

test('inches and centimetres agree', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 250, noNaN: true }), (cm) => {
      expect(toCm(fromCm(cm, 'in'), 'in')).toBeCloseTo(cm, 1);
      expect(toCm(fromCm(cm, 'cm'), 'cm')).toBeCloseTo(cm, 0);
    }),
  );
});

test('heights are told as fine as a fold can be: half centimetres, quarter inches', () => {
  expect(length(21.3, 'cm')).toBe('21.5 cm');
  expect(length(21.1, 'cm')).toBe('21 cm');
  expect(length(21.1, 'in')).toBe('8.25 in');
});
