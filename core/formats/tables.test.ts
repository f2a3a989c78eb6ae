import { ordinaryAdult } from '../sim/room';
import { sampleSession, sampleShelf } from '../tests/samples';
import { type Book, bookSchema } from './book';
import { tableIds, tableOf } from './tables';

const record = ordinaryAdult(751, 12, 'built-up-alignment');
const book: Book = bookSchema.parse({
  format: 'ojas-book/1',
  people: [{ ...record.person, name: 'Zoë Ámundsen' }],
  readings: record.readings,
  shelf: sampleShelf,
  sessions: [{ ...sampleSession('2026-02-02'), person: record.person.id }],
});

test('a line for each reading, pose and support, with the name and the day', () => {
  expect(tableOf(book, 'readings').rows.length).toBe(book.readings.length);
  expect(tableOf(book, 'poses').rows.length).toBe(book.sessions[0]!.poses.length);
  expect(tableOf(book, 'heights').rows.length).toBe(
    book.sessions[0]!.poses.flatMap(({ settled }) => settled).length,
  );
  for (const id of tableIds) {
    const { head, rows } = tableOf(book, id);
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows) {
      expect(row.length).toBe(head.length);
      expect(row[0]).toBe('Zoë Ámundsen');
      expect(row[1]).toMatch(/^\d{4}-\d\d-\d\d$/);
    }
  }
});

test('values stand in their own columns, as they were read', () => {
  const { head, rows } = tableOf(book, 'readings');
  const at = head.indexOf('value 1');
  book.readings.forEach(({ values }, i) =>
    expect(rows[i]!.slice(at, at + values.length)).toEqual(values),
  );
});

test('no table tells what was answered at the questions', () => {
  const asked = { ...book, people: book.people.map((one) => ({ ...one, note: 'a private word' })) };
  for (const id of tableIds)
    expect(JSON.stringify(tableOf(asked, id))).not.toMatch(/private|caution/);
});

test('an empty book makes tables with heads alone', () => {
  const empty: Book = { ...book, people: [], readings: [], sessions: [], shelf: [] };
  for (const id of tableIds) {
    expect(tableOf(empty, id).rows).toEqual([]);
    expect(tableOf(empty, id).head.length).toBeGreaterThan(5);
  }
});
