import type { AskedFor, Counted } from '@/core/formats/asked';
import type { Fault, FileFaultCode, JsonKind } from '@/core/formats/faults';
import type { ReadingRefused } from '@/core/formats/readingRefused';
import type { FaultWords } from './language';

const MOST_NAMED = 20;
const named = (values: readonly string[]) =>
  `${values.slice(0, MOST_NAMED).join(', ')}${values.length > MOST_NAMED ? ', …' : ''}`;

/** One of them, and several. */
const countedWords: Readonly<Record<Counted, readonly [string, string]>> = {
  cm: ['cm', 'cm'],
  letters: ['letter', 'letters'],
  entries: ['entry', 'entries'],
  values: ['value', 'values'],
  students: ['student', 'students'],
  poses: ['pose', 'poses'],
  props: ['prop', 'props'],
  shelves: ['shelf', 'shelves'],
  sequences: ['sequence', 'sequences'],
  'lesson-steps': ['step', 'steps'],
  'ways-to-lie': ['way to lie', 'ways to lie'],
};
const many = (count: number, of: Counted | null) =>
  of === null
    ? `${count}`
    : count === 1
      ? `one ${countedWords[of][0]}`
      : `${count} ${countedWords[of][1]}`;

const kindWords: Readonly<Record<JsonKind, string>> = {
  text: 'text',
  number: 'a number',
  'whole-number': 'a whole number',
  truth: 'true or false',
  object: 'an object in { }',
  list: 'a list in [ ]',
  null: 'null',
  nothing: 'nothing',
};

const unitSigns = { cm: ' cm', deg: '°', ratio: '' } as const;
/** Why a reading cannot be, in the file's own names and units. */
function readingWords(refused: ReadingRefused): string {
  switch (refused.code) {
    case 'no-such-way':
      return `${refused.way} is no way of reading ${refused.range}.`;
    case 'side-missing':
      return `${refused.range} is read left and right apart; say which side.`;
    case 'outside-range': {
      const unit = unitSigns[refused.unit];
      return `${refused.value}${unit} is outside what a person can show for ${refused.range} (${refused.least} to ${refused.most}${unit}); read it again.`;
    }
    case 'beyond-lengths':
      return `no body of these lengths comes to ${refused.cm} cm for ${refused.range}; read it again, or look at the lengths.`;
    case 'not-human':
      return `it comes to ${refused.deg.toFixed(0)}° of ${refused.range}, which nobody shows (${refused.least} to ${refused.most}°); read it again.`;
  }
}

const asked: Readonly<Record<AskedFor, () => string>> = {
  'name-needed': () => 'a name is needed.',
  'id-needed': () => 'an id is needed.',
  'id-unfit': () => 'this word cannot serve as an id: choose another.',
  'whole-number': () => 'a whole number is needed.',
  moment: () =>
    'expected a date such as 2026-01-08, or a date and time such as 2026-01-08T18:30:00Z.',
  year: () => 'expected a year from 1900 to 2199.',
  day: () => 'expected a day that there is, such as 2026-01-08.',
  hour: () => 'expected an hour such as 18:15.',
  'kind-and-id': () => 'expected a kind and an id, such as people/p1.',
  'book-format': () =>
    'expected "ojas-book/1": this is no Ojas backup of a kind this version reads.',
  'shelf-format': () =>
    'expected "ojas-shelf/1" or a backup: this is not a shelf of a kind this version reads.',
  'lesson-format': () =>
    'expected "ojas-lesson/1": this is not a lesson of a kind this version reads.',
  'no-such-pose': () => 'no pose is called that.',
};

/** What is wrong in a file, with what to do about it. */
export const enFaults: FaultWords = {
  ...asked,
  'no-utf8': () =>
    'these bytes are no UTF-8, so letters would be lost: save the backup again, or save the file as UTF-8.',
  'no-json': () =>
    'this is not whole JSON: the file is broken off or is not one of Ojas. Export it again, or choose another file.',
  'broken-off': () => 'it is broken off.',
  cut: () => 'the file is broken off or was changed: export it again.',
  'no-field': () => 'a field of the records was expected here.',
  'too-long': ({ letters }) => `longer than ${letters} letters.`,
  'too-deep': ({ levels }) =>
    `nested deeper than ${levels} levels: no record needs that. Take this field out.`,
  'own-name': () => 'a field is called __proto__, which no field may be: take it out.',
  more: ({ many: more }) =>
    `${more} more faults are not listed: mend these first, then check again.`,
  twice: ({ id }) => `${id} stands twice; every id may stand once.`,
  'no-person': ({ person }) => `there is no person ${person} in these records.`,
  'field-name': ({ name }) =>
    `it has a field called “${name}”, a name under which nothing can be kept: rename the field, or take it out.`,
  'after-today': ({ day, today }) =>
    `${day} is after today, ${today}: it is kept, and counts from that day on.`,
  'repeats-unread': ({ repeats }) =>
    `“${repeats}” repeats in a way that is not read here: it is kept, and falls on its first day alone.`,
  'unknown-aside': ({ name }) =>
    `“${name}” is not known to this version: the record lies aside as it came, and is left out of everything.`,
  'unknown-beside': ({ name }) =>
    `“${name}” is not known to this version: it is kept, and the usual one serves meanwhile.`,
  'other-id': ({ id }) => `another than that of its place, ${id}.`,
  reading: ({ refused }) => readingWords(refused),
  kind: ({ expected, stands }) =>
    `expected ${expected === null ? 'something here' : kindWords[expected]}; ${stands === 'nothing' ? 'it is missing' : `${kindWords[stands]} stands there`}.`,
  'too-big': ({ most, of }) => `at most ${many(most, of)}.`,
  'too-small': ({ least, of }) => `at least ${many(least, of)}.`,
  'not-one-of': ({ values }) =>
    values.length === 1 ? `expected ${values[0]}.` : `expected one of ${named(values)}.`,
  'begins-otherwise': () => 'it does not begin as it should.',
  'written-otherwise': () => 'it is not written as it should be.',
  'unknown-fields': ({ names }) => `nothing here is called ${named(names)}.`,
  'unknown-name': () => 'this name is not one that is known here.',
  'no-multiple': ({ of }) => `expected a multiple of ${of}.`,
  unreadable: () => 'this cannot be read here.',
  'no-columns': ({ columns }) =>
    `columns are missing: ${columns.join(', ')}. The first row names them; a table that was saved here shows how.`,
  'no-student': ({ name }) =>
    name === ''
      ? 'no student is named.'
      : `no student is called ${name}: add them first, or write the name as it is here.`,
  'two-students': ({ name }) =>
    `more than one student is called ${name}: give one of them another name here first.`,
  'day-to-come': ({ day }) => `${day} is still to come: mend the day.`,
  'no-value': () => 'no value stands here.',
  cell: ({ is, text }) =>
    text === ''
      ? `a ${cellWords[is]} is missing.`
      : `“${text}” is no ${cellWords[is]} that is known here.`,
};

const cellWords = {
  range: 'range',
  pose: 'pose',
  slot: 'support',
  day: 'day',
  number: 'number',
} as const;

/** What is said of one record alone, and of no file. */
const ofRecord: readonly FileFaultCode[] = ['broken-off', 'too-long'];
/** Where in a file: its line, its field, or all of it. */
export const enFaultPlace = ({ path, line, says }: Fault): string =>
  line !== undefined
    ? `line ${line}${path === '' ? '' : `, ${path}`}`
    : path || (ofRecord.includes(says.code) ? 'the record' : 'the file');
