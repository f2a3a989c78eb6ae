import fc from 'fast-check';
import { checkBook, parseBook, parseBookFile } from '@/core/formats/check';
import { bookSchema } from '@/core/formats/book';
import { sampleReading, sampleShelf } from '@/core/tests/samples';
import { wordsIn } from './words';

const TODAY = '2026-03-01';
const say = wordsIn('cm');
const person = { id: 'p1', name: 'Wren', statureCm: 170 };
const book = (more: object) => ({
  format: 'ojas-book/1',
  people: [person],
  readings: [],
  shelf: [],
  sessions: [],
  ...more,
});
const told = (json: unknown) => {
  const checked = checkBook(json, TODAY);
  return (checked.ok ? checked.notes : checked.faults)
    .map(say.fault)
    .map(({ path, words }) => `${path}: ${words}`);
};

test.each([
  [{ people: [{ ...person, statureCm: 17 }] }, 'people[0].statureCm: at least 90 cm.'],
  [{ people: [{ ...person, name: ' ' }] }, 'people[0].name: a name is needed.'],
  [
    { people: [{ ...person, statureCm: 'tall' }] },
    'people[0].statureCm: expected a number; text stands there.',
  ],
  [{ people: [{ id: 'p1', name: 'A' }] }, 'people[0].statureCm: expected a number; it is missing.'],
  [
    { readings: [sampleReading({ values: [1300] })] },
    'readings[0].values: 1300° is outside what a person can show for kneeFlexion.hipBent (60 to 175°); read it again.',
  ],
  [
    { readings: [{ ...sampleReading(), side: 'middle' }] },
    'readings[0].side: expected one of left, right, both.',
  ],
  [{ readings: [sampleReading({ values: [] })] }, 'readings[0].values: at least one value.'],
  [
    { readings: [{ ...sampleReading(), range: 'jawOpening' }] },
    'readings[0].range: “jawOpening” is not known to this version: the record lies aside as it came, and is left out of everything.',
  ],
  [
    { readings: [sampleReading({ at: '2026-03-02' })] },
    'readings[0].at: 2026-03-02 is after today, 2026-03-01: it is kept, and counts from that day on.',
  ],
  [
    { toString: 1 },
    'the file: it has a field called “toString”, a name under which nothing can be kept: rename the field, or take it out.',
  ],
])('a fault in a file is told by its place and its remedy: %j', (more, words) =>
  expect(told(book(more))).toContain(words),
);

test('a file that breaks off, or is no text, is told by its line where that is known', () => {
  const cut = parseBook('{"format": "ojas-book/1",\n"people": [\n', TODAY);
  expect(cut.ok ? '' : say.faults(cut.faults)).toMatch(
    /^(the file|line 3): this is not whole JSON/,
  );
  const bytes = parseBookFile(new Uint8Array([0x7b, 0x0a, 0xff]), TODAY);
  expect(bytes.ok ? '' : say.faults(bytes.faults)).toMatch(/^line 2: these bytes are no UTF-8/);
  expect(say.fault({ path: 'values', line: 7, says: { code: 'broken-off' } })).toEqual({
    path: 'line 7, values',
    words: 'it is broken off.',
  });
});

test('whatever is wrong, there are words of ours for it', () => {
  const fields = Object.keys(bookSchema.shape);
  const whole = book({ readings: [sampleReading()], shelf: [sampleShelf[0]] });
  fc.assert(
    fc.property(fc.constantFrom(...fields), fc.jsonValue({ maxDepth: 4 }), (field, value) => {
      for (const line of told({ ...whole, [field]: value })) {
        expect(line).toMatch(/^\S.*: \S.*\.$/s);
        expect(line).not.toMatch(/undefined|NaN|invalid input|\[object/i);
      }
    }),
  );
});
