import { roomWords } from './room';

const browser = (told: object | null) =>
  Object.defineProperty(globalThis, 'navigator', {
    value: { storage: { estimate: async () => told } },
    configurable: true,
  });

test('a browser without room for a large book says so before anything is read; one with room, or that tells nothing, does not', async () => {
  browser({ quota: 120e6, usage: 20e6 });
  expect(await roomWords(127e6)).toMatch(
    /room for 100 MB more, and these records take about 165 MB/,
  );
  expect(await roomWords(60e6)).toBeNull();
  expect(await roomWords(1e6)).toBeNull();
  browser(null);
  expect(await roomWords(127e6)).toBeNull();
});
