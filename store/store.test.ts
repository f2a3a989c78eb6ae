import fc from 'fast-check';
import { samplePerson, sampleReading } from '@/core/tests/samples';
import { put, type Change } from './facts';
import { heldSeconds, holdPaused, holdStarted, matStarted, poseDone, rungMoved } from './mat';
import { mergeBook, mergeChange } from './merge';
import { bookOf } from './facts';
import { selectPlan } from './selectors';
import { commit, createStore, factsOf, openStorage, undo, type RootState } from './store';
import { Vault, type KeyValueStorage } from './vault';

/** Storage in memory that can be told to break after so many writes. */
class Shelves implements KeyValueStorage {
  readonly entries = new Map<string, string>();
  writesLeft = Infinity;
  private spend() {
    if (this.writesLeft-- <= 0) throw new Error('');
  }
  getItem = async (key: string) => this.entries.get(key) ?? null;
  setItem = async (key: string, value: string) => {
    this.spend();
    this.entries.set(key, value);
  };
  removeItem = async (key: string) => {
    this.spend();
    this.entries.delete(key);
  };
  getMany = async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, this.entries.get(key) ?? null]));
  setMany = async (entries: Record<string, string>) => {
    for (const [key, value] of Object.entries(entries)) await this.setItem(key, value);
  };
  removeMany = async (keys: string[]) => {
    for (const key of keys) await this.removeItem(key);
  };
  getAllKeys = async () => [...this.entries.keys()];
}

const two: Change = { words: 'Two at once', put: [put('people', samplePerson()), put('readings', sampleReading())], remove: [] };
const opened = async (shelves = new Shelves()) => {
  const store = createStore(shelves);
  await store.dispatch(openStorage());
  return { store, shelves, state: () => store.getState() as RootState };
};

test('what is committed is there after a restart', async () => {
  const { store, shelves } = await opened();
  expect(await store.dispatch(commit(two))).toEqual({ ok: true });
  const again = await opened(shelves);
  expect(again.state().people.p1?.name).toBe('Wren Sample');
  expect(again.state().readings.r1?.values).toEqual([130, 130]);
});

test('undo takes back a removal, with everything that went', async () => {
  const { store, state, shelves } = await opened();
  await store.dispatch(commit(two));
  await store.dispatch(commit({ words: 'Removed', put: [], remove: [{ kind: 'people', id: 'p1' }, { kind: 'readings', id: 'r1' }] }));
  expect(state().people).toEqual({});
  await store.dispatch(undo());
  expect(state().people.p1).toEqual(samplePerson());
  await store.dispatch(undo());
  expect(state().people).toEqual({});
  expect((await opened(shelves)).state().readings).toEqual({});
});

test('a crash at any write leaves a change whole or absent', async () => {
  for (let writes = 0; writes < 8; writes++) {
    const { store, shelves } = await opened();
    await store.dispatch(commit({ words: 'Before', put: [put('people', samplePerson({ name: 'Before' }))], remove: [] }));
    // As after a crash: nothing can be written any more, and the program ends.
    shelves.writesLeft = writes;
    await new Vault(shelves).apply({ ...two, put: [put('people', samplePerson({ name: 'After' })), put('readings', sampleReading())] }).catch(() => undefined);
    shelves.writesLeft = Infinity;
    const { people, readings } = (await opened(shelves)).state();
    expect([people.p1?.name, Object.keys(readings).length]).toEqual(people.p1?.name === 'After' ? ['After', 1] : ['Before', 0]);
  }
});

test('a full storage says so, and the screen goes on showing what is stored', async () => {
  const { store, state, shelves } = await opened();
  shelves.writesLeft = 0;
  expect(await store.dispatch(commit(two))).toMatchObject({ ok: false, words: expect.stringContaining('storage is full') });
  expect(state().people).toEqual({});
  expect(state().storage.fault).toMatch('storage is full');
});

test('a blocked storage says so and the app opens all the same', async () => {
  const shelves = new Shelves();
  shelves.getAllKeys = async () => {
    throw new Error('The operation is insecure.');
  };
  const { state } = await opened(shelves);
  expect(state().storage).toMatchObject({ opened: true, fault: expect.stringContaining('does not let Ojas store') });
});

test('a record that cannot be read is set aside with its reason, and the rest is there', async () => {
  const { store, shelves } = await opened();
  await store.dispatch(commit(two));
  shelves.entries.set('ojas/1/people/p2', '{"id":"p2"');
  shelves.entries.set('ojas/1/readings/r2', JSON.stringify({ ...sampleReading({ id: 'r2' }), values: [] }));
  const { state } = await opened(shelves);
  expect(Object.keys(state().people)).toEqual(['p1']);
  expect(state().storage.setAside.map(({ key, words }) => `${key} ${words}`)).toEqual([expect.stringMatching(/people\/p2 The record is broken off/), expect.stringMatching(/readings\/r2 values: at least one value/)]);
});

test('the session under way survives a restart', async () => {
  const { store, shelves } = await opened();
  store.dispatch(matStarted({ person: 'p1', poses: ['hero/both'], at: '2026-01-08T18:00:00Z' }));
  store.dispatch(holdStarted('2026-01-08T18:05:00Z'));
  store.dispatch(rungMoved({ pose: 'hero/both', settled: [], slot: 'seat', fromCm: 20, toCm: 22, atSeconds: 10 }));
  await new Promise((resolve) => setTimeout(resolve, 20));
  const mat = (await opened(shelves)).state().mat.now;
  expect(mat?.changes['hero/both']).toHaveLength(1);
  expect(mat && heldSeconds(mat, '2026-01-08T18:06:30Z')).toBe(90);
});

test('a pause keeps the time held, and the next pose begins anew', async () => {
  const { store, state } = await opened();
  store.dispatch(matStarted({ person: 'p1', poses: ['hero/both', 'staff/both'], at: '2026-01-08T18:00:00Z' }));
  store.dispatch(holdStarted('2026-01-08T18:00:00Z'));
  store.dispatch(holdPaused('2026-01-08T18:00:40Z'));
  expect(heldSeconds(state().mat.now!, '2026-01-08T18:10:00Z')).toBe(40);
  store.dispatch(poseDone({ pose: 'hero', side: 'both', settled: [], heldSeconds: 40, feeling: { strength: 3, place: 'muscle' }, pelvis: 'upright', breath: 'easy', faults: [] }));
  expect(state().mat.now).toMatchObject({ at: 1, step: 'build', heldSeconds: 0 });
});

test('importing the same book again changes nothing, and a differing record waits to be asked for', async () => {
  const { store, state } = await opened();
  await store.dispatch(commit(two));
  const book = bookOf(factsOf(state()));
  expect(mergeBook(book, factsOf(state()))).toMatchObject({ fresh: [], same: 2, conflicts: [] });
  const renamed = { ...book, people: book.people.map((person) => ({ ...person, name: 'Renamed' })) };
  const merge = mergeBook(renamed, factsOf(state()));
  expect(merge.conflicts).toHaveLength(1);
  expect(mergeChange(merge, false).put).toEqual([]);
  expect(mergeChange(merge, true).put).toHaveLength(1);
});

test('a class of an imported book is kept whole and goes out again, though nothing here uses it yet', async () => {
  const { store, state, shelves } = await opened();
  const book = { ...bookOf(factsOf(state())), classes: [{ id: 'c1', name: 'Thursday', mats: ['p1'] }] };
  await store.dispatch(commit(mergeChange(mergeBook(book, factsOf(state())), false)));
  expect(bookOf(factsOf((await opened(shelves)).state())).classes).toEqual(book.classes);
});

test('changes and their undos cancel out, whatever they are', async () => {
  await fc.assert(fc.asyncProperty(fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.boolean(), fc.integer({ min: 150, max: 200 })), { minLength: 1, maxLength: 8 }), async (moves) => {
    const { store, state } = await opened();
    for (const [id, removes, statureCm] of moves) {
      await store.dispatch(commit(removes ? { words: 'x', put: [], remove: [{ kind: 'people', id }] } : { words: 'x', put: [put('people', samplePerson({ id, statureCm }))], remove: [] }));
    }
    for (const move of moves) {
      expect(move).toBeDefined();
      await store.dispatch(undo());
    }
    expect(state().people).toEqual({});
  }), { numRuns: 30 });
});

test('a plan is reckoned once, until one of its own facts changes', async () => {
  const { store, state } = await opened();
  await store.dispatch(commit({ ...two, put: [...two.put, put('people', samplePerson({ id: 'p2' }))] }));
  const plan = selectPlan(state(), 'p1', '2026-02-01');
  await store.dispatch(commit({ words: 'other', put: [put('readings', sampleReading({ id: 'r9', person: 'p2' }))], remove: [] }));
  expect(selectPlan(state(), 'p1', '2026-02-01')).toBe(plan);
  await store.dispatch(commit({ words: 'own', put: [put('readings', sampleReading({ id: 'r8' }))], remove: [] }));
  expect(selectPlan(state(), 'p1', '2026-02-01')).not.toBe(plan);
});
