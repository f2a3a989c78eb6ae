import { decision } from '@/core/parameters';
import { assume, assumedText } from './assume';

test('one number is changed for this program, and no other', () => {
  const before = { ...decision.chance };
  assume(assumedText({ group: 'decision', name: 'chance', value: 0.5 }));
  expect(decision.chance).toEqual({ ...before, value: 0.5 });
  assume(assumedText({ group: 'decision', name: 'chance', value: before.value }));
  assume(assumedText(null));
  expect(decision.chance).toEqual(before);
});

test('a number that nobody knows is refused', () => {
  expect(() => assume(assumedText({ group: 'decision', name: 'luck', value: 1 }))).toThrow(
    'No number is called decision.luck.',
  );
});
