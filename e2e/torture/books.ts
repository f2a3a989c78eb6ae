import { readFileSync } from 'node:fs';
import { bookParts, factsOfBook } from '@/core/formats/bookText';
import { parseBook, parseBookFile } from '@/core/formats/check';
import type { Book } from '@/core/formats/book';
import { factKinds } from '@/core/formats/facts';
import { planSchema } from '@/core/formats/plan';
import { sameValue } from '@/core/formats/sameValue';
import { planStudent } from '@/core/plan/plan';
import { commonestPoses } from '@/core/poses/poses';
import { cautions } from '@/core/safety/cautions';
import { chanceFrom, seedOf, type Chance } from '@/core/sim/chance';
import { occurrencesBetween } from '@/features/visits/occurrences';
import { bookOf, editFields } from '@/store/facts';
import { allFromBook, mergeBook, mergeChange, nothingChosen } from '@/store/merge';
import { selectRecord, selectShelf } from '@/store/selectors';
import { noSpare, type Mark } from '@/store/spare';
import {
  bringBack,
  commit,
  createStore,
  factsOf,
  keepAside,
  openStorage,
  type RootState,
} from '@/store/store';
import { Memory } from '@/store/tests/memory';
import { breakBytes, mutate } from './mutate';
import { wordsIn } from '@/ui/words/words';

const MOST_TEXTS = 200;
const TODAY = '2026-04-01';
const POSES = [...commonestPoses, 'pigeon', 'squat', 'child'];

/** A small whole book: three people of the sample with a few of their records. */
function smallBook(): Book {
  const whole = JSON.parse(readFileSync('demo/kingfisher-boathouse.json', 'utf8')) as Book;
  const people = whole.people.slice(0, 3);
  const few = <T extends { person: string }>(records: readonly T[], most: number) =>
    people.flatMap(({ id }) => records.filter(({ person }) => person === id).slice(0, most));
  return {
    ...whole,
    people,
    readings: few(whole.readings, 6),
    sessions: few(whole.sessions, 3),
    visits: few(whole.visits, 2),
    settings: { units: 'in', theme: 'dark' },
  };
}

/** Questions at intake by the name that the screen gives them. */
export const questions = cautions.map(({ id }) => ({ id, name: wordsIn('cm').caution(id).name }));

export interface Tally {
  /** Pairs of devices that changed the same book, and lost books that were brought back. */
  pairs: number;
  broughtBack: number;
  books: number;
  taken: number;
  refused: number;
  records: number;
  lost: string[];
  hung: string[];
  crash: string[];
  /** Some of the books that were taken in, for looking at on screen. */
  texts: string[];
}

async function opened(memory: Memory) {
  const store = createStore(memory);
  await store.dispatch(openStorage());
  return { store, state: () => store.getState() as RootState };
}

/** A week that takes longer than this hangs a screen. */
const SLOW_MS = 2000;

/** Whether a text that lay aside is a record by now. */
function isAdmitted(written: string, state: RootState): boolean {
  const { key } = JSON.parse(written) as { key: string };
  const [kind = '', ...id] = key.split('/');
  return Object.hasOwn(state, kind) && Object.hasOwn(state[kind as 'people'], id.join('/'));
}

/** Texts to lie aside, two of one key among them, with fields that nobody knows. */
const someAside = ({ uniform }: Chance) =>
  Array.from({ length: 1 + Math.floor(uniform() * 4) }, (_, i) => ({
    key: ['people/p-x', 'people/p-x', 'widgets/w', 'readings/toString'][i % 4],
    text: ['{"id":"p-x"', '{"id":"p-y","name":"Y"}', '{}', '[]'][i % 4],
    ...(uniform() < 0.5 ? { foundBy: 'another version' } : {}),
  }));

type Device = Awaited<ReturnType<typeof opened>>;
const bookFrom = ({ state }: Device): Book =>
  JSON.parse(JSON.stringify(bookOf(factsOf(state())))) as Book;
const takeIn = (on: Device, from: Device, mark: string) =>
  on.store.dispatch(
    commit(mergeChange(mergeBook(bookFrom(from), factsOf(on.state())), nothingChosen, mark)),
  );

/**
 * Two devices change one book, each in its own way, and take in each other's: nothing that one alone changed is lost.
 */
async function tryTwoDevices(book: Book, seed: number, tally: Tally, name: string): Promise<void> {
  const { uniform } = chanceFrom(seed);
  const devices = [await opened(new Memory()), await opened(new Memory())] as const;
  const [one, other] = devices;
  await one.store.dispatch(
    commit(mergeChange(mergeBook(book, factsOf(one.state())), nothingChosen, 'm')),
  );
  await takeIn(other, one, 'm0');
  const fields = ['name', 'note', 'statureCm'] as const;
  const last = new Map<string, unknown[]>();
  for (let i = 0; i < 12; i++) {
    const at = Math.floor(uniform() * 2);
    const device = devices[at] as Device;
    const people = Object.values(device.state().people);
    const person = people[Math.floor(uniform() * people.length)];
    const field = fields[Math.floor(uniform() * fields.length)] as (typeof fields)[number];
    if (!person) continue;
    const value = field === 'statureCm' ? 140 + i : `${field} ${i}`;
    await device.store.dispatch(
      commit({
        words: 'x',
        put: [],
        edit: [editFields('people', person, { ...person, [field]: value })],
        remove: [],
      }),
    );
    const key = `${person.id} ${field}`;
    const by = last.get(key) ?? [undefined, undefined];
    by[at] = value;
    last.set(key, by);
  }
  await takeIn(one, other, 'm1');
  await takeIn(other, one, 'm2');
  for (const [key, by] of last) {
    const [id = '', field = ''] = key.split(' ');
    for (const [i, device] of devices.entries()) {
      const is = (device.state().people[id] as unknown as Record<string, unknown>)[field];
      // What both changed stays as it is on each until it is chosen.
      const wanted =
        by.filter((value) => value !== undefined).length === 2 ? by[i] : (by[0] ?? by[1]);
      if (is !== wanted) tally.lost.push(`${name}: ${key} is ${String(is)}, not ${String(wanted)}`);
    }
  }
  tally.pairs += 1;
}

/** A lost book is brought back onto a storage that is full at some write: whole, or still there to be brought back. */
async function tryBringingBack(
  book: Book,
  seed: number,
  tally: Tally,
  name: string,
): Promise<void> {
  const { uniform } = chanceFrom(seed);
  const memory = new Memory();
  let mark: Mark = { people: book.people.length, readings: 1, sessions: 0, at: '2026-01-01' };
  const spare = { ...noSpare, mark: () => mark, setMark: (next: Mark) => void (mark = next) };
  const store = createStore(memory, { spare });
  await store.dispatch(openStorage());
  memory.writesLeft = Math.floor(uniform() * 80);
  const outcome = await store.dispatch(bringBack(factsOfBook(book), book.setAside ?? []));
  const again = createStore(memory.again(), { spare });
  await again.dispatch(openStorage());
  const { storage, people } = again.getState() as RootState;
  const isWhole = storage.status === 'open' && Object.keys(people).length === book.people.length;
  if (outcome.ok ? !isWhole : storage.status !== 'lost' && !isWhole)
    tally.lost.push(`${name}: brought back ${outcome.ok}, then ${storage.status}`);
  tally.broughtBack += 1;
}

/** What one file does, from its bytes to plans and back to a file. */
async function tryBook(bytes: Uint8Array, tally: Tally, name: string): Promise<void> {
  const parsed = parseBookFile(bytes, TODAY);
  if (!parsed.ok) {
    tally.refused += 1;
    if (
      parsed.faults.length === 0 ||
      parsed.faults
        .map(wordsIn('cm').fault)
        .some(({ path, words }) => path === '' || words === '' || /invalid input|zod/i.test(words))
    )
      tally.crash.push(
        `${name}: refused without words of ours: ${JSON.stringify(parsed.faults.slice(0, 2))}`,
      );
    return;
  }
  tally.taken += 1;
  if (tally.texts.length < MOST_TEXTS) tally.texts.push(new TextDecoder().decode(bytes));
  const memory = new Memory();
  const { store, state } = await opened(memory);
  const merge = mergeBook(parsed.value, factsOf(state()));
  const outcome = await store.dispatch(commit(mergeChange(merge, allFromBook(merge), `m${name}`)));
  if (!outcome.ok)
    return void tally.lost.push(`${name}: read, and then not stored: ${outcome.words}`);
  await store.dispatch(keepAside(merge.setAside));
  const again = await opened(memory.again());
  if (!sameValue(factsOf(again.state()), factsOf(state())))
    tally.lost.push(`${name}: other facts after a restart`);
  const out = bookParts(
    bookOf(
      factsOf(again.state()),
      again.state().storage.setAside.map(({ of }) => of),
    ),
  ).join('');
  const back = parseBook(out, TODAY);
  if (!back.ok)
    tally.lost.push(
      `${name}: what was exported is refused: ${JSON.stringify(back.faults.slice(0, 2))}`,
    );
  else
    for (const kind of ['people', 'readings', 'sessions', 'shelf', 'classes'] as const)
      if (back.value[kind].length !== parsed.value[kind].length)
        tally.lost.push(`${name}: ${kind} lost on the way round`);
  if (back.ok) {
    const texts = (aside: Book['setAside']) =>
      (aside ?? []).map((one) => JSON.stringify(one)).sort();
    const missing = texts(parsed.value.setAside).filter(
      (one) => !texts(back.value.setAside).includes(one) && !isAdmitted(one, again.state()),
    );
    if (missing.length > 0) tally.lost.push(`${name}: of what was set aside: ${missing[0]}`);
  }
  const then = performance.now();
  const { visits, classes } = again.state();
  occurrencesBetween([...Object.values(visits), ...Object.values(classes)], TODAY, '2026-04-07');
  if (performance.now() - then > SLOW_MS) tally.hung.push(`${name}: its week takes too long`);
  for (const { id } of Object.values(again.state().people)) {
    const record = selectRecord(again.state(), id);
    if (record)
      planSchema.parse(planStudent(record, selectShelf(again.state()), TODAY, { poses: POSES }));
  }
}

/** Records spoiled where they lie: the good ones are there, and each bad text is still somewhere. */
async function trySpoiled(book: Book, seed: number, tally: Tally, name: string): Promise<void> {
  const chance = chanceFrom(seed);
  const memory = new Memory();
  const { store, state } = await opened(memory);
  await store.dispatch(commit(mergeChange(mergeBook(book, factsOf(state())), nothingChosen, 'm')));
  const records = [...memory.entries].filter(([key]) =>
    factKinds.some((kind) => key.startsWith(`ojas/1/${kind}/`)),
  );
  for (let i = 0; i < 4; i++) {
    const [key, text] = records[Math.floor(chance.uniform() * records.length)] as [string, string];
    const json = JSON.parse(text) as unknown;
    mutate(json, chance);
    const spoiled =
      chance.uniform() < 0.3
        ? text.slice(0, Math.floor(chance.uniform() * text.length))
        : JSON.stringify(json);
    memory.entries.set(key, spoiled);
  }
  if (chance.uniform() < 0.2) memory.entries.set('ojas/1/ahead', '{"put":');
  if (chance.uniform() < 0.2) memory.entries.set('ojas/1/acts', '[]');
  const spoiled = new Map(
    [...memory.entries].filter(([key]) => records.some(([one]) => one === key)),
  );
  const again = await opened(memory);
  tally.records += spoiled.size;
  if (again.state().storage.status !== 'open')
    return void tally.crash.push(`${name}: does not open: ${again.state().storage.fault}`);
  const aside = again.state().storage.setAside.map(({ of }) => of);
  for (const [key, text] of spoiled) {
    const short = key.slice('ojas/1/'.length);
    const [kind, ...id] = short.split('/');
    const record = again.state()[kind as 'people'][id.join('/')];
    if (record === undefined && !aside.some((one) => one.key === short && one.text === text))
      tally.lost.push(`${name}: ${short} is neither here nor set aside`);
  }
  const out = parseBook(bookParts(bookOf(factsOf(again.state()), aside)).join(''), TODAY);
  if (!out.ok)
    tally.lost.push(
      `${name}: what was exported is refused: ${JSON.stringify(out.faults.slice(0, 2))}`,
    );
  for (const { id } of Object.values(again.state().people)) {
    const record = selectRecord(again.state(), id);
    if (record) planStudent(record, selectShelf(again.state()), TODAY, { poses: POSES });
  }
}

/** Mutated books, and records spoiled in storage; `seed` tells the same story again. */
export async function tortureBooks(
  count: number,
  seed: number,
  say: (words: string) => void = () => undefined,
): Promise<Tally> {
  const tally: Tally = {
    pairs: 0,
    broughtBack: 0,
    books: 0,
    taken: 0,
    refused: 0,
    records: 0,
    lost: [],
    hung: [],
    crash: [],
    texts: [],
  };
  const book = smallBook();
  const guarded = async (name: string, work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      tally.crash.push(
        `${name}: ${error instanceof Error ? `${error.message} ${error.stack?.split('\n')[1] ?? ''}` : String(error)}`,
      );
    }
  };
  for (let i = 0; i < count; i++) {
    const chance = chanceFrom(seedOf(seed, i));
    const json = structuredClone(book) as unknown;
    if (chance.uniform() < 0.2) (json as Book).setAside = someAside(chance) as Book['setAside'];
    for (let n = 0; n <= Math.floor(chance.uniform() * 2.4); n++) mutate(json, chance);
    const bytes = new TextEncoder().encode(JSON.stringify(json));
    tally.books += 1;
    await guarded(`book ${i}`, () =>
      tryBook(chance.uniform() < 0.15 ? breakBytes(bytes, chance) : bytes, tally, `book ${i}`),
    );
    if (i % 500 === 499) say(`  ${i + 1} books`);
    if (i % 10 === 0)
      await guarded(`records ${i}`, () =>
        trySpoiled(book, seedOf(seed, i, 7), tally, `records ${i}`),
      );
    if (i % 10 === 5) {
      await guarded(`pair ${i}`, () => tryTwoDevices(book, seedOf(seed, i, 8), tally, `pair ${i}`));
      await guarded(`bringing back ${i}`, () =>
        tryBringingBack(book, seedOf(seed, i, 9), tally, `bringing back ${i}`),
      );
    }
  }
  // A book of which none is taken in was spoiled before it was mutated: then nothing was tried.
  if (tally.books > 20 && tally.taken === 0) tally.crash.push('no book at all was taken in');
  return tally;
}
