import type { Book } from './book';
import { checkBook, checkShape, MOST_FAULTS, notesOn, type Parsed } from './check';
import { bookLists, personOf, type BookList, type Fact } from './facts';
import type { Fault, FileFault } from './faults';
import { readingRefused } from './readingRefused';
import type { LocalDay } from './time';

const isList = (field: string): field is BookList =>
  (bookLists as readonly string[]).includes(field);

/** Records checked at a time: few enough to hold, many enough to be quick. */
const AT_ONCE = 500;

/** Some records of one kind, whole and in sense. */
export interface BookPart {
  readonly field: BookList;
  readonly records: Book[BookList];
}

const EMPTY = { format: 'ojas-book/1', people: [], readings: [], shelf: [], sessions: [] };
const CUT: FileFault = { code: 'cut' };

interface Gathered {
  readonly record: unknown;
  readonly line: number;
}

/**
 * Reads a book as it is exported, a line for each record, some lines at a time, so that no more of it than these is
 * held. It is fed the text as it comes; `end` gives everything else of the book, or all that is wrong with it, by its
 * line. A file of another layout is told by `isOther` after the first line: that one is read whole.
 */
export class BookLines {
  isOther = false;
  private readonly faults: Fault[] = [];
  private readonly notes: Fault[] = [];
  private readonly aside: NonNullable<Book['setAside']>[number][] = [];
  private readonly seen = Object.fromEntries(
    bookLists.map((field) => [field, new Set<string>()]),
  ) as Record<BookList, Set<string>>;
  /** Whose records there are, with the first line of each. */
  private readonly owners = new Map<string, number>();
  private readonly rest: Record<string, unknown> = {};
  private left = '';
  private line = 0;
  /** The list that the lines are in. */
  private field: string | null = null;
  private gathered: Gathered[] = [];

  /**
   * @param today The calendar day here.
   * @param take Is given the records part by part; worthless where `end` gives faults.
   */
  constructor(
    private readonly today: LocalDay,
    private readonly take: (part: BookPart) => void,
  ) {}

  /** Whether so much is wrong that reading on tells nothing new. */
  get isHopeless(): boolean {
    return this.faults.length > MOST_FAULTS;
  }

  feed(text: string): void {
    const lines = (this.left + text).split('\n');
    this.left = lines.pop() ?? '';
    for (const one of lines) this.oneLine(one);
  }

  /** Everything of the book but the records that were handed on; or all that is wrong. */
  end(): Parsed<Book> {
    if (this.left !== '') this.oneLine(this.left);
    if (this.field !== null) this.fault(this.line, CUT);
    for (const [person, line] of this.owners)
      if (!this.seen.people.has(person)) this.fault(line, { code: 'no-person', person });
    if (this.faults.length > 0) return { ok: false, faults: this.faults.slice(0, MOST_FAULTS) };
    // Lists on one line, as an empty one is written, are read with the rest.
    const checked = checkBook({ ...EMPTY, ...this.rest }, this.today);
    if (!checked.ok) return checked;
    const setAside = [...(checked.value.setAside ?? []), ...this.aside];
    return {
      ok: true,
      value: { ...checked.value, ...(setAside.length > 0 ? { setAside } : {}) },
      notes: [...this.notes, ...checked.notes].slice(0, MOST_FAULTS),
    };
  }

  private fault(line: number, says: FileFault): void {
    this.faults.push({ path: '', line, says });
  }

  /** A value written on the line, which may go on with a comma; null, and a fault, where it is none. */
  private json(text: string): { readonly value: unknown } | null {
    try {
      return { value: JSON.parse(text.replace(/,$/, '')) as unknown };
    } catch {
      this.fault(this.line, CUT);
      return null;
    }
  }

  private oneLine(raw: string): void {
    this.line += 1;
    const text = raw.replace(/\r$/, '').replace(/^\uFEFF/, '');
    if (this.line === 1) this.isOther = text !== '{';
    if (this.line === 1 || this.isOther || text === '' || text === '}') return;
    if (this.field === null) return this.fieldLine(text);
    if (text === ']' || text === '],') {
      this.flush(this.field);
      this.field = null;
      return;
    }
    const read = this.json(text);
    if (read) this.gathered.push({ record: read.value, line: this.line });
    if (this.gathered.length >= AT_ONCE) this.flush(this.field);
  }

  /** A line that begins a list, or is a whole field. */
  private fieldLine(text: string): void {
    const [, quoted, value] = /^("(?:[^"\\]|\\.)*"):(.*)$/.exec(text) ?? [];
    const name = quoted === undefined ? null : this.json(quoted);
    if (!name || value === undefined) return this.fault(this.line, { code: 'no-field' });
    if (value === '[') this.field = String(name.value);
    else {
      const read = this.json(value);
      if (read) this.rest[String(name.value)] = read.value;
    }
  }

  /** Checks what was gathered, and hands it on. */
  private flush(field: string): void {
    const { gathered } = this;
    this.gathered = [];
    if (gathered.length === 0) return;
    const records = gathered.map(({ record }) => record);
    if (!isList(field)) {
      this.rest[field] = [...((this.rest[field] as unknown[] | undefined) ?? []), ...records];
      return;
    }
    const lined = (fault: Fault): Fault => {
      const [whole, i] = /^\w+\[(\d+)\]\.?/.exec(fault.path) ?? [];
      const line = i === undefined ? undefined : gathered[Number(i)]?.line;
      return whole === undefined || line === undefined
        ? fault
        : { ...fault, line, path: fault.path.slice(whole.length) };
    };
    const shaped = checkShape({ ...EMPTY, [field]: records });
    if (!shaped.ok) {
      this.faults.push(...shaped.faults.map(lined));
      return;
    }
    this.aside.push(...(shaped.value.setAside ?? []));
    this.notes.push(...[...shaped.notes, ...notesOn(shaped.value, this.today)].map(lined));
    this.inSense(field, shaped.value, gathered);
    this.take({ field, records: shaped.value[field] });
  }

  /** Notes what only shows when records are looked at together. */
  private inSense(field: BookList, { [field]: records, readings }: Book, gathered: Gathered[]) {
    const lines = new Map(
      gathered.map(({ record, line }) => [(record as { id?: unknown } | null)?.id, line]),
    );
    const lineOf = (id: string) => lines.get(id) ?? 0;
    for (const record of records) {
      const { id } = record;
      if (this.seen[field].has(id)) this.fault(lineOf(id), { code: 'twice', id });
      this.seen[field].add(id);
      const person = personOf({ kind: field, record } as Fact);
      if (person !== null && !this.owners.has(person)) this.owners.set(person, lineOf(id));
    }
    for (const reading of readings)
      for (const refused of readingRefused(reading))
        this.fault(lineOf(reading.id), { code: 'reading', refused });
  }
}
