import fc from 'fast-check';
import { samplePerson, sampleReading, sampleSession, sampleShelf } from '../tests/samples';
import { bookSchema, type Book } from './book';
import { planStudent } from '../plan/plan';
import { anyBook } from '../tests/anyBook';
import { bookOf, bookParts, factsOfBook } from './bookText';
import { checkBook, parseBook, parseBookFile, parseLessonFile } from './check';
import { factKinds, noFacts, readFact, type Facts } from './facts';
import { sameValue } from './sameValue';
import { lastDay, shiftBook } from './shift';
import { daysBetween } from './time';

const TODAY = '2026-03-01';
const book = (more: Partial<Record<keyof Book, unknown>> = {}) => ({
  format: 'ojas-book/1',
  people: [samplePerson()],
  readings: [sampleReading()],
  shelf: sampleShelf,
  sessions: [sampleSession('2026-01-15')],
  classes: [],
  visits: [],
  settings: { units: 'cm' },
  ...more,
});
const faultsOf = (json: unknown) => {
  const checked = checkBook(json, TODAY);
  return checked.ok ? [] : checked.faults;
};

test('a whole book is taken, with what was left out filled in', () => {
  const bare = {
    format: 'ojas-book/1',
    people: [{ id: 'p1', name: 'A', statureCm: 170 }],
    readings: [],
    shelf: [],
    sessions: [],
  };
  const checked = checkBook(bare, TODAY);
  expect(checked.ok && checked.value.people[0]).toMatchObject({
    sex: 'unknown',
    approach: 'built-up-alignment',
    cautions: [],
    bodyCm: {},
  });
});

test('fields that this version does not know are kept', () => {
  const checked = checkBook(book({ people: [{ ...samplePerson(), boatSeat: 4 }] }), TODAY);
  expect(checked.ok && JSON.stringify(checked.value)).toMatch('"boatSeat":4');
});

test.each([
  [
    'a stature that nobody has',
    { people: [{ ...samplePerson(), statureCm: 17 }] },
    'people[0].statureCm',
    { code: 'too-small', least: 90, of: 'cm' },
  ],
  [
    'a person without a name',
    { people: [{ ...samplePerson(), name: ' ' }] },
    'people[0].name',
    { code: 'name-needed' },
  ],
  [
    'a reading past human range',
    { readings: [sampleReading({ values: [1300] })] },
    'readings[0].values',
    {
      code: 'reading',
      refused: {
        code: 'outside-range',
        range: 'kneeFlexion.hipBent',
        unit: 'deg',
        value: 1300,
        least: 60,
        most: 175,
      },
    },
  ],
  [
    'a range read on both sides at once',
    { readings: [sampleReading({ side: 'both' })] },
    'readings[0].values',
    { code: 'reading', refused: { code: 'side-missing', range: 'kneeFlexion.hipBent' } },
  ],
  [
    'an unknown way of reading',
    { readings: [sampleReading({ protocol: 'by-ouija' })] },
    'readings[0].values',
    {
      code: 'reading',
      refused: { code: 'no-such-way', range: 'kneeFlexion.hipBent', way: 'by-ouija' },
    },
  ],
  [
    'a day that is none',
    { readings: [sampleReading({ at: '2026-02-30' })] },
    'readings[0].at',
    { code: 'moment' },
  ],
  [
    'a year past all clocks',
    { readings: [sampleReading({ at: '9999-12-31' })] },
    'readings[0].at',
    { code: 'year' },
  ],
  [
    'an id that every object has',
    { people: [{ ...samplePerson(), id: 'constructor' }] },
    'people[0].id',
    { code: 'id-unfit' },
  ],
  [
    'a field nested 2,000 deep',
    {
      people: [
        {
          ...samplePerson(),
          deep: JSON.parse(`${'{"a":'.repeat(2000)}1${'}'.repeat(2000)}`) as unknown,
        },
      ],
    },
    'people[0].deep.a',
    { code: 'too-deep', levels: 32 },
  ],
  [
    'a number in words',
    { people: [{ ...samplePerson(), statureCm: 'tall' }] },
    'people[0].statureCm',
    { code: 'kind', expected: 'number', stands: 'text' },
  ],
  [
    'a field left out',
    { people: [{ id: 'p1', name: 'A' }] },
    'people[0].statureCm',
    { code: 'kind', expected: 'number', stands: 'nothing' },
  ],
  [
    'a side that nobody has',
    { readings: [{ ...sampleReading(), side: 'middle' }] },
    'readings[0].side',
    { code: 'not-one-of', values: ['left', 'right', 'both'] },
  ],
  [
    'a date in words',
    { readings: [{ ...sampleReading(), at: 'last Tuesday' }] },
    'readings[0].at',
    { code: 'moment' },
  ],
  [
    'a stranger’s reading',
    { readings: [sampleReading({ person: 'p9' })] },
    'readings[0].person',
    { code: 'no-person', person: 'p9' },
  ],
  [
    'an id that stands twice',
    { readings: [sampleReading(), sampleReading()] },
    'readings[1].id',
    { code: 'twice', id: 'r1' },
  ],
  ['another format', { format: 'ojas-book/99' }, 'format', { code: 'book-format' }],
  [
    'a feeling of eleven',
    { sessions: [sampleSession('2026-01-15', { feeling: { strength: 11, place: 'muscle' } })] },
    'sessions[0].poses[0].feeling.strength',
    { code: 'too-big', most: 10 },
  ],
])('%s is refused by its place', (_, more, path, says) =>
  expect(faultsOf(book(more))).toContainEqual({ path, says: expect.objectContaining(says) }),
);

test('a record dated ahead, by a clock that was wrong once, is taken in with word of it', () => {
  const checked = checkBook(book({ readings: [sampleReading({ at: '2026-03-02' })] }), TODAY);
  expect(checked).toMatchObject({
    ok: true,
    notes: [
      {
        path: 'readings[0].at',
        says: { code: 'after-today', day: '2026-03-02', today: TODAY },
      },
    ],
  });
});

test('faults past two hundred are counted', () => {
  const people = Array.from({ length: 500 }, (_, i) => ({ id: `p${i}`, name: '', statureCm: 170 }));
  const checked = checkBook(book({ people, readings: [], sessions: [] }), TODAY);
  expect(checked.ok ? [] : [checked.faults.length, checked.faults.at(-1)?.says]).toEqual([
    201,
    { code: 'more', many: 300 },
  ]);
});

test('bytes that are no UTF-8 are refused by their line', () => {
  const bytes = new TextEncoder().encode(JSON.stringify(book(), null, 1));
  const bad = bytes.slice();
  bad[bytes.indexOf(0x57)] = 0xff; // the W of Wren
  const line = new TextDecoder().decode(bytes.slice(0, bytes.indexOf(0x57))).split('\n').length;
  expect(parseBookFile(bytes, TODAY).ok).toBe(true);
  expect(parseBookFile(bad, TODAY)).toMatchObject({
    ok: false,
    faults: [{ path: '', line, says: { code: 'no-utf8' } }],
  });
});

test('words that nothing here knows are kept, and harm nothing', () => {
  const person = samplePerson({
    choices: { toString: 'constructor', spine: 'valueOf', rounding: '__proto__' },
    cautions: [
      { id: 'constructor', answer: 'yes', at: '2026-01-05' },
      { id: 'toString', answer: 'yes', side: 'left', at: '2026-01-05' },
    ],
  });
  const checked = checkBook(
    book({
      people: [person],
      sessions: [
        sampleSession('2026-01-15', {
          pose: 'hasOwnProperty',
          stage: 'constructor',
          faults: ['toString'],
        }),
      ],
    }),
    TODAY,
  );
  expect(checked.ok && checked.value.people[0]).toMatchObject({
    choices: person.choices,
    cautions: person.cautions,
  });
  const plan = planStudent(
    {
      person,
      readings: [sampleReading()],
      sessions: [sampleSession('2026-01-15', { pose: 'hasOwnProperty' })],
    },
    sampleShelf,
    TODAY,
  );
  expect(
    plan.poses.every(
      ({ status, reasons }) =>
        status !== 'offered' &&
        reasons.some((one) => one.code === 'caution-unknown' && one.caution === 'constructor'),
    ),
  ).toBe(true);
});

test('a book leaves with a line a record, and comes back as it was', () => {
  fc.assert(
    fc.property(anyBook, (made) => {
      const parts = bookParts(made).join('');
      const back = parseBook(parts, TODAY);
      expect(back).toMatchObject({ ok: true, value: made });
      const people = Object.fromEntries(made.people.map((one) => [one.id, one]));
      const facts: Facts = {
        ...noFacts,
        ...Object.fromEntries(
          factKinds.map((kind) => [
            kind,
            Object.fromEntries(
              factsOfBook(made)
                .filter((one) => one.kind === kind)
                .map(({ id, record }) => [id, record]),
            ),
          ]),
        ),
      };
      expect(facts.people).toEqual(people);
      const again = parseBook(bookParts(bookOf(facts, made.setAside)).join(''), TODAY);
      expect(
        again.ok &&
          sameValue(
            { ...again.value, readings: null, sessions: null, practices: null },
            { ...made, readings: null, sessions: null, practices: null },
          ),
      ).toBe(true);
      // They go out by their days.
      for (const dated of ['readings', 'sessions', 'practices'] as const)
        expect(again.ok && again.value[dated].length).toBe(made[dated].length);
    }),
    { numRuns: 60 },
  );
});

test('a file that is broken off is refused by its line', () => {
  const parsed = parseBook('{"format": "ojas-book/1",\n"people": [\n', TODAY);
  expect(parsed).toMatchObject({
    ok: false,
    faults: [{ says: { code: 'no-json' } }],
  });
});

test('whatever JSON comes in, it is taken or refused, and never throws', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (json) => {
      expect(typeof checkBook(json, TODAY).ok).toBe('boolean');
      expect(checkBook({ ...book(), people: json }, TODAY).ok).toBe(
        Array.isArray(json) && json.length === 0
          ? false
          : bookSchema.shape.people.safeParse(json).success,
      );
    }),
  );
});

test('a sample book is moved whole: distances between its days stay', () => {
  const classes = [{ id: 'c', on: '2026-01-13', except: ['2026-01-20'] }, { id: 'without a day' }];
  const parsed = bookSchema.parse(book({ classes }));
  const moved = shiftBook(parsed, '2030-05-05', 3);
  expect(lastDay(moved)).toBe('2030-05-02');
  expect(daysBetween(moved.sessions[0]!.at, moved.classes[0]!.on!)).toBe(-2);
  expect(daysBetween(moved.classes[0]!.on!, moved.classes[0]!.except![0]!)).toBe(7);
  expect(moved.classes[1]).toEqual({ id: 'without a day' });
  expect(daysBetween(moved.readings[0]!.at, moved.sessions[0]!.at)).toBe(7);
  expect(shiftBook({ ...parsed, readings: [], sessions: [] }, '2030-05-05', 3).people).toEqual(
    parsed.people,
  );
});

test.each(['', 'toString', 'x'.repeat(401)])(
  'a field that could not be stored under its name is refused by the check too: “%.20s”',
  (name) => {
    const checked = checkBook({ ...bookOf(noFacts), [name]: 1 }, '2026-04-01');
    expect(checked.ok ? [] : checked.faults).toEqual([
      { path: '', says: { code: 'field-name', name: name.slice(0, 40) } },
    ]);
    expect(readFact('extras', JSON.stringify({ id: name, value: 1 })).ok).toBe(false);
  },
);

describe('what only a later version knows', () => {
  const of = (more: Partial<Record<keyof Book, unknown>>) => checkBook(book(more), TODAY);

  test('keeps its record aside, and the rest of the book comes in', () => {
    const odd = { ...sampleReading({ id: 'r9' }), range: 'jawOpening' };
    const checked = of({
      readings: [sampleReading(), odd],
      shelf: [{ ...sampleShelf[0], kind: 'cloud' }],
    });
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    expect(checked.value.readings.map(({ id }) => id)).toEqual(['r1']);
    expect(checked.value.setAside).toEqual([
      { key: 'readings/r9', text: JSON.stringify(odd) },
      { key: `shelf/${sampleShelf[0]?.id}`, text: expect.stringContaining('"kind":"cloud"') },
    ]);
    expect(checked.notes).toEqual([
      { path: 'readings[1].range', says: { code: 'unknown-aside', name: 'jawOpening' } },
      { path: 'shelf[0].kind', says: { code: 'unknown-aside', name: 'cloud' } },
    ]);
  });

  test('of a student or the settings waits beside, and the usual serves', () => {
    const home = [
      { ...sampleShelf[0], id: 'h1', kind: 'cloud' },
      { ...sampleShelf[0], id: 'h2' },
    ];
    const checked = of({
      people: [{ ...samplePerson(), approach: 'floating', home }],
      settings: { units: 'cm', theme: 'sepia' },
    });
    if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
    const [person] = checked.value.people;
    expect([person?.approach, person?.home.map(({ id }) => id)]).toEqual([
      'built-up-alignment',
      ['h2'],
    ]);
    expect(person).toMatchObject({ unknown: { approach: 'floating', home: [{ id: 'h1' }] } });
    expect(checked.value.settings).toMatchObject({ theme: 'system', unknown: { theme: 'sepia' } });
  });

  test('is no excuse for what is wrong', () => {
    for (const more of [
      { readings: [{ ...sampleReading(), range: 'jawOpening', values: [] }] },
      { readings: [{ ...sampleReading(), range: '' }] },
      { readings: [{ ...sampleReading(), side: 'upper' }] },
      { people: [{ ...samplePerson(), sex: 'sheet' }] },
    ])
      expect(of(more).ok).toBe(false);
  });
});

test('a lesson is read from a file; what is no lesson is refused by name', () => {
  const bytes = (value: unknown) => new TextEncoder().encode(JSON.stringify(value));
  const lesson = { format: 'ojas-lesson/1', id: 'a', name: 'A', steps: [{ is: 'hum', id: 'om' }] };
  expect(parseLessonFile(bytes(lesson))).toMatchObject({ ok: true, value: lesson });
  const refused = (value: unknown) => {
    const parsed = parseLessonFile(bytes(value));
    return parsed.ok ? [] : parsed.faults.map(({ path }) => path);
  };
  expect(refused({ ...lesson, format: 'ojas-lesson/9' })).toEqual(['format']);
  expect(refused({ ...lesson, steps: [] })).toEqual(['steps']);
  expect(refused({ ...lesson, steps: [{ is: 'pose', id: 'staff', seconds: -4 }] })).toEqual([
    'steps[0].seconds',
  ]);
  expect(parseLessonFile(new Uint8Array([0xff, 0xfe, 0])).ok).toBe(false);
});
