import fc from 'fast-check';
import { rangeIds, type RangeId } from '../ranges/ranges';
import { ordinaryAdult } from '../sim/room';
import { samplePerson, samplePose, sampleSession, sampleShelf } from '../tests/samples';
import { bookSchema, feltPlaces, type Book } from './book';
import type { Fault } from './faults';
import { tableIds, tableOf, type TableId } from './tables';
import { dayIn, ordersIn, tableIn, type Rows, type TableAsked, type TableIn } from './tablesIn';

const rangeNames = Object.fromEntries(rangeIds.map((id) => [id, `Name of ${id}`])) as Readonly<
  Record<RangeId, string>
>;
let made = 0;
const asked: TableAsked = {
  order: 'day-first',
  method: 'protractor',
  today: '2026-06-01',
  rangeNames,
  freshId: (kind) => `${kind}${(made += 1)}`,
};
const bookWith = (more: Partial<Book>): Book =>
  bookSchema.parse({
    format: 'ojas-book/1',
    people: [
      samplePerson({ id: 'p1', name: 'Zoë Ámundsen' }),
      samplePerson({ id: 'p2', name: 'Bo' }),
    ],
    readings: [],
    shelf: sampleShelf,
    sessions: [],
    ...more,
  });
const empty = bookWith({});
const rowsOf = (book: Book, id: TableId): Rows => {
  const { head, rows } = tableOf(book, id);
  return [head, ...rows.map((row) => row.map(String))];
};
const read = (rows: Rows, book = empty, more: Partial<TableAsked> = {}): TableIn => {
  const answer = tableIn(rows, book, { ...asked, ...more });
  if ('says' in answer) throw new Error(JSON.stringify(answer));
  return answer;
};
const taken = (book: Book, { facts }: TableIn): Book => {
  const of = (kind: 'readings' | 'sessions') =>
    facts.flatMap((one) => (one.kind === kind ? [one.record] : []));
  const sessions = of('sessions') as Book['sessions'];
  const changed = new Set(sessions.map(({ id }) => id));
  return {
    ...book,
    readings: [...book.readings, ...(of('readings') as Book['readings'])],
    sessions: [...book.sessions.filter(({ id }) => !changed.has(id)), ...sessions],
  };
};
const sayings = ({ faults }: TableIn) => faults.map(({ path, says }) => [path, says.code]);

const books = fc
  .record({
    seed: fc.integer({ min: 1, max: 400 }),
    poses: fc.uniqueArray(
      fc.record({
        pose: fc.constantFrom('hero', 'child', 'staff'),
        heldSeconds: fc.integer({ min: 0, max: 600 }),
        strength: fc.option(fc.integer({ min: 0, max: 10 }), { nil: undefined }),
        place: fc.constantFrom(undefined, ...feltPlaces),
        note: fc.constantFrom(undefined, 'a word', '=1+1', 'one, two; three'),
      }),
      { selector: ({ pose }) => pose, minLength: 1 },
    ),
  })
  .map(({ seed, poses }) =>
    bookWith({
      readings: ordinaryAdult(seed, 12, 'built-up-alignment').readings.map((one) => ({
        ...one,
        person: 'p1',
        note: 'said, and =2',
      })),
      sessions: [
        {
          ...sampleSession('2026-02-02'),
          person: 'p2',
          poses: poses.map(({ strength, place, note, ...one }) => ({
            ...samplePose(one),
            note,
            feeling: { strength, place },
          })),
        },
      ],
    }),
  );

test('what a table holds comes in as it went out, and a second time nothing is new', () => {
  fc.assert(
    fc.property(books, (book) => {
      let here = empty;
      for (const id of tableIds) {
        const rows = rowsOf(book, id);
        const first = read(rows, here);
        expect(first.faults).toEqual([]);
        expect(first.fresh).toBe(rows.length - 1);
        here = taken(here, first);
        expect(rowsOf(here, id)).toEqual(rows);
        expect(read(rows, here)).toMatchObject({ fresh: 0, known: rows.length - 1, facts: [] });
      }
    }),
    { numRuns: 25 },
  );
});

test('common spellings of heads, decimal commas, degrees and units are read', () => {
  const { facts, faults, asksMethod } = read([
    ['Name', 'DATE', 'Measurement', 'Leg', 'Angle (deg)', 'Angle 2', 'Seat height', 'Comments'],
    ['zoë ámundsen', '3.2.2026', 'Hamstring length', 'L', '71,5', '73°', '', 'tight'],
    ['BO', '2026-02-03', 'Name of hipSpread', 'right', '48', '', '12,5 cm', ''],
  ]);
  expect(faults).toEqual([]);
  expect(asksMethod).toBe(true);
  expect(facts.map(({ record }) => record)).toMatchObject([
    {
      person: 'p1',
      at: '2026-02-03',
      range: 'hamstring',
      side: 'left',
      values: [71.5, 73],
      note: 'tight',
    },
    {
      person: 'p2',
      range: 'hipSpread',
      side: 'right',
      values: [48],
      seatCm: 12.5,
      method: 'protractor',
    },
  ]);
});

test.each([
  ['2026-02-03', 'month-first', '2026-02-03'],
  ['2026/2/3', 'month-first', '2026-02-03'],
  ['3.2.2026', 'month-first', '2026-02-03'],
  ['3/2/2026', 'day-first', '2026-02-03'],
  ['3/2/2026', 'month-first', '2026-03-02'],
  ['30/2/2026', 'day-first', null],
  ['13/2/2026', 'month-first', null],
  ['3/2/26', 'day-first', null],
  ['2026-02-03T18:00:00+01:00', 'day-first', '2026-02-03'],
] as const)('the day %s, %s, is %s', (text, order, day) => {
  expect(dayIn(text, order)).toBe(day);
});

test('the order of a day is asked for only where it could be two', () => {
  const orders = (...days: string[]) =>
    ordersIn([['student', 'date'], ...days.map((day) => ['Bo', day])]);
  expect(orders('2026-02-03', '3.2.2026')).toEqual(['day-first']);
  expect(orders('3/2/2026', '4/5/2026')).toEqual(['day-first', 'month-first']);
  expect(orders('3/2/2026', '14/5/2026')).toEqual(['day-first']);
  expect(orders('3/2/2026', '5/14/2026', 'no day')).toEqual(['month-first']);
  expect(orders('7/7/2026')).toEqual(['day-first']);
});

test('what cannot be read is told by its row and column, and the rest is read', () => {
  const head = ['student', 'day', 'range', 'side', 'value 1', 'seat cm'];
  const read_ = read(
    [
      head,
      ['Bo', '2026-02-03', 'hamstring', 'left', '70', ''],
      ['Nobody', '2026-02-03', 'hamstring', 'left', '70', ''],
      ['', ''],
      ['Twin', '2026-02-03', 'hamstring', 'left', '70', ''],
      ['Bo', '31/2/2026', 'hamstring', 'left', '70', ''],
      ['Bo', '2026-12-03', 'hamstring', 'left', '70', ''],
      ['Bo', '2026-02-03', 'wingspan', 'left', '70', ''],
      ['Bo', '2026-02-03', 'hamstring', 'up', '70', ''],
      ['Bo', '2026-02-03', 'hamstring', '', '70', ''],
      ['Bo', '2026-02-03', 'hamstring', 'left', 'much', ''],
      ['Bo', '2026-02-03', 'hamstring', 'left', '', ''],
      ['Bo', '2026-02-03', 'hamstring', 'left', '999', ''],
      ['Bo', '2026-02-03', 'hamstring', 'left', '70', '900'],
    ],
    bookWith({
      people: ['a', 'b', 'c'].map((id) => samplePerson({ id, name: id === 'c' ? 'Bo' : 'Twin' })),
    }),
  );
  expect(read_.fresh).toBe(1);
  expect(sayings(read_)).toEqual([
    ['row 3, student', 'no-student'],
    ['row 5, student', 'two-students'],
    ['row 6, day', 'cell'],
    ['row 7, day', 'day-to-come'],
    ['row 8, range', 'cell'],
    ['row 9, side', 'not-one-of'],
    ['row 10, value 1', 'reading'],
    ['row 11, value 1', 'cell'],
    ['row 12, value 1', 'no-value'],
    ['row 13, value 1', 'reading'],
    ['row 14, seat cm', 'too-big'],
  ]);
});

test.each([
  [
    ['a', 'b'],
    ['student', 'day', 'range'],
  ],
  [['student', 'day', 'range'], ['value']],
  [['pose', 'slot', 'height cm', 'day'], ['student']],
])('a table of %s says which columns are missing', (head, columns) => {
  const answer = tableIn([head], empty, asked) as Fault;
  expect(answer.says).toMatchObject({
    code: 'no-columns',
    columns: expect.arrayContaining(columns),
  });
});

test('heights come to the pose of that day, and of pieces that are not here the height alone', () => {
  const head = [
    'student',
    'day',
    'pose',
    'pose side',
    'slot',
    'part',
    'side',
    'height cm',
    'pieces',
  ];
  const session = { ...sampleSession('2026-02-02'), person: 'p2' };
  const [done] = session.poses;
  const { facts } = read(
    [
      head,
      ['Bo', '2026-02-02', done!.pose, done!.side, 'heels', '', 'both', '3,5', '1 × Log, flat'],
    ],
    bookWith({ sessions: [session] }),
  );
  expect(facts).toHaveLength(1);
  expect(facts[0]!.record).toMatchObject({ id: session.id, poses: [{ pose: done!.pose }] });
  const { poses } = facts[0]!.record as Book['sessions'][number];
  expect(poses[0]!.settled.at(-1)).toEqual({
    slot: 'heels',
    side: 'both',
    heightCm: 3.5,
    pieces: [],
  });
  expect(poses[0]!.heldSeconds).toBe(done!.heldSeconds);
});
