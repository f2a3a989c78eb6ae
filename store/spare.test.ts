import { browserSpare } from './spare';

test('what is erased is not written once more by a copy that was under way', async () => {
  const did: string[] = [];
  let finish = () => undefined as void;
  const spare = browserSpare(
    () =>
      new Promise((done) => {
        finish = () => {
          did.push('copied');
          done();
        };
      }),
  );
  const storage = { removeItem: () => did.push('mark') };
  const caches = { delete: async () => did.push('copy') > 0 };
  Object.assign(globalThis, { localStorage: storage, caches });
  const copied = spare.copy(false);
  const erased = spare.erase();
  await Promise.resolve();
  expect(did).toEqual([]);
  finish();
  expect(await copied).toBe(true);
  expect(await erased).toBe(true);
  expect(did).toEqual(['copied', 'mark', 'copy']);
  for (const name of ['localStorage', 'caches']) Reflect.deleteProperty(globalThis, name);
});
