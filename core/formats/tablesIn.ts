import { methodIds, type MethodId } from '../protocols/protocols';
import { poses } from '../poses/poses';
import { rangeIds, ranges, type RangeId } from '../ranges/ranges';
import { slotIds } from '../slots';
import {
  feltPlaces,
  readingSchema,
  sessionPoseSchema,
  settledSchema,
  stopWords,
  type Book,
  type Reading,
  type Session,
  type SessionPose,
  type Settled,
} from './book';
import { groupedBy } from '../grouped';
import type { z } from '../z';
import type { Fact } from './facts';
import { faultsIn, inCodes, type Fault, type FileFault } from './faults';
import { readingRefused } from './readingRefused';
import type { TableId } from './tables';
import { dayOf, isDay, type LocalDay } from './time';

/** Rows as a file has them, its head first. */
export type Rows = readonly (readonly string[])[];

/** In which order a day is written where its year stands last. */
const dayOrders = ['day-first', 'month-first'] as const;
export type DayOrder = (typeof dayOrders)[number];

/** What else must be known to read a table. */
export interface TableAsked {
  readonly order: DayOrder;
  /** How it was measured, where the table does not say. */
  readonly method: MethodId;
  readonly today: LocalDay;
  /** Names of ranges as a teacher reads them, beside those of the format. */
  readonly rangeNames: Readonly<Record<RangeId, string>>;
  /** A name for a record that is new. */
  readonly freshId: (kind: string) => string;
}

/** What a table would bring. */
export interface TableIn {
  readonly kind: TableId;
  /** Whether it does not say how it was measured. */
  readonly asksMethod: boolean;
  readonly facts: readonly Fact[];
  /** Lines that bring something. */
  readonly fresh: number;
  /** Lines that say what is here already. */
  readonly known: number;
  /** By row, as a spreadsheet counts them, and the head of the column. */
  readonly faults: readonly Fault[];
}

/** Letters and digits alone: how a word is spelled decides nothing. */
const plain = (text: string) =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '');

const columns = {
  student: ['student', 'name', 'person', 'client', 'who'],
  day: ['day', 'date', 'on', 'when'],
  range: ['range', 'measure', 'measurement', 'test', 'joint'],
  side: ['side', 'leg'],
  method: ['method', 'how', 'tool'],
  protocol: ['protocol', 'way'],
  warm: ['warm', 'warmedup'],
  seatCm: ['seatcm', 'seat', 'seatheight', 'seatheightcm'],
  note: ['note', 'notes', 'comment', 'comments', 'remark'],
  pose: ['pose', 'asana', 'posture'],
  poseSide: ['poseside'],
  planned: ['planneds', 'planned', 'plannedseconds'],
  held: ['helds', 'held', 'heldseconds', 'seconds'],
  strength: ['strength', 'intensity'],
  place: ['place', 'felt', 'feltwhere'],
  spot: ['spot'],
  pelvis: ['pelvis'],
  breath: ['breath'],
  stop: ['stop'],
  nextDay: ['nextday'],
  slot: ['slot', 'support'],
  part: ['part'],
  height: ['heightcm', 'height', 'cm'],
  pieces: ['pieces', 'props'],
} as const;
type Column = keyof typeof columns;

/** Where each column stands; values may stand in several. */
interface Head {
  readonly at: ReadonlyMap<Column, number>;
  readonly values: readonly number[];
  readonly names: readonly string[];
}

const VALUE = /^(value|reading|angle|degrees|deg|result)s?\d*(deg|cm)?$/;

function headOf(names: readonly string[]): Head {
  const words = names.map(plain);
  const at = new Map<Column, number>();
  for (const [column, spellings] of Object.entries(columns)) {
    const found = words.findIndex((word) => (spellings as readonly string[]).includes(word));
    if (found >= 0) at.set(column as Column, found);
  }
  return { at, values: words.flatMap((word, i) => (VALUE.test(word) ? [i] : [])), names };
}

/** What a table is of, by its columns; null where it is none of ours. */
function kindOf({ at, values }: Head): TableId | null {
  if (at.has('range') && values.length > 0) return 'readings';
  if (at.has('pose') && at.has('slot') && at.has('height')) return 'heights';
  return at.has('pose') ? 'poses' : null;
}

/** A cell without what was put before it so that a spreadsheet would not run it. */
const asWritten = (cell: string) => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

const YEAR_FIRST = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})(?:[T ].*)?$/;
const YEAR_LAST = /^(\d{1,2})([-./ ])(\d{1,2})\2(\d{4})(?: .*)?$/;

function dayFrom(year: string, month: string, day: string): LocalDay | null {
  const written = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isDay(written) && written >= '1900' && written < '2200' ? written : null;
}

/** A day as it is written; with points the day stands before the month everywhere. */
export function dayIn(text: string, order: DayOrder): LocalDay | null {
  const [, year, month, day] = YEAR_FIRST.exec(text.trim()) ?? [];
  if (year && month && day) return dayFrom(year, month, day);
  const [, first, mark, second, last] = YEAR_LAST.exec(text.trim()) ?? [];
  if (!first || !second || !last) return null;
  return order === 'day-first' || mark === '.'
    ? dayFrom(last, second, first)
    : dayFrom(last, first, second);
}

/** Orders in which as many days of a table can be read as in any: two where it has to be asked. */
export function ordersIn([names = [], ...rows]: Rows): readonly DayOrder[] {
  const column = headOf(names).at.get('day');
  const cells = column === undefined ? [] : rows.map((row) => row[column] ?? '');
  const both = cells.map((cell) => dayOrders.map((order) => dayIn(cell, order)));
  if (both.every(([a, b]) => a === b)) return ['day-first'];
  const read = dayOrders.map((_, i) => both.filter((one) => one[i] !== null).length);
  const most = Math.max(...read);
  return dayOrders.filter((_, i) => read[i] === most);
}

const NUMBER = /^([-−]?\d+)(?:[.,](\d+))?\s*(?:°|deg|degrees|cm|s)?$/i;
const numberIn = (text: string): number | null => {
  const [, whole, rest = '0'] = NUMBER.exec(text.trim()) ?? [];
  return whole === undefined ? null : Number(`${whole.replace('−', '-')}.${rest}`);
};

/** Other words for a range than its own. */
const alsoCalled: Readonly<Record<string, RangeId>> = {
  hamstrings: 'hamstring',
  hamstringlength: 'hamstring',
  straightlegraise: 'hamstring',
  pelvictilt: 'pelvicTilt.longSit',
  longsit: 'pelvicTilt.longSit',
  kneeflexion: 'kneeFlexion.prone',
  kneebend: 'kneeFlexion.prone',
  externalrotation: 'hipRotation',
  hipexternalrotation: 'hipRotation',
  abduction: 'hipSpread',
  hipabduction: 'hipSpread',
  dorsiflexion: 'ankleBend',
  plantarflexion: 'anklePoint',
  shoulderflexion: 'armReach',
};

class CellFault extends Error {
  constructor(
    readonly column: string,
    readonly says: FileFault,
  ) {
    super();
  }
}

/** One line of a table, read cell by cell: what cannot be read is thrown, with its column. */
class Line {
  constructor(
    private readonly head: Head,
    private readonly cells: readonly string[],
  ) {}

  text(column: Column): string {
    const at = this.head.at.get(column);
    return at === undefined ? '' : asWritten((this.cells[at] ?? '').trim());
  }
  cellAt(at: number): string {
    return (this.cells[at] ?? '').trim();
  }
  refuse(column: string, says: FileFault): never {
    throw new CellFault(column, says);
  }
  number(column: Column): number | undefined {
    const text = this.text(column);
    return text === '' ? undefined : this.asNumber(column, text);
  }
  asNumber(column: Column | 'value', text: string): number {
    return numberIn(text) ?? this.refuse(column, { code: 'cell', is: 'number', text });
  }
  values(): number[] {
    const written = this.head.values.map((at) => this.cellAt(at)).filter((cell) => cell !== '');
    if (written.length === 0) this.refuse('value', { code: 'no-value' });
    return written.map((cell) => this.asNumber('value', cell));
  }
  oneOf<T extends string>(column: Column, known: readonly T[]): T | undefined {
    const text = this.text(column);
    if (text === '') return undefined;
    const found = known.find((one) => plain(one) === plain(text));
    return found ?? this.refuse(column, { code: 'not-one-of', values: [...known] });
  }
  side(column: Column): Reading['side'] {
    const text = plain(this.text(column));
    const sides = { left: 'left', l: 'left', right: 'right', r: 'right', both: 'both' } as const;
    if (text === '') return 'both';
    return Object.hasOwn(sides, text)
      ? sides[text as keyof typeof sides]
      : this.refuse(column, { code: 'not-one-of', values: ['left', 'right', 'both'] });
  }
  named<T>(column: Column, is: 'range' | 'pose' | 'slot', find: (word: string) => T | undefined) {
    const text = this.text(column);
    return find(plain(text)) ?? this.refuse(column, { code: 'cell', is, text });
  }
}

/** What every line of a table leans on. */
interface Reader {
  readonly book: Book;
  readonly asked: TableAsked;
  readonly people: ReadonlyMap<string, readonly string[]>;
  readonly rangeOf: (word: string) => RangeId | undefined;
}

function readerOf(book: Book, asked: TableAsked): Reader {
  const people = new Map<string, string[]>();
  for (const { id, name } of book.people) {
    const word = name.trim().toLowerCase();
    people.set(word, [...(people.get(word) ?? []), id]);
  }
  const words = new Map<string, RangeId>(Object.entries(alsoCalled));
  for (const id of rangeIds) words.set(plain(asked.rangeNames[id]), id).set(plain(id), id);
  return { book, asked, people, rangeOf: (word) => words.get(word) };
}

function whoAndWhen(line: Line, { people, asked }: Reader) {
  const name = line.text('student');
  const [person, another] = people.get(name.toLowerCase()) ?? [];
  if (person === undefined) return line.refuse('student', { code: 'no-student', name });
  if (another !== undefined) return line.refuse('student', { code: 'two-students', name });
  const text = line.text('day');
  const at = dayIn(text, asked.order);
  if (at === null) return line.refuse('day', { code: 'cell', is: 'day', text });
  if (at > asked.today) return line.refuse('day', { code: 'day-to-come', day: at });
  return { person, at };
}

const isYes = (text: string) => ['yes', 'y', 'true', '1', 'warm'].includes(plain(text));

function readingIn(line: Line, reader: Reader): Omit<Reading, 'id'> {
  const range = line.named('range', 'range', reader.rangeOf);
  const seatCm = line.number('seatCm');
  const protocol = line.text('protocol');
  const of = {
    ...whoAndWhen(line, reader),
    range,
    side: ranges[range].sided ? line.side('side') : ('both' as const),
    method: line.oneOf('method', methodIds) ?? reader.asked.method,
    ...(protocol === '' ? {} : { protocol }),
    values: line.values(),
    warm: isYes(line.text('warm')),
    ...(seatCm === undefined ? {} : { seatCm }),
    note: line.text('note'),
  };
  const [refused] = readingRefused(of);
  return refused ? line.refuse('value', { code: 'reading', refused }) : of;
}

const poseWords = new Map(
  poses.flatMap(({ id, name }) => [[plain(name), id] as const, [plain(id), id] as const]),
);
const poseIn = (line: Line) => line.named('pose', 'pose', (word) => poseWords.get(word));

const without = <T extends object>(of: T): T =>
  Object.fromEntries(
    Object.entries(of).filter(([, value]) => value !== undefined && value !== ''),
  ) as T;

const sessionPoseIn = (line: Line): SessionPose =>
  without({
    pose: poseIn(line),
    side: line.side('side'),
    settled: [],
    plannedSeconds: line.number('planned'),
    heldSeconds: line.number('held') ?? 0,
    feeling: without({
      strength: line.number('strength'),
      place: line.oneOf('place', feltPlaces),
      spot: line.text('spot'),
    }),
    pelvis: line.oneOf('pelvis', ['rolled', 'upright', 'arched'] as const),
    breath: line.oneOf('breath', ['easy', 'held'] as const),
    stop: line.oneOf('stop', stopWords),
    nextDay: line.oneOf('nextDay', ['better', 'same', 'worse'] as const),
    note: line.text('note'),
    faults: [],
  });

const PIECE = /^(\d+) × (.*), ([^,]*)$/;
/** Pieces by their names; none where one of them is not on any shelf here. */
function piecesIn(text: string, { shelf, people }: Book): Settled['pieces'] {
  if (text === '') return [];
  const items = [...shelf, ...people.flatMap(({ home }) => home)];
  const read = text.split('; ').map((one) => {
    const [, count, name, state] = PIECE.exec(one) ?? [];
    const item = items.find((it) => it.name === name && it.states.some(({ id }) => id === state));
    return item && state ? { item: item.id, state, count: Number(count) } : null;
  });
  return read.every((one) => one !== null) ? read : [];
}

const settledIn = (line: Line, { book }: Reader): Settled =>
  without({
    slot: line.named('slot', 'slot', (word) => slotIds.find((id) => plain(id) === word)),
    part: line.oneOf('part', ['low', 'high'] as const),
    side: line.side('side'),
    heightCm: line.number('height') ?? line.refuse('height', { code: 'no-value' }),
    pieces: piecesIn(line.text('pieces'), book),
  });

/** What was read so far, and how much of it was here. */
interface Gathered {
  readonly facts: Map<string, Fact>;
  fresh: number;
  known: number;
}

type Take = (line: Line, reader: Reader, into: Gathered) => void;

/** A reading in words: two that say the same are one. */
const wordOf = (one: Omit<Reading, 'id'>) =>
  [
    one.person,
    dayOf(one.at),
    one.range,
    one.side,
    one.method,
    one.protocol,
    one.seatCm,
    ...one.values,
  ].join('/');

function takesReadings({ book, asked: { freshId } }: Reader): Take {
  const there = new Set(book.readings.map(wordOf));
  return (line, reader, into) => {
    const of = readingIn(line, reader);
    const word = wordOf(of);
    if (there.has(word)) into.known += 1;
    else {
      there.add(word);
      const record = checked(line, readingSchema, { id: freshId('r'), ...of });
      into.facts.set(record.id, { kind: 'readings', id: record.id, record });
      into.fresh += 1;
    }
  };
}

/** Checks what was put together of a line, as everything is checked that is stored. */
function checked<T>(line: Line, schema: z.ZodType<T>, of: T): T {
  const parsed = schema.safeParse(of, inCodes);
  const [fault] = parsed.success ? [] : faultsIn(parsed.error, of);
  return fault ? line.refuse(fault.path, fault.says) : of;
}

/** Sessions by student and day, those of the table with those that are there. */
function sessionsOf({ book, asked: { freshId } }: Reader, into: Gathered) {
  const byDay = new Map<string, readonly Session[]>(
    groupedBy(book.sessions, ({ person, at }) => `${person}/${dayOf(at)}`),
  );
  return {
    /** The session of that day in which a pose was done, else one that it may be added to. */
    on: ({ person, at }: Pick<Session, 'person' | 'at'>, has: (pose: SessionPose) => boolean) => {
      const there = byDay.get(`${person}/${at}`) ?? [];
      const session = there.find(({ poses: done }) => done.some(has)) ?? there[0];
      return session ?? { id: freshId('s'), person, at, poses: [] };
    },
    keep: (session: Session) => {
      const key = `${session.person}/${dayOf(session.at)}`;
      const others = (byDay.get(key) ?? []).filter(({ id }) => id !== session.id);
      byDay.set(key, [session, ...others]);
      into.facts.set(session.id, { kind: 'sessions', id: session.id, record: session });
      into.fresh += 1;
    },
  };
}

type WhichPose = Pick<SessionPose, 'pose' | 'side'>;
const isOf =
  ({ pose, side }: WhichPose) =>
  (one: WhichPose) =>
    one.pose === pose && one.side === side;

function takesPoses(reader: Reader, into: Gathered): Take {
  const { on, keep } = sessionsOf(reader, into);
  return (line) => {
    const when = whoAndWhen(line, reader);
    const pose = checked(line, sessionPoseSchema, sessionPoseIn(line));
    const session = on(when, isOf(pose));
    if (session.poses.some(isOf(pose))) into.known += 1;
    else keep({ ...session, poses: [...session.poses, pose] });
  };
}

const samePlace = (a: Settled, b: Settled) =>
  a.slot === b.slot && a.part === b.part && a.side === b.side;

function takesHeights(reader: Reader, into: Gathered): Take {
  const { on, keep } = sessionsOf(reader, into);
  return (line) => {
    const when = whoAndWhen(line, reader);
    const which = { pose: poseIn(line), side: line.side('poseSide') };
    const settled = checked(line, settledSchema, settledIn(line, reader));
    const session = on(when, isOf(which));
    const done = session.poses.find(isOf(which));
    if (done?.settled.some((one) => samePlace(one, settled))) into.known += 1;
    else {
      const before = done ?? { ...which, settled: [], heldSeconds: 0, feeling: {}, faults: [] };
      const after = { ...before, settled: [...before.settled, settled] };
      const all = done
        ? session.poses.map((one) => (one === done ? after : one))
        : [...session.poses, after];
      keep({ ...session, poses: all });
    }
  };
}

const takers = { readings: takesReadings, poses: takesPoses, heights: takesHeights } as const;

/** What is needed of each table beside student and day. */
const needs: Readonly<Record<TableId, readonly Column[]>> = {
  readings: ['student', 'day', 'range'],
  poses: ['student', 'day', 'pose'],
  heights: ['student', 'day', 'pose', 'slot', 'height'],
};

/**
 * What a table would bring to a book: nothing that is here already, and nothing of a line that cannot be read.
 *
 * @param rows as the file has them, its head first.
 */
export function tableIn(
  [names = [], ...rows]: Rows,
  book: Book,
  asked: TableAsked,
): TableIn | Fault {
  const head = headOf(names);
  const kind = kindOf(head);
  const missing = (kind ? needs[kind] : needs.readings).filter((one) => !head.at.has(one));
  if (kind === null || missing.length > 0)
    return {
      path: '',
      says: { code: 'no-columns', columns: missing.length > 0 ? missing : ['value'] },
    };
  const reader = readerOf(book, asked);
  const into: Gathered = { facts: new Map(), fresh: 0, known: 0 };
  const take = takers[kind](reader, into);
  const faults: Fault[] = [];
  rows.forEach((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    try {
      take(new Line(head, cells), reader, into);
    } catch (fault) {
      if (!(fault instanceof CellFault)) throw fault;
      const at = fault.column === 'value' ? head.values[0] : head.at.get(fault.column as Column);
      const column = at === undefined ? fault.column : head.names[at];
      faults.push({ path: `row ${i + 2}, ${column}`, says: fault.says });
    }
  });
  const asksMethod = kind === 'readings' && !head.at.has('method');
  return {
    kind,
    asksMethod,
    facts: [...into.facts.values()],
    fresh: into.fresh,
    known: into.known,
    faults,
  };
}
