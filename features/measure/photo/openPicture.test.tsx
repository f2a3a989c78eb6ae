import type { PictureDone, PictureTask } from '@/workers/picture.worker';
import { openPicture } from './openPicture';

const JPEG = [0xff, 0xd8, 0xff, 0xe0];
const HEIC = [0, 0, 0, 24, ...'ftypheic'].map((one) =>
  typeof one === 'string' ? one.charCodeAt(0) : one,
);
/** A file as a browser hands it over, with as many bytes as it says. */
const file = (head: readonly number[], size = 4000) =>
  ({
    size,
    slice: () => ({ arrayBuffer: async () => Uint8Array.from(head).buffer }),
  }) as unknown as Blob;

let answer: PictureDone | 'silence' = { ok: false };
const asked: PictureTask[] = [];
const ended = jest.fn();
class FakeWorker {
  onmessage: ((event: { data: PictureDone }) => void) | null = null;
  onerror = null;
  terminate = ended;
  postMessage(task: PictureTask) {
    asked.push(task);
    if (answer !== 'silence') setTimeout(() => this.onmessage?.({ data: answer as PictureDone }));
  }
}

beforeEach(() => {
  asked.length = 0;
  ended.mockClear();
  Object.assign(globalThis, { Worker: FakeWorker });
  URL.createObjectURL = () => 'blob:made';
});
const wordsOf = async (blob: Blob) => {
  const opened = await openPicture(blob);
  return opened.ok ? '' : opened.words;
};

test('a picture is scaled in a worker, which ends', async () => {
  answer = { ok: true, blob: new Blob(['x']), widthPx: 1600, heightPx: 1200 };
  expect(await openPicture(file(JPEG))).toMatchObject({
    ok: true,
    picture: { url: 'blob:made', widthPx: 1600, heightPx: 1200 },
  });
  expect(asked[0]).toMatchObject({ mostPx: 1600 });
  expect(ended).toHaveBeenCalledTimes(1);
});

test.each([
  ['an empty file', file(JPEG, 0), /empty/],
  ['a file far too large', file(JPEG, 90 * 1024 * 1024), /90 MB, more than the 60 MB/],
  ['a file that is no picture, whatever its name', file([0x25, 0x50, 0x44, 0x46]), /no picture/],
])('%s gets a sentence, and no worker is troubled', async (_, blob, words) => {
  expect(await wordsOf(blob)).toMatch(words);
  expect(asked).toHaveLength(0);
});

test('a picture that cannot be decoded is told apart from a kind that this browser does not read', async () => {
  answer = { ok: false };
  expect(await wordsOf(file(JPEG))).toMatch(/broken or too large/);
  expect(await wordsOf(file(HEIC))).toMatch(/does not read HEIC/);
});

test('a worker that never answers is given up', async () => {
  jest.useFakeTimers();
  answer = 'silence';
  const words = wordsOf(file(JPEG));
  await jest.advanceTimersByTimeAsync(20_001);
  jest.useRealTimers();
  expect(await words).toMatch(/broken or too large/);
  expect(ended).toHaveBeenCalledTimes(1);
});
