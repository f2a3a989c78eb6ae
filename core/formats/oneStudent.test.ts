import { readFileSync } from 'node:fs';
import { factsOfBook, bookParts } from './bookText';
import { parseBook } from './check';
import { bookOfOne } from './oneStudent';
import type { Book } from './book';

const parsed = parseBook(readFileSync('demo/kingfisher-boathouse.json', 'utf8'), '2027-01-01');
if (!parsed.ok) throw new Error('the sample book is read elsewhere');
const book: Book = parsed.value;
const textOf = (one: Book) => bookParts(one).join('');

test('of every student a file of their own is a book that is read again, and names nobody else', () => {
  for (const { id, name } of book.people) {
    const one = bookOfOne(book, id, true)!;
    const text = textOf(one);
    const again = parseBook(text, '2027-01-01');
    expect([name, again.ok]).toEqual([name, true]);
    expect(one.people.map((person) => person.name)).toEqual([name]);
    for (const other of book.people)
      if (other.id !== id) expect([name, text.includes(other.name)]).toEqual([name, false]);
    expect(one.readings).toHaveLength(book.readings.filter(({ person }) => person === id).length);
    expect(one.sessions).toHaveLength(book.sessions.filter(({ person }) => person === id).length);
    expect(factsOfBook(one).filter(({ kind }) => kind === 'classes')).toEqual([]);
  }
});

test('without the answers on health nothing of them stands in the file', () => {
  const told = book.people.filter(({ cautions }) =>
    cautions.some(({ answer }) => answer === 'yes'),
  );
  expect(told.length).toBeGreaterThan(2);
  for (const { id, cautions } of told) {
    const note = 'a note on the heart';
    const noted: Book = {
      ...book,
      people: book.people.map((one) =>
        one.id === id
          ? { ...one, note, edits: { [`cautions/${cautions[0]!.id}`]: ['a'], name: ['b'] } }
          : one,
      ),
      sessions: book.sessions.map((one) => (one.person === id ? { ...one, note } : one)),
      readings: book.readings.map((one) => (one.person === id ? { ...one, note } : one)),
    };
    const text = textOf(bookOfOne(noted, id, false)!);
    expect(text).not.toContain(note);
    for (const { id: caution } of cautions) expect(text).not.toContain(`"${caution}"`);
    expect(text).not.toContain('cautions/');
    expect(textOf(bookOfOne(noted, id, true)!)).toContain(note);
  }
});

test('of what the shelf has, what was built with goes along', () => {
  const one = bookOfOne(book, book.sessions[0]!.person, true)!;
  const has = new Set(one.shelf.map(({ id }) => id));
  const pieces = one.sessions.flatMap(({ poses }) =>
    poses.flatMap(({ settled }) => settled.flatMap((at) => at.pieces)),
  );
  expect(pieces.length).toBeGreaterThan(0);
  for (const { item } of pieces) expect(has).toContain(item);
  expect(bookOfOne(book, 'nobody', true)).toBeNull();
});
