import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { Plan } from '@/core/formats/plan';
import fc from 'fast-check';
import { bookOf } from '@/core/formats/bookText';
import { bookSchema } from '@/core/formats/book';
import { changedParts, mergedRecord, partsOf } from '@/core/formats/edits';
import { noFacts } from '@/core/formats/facts';
import { keptOf, mayReplace } from '@/workers/stored/secondCopy';
import { samplePerson, sampleReading, sampleSession } from '@/core/tests/samples';
import { edit, editFields, put, type Change } from './facts';
import { inOrder } from './locks';
import {
  daySaid,
  heldSeconds,
  matReducer,
  sessionIdOf,
  type Mat,
  holdPaused,
  holdStarted,
  matStarted,
  poseDone,
  rungMoved,
  type LeftMat,
} from './mat';
import { entryChanged, picturesChanged, rangeOpened, type PictureToKeep } from './measuring';
import { allFromBook, differences, mergeBook, mergeChange, nothingChosen } from './merge';
import { selectDay } from './selectors';
import { selectPlan } from './reckoned';
import { noSpare, type Mark, type Spare } from './spare';
import {
  beginAnew,
  bringBack,
  commit,
  createStore,
  eraseEverything,
  factsOf,
  forgetRemoved,
  forgetSetAside,
  layLeftMatAside,
  lookInto,
  keepAside,
  openStorage,
  secondCopy,
  takeLeftMat,
  undo,
  type RootState,
  type StoreOptions,
} from './store';
import { Memory } from './tests/memory';
import { Vault } from './vault';

const two: Change = {
  words: 'Two at once',
  put: [put('people', samplePerson()), put('readings', sampleReading())],
  remove: [],
};
const opened = async (memory = new Memory(), options: StoreOptions = {}) => {
  const store = createStore(memory, options);
  await store.dispatch(openStorage());
  return { store, memory, state: () => store.getState() as RootState };
};
const person = (id: string, more = {}): Change => ({
  words: `${id} added`,
  put: [put('people', samplePerson({ id, ...more }))],
  remove: [],
});
const gone = (id: string): Change => ({
  words: `${id} removed`,
  put: [],
  remove: [{ kind: 'people', id }],
});

describe('what is written', () => {
  test('is there after a restart', async () => {
    const { store, memory } = await opened();
    expect(await store.dispatch(commit(two))).toEqual({ ok: true });
    const again = await opened(memory);
    expect(again.state().people.p1?.name).toBe('Wren Sample');
    expect(again.state().readings.r1?.values).toEqual([130, 130]);
  });

  test('is whole or absent after a crash at any write', async () => {
    for (let writes = 0; writes < 12; writes++) {
      const { store, memory } = await opened();
      await store.dispatch(
        commit({
          words: 'Before',
          put: [put('people', samplePerson({ name: 'Before' }))],
          remove: [],
        }),
      );
      memory.writesLeft = writes;
      const vault = new Vault(memory);
      await vault.apply({
        ...two,
        put: [put('people', samplePerson({ name: 'After' })), put('readings', sampleReading())],
      });
      const { people, readings } = (await opened(memory.again())).state();
      expect([people.p1?.name, Object.keys(readings).length]).toEqual(
        people.p1?.name === 'After' ? ['After', 1] : ['Before', 0],
      );
    }
  });

  test.each([
    [
      'a day that is none',
      put(
        'people',
        samplePerson({
          cautions: [
            { id: 'hip-replacement', answer: 'yes', at: '2026-01-05', goAheadAt: '2026-02-30' },
          ],
        }),
      ),
      /cautions\[0\]\.goAheadAt: expected a date/,
    ],
    [
      'ten values',
      put('readings', sampleReading({ values: Array.from({ length: 10 }, () => 130) })),
      /Values: at most 9 values/,
    ],
    [
      'a note of 4,001 letters',
      put('readings', sampleReading({ note: 'x'.repeat(4001) })),
      /Note: at most 4000 letters/,
    ],
    [
      'a hold of two and a half hours',
      put('sessions', sampleSession('2026-01-15', { heldSeconds: 9000 })),
      /poses\[0\]\.heldSeconds: at most 7200/,
    ],
    [
      'a value that no body shows',
      put('readings', sampleReading({ values: [1300] })),
      /Values: 1300° is outside/,
    ],
    [
      'a field nested 2,000 deep',
      put('people', {
        ...samplePerson(),
        ...(JSON.parse(`{"deep":${'['.repeat(2000)}${']'.repeat(2000)}}`) as object),
      }),
      /nested deeper than 32 levels/,
    ],
    [
      'a reading of nobody',
      put('readings', sampleReading({ person: 'p9' })),
      /the student to whom this belongs was removed/,
    ],
  ])('is refused where it could not be read back: %s', async (_, fact, words) => {
    const { store, state, memory } = await opened();
    await store.dispatch(commit(person('p1')));
    const before = [...memory.entries];
    expect(await store.dispatch(commit({ words: 'x', put: [fact], remove: [] }))).toEqual({
      ok: false,
      words: expect.stringMatching(words),
    });
    expect([...memory.entries]).toEqual(before);
    expect(state().storage.fault).toMatch(words);
  });

  test('a full storage says so, and the screen goes on showing what is stored', async () => {
    const { store, state, memory } = await opened();
    memory.writesLeft = 0;
    expect(await store.dispatch(commit(two))).toMatchObject({
      ok: false,
      words: expect.stringContaining('storage is full'),
    });
    expect(state().people).toEqual({});
    expect(state().storage.fault).toMatch('storage is full');
  });

  test('is changed where it stands, what is a student’s too', async () => {
    const { store, state } = await opened();
    await store.dispatch(commit(two));
    expect(
      await store.dispatch(
        commit({
          words: 'put right',
          put: [],
          edit: [
            editFields('readings', sampleReading(), sampleReading({ values: [126], seatCm: 4 })),
          ],
          remove: [],
        }),
      ),
    ).toEqual({ ok: true });
    const changes = () => changedParts(sampleReading(), state().readings.r1 ?? {});
    expect(state().readings.r1).toMatchObject({ values: [126], seatCm: 4 });
    await store.dispatch(undo());
    expect(changes()).toEqual([]);
  });

  test('written twice, it is written once', async () => {
    const { store, state } = await opened();
    await Promise.all([store.dispatch(commit(two)), store.dispatch(commit(two))]);
    expect(state().undo.heads).toHaveLength(1);
  });
});

describe('very many records', () => {
  const many = (count: number, watch?: Change['watch']): Change => ({
    words: 'Book imported',
    put: [
      ...Array.from({ length: count }, (_, i) =>
        put('readings', sampleReading({ id: `r${i}`, person: 'p9' })),
      ),
      put('people', samplePerson({ id: 'p9' })),
      put('people', samplePerson({ name: 'Merged' })),
    ],
    remove: [],
    isMerged: true,
    ...(watch ? { watch } : {}),
  });
  const names = ({ state }: { state: () => RootState }) => [
    state().people.p1?.name,
    Object.keys(state().people).length,
  ];
  const settled = async (memory: Memory) => {
    const again = await opened(memory.again());
    for (let i = 0; i < 200 && again.state().storage.left > 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 10));
    return again;
  };

  test('come in parts, told how far, all of them, and can be taken back', async () => {
    const { store, memory, state } = await opened();
    await store.dispatch(commit(person('p1')));
    const told = jest.fn();
    const stop = new AbortController().signal;
    expect(await store.dispatch(commit(many(5000, { told, stop })))).toEqual({ ok: true });
    const parts = Array.from({ length: 26 }, (_, i) => 200 * i);
    expect(told.mock.calls.map(([done]) => done as number)).toEqual(parts);
    const again = await settled(memory);
    expect([names(again), Object.keys(again.state().readings).length]).toEqual([
      ['Merged', 2],
      5000,
    ]);
    await store.dispatch(undo());
    expect([names({ state }), Object.keys(state().readings).length]).toEqual([
      ['Wren Sample', 1],
      0,
    ]);
  });

  test('stopped, nothing of them is left', async () => {
    const { store, memory } = await opened();
    await store.dispatch(commit(person('p1')));
    const before = [...memory.entries];
    const stop = new AbortController();
    const told = (done: number) => done === 4000 && stop.abort();
    expect(await store.dispatch(commit(many(5000, { told, stop: stop.signal })))).toEqual({
      ok: false,
      words: 'Stopped: nothing was taken in.',
    });
    expect([...memory.entries].sort()).toEqual(before.sort());
  });

  test('cut off or out of space at any write, they are all there or none', async () => {
    for (const writes of [0, 1, 700, 2001, 2003, 4400, 5003, 5004, 5006, 5009, 9000]) {
      const { store, memory } = await opened();
      await store.dispatch(commit(person('p1')));
      memory.writesLeft = writes;
      const outcome = await store.dispatch(commit(many(5000)));
      const again = await settled(memory);
      const count = Object.keys(again.state().readings).length;
      expect([writes, ...names(again), count]).toEqual(
        count > 0 ? [writes, 'Merged', 2, 5000] : [writes, 'Wren Sample', 1, 0],
      );
      expect([writes, outcome.ok]).toEqual([writes, count > 0]);
    }
  });
});

describe('opening', () => {
  test('is tried again, and a storage that cannot be reached is not an empty one', async () => {
    const memory = new Memory();
    await (await opened(memory)).store.dispatch(commit(two));
    memory.failingReads = 2;
    expect(Object.keys((await opened(memory)).state().people)).toEqual(['p1']);
    memory.failingReads = 3;
    const { store, state } = await opened(memory);
    expect(state().storage).toMatchObject({
      status: 'unreachable',
      fault: expect.stringContaining('cannot be reached (The operation is insecure)'),
    });
    expect(await store.dispatch(commit(person('p2')))).toMatchObject({
      ok: false,
      words: expect.stringContaining('nothing can be begun'),
    });
    await store.dispatch(openStorage());
    expect(Object.keys(state().people)).toEqual(['p1']);
  });

  test('a storage that never answers is told after a while, and a book may be looked into meanwhile, of which nothing is stored', async () => {
    jest.useFakeTimers();
    try {
      const memory = new Memory();
      let answer = () => undefined as void;
      memory.getAllKeys = () => new Promise((resolve) => (answer = () => resolve([])));
      const store = createStore(memory);
      const state = () => store.getState() as RootState;
      const book = bookSchema.parse({ ...bookOf(noFacts), people: [samplePerson()] });
      void store.dispatch(openStorage());
      await jest.advanceTimersByTimeAsync(2900);
      expect(state().storage).toMatchObject({ status: 'opening', waits: null });
      await jest.advanceTimersByTimeAsync(200);
      expect(state().storage.waits).toBe('long');
      await jest.advanceTimersByTimeAsync(7000);
      expect(state().storage).toMatchObject({ status: 'opening', waits: 'too-long' });
      expect(await store.dispatch(commit(person('p2')))).toMatchObject({ ok: false });
      store.dispatch(lookInto(book));
      expect([state().storage.status, Object.keys(state().people)]).toEqual(['looking', ['p1']]);
      expect(await store.dispatch(commit(person('p2')))).toMatchObject({
        ok: false,
        words: expect.stringContaining('only looked at'),
      });
      answer();
      await jest.advanceTimersByTimeAsync(100);
      expect([state().storage.status, Object.keys(state().people)]).toEqual(['looking', ['p1']]);
      expect(state().storage.fault).toMatch('The storage answers again');
      expect([...memory.entries]).toEqual([]);
    } finally {
      jest.useRealTimers();
    }
  });

  test('a record that cannot be read is set aside with its reason, what is its student’s with it, and the rest is there', async () => {
    const { store, memory } = await opened();
    await store.dispatch(commit(two));
    await store.dispatch(
      commit({
        words: 'another',
        put: [
          put('people', samplePerson({ id: 'p2' })),
          put('readings', sampleReading({ id: 'r2', person: 'p2' })),
        ],
        remove: [],
      }),
    );
    memory.entries.set('ojas/1/people/p2', '{"id":"p2"');
    memory.entries.set(
      'ojas/1/readings/r3',
      JSON.stringify({ ...sampleReading({ id: 'r3' }), values: [] }),
    );
    memory.entries.set('ojas/1/widgets/w', '{}');
    const again = await opened(memory);
    expect(Object.keys(again.state().people)).toEqual(['p1']);
    expect(
      again
        .state()
        .storage.setAside.map(({ of, words }) => `${of.key} ${words}`)
        .sort(),
    ).toEqual([
      'people/p2 the record: it is broken off.',
      expect.stringMatching(/^readings\/r2 The student to whom it belongs is not here/),
      expect.stringMatching(/^readings\/r3 values: at least one value/),
      expect.stringMatching(/^widgets\/w This version knows no record/),
    ]);
    // A good copy of the student comes in: theirs is taken in again, and nothing good is ever forgotten.
    await again.store.dispatch(commit(person('p2')));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(again.state().readings.r2?.person).toBe('p2');
    for (const one of again.state().storage.setAside)
      await again.store.dispatch(forgetSetAside(one));
    expect(again.state().storage.setAside).toEqual([]);
    const last = (await opened(memory)).state();
    expect([
      Object.keys(last.people).sort(),
      Object.keys(last.readings).sort(),
      last.storage.setAside,
    ]).toEqual([['p1', 'p2'], ['r1', 'r2'], []]);
  });

  test('what was set aside never comes back over a good record, read yet or not', async () => {
    for (const many of [1, 4200]) {
      const memory = new Memory();
      memory.entries.set('ojas/1/people/p1', JSON.stringify(samplePerson()));
      for (let i = 0; i < many; i++)
        memory.entries.set(`ojas/1/readings/r${i}`, JSON.stringify(sampleReading({ id: `r${i}` })));
      const old = JSON.stringify(sampleReading({ id: 'r0', values: [99] }));
      memory.entries.set('ojas/1/aside/1/readings/r0', old);
      memory.entries.set(
        'ojas/1/aside/1/readings/back',
        JSON.stringify(sampleReading({ id: 'back' })),
      );
      const { state } = await opened(memory);
      expect(memory.entries.get('ojas/1/readings/r0')).toMatch('[130,130]');
      expect(state().storage.setAside.map(({ of }) => of.text)).toEqual([old]);
      expect(state().readings.back?.id).toBe('back');
    }
  });

  test('a write-ahead that is broken is set aside like any other', async () => {
    const memory = new Memory();
    memory.entries.set('ojas/1/ahead', '{"put":{"a');
    const { state } = await opened(memory);
    expect(state().storage.setAside.map(({ of, words }) => `${of.key}: ${words}`)).toEqual([
      'ahead: A change was cut off while it was being written, and never began.',
    ]);
    expect(memory.entries.has('ojas/1/ahead')).toBe(false);
  });

  test('a book that the browser threw away is told from one that is empty', async () => {
    let mark: Mark | null = null;
    const spare: Spare = { ...noSpare, mark: () => mark, setMark: (next) => void (mark = next) };
    const { store } = await opened(new Memory(), { spare });
    expect(await store.dispatch(commit(two))).toEqual({ ok: true });
    expect(mark).toMatchObject({ people: 1, readings: 1 });
    const lost = await opened(new Memory(), { spare });
    expect(lost.state().storage).toMatchObject({
      status: 'lost',
      lost: { people: 1, readings: 1, sessions: 0 },
    });
    expect(await lost.store.dispatch(commit(two))).toMatchObject({ ok: false });
    await store.dispatch(commit(gone('p1')));
    expect((await opened(new Memory(), { spare })).state().storage.status).toBe('open');
  });

  test('until the second copy that is brought back can be read again from storage, the book counts as lost', async () => {
    let mark: Mark | null = { people: 1, readings: 1, sessions: 0, at: '2026-01-01' };
    const spare: Spare = { ...noSpare, mark: () => mark, setMark: (next) => void (mark = next) };
    const memory = new Memory();
    const { store, state } = await opened(memory, { spare });
    memory.writesLeft = 0;
    expect(await store.dispatch(bringBack(two.put, []))).toMatchObject({
      ok: false,
      words: expect.stringContaining('storage is full'),
    });
    expect([state().storage.status, mark.people]).toEqual(['lost', 1]);
    expect((await opened(memory.again(), { spare })).state().storage.status).toBe('lost');
    memory.writesLeft = Infinity;
    expect(await store.dispatch(bringBack(two.put, []))).toEqual({ ok: true });
    expect([state().storage.status, Object.keys(state().readings)]).toEqual(['open', ['r1']]);
    expect((await opened(memory.again(), { spare })).state().people.p1?.name).toBe('Wren Sample');
  });

  test('an empty app with a second copy and no mark offers it; begun anew on purpose, it opens', async () => {
    let mark: Mark | null = null;
    const kept = {
      lineage: 'x',
      at: '2026-01-01',
      people: 2,
      readings: 9,
      sessions: 4,
      records: 20,
    };
    const spare: Spare = {
      ...noSpare,
      mark: () => mark,
      setMark: (next) => void (mark = next),
      kept: async () => kept,
    };
    const { store, state, memory } = await opened(new Memory(), { spare });
    expect(state().storage).toMatchObject({ status: 'lost', lost: { people: 2 } });
    await store.dispatch(beginAnew());
    expect(state().storage.status).toBe('open');
    expect((await opened(memory, { spare })).state().storage.status).toBe('open');
    expect(await store.dispatch(secondCopy())).toEqual({ ...kept, isOfThisBook: false });
  });

  test('a copy gives way to a newer one of its own book, and to one of another only where that holds as much', () => {
    const copy = (lineage: string, records: number) => ({
      ...keptOf(bookOf(noFacts), lineage, '2026-01-01'),
      records,
    });
    expect(mayReplace(null, copy('a', 0))).toBe(true);
    expect(mayReplace(copy('a', 90), copy('a', 40))).toBe(true);
    expect(mayReplace(copy('a', 90), copy('b', 40))).toBe(false);
    expect(mayReplace(copy('', 90), copy('b', 90))).toBe(true);
  });

  test('a record under another id than its own is set aside and stays there; no export holds an id twice', async () => {
    const memory = new Memory();
    await (await opened(memory)).store.dispatch(commit(two));
    const twin = memory.entries.get('ojas/1/people/p1') as string;
    memory.entries.set('ojas/1/people/p-zzz', twin);
    memory.entries.set('ojas/1/aside/7/people/p-yyy', twin);
    for (let start = 0; start < 4; start++) {
      const { state } = await opened(memory);
      expect(Object.keys(state().people)).toEqual(['p1']);
      const aside = state().storage.setAside;
      expect(aside.map(({ of, words }) => `${of.key}: ${words}`).sort()).toEqual([
        'people/p-yyy: id: another than that of its place, p-yyy.',
        'people/p-zzz: id: another than that of its place, p-zzz.',
      ]);
      const out = bookOf({
        ...factsOf(state()),
        people: { p1: samplePerson(), x: samplePerson() },
      });
      expect(out.people.map(({ id }) => id)).toEqual(['p1']);
      expect(bookSchema.safeParse(out).success).toBe(true);
    }
  });

  test('the records of many years come after the first screen, all of them', async () => {
    const memory = new Memory();
    const many = 4100;
    memory.entries.set('ojas/1/people/p1', JSON.stringify(samplePerson()));
    for (let i = 0; i < many; i++)
      memory.entries.set(
        `ojas/1/readings/r${i}`,
        JSON.stringify(sampleReading({ id: `r${i}`, person: i === 7 ? 'p9' : 'p1' })),
      );
    const { state } = await opened(memory);
    expect([state().storage.status, Object.keys(state().people)]).toEqual(['open', ['p1']]);
    for (let i = 0; i < 100 && state().storage.left > 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 20));
    expect(Object.keys(state().readings)).toHaveLength(many - 1);
    expect(state().storage.setAside.map(({ of }) => of.key)).toEqual(['readings/r7']);
  });
});

describe('undo', () => {
  test('takes back a removal, with everything that went', async () => {
    const { store, state, memory } = await opened();
    await store.dispatch(commit(two));
    await store.dispatch(commit(gone('p1')));
    expect([state().people, state().readings]).toEqual([{}, {}]);
    await store.dispatch(undo());
    expect(state().people.p1).toEqual(samplePerson());
    expect(state().readings.r1).toEqual(sampleReading());
    await store.dispatch(undo());
    expect(state().people).toEqual({});
    expect((await opened(memory)).state().readings).toEqual({});
  });

  test('goes on in order after a restart, twenty acts back at the least, and not for ever', async () => {
    const { store, memory } = await opened();
    await store.dispatch(commit(person('p1', { statureCm: 150 })));
    for (let i = 1; i <= 35; i++)
      await store.dispatch(
        commit({
          words: `${i}`,
          put: [],
          edit: [edit('people', 'p1', (now) => ({ ...now, statureCm: 150 + i }))],
          remove: [],
        }),
      );
    const again = await opened(memory);
    for (let i = 0; i < 20; i++) await again.store.dispatch(undo());
    expect(again.state().people.p1?.statureCm).toBe(165);
    for (let i = 0; i < 15; i++) await again.store.dispatch(undo());
    expect(again.state().people.p1?.statureCm).toBeGreaterThanOrEqual(155);
    const bodies = [...memory.entries.keys()].filter((key) => /act\/\d/.test(key));
    expect(bodies.length).toBeGreaterThan(0);
    expect(bodies.length).toBeLessThanOrEqual(30);
  });

  test('a change that only adds is one write, and nothing is written ahead of it', async () => {
    const { store, memory } = await opened();
    const setItem = jest.spyOn(memory, 'setItem');
    const setMany = jest.spyOn(memory, 'setMany');
    await store.dispatch(commit(person('p1')));
    expect([setItem.mock.calls.length, setMany.mock.calls.length]).toEqual([0, 1]);
    await store.dispatch(commit(gone('p1')));
    expect(setItem).toHaveBeenCalledWith('ojas/1/ahead', expect.any(String));
  });

  test('two in a hurry take back two', async () => {
    const { store, state } = await opened();
    for (const id of ['a', 'b', 'c']) await store.dispatch(commit(person(id)));
    await Promise.all([store.dispatch(undo()), store.dispatch(undo())]);
    expect(Object.keys(state().people)).toEqual(['a']);
  });

  test('a removed student can be brought back weeks and many acts later, and forgotten for good', async () => {
    const memory = new Memory();
    let now = '2026-03-01T10:00:00Z';
    const vault = new Vault(memory, inOrder(), () => now);
    await vault.open();
    await vault.apply(person('p1', { name: 'Una' }));
    const removal = await vault.apply(gone('p1'));
    const seq = removal.ok ? (removal.act?.seq as number) : 0;
    for (let i = 0; i < 40; i++)
      await vault.apply({
        words: 'x',
        put: [put('people', samplePerson({ id: 'p2', statureCm: 150 + i }))],
        remove: [],
      });
    now = '2026-03-29T10:00:00Z';
    expect(await vault.undo(seq)).toMatchObject({ ok: true });
    expect(memory.entries.get('ojas/1/people/p1')).toMatch('Una');
    const second = await vault.apply(gone('p1'));
    now = '2026-05-29T10:00:00Z';
    await vault.apply(person('p3'));
    expect(await vault.undo(second.ok ? second.act?.seq : 0)).toMatchObject({
      ok: true,
      diffs: expect.arrayContaining([expect.objectContaining({ kind: 'people', id: 'p1' })]),
    });
  });

  test('of a student who is forgotten for good no word is left in storage, in what was done last neither', async () => {
    let copies = 0;
    const spare: Spare = { ...noSpare, copy: async () => (copies += 1) > 0 };
    const { store, memory, state } = await opened(new Memory(), { spare });
    await store.dispatch(commit(person('p2', { name: 'Bram' })));
    await store.dispatch(commit(person('p1', { name: 'Una Quill' })));
    const reading = { person: 'p1', note: 'Una said so' };
    await store.dispatch(
      commit({
        words: 'Una Quill was read',
        put: [put('readings', sampleReading({ id: 'r', ...reading }))],
        remove: [],
      }),
    );
    await store.dispatch(commit(gone('p1')));
    await store.dispatch(commit(person('p3', { name: 'Nadia' })));
    const texts = () => [...memory.entries.values()].join('\n');
    expect(texts()).toContain('Una');
    const removal = state().undo.heads.find(({ removed }) => removed?.id === 'p1')!;
    await store.dispatch(forgetRemoved(removal.seq));
    expect(texts()).not.toContain('Una');
    expect(copies).toBe(1);
    // What was done to others is there to be taken back all the same.
    expect(state().undo.heads.map(({ words }) => words)).toEqual(['p2 added', 'p3 added']);
    await store.dispatch(undo());
    expect(Object.keys(state().people)).toEqual(['p2']);
  });

  test('erased, nothing is left, and a new start finds an empty app', async () => {
    let mark: Mark | null = null;
    const spare: Spare = {
      ...noSpare,
      mark: () => mark,
      setMark: (next) => void (mark = next),
      erase: async () => {
        mark = null;
        return true;
      },
    };
    const { store, memory } = await opened(new Memory(), { spare });
    await store.dispatch(commit(two));
    memory.entries.set('something/else', 'of an older version');
    expect(await store.dispatch(eraseEverything())).toMatchObject({ ok: true });
    expect([...memory.entries]).toEqual([]);
    const stays = { ...spare, erase: () => Promise.reject(new Error('in use')) };
    const other = await opened(new Memory(), { spare: stays });
    expect(await other.store.dispatch(eraseEverything())).toMatchObject({
      ok: false,
      words: expect.stringContaining('second copy could not be'),
    });
    const { state } = await opened(memory.again(), { spare });
    expect(state().storage.status).toBe('open');
    expect(state().people).toEqual({});
  });

  test('changes and their undos cancel out, whatever they are', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.tuple(
            fc.constantFrom('a', 'b', 'c'),
            fc.boolean(),
            fc.integer({ min: 150, max: 200 }),
          ),
          { minLength: 1, maxLength: 8 },
        ),
        async (moves) => {
          const { store, state } = await opened();
          for (const [id, removes, statureCm] of moves)
            await store.dispatch(commit(removes ? gone(id) : person(id, { statureCm })));
          for (const move of moves) {
            expect(move).toBeDefined();
            await store.dispatch(undo());
          }
          expect(state().people).toEqual({});
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('two tabs', () => {
  /** Two stores over one storage and one lock, as two windows are. */
  const both = async () => {
    const [memory, lock] = [new Memory(), inOrder()];
    const [a, b] = [await opened(memory, { lock }), await opened(memory, { lock })];
    await a.store.dispatch(commit(two));
    // Any write first learns what the other tab did.
    await b.store.dispatch(commit(person('p2')));
    return { a, b, memory };
  };

  test('agree, whatever each wrote', async () => {
    const { a, b } = await both();
    await a.store.dispatch(commit(person('p3')));
    await b.store.dispatch(commit(person('p4')));
    await a.store.dispatch(commit(person('p5')));
    await b.store.dispatch(commit(person('p6')));
    await a.store.dispatch(commit(person('p7')));
    await b.store.dispatch(commit(gone('p7')));
    expect(Object.keys(b.state().people).sort()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5', 'p6']);
    await a.store.dispatch(commit(gone('p6')));
    expect(Object.keys(a.state().people).sort()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5']);
  });

  test('a form left open puts no old field back, and a clash is told', async () => {
    const { a, b } = await both();
    const form = b.state().people.p1 ?? samplePerson();
    await a.store.dispatch(
      commit({
        words: 'taller',
        put: [],
        edit: [edit('people', 'p1', (now) => ({ ...now, statureCm: 181 }))],
        remove: [],
      }),
    );
    expect(
      await b.store.dispatch(
        commit({
          words: 'renamed',
          put: [],
          edit: [editFields('people', form, { ...form, name: 'Renamed' })],
          remove: [],
        }),
      ),
    ).toEqual({ ok: true });
    expect(b.state().people.p1).toMatchObject({ name: 'Renamed', statureCm: 181 });
    expect(
      await b.store.dispatch(
        commit({
          words: 'shorter',
          put: [],
          edit: [editFields('people', form, { ...form, statureCm: 160 })],
          remove: [],
        }),
      ),
    ).toEqual({
      ok: false,
      words:
        'Not saved: Height was changed elsewhere while this stood open, and says “181” now. Save again to put yours in its place.',
    });
  });

  test('undo takes back its own fields alone', async () => {
    const { a, b } = await both();
    await a.store.dispatch(
      commit({
        words: 'renamed',
        put: [],
        edit: [edit('people', 'p1', (now) => ({ ...now, name: 'Renamed' }))],
        remove: [],
      }),
    );
    const own = a.state().undo.offered?.seq;
    await b.store.dispatch(
      commit({
        words: 'taller',
        put: [],
        edit: [edit('people', 'p1', (now) => ({ ...now, statureCm: 181 }))],
        remove: [],
      }),
    );
    expect(await a.store.dispatch(undo(own))).toEqual({ ok: true });
    expect(a.state().people.p1).toMatchObject({ name: 'Wren Sample', statureCm: 181 });
    await a.store.dispatch(
      commit({
        words: 'shorter',
        put: [],
        edit: [edit('people', 'p1', (now) => ({ ...now, statureCm: 160 }))],
        remove: [],
      }),
    );
    const theirs = b.state().undo.offered?.seq;
    expect(await b.store.dispatch(undo(theirs))).toMatchObject({
      ok: false,
      words: 'Not undone: “shorter” came after it and changed the same. Undo that first.',
    });
  });

  test('a student removed in one leaves no orphan by the other', async () => {
    const { a, b, memory } = await both();
    await a.store.dispatch(
      commit({ words: 'read', put: [put('readings', sampleReading({ id: 'r9' }))], remove: [] }),
    );
    await b.store.dispatch(commit(gone('p1')));
    expect([...memory.entries.keys()].filter((key) => key.includes('/readings/'))).toEqual([]);
    expect(
      await a.store.dispatch(
        commit({ words: 'ended', put: [put('sessions', sampleSession('2026-01-15'))], remove: [] }),
      ),
    ).toMatchObject({ ok: false, words: expect.stringContaining('was removed') });
  });

  test('each has its own mat, and takes over what a closed one left', async () => {
    const [memory, lock] = [new Memory(), inOrder()];
    const alive = new Set(['one', 'two']);
    const tab = (name: string) => ({ lock, tab: async () => ({ name, alive: async () => alive }) });
    const one = await opened(memory, tab('one'));
    await one.store.dispatch(commit(two));
    one.store.dispatch(
      matStarted({ person: 'p1', poses: ['hero/both'], at: '2026-01-08T18:00:00Z' }),
    );
    await new Promise((resolve) => setTimeout(resolve, 20));
    const other = await opened(memory, tab('two'));
    expect([other.state().mat.now, other.state().storage.onOtherMats]).toEqual([null, ['p1']]);
    expect((await opened(memory, tab('one'))).state().mat.now?.person).toBe('p1');
    alive.delete('one');
    expect((await opened(memory, tab('two'))).state().mat.now?.person).toBe('p1');
  });

  test('all that closed windows left is offered in the next one, and each goes on or lies aside; what has ended is cleared away', async () => {
    const [memory, lock] = [new Memory(), inOrder()];
    const alive = new Set(['next', 'after']);
    const tab = (name: string) => ({ lock, tab: async () => ({ name, alive: async () => alive }) });
    const { store } = await opened(memory);
    for (const id of ['p1', 'p2', 'p3', 'p4']) await store.dispatch(commit(person(id)));
    const mat = (id: string, hour: number) =>
      matReducer(
        undefined,
        matStarted({ person: id, poses: ['hero/both'], at: `2026-01-08T${hour}:00:00Z` }),
      ).now as Mat;
    const ended = mat('p4', 9);
    await store.dispatch(
      commit({
        words: 'ended',
        put: [
          put('sessions', { ...sampleSession('2026-01-08'), id: sessionIdOf(ended), person: 'p4' }),
        ],
        remove: [],
      }),
    );
    const draft = (name: string, kept: unknown) =>
      memory.entries.set(`ojas/1/draft/${name}`, JSON.stringify(kept));
    draft('parked/old', {});
    draft('mat/older', ended);
    draft('mat/one', mat('p1', 10));
    draft('parked/one', { p2: mat('p2', 11), p3: mat('p3', 12) });
    draft('mat/two', mat('p1', 13));
    const next = await opened(memory, tab('next'));
    const offered = () =>
      next.state().mat.left.map((one) => `${one.mat.person} ${one.mat.startedAt.slice(11, 13)}`);
    expect(next.state().mat.now).toBe(null);
    expect(offered()).toEqual(['p1 10', 'p2 11', 'p3 12', 'p1 13']);
    const drafts = () =>
      [...memory.entries.keys()]
        .filter((key) => key.includes('/draft/'))
        .map((key) => key.slice(13));
    expect(drafts()).toEqual(['mat/one', 'parked/one', 'mat/two']);
    const after = await opened(memory, tab('after'));
    expect(after.state().mat.left).toHaveLength(4);
    for (const id of ['p2', 'p1']) {
      const left = next.state().mat.left.find((one) => one.mat.person === id) as LeftMat;
      expect(await next.store.dispatch(takeLeftMat(left))).toBe(true);
      // Another window that offers it too is told that it is gone.
      expect(await after.store.dispatch(takeLeftMat(left))).toBe(false);
    }
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect([next.state().mat.now?.person, Object.keys(next.state().mat.parked)]).toEqual([
      'p1',
      ['p2'],
    ]);
    await next.store.dispatch(layLeftMatAside(next.state().mat.left[1] as LeftMat));
    expect(offered()).toEqual(['p3 12']);
    expect(next.state().storage.setAside.map(({ of }) => of.key)).toEqual(['draft/mat']);
    const again = (await opened(memory, tab('next'))).state();
    expect([again.mat.now?.person, Object.keys(again.mat.parked), again.mat.left.length]).toEqual([
      'p1',
      ['p2'],
      1,
    ]);
  });
});

describe('the session under way', () => {
  const started = (person: string) =>
    matStarted({ person, poses: ['hero/both'], at: '2026-01-08T18:00:00Z' });

  test('of two students is kept in one go: what was written last is whole, and nobody lies on two mats', async () => {
    const { store, memory } = await opened();
    await store.dispatch(commit(two));
    const writes: string[][] = [];
    const setMany = memory.setMany;
    memory.setMany = (entries) => {
      writes.push(Object.keys(entries).filter((key) => key.includes('draft/')));
      return setMany(entries);
    };
    for (const person of ['p1', 'p2']) store.dispatch(started(person));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(writes.at(-1)).toEqual([
      expect.stringMatching(/mat\//),
      expect.stringMatching(/parked\//),
    ]);
    const { state } = await opened(memory.again());
    expect([state().mat.now?.person, Object.keys(state().mat.parked)]).toEqual(['p2', ['p1']]);

    // As an earlier page may have left it: the one who is led stands among the others, too.
    const torn = memory.again();
    const keyOf = (name: string) =>
      [...torn.entries.keys()].find((key) => key.includes(`draft/${name}/`)) as string;
    const led = JSON.parse(torn.entries.get(keyOf('mat')) as string);
    torn.entries.set(keyOf('parked'), JSON.stringify({ p2: led }));
    const mended = await opened(torn);
    expect([mended.state().mat.now?.person, mended.state().mat.parked]).toEqual(['p2', {}]);
  });

  test('survives a restart', async () => {
    const { store, memory } = await opened();
    store.dispatch(matStarted({ person: 'p1', poses: ['hero/both'], at: '2026-01-08T18:00:00Z' }));
    store.dispatch(holdStarted('2026-01-08T18:05:00Z'));
    store.dispatch(
      rungMoved({
        pose: 'hero/both',
        settled: [],
        slot: { slot: 'seat', side: 'both' },
        fromCm: 20,
        toCm: 22,
        atSeconds: 10,
      }),
    );
    await new Promise((resolve) => setTimeout(resolve, 20));
    const mat = (await opened(memory)).state().mat.now;
    expect(mat?.changes['hero/both']).toHaveLength(1);
    expect(mat && heldSeconds(mat, '2026-01-08T18:06:30Z')).toBe(90);
  });

  test('how a student comes today is still known, and not the next day', async () => {
    const { store, memory } = await opened();
    await store.dispatch(commit(two));
    store.dispatch(daySaid({ person: 'p1', on: '2026-01-08', day: 'tired' }));
    await new Promise((resolve) => setTimeout(resolve, 20));
    const { state } = await opened(memory);
    expect([
      selectDay(state(), 'p1', '2026-01-08'),
      selectDay(state(), 'p1', '2026-01-09'),
    ]).toEqual(['tired', 'usual']);
  });

  test('a picture ticked to be kept is still there, beside its value', async () => {
    const { store, memory } = await opened();
    const picture: PictureToKeep = {
      dataUrl: 'data:image/png;base64,AA',
      widthPx: 4,
      heightPx: 3,
      points: [[1, 2]],
    };
    store.dispatch(
      rangeOpened({
        person: 'p1',
        range: 'hamstring',
        side: 'left',
        protocol: 'straight-leg-raise.pelvis-watched',
      }),
    );
    store.dispatch(entryChanged({ values: [61, 60] }));
    store.dispatch(picturesChanged([null, picture]));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await opened(memory)).state().measuring).toMatchObject({
      now: { entry: { values: [61, 60] } },
      pictures: [null, picture],
    });
  });

  test('says at once when it cannot be kept', async () => {
    const { store, state, memory } = await opened();
    memory.writesLeft = 0;
    store.dispatch(matStarted({ person: 'p1', poses: ['hero/both'], at: '2026-01-08T18:00:00Z' }));
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(state().storage.fault).toMatch(
      /^What was just done on the mat cannot be kept: it would be gone after a reload\. Not saved: this browser’s storage is full/,
    );
  });

  test('a pause keeps the time held, and the next pose begins anew; said twice, a pose is done once', async () => {
    const { store, state } = await opened();
    store.dispatch(
      matStarted({ person: 'p1', poses: ['hero/both', 'staff/both'], at: '2026-01-08T18:00:00Z' }),
    );
    store.dispatch(holdStarted('2026-01-08T18:00:00Z'));
    store.dispatch(holdPaused('2026-01-08T18:00:40Z'));
    expect(heldSeconds(state().mat.now!, '2026-01-08T18:10:00Z')).toBe(40);
    const done = poseDone({
      pose: 'hero',
      side: 'both',
      settled: [],
      heldSeconds: 40,
      feeling: { strength: 3, place: 'muscle' },
      pelvis: 'upright',
      breath: 'easy',
      faults: [],
    });
    store.dispatch(done);
    store.dispatch(done);
    expect(state().mat.now).toMatchObject({ at: 1, step: 'build', heldSeconds: 0 });
    expect(state().mat.now?.done).toHaveLength(1);
  });
});

describe('a book', () => {
  test('taken in again changes nothing, and a differing record waits to be asked for, with its values', async () => {
    const { store, state } = await opened();
    await store.dispatch(commit(two));
    const book = bookOf(factsOf(state()));
    await store.dispatch(
      commit(mergeChange(mergeBook(book, factsOf(state())), nothingChosen, 'm')),
    );
    expect(mergeBook(book, factsOf(state()))).toMatchObject({ fresh: [], same: 3, conflicts: [] });
    const renamed = { ...book, people: book.people.map((one) => ({ ...one, name: 'Renamed' })) };
    const merge = mergeBook(renamed, factsOf(state()));
    expect(merge.conflicts.flatMap(({ clashing }) => clashing.map(differences))).toEqual([
      [{ field: 'Name', here: 'Wren Sample', there: 'Renamed' }],
    ]);
    expect(mergeChange(merge, nothingChosen, 'm').put).toEqual([]);
    expect(mergeChange(merge, allFromBook(merge), 'm').put).toMatchObject([
      { record: { name: 'Renamed' } },
    ]);
  });

  test('that differs tells every value that does, however deep it stands', () => {
    const here = samplePerson({
      cautions: [
        { id: 'hip-replacement', answer: 'no', at: '2026-01-05' },
        { id: 'sciatica', answer: 'no', at: '2026-01-05' },
      ],
    });
    const there = {
      ...here,
      bodyCm: { thigh: 42 },
      cautions: [{ id: 'hip-replacement', answer: 'yes' as const, at: '2026-01-05' }],
    };
    expect(mergedRecord(here, there).clashing.flatMap(differences)).toEqual([
      { field: 'Answers, hip-replacement, answer', here: 'no', there: 'yes' },
      {
        field: 'Answers, sciatica',
        here: 'answer no, date 2026-01-05',
        there: 'nothing',
      },
      { field: 'Lengths, thigh', here: 'nothing', there: '42' },
    ]);
  });

  describe('of two devices', () => {
    type Device = Awaited<ReturnType<typeof opened>>;
    const bookFrom = ({ state }: Device) =>
      bookSchema.parse(JSON.parse(JSON.stringify(bookOf(factsOf(state())))));
    const seen = (on: Device, from: Device) => mergeBook(bookFrom(from), factsOf(on.state()));
    const takeIn = (on: Device, from: Device, chosen = nothingChosen) =>
      on.store.dispatch(commit(mergeChange(seen(on, from), chosen, `m${Math.random()}`)));
    const changed = ({ store, state }: Device, id: string, to: object) =>
      store.dispatch(
        commit({
          words: 'x',
          put: [],
          edit: [editFields('people', state().people[id]!, { ...state().people[id]!, ...to })],
          remove: [],
        }),
      );
    const bare = ({ state }: Device) =>
      Object.fromEntries(
        Object.entries(state().people).map(([id, one]) => [id, Object.fromEntries(partsOf(one))]),
      );
    /** Two devices with the same eight students, the second from the first one's book. */
    const pair = async () => {
      const [one, other] = [await opened(), await opened()];
      for (let i = 1; i <= 8; i++) await one.store.dispatch(commit(person(`p${i}`)));
      await takeIn(other, one);
      return { one, other };
    };

    test('all that each changed in another field is there on both, after each took in the other, and nothing is asked', async () => {
      const { one, other } = await pair();
      for (let i = 1; i <= 8; i++) {
        await changed(one, `p${i}`, {
          name: `One ${i}`,
          cautions: [{ id: 'pregnancy', answer: 'yes', at: '2026-02-01' }],
        });
        await changed(other, `p${i}`, {
          statureCm: 150 + i,
          cautions: [{ id: 'sciatica', answer: 'yes', at: '2026-02-01' }],
        });
      }
      expect(seen(one, other)).toMatchObject({ conflicts: [], fresh: [] });
      await takeIn(one, other);
      await takeIn(other, one);
      expect(bare(one)).toEqual(bare(other));
      expect(one.state().people.p3).toMatchObject({ name: 'One 3', statureCm: 153 });
      expect(
        one
          .state()
          .people.p3?.cautions.map(({ id }) => id)
          .sort(),
      ).toEqual(['pregnancy', 'sciatica']);
      // Taken back, what came goes, and what was changed here stays.
      await one.store.dispatch(undo());
      expect(one.state().people.p3).toMatchObject({ name: 'One 3', statureCm: 170 });
    });

    test('a field that both changed is shown with both values; what is chosen goes over without being asked again', async () => {
      const { one, other } = await pair();
      await changed(one, 'p1', { name: 'By one', note: 'kept' });
      await changed(other, 'p1', { name: 'By other', statureCm: 181 });
      const merge = seen(one, other);
      expect(merge.conflicts.flatMap(({ clashing }) => clashing)).toEqual([
        { part: 'name', here: 'By one', there: 'By other' },
      ]);
      await takeIn(one, other, allFromBook(merge));
      expect(one.state().people.p1).toMatchObject({
        name: 'By other',
        note: 'kept',
        statureCm: 181,
      });
      expect(seen(other, one).conflicts).toEqual([]);
      await takeIn(other, one);
      expect(bare(one)).toEqual(bare(other));
    });

    test('removed on one and changed on the other: nothing goes and nothing comes back unasked', async () => {
      const { one, other } = await pair();
      await one.store.dispatch(commit(gone('p1')));
      await changed(other, 'p1', { name: 'Still here' });
      await other.store.dispatch(
        commit({ words: 'x', put: [put('readings', sampleReading({ person: 'p1' }))], remove: [] }),
      );
      const here = seen(one, other);
      expect([
        here.fresh,
        here.removedHere.map(({ fact, owned }) => [fact.id, owned.length]),
      ]).toEqual([[], [['p1', 1]]]);
      const there = seen(other, one);
      expect(there.removedThere.map(({ fact }) => fact.id)).toEqual(['p1']);
      await takeIn(one, other);
      await takeIn(other, one);
      expect([one.state().people.p1, other.state().people.p1?.name]).toEqual([
        undefined,
        'Still here',
      ]);
      await takeIn(one, other, { ...nothingChosen, back: new Set(['people/p1']) });
      expect([one.state().people.p1?.name, Object.keys(one.state().readings)]).toEqual([
        'Still here',
        ['r1'],
      ]);
      expect(seen(other, one).removedThere).toEqual([]);
      await one.store.dispatch(commit(gone('p2')));
      await takeIn(other, one, { ...nothingChosen, go: new Set(['people/p2']) });
      expect(other.state().people.p2).toBeUndefined();
      expect(seen(other, one)).toMatchObject({ removedHere: [], removedThere: [] });
    });
  });

  test('goes out as it came in: settings, eyes, classes, fields of other versions, and what was set aside', async () => {
    const { store, state, memory } = await opened();
    const book = bookSchema.parse({
      format: 'ojas-book/1',
      people: [samplePerson()],
      readings: [sampleReading({ at: '2999-01-01'.replace('2999', '2199') })],
      shelf: [],
      sessions: [],
      classes: [{ id: 'c1', name: 'Thursday', mats: ['p1'] }],
      visits: [{ id: 'v1', person: 'p1', on: '2026-01-08', time: '18:15' }],
      settings: {
        units: 'in',
        theme: 'dark',
        eyes: { hamstring: { biasDeg: 3, sdDeg: 5 } },
        tint: 'warm',
      },
      boathouse: { oars: 8 },
      setAside: [
        { key: 'people/p9', text: '{"id":' },
        { key: 'people/p9', text: '{"id":"p9"', foundBy: 'another version' },
      ],
    });
    const merge = mergeBook(book, factsOf(state()));
    await store.dispatch(commit(mergeChange(merge, nothingChosen, 'm')));
    await store.dispatch(keepAside(merge.setAside));
    await store.dispatch(keepAside(merge.setAside));
    const again = (await opened(memory)).state();
    expect(
      bookOf(
        factsOf(again),
        again.storage.setAside.map(({ of }) => of),
      ),
    ).toEqual(book);
  });
});

test('a plan is reckoned once, until one of its own facts changes', async () => {
  const { store, state } = await opened();
  await store.dispatch(
    commit({ ...two, put: [...two.put, put('people', samplePerson({ id: 'p2' }))] }),
  );
  const plan = selectPlan(state(), 'p1', '2026-02-01');
  await store.dispatch(
    commit({
      words: 'other',
      put: [put('readings', sampleReading({ id: 'r9', person: 'p2' }))],
      remove: [],
    }),
  );
  expect(selectPlan(state(), 'p1', '2026-02-01')).toBe(plan);
  await store.dispatch(
    commit({ words: 'own', put: [put('readings', sampleReading({ id: 'r8' }))], remove: [] }),
  );
  expect(selectPlan(state(), 'p1', '2026-02-01')).not.toBe(plan);
});

test('nothing that was reckoned of a removed student stays in memory', async () => {
  const { store, state } = await opened();
  const readings = Array.from({ length: 3 }, (_, i) =>
    put('readings', sampleReading({ id: `r${i}`, person: 'p2' })),
  );
  await store.dispatch(
    commit({ ...two, put: [...two.put, put('people', samplePerson({ id: 'p2' })), ...readings] }),
  );
  const refs = ['p1', 'p2'].map((id) => new WeakRef(selectPlan(state(), id, '2026-02-01') as Plan));
  await store.dispatch(commit({ words: 'gone', put: [], remove: [{ kind: 'people', id: 'p2' }] }));
  expect(selectPlan(state(), 'p2', '2026-02-01')).toBeUndefined();
  expect(selectPlan(state(), 'p1', '2026-02-01')).toBe(refs[0]?.deref());
  setFlagsFromString('--expose-gc');
  const gc = runInNewContext('gc') as () => void;
  // References made in this turn are held to its end.
  await new Promise((resolve) => setTimeout(resolve, 0));
  gc();
  expect(refs[1]?.deref()).toBeUndefined();
  expect(refs[0]?.deref()).toBeDefined();
});
