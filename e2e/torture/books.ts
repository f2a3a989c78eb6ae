import { readFileSync } from 'node:fs';
import { bookParts } from '@/core/formats/bookText';
import { parseBook, parseBookFile } from '@/core/formats/check';
import type { Book } from '@/core/formats/book';
import { factKinds } from '@/core/formats/facts';
import { planSchema } from '@/core/formats/plan';
import { sameValue } from '@/core/formats/sameValue';
import { planStudent } from '@/core/plan/plan';
import { commonestPoses } from '@/core/poses/poses';
import { cautions } from '@/core/safety/cautions';
import { chanceFrom, seedOf } from '@/core/sim/chance';
import { bookOf } from '@/store/facts';
import { allFromBook, mergeBook, mergeChange, nothingChosen } from '@/store/merge';
import { selectRecord, selectShelf } from '@/store/selectors';
import {
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
    settings: { units: 'in', theme: 'dark' },
  };
}

/** Questions at intake by the name that the screen gives them. */
export const questions = cautions.map(({ id }) => ({ id, name: wordsIn('cm').caution(id).name }));

export interface Tally {
  books: number;
  taken: number;
  refused: number;
  records: number;
  lost: string[];
  crash: string[];
  /** Some of the books that were taken in, for looking at on screen. */
  texts: string[];
}

async function opened(memory: Memory) {
  const store = createStore(memory);
  await store.dispatch(openStorage());
  return { store, state: () => store.getState() as RootState };
}

/** What one file does, from its bytes to plans and back to a file. */
async function tryBook(bytes: Uint8Array, tally: Tally, name: string): Promise<void> {
  const parsed = parseBookFile(bytes, TODAY);
  if (!parsed.ok) {
    tally.refused += 1;
    if (
      parsed.faults.length === 0 ||
      parsed.faults.some(
        ({ path, words }) => path === '' || words === '' || /invalid input|zod/i.test(words),
      )
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
    books: 0,
    taken: 0,
    refused: 0,
    records: 0,
    lost: [],
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
  }
  return tally;
}
