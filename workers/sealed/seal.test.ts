import fc from 'fast-check';
import { isSealed } from '../seal';
import { seal, unseal } from './seal';

const bytesOf = (text: string) => new TextEncoder().encode(text);
const textOf = (bytes: Uint8Array | string) =>
  typeof bytes === 'string' ? bytes : new TextDecoder().decode(bytes);
/** Little work: how much it costs is not what is tested. */
const QUICK = 2;
const PASSPHRASE = 'fjord under a thin moon';
const BOOK = `{"format":"ojas-book/1","people":[{"name":"Zoë ṣ"}]}`.repeat(3000);

test('what was locked opens again by its passphrase alone', async () => {
  const locked = await seal(bytesOf(BOOK), PASSPHRASE, QUICK);
  expect(textOf(locked.subarray(0, 21))).toBe('age-encryption.org/v1');
  expect(textOf(locked)).not.toContain('ojas-book');
  expect(textOf(await unseal(locked, PASSPHRASE))).toBe(BOOK);
  expect(await unseal(locked, `${PASSPHRASE} `)).toBe('passphrase');
});

test('a damaged or shortened file is told from a wrong passphrase, and never opens in part', async () => {
  const locked = await seal(bytesOf(BOOK), PASSPHRASE, QUICK);
  const head = textOf(locked).indexOf('\n---') + 60;
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: head, max: locked.length - 1 }),
      fc.boolean(),
      async (at, cut) => {
        const wrong = cut ? locked.slice(0, at) : locked.slice();
        if (!cut) wrong[at]! ^= 1;
        expect(await unseal(wrong, PASSPHRASE)).toBe('damaged');
      },
    ),
    { numRuns: 40 },
  );
});

test('a file is known as locked by its head', async () => {
  const locked = await seal(bytesOf('x'), PASSPHRASE, QUICK);
  expect(await isSealed(new Blob([locked as BlobPart]))).toBe(true);
  expect(await isSealed(new Blob(['-----BEGIN AGE ENCRYPTED FILE-----\n']))).toBe(true);
  expect(await isSealed(new Blob([BOOK]))).toBe(false);
  expect(await isSealed(new Blob([]))).toBe(false);
});
