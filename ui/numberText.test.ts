import { numberText } from './numberText';

const said = (text: string, mayBeEmpty = false) => {
  const checked = numberText('Thigh', 2, 120, ' cm', mayBeEmpty).safeParse(text);
  return checked.success ? null : checked.error.issues[0]?.message;
};

test('a number between its limits stands, with point or comma', () => {
  expect(said('44.5')).toBeNull();
  expect(said('44,5')).toBeNull();
});

test('outside them, or no number at all, it says what is wrong', () => {
  expect(said('1')).toBe('Thigh: 1 is not between 2 and 120 cm.');
  expect(said('121')).toBe('Thigh: 121 is not between 2 and 120 cm.');
  expect(said('two')).toMatch(/^Thigh: /);
});

test('empty stands only where it may', () => {
  expect(said('', true)).toBeNull();
  expect(said('  ', true)).toBeNull();
  expect(said('')).toMatch(/^Thigh: /);
});
