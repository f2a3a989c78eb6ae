import fc from 'fast-check';
import { samplePerson, sampleReading, sampleSession, sampleShelf } from '../tests/samples';
import { anyBook } from '../tests/anyBook';
import { bookSchema, type Book } from './book';
import { BookLines } from './bookLines';
import type { BookList } from './facts';
import { bookParts } from './bookText';
import { checkBook } from './check';

const TODAY = '2026-03-01';

/** A book read in pieces of so many letters, as its parts and its rest together. */
function readIn(text: string, letters: number) {
  const lists: Partial<Record<BookList, unknown[]>> = {};
  const reader = new BookLines(TODAY, ({ field, records }) => {
    lists[field] = [...(lists[field] ?? []), ...records];
  });
  for (let at = 0; at < text.length; at += letters) reader.feed(text.slice(at, at + letters));
  const end = reader.end();
  return end.ok ? { ...end, value: { ...end.value, ...lists } } : end;
}
const written = (book: Book) => bookParts(book).join('');
const book = (more: object = {}) =>
  bookSchema.parse({
    format: 'ojas-book/1',
    people: [samplePerson()],
    readings: Array.from({ length: 1203 }, (_, i) => sampleReading({ id: `r${i}` })),
    shelf: sampleShelf,
    sessions: [sampleSession('2026-01-15')],
    settings: { units: 'in' },
    oars: 8,
    ...more,
  });

test('read in pieces of any length, a book is the one that is read whole', () => {
  fc.assert(
    fc.property(anyBook, fc.integer({ min: 7, max: 5000 }), (made, letters) => {
      const whole = checkBook(JSON.parse(written(made)), TODAY);
      if (whole.ok) expect(readIn(written(made), letters)).toMatchObject({ value: whole.value });
    }),
    { numRuns: 25 },
  );
  const many = readIn(written(book()), 777);
  expect(many.ok && many.value).toEqual(book());
});

test('faults are told by their line, across parts too', () => {
  const spoiled = written(book())
    .replace('"id":"r300"', '"id":"r3"')
    .replace(/("id":"r900".*?"values":)\[[^\]]*\]/, '$1[]');
  const read = readIn(spoiled, 999);
  expect(read.ok ? [] : read.faults).toEqual(
    expect.arrayContaining([
      { path: '', line: expect.any(Number), says: { code: 'twice', id: 'r3' } },
      {
        path: 'values',
        line: expect.any(Number),
        says: { code: 'too-small', least: 1, of: 'values' },
      },
    ]),
  );
  const stray = readIn(
    written(
      book({
        sessions: [sampleSession('2026-01-15', {})].map((one) => ({ ...one, person: 'p9' })),
      }),
    ),
    999,
  );
  expect(stray.ok ? [] : stray.faults.map(({ says }) => says)).toEqual([
    { code: 'no-person', person: 'p9' },
  ]);
  const cut = readIn(written(book()).slice(0, 90_000), 999);
  expect(cut.ok).toBe(false);
});

test('another layout is told at the first line', () => {
  const reader = new BookLines(TODAY, () => undefined);
  reader.feed('{"format":"ojas-book/1",\n');
  expect(reader.isOther).toBe(true);
});
