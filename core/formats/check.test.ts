import fc from 'fast-check';
import { samplePerson, sampleReading, sampleSession, sampleShelf } from '../tests/samples';
import { bookSchema, type Book } from './book';
import { checkBook, parseBook } from './check';
import { lastDay, shiftBook } from './shift';
import { daysBetween, shiftDays } from './time';

const TODAY = '2026-03-01';
const book = (more: Partial<Record<keyof Book, unknown>> = {}) => ({
  format: 'ojas-book/1', people: [samplePerson()], readings: [sampleReading()], shelf: sampleShelf, sessions: [sampleSession('2026-01-15')], classes: [], settings: { units: 'cm' }, ...more,
});
const faultsOf = (json: unknown) => {
  const checked = checkBook(json, TODAY);
  return checked.ok ? [] : checked.faults.map(({ path, words }) => `${path}: ${words}`);
};

test('a whole book is taken, with what was left out filled in', () => {
  const bare = { format: 'ojas-book/1', people: [{ id: 'p1', name: 'A', statureCm: 170 }], readings: [], shelf: [], sessions: [] };
  const checked = checkBook(bare, TODAY);
  expect(checked.ok && checked.value.people[0]).toMatchObject({ sex: 'unknown', approach: 'built-up-alignment', cautions: [], bodyCm: {} });
});

test('fields that this version does not know are kept', () => {
  const checked = checkBook(book({ people: [{ ...samplePerson(), boatSeat: 4 }] }), TODAY);
  expect(checked.ok && JSON.stringify(checked.value)).toMatch('"boatSeat":4');
});

test.each([
  ['a stature that nobody has', { people: [{ ...samplePerson(), statureCm: 17 }] }, /people\[0\]\.statureCm: at least 90 cm/],
  ['a person without a name', { people: [{ ...samplePerson(), name: ' ' }] }, /people\[0\]\.name: a name is needed/],
  ['a reading past human range', { readings: [sampleReading({ values: [1300] })] }, /readings\[0\]\.values: 1300° is outside .* \(60 to 175°\)/],
  ['a range read on both sides at once', { readings: [sampleReading({ side: 'both' })] }, /read left and right apart/],
  ['an unknown way of reading', { readings: [sampleReading({ protocol: 'by-ouija' })] }, /by-ouija is no way of reading/],
  ['a reading of tomorrow', { readings: [sampleReading({ at: '2026-03-02' })] }, /readings\[0\]\.at: 2026-03-02 is after today/],
  ['a date in words', { readings: [{ ...sampleReading(), at: 'last Tuesday' }] }, /readings\[0\]\.at: expected a date such as/],
  ['a stranger’s reading', { readings: [sampleReading({ person: 'p9' })] }, /readings\[0\]\.person: there is no person p9/],
  ['an id that stands twice', { readings: [sampleReading(), sampleReading()] }, /readings\[1\]\.id: r1 stands twice/],
  ['another format', { format: 'ojas-book/99' }, /format: expected "ojas-book\/1"/],
  ['a feeling of eleven', { sessions: [sampleSession('2026-01-15', { feeling: { strength: 11, place: 'muscle' } })] }, /sessions\[0\]\.poses\[0\]\.feeling\.strength/],
])('%s is refused by its place', (_, more, words) => expect(faultsOf(book(more)).join('\n')).toMatch(words));

test('a file that is broken off is refused by its line', () => {
  const parsed = parseBook('{"format": "ojas-book/1",\n"people": [\n', TODAY);
  expect(parsed).toMatchObject({ ok: false, faults: [{ words: expect.stringContaining('not whole JSON') }] });
});

test('whatever JSON comes in, it is taken or refused, and never throws', () => {
  fc.assert(fc.property(fc.jsonValue(), (json) => {
    expect(typeof checkBook(json, TODAY).ok).toBe('boolean');
    expect(checkBook({ ...book(), people: json }, TODAY).ok).toBe(Array.isArray(json) && json.length === 0 ? false : bookSchema.shape.people.safeParse(json).success);
  }));
});

test('a sample book is moved whole: distances between its days stay', () => {
  const parsed = bookSchema.parse(book());
  const moved = shiftBook(parsed, '2030-05-05', 3);
  expect(lastDay(moved)).toBe('2030-05-02');
  expect(daysBetween(moved.readings[0]!.at, moved.sessions[0]!.at)).toBe(7);
  expect(shiftBook({ ...parsed, readings: [], sessions: [] }, '2030-05-05', 3).people).toEqual(parsed.people);
});

test('days are counted over leap days and summer time', () => {
  expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
  expect(shiftDays('2026-03-28T18:00:00Z', 2)).toBe('2026-03-30T18:00:00.000Z');
});
