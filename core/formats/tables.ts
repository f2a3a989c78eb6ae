import { poseName } from '../poses/poses';
import type { Book, SessionPose } from './book';
import { dayOf } from './time';

/** What of a book is laid out as a table. */
export const tableIds = ['readings', 'poses', 'heights'] as const;
export type TableId = (typeof tableIds)[number];

export type Cell = string | number;
export interface Table {
  readonly head: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
}

/**
 * Readings, a line for each: values as they were read, in the unit of their protocol. No answers on health stand in any
 * table.
 */
function readingsOf({ readings }: Book, nameOf: (person: string) => string): Table {
  const most = Math.max(0, ...readings.map(({ values }) => values.length));
  const numbered = Array.from({ length: most }, (_, i) => `value ${i + 1}`);
  return {
    head: [
      'student',
      'day',
      'range',
      'side',
      'method',
      'protocol',
      ...numbered,
      'warm',
      'seat cm',
      'note',
    ],
    rows: readings.map(
      ({ person, at, range, side, method, protocol, values, warm, seatCm, note }) => [
        nameOf(person),
        dayOf(at),
        range,
        side,
        method,
        protocol ?? '',
        ...numbered.map((_, i) => values[i] ?? ''),
        warm ? 'yes' : 'no',
        seatCm ?? '',
        note,
      ],
    ),
  };
}

type OnePose = (person: string, day: string, of: SessionPose) => readonly (readonly Cell[])[];
const eachPose = ({ sessions }: Book, nameOf: (person: string) => string, rows: OnePose) =>
  sessions.flatMap(({ person, at, poses }) =>
    poses.flatMap((pose) => rows(nameOf(person), dayOf(at), pose)),
  );

/** What was practised, a line for each pose: how long, and what was felt and seen. */
const posesOf = (book: Book, nameOf: (person: string) => string): Table => ({
  head: [
    'student',
    'day',
    'pose',
    'side',
    'planned s',
    'held s',
    'strength',
    'place',
    'spot',
    'pelvis',
    'breath',
    'stop',
    'next day',
    'note',
  ],
  rows: eachPose(book, nameOf, (student, day, one) => [
    [
      student,
      day,
      poseName(one.pose),
      one.side,
      one.plannedSeconds ?? '',
      one.heldSeconds,
      one.feeling.strength ?? '',
      one.feeling.place ?? '',
      one.feeling.spot ?? '',
      one.pelvis ?? '',
      one.breath ?? '',
      one.stop ?? '',
      one.nextDay ?? '',
      one.note ?? '',
    ],
  ]),
});

/** What was settled on, a line for each support: its height in centimetres, and its pieces from the floor up. */
function heightsOf(book: Book, nameOf: (person: string) => string): Table {
  const names = new Map(
    [...book.shelf, ...book.people.flatMap(({ home }) => home)].map(({ id, name }) => [id, name]),
  );
  return {
    head: ['student', 'day', 'pose', 'pose side', 'slot', 'part', 'side', 'height cm', 'pieces'],
    rows: eachPose(book, nameOf, (student, day, one) =>
      one.settled.map(({ slot, part, side, heightCm, pieces }) => [
        student,
        day,
        poseName(one.pose),
        one.side,
        slot,
        part ?? '',
        side,
        heightCm,
        pieces
          .map(({ item, state, count }) => `${count} × ${names.get(item) ?? item}, ${state}`)
          .join('; '),
      ]),
    ),
  };
}

const made = { readings: readingsOf, poses: posesOf, heights: heightsOf } as const;

/** One table of a book, each in the order in which it was noted. */
export function tableOf(book: Book, id: TableId): Table {
  const names = new Map(book.people.map((one) => [one.id, one.name]));
  return made[id](book, (person) => names.get(person) ?? person);
}
