import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { bookParts } from '@/core/formats/bookText';
import type { Facts } from '@/core/formats/facts';
import { refOf, isAside } from './stored/keys';
import { readStored, type Unread } from './stored/readStored';
import { storedBook } from './stored/storedBook';

/** Work on many records, away from the main thread: reading those that a first screen does without, and writing the second copy. */
export type RecordsTask =
  | { readonly do: 'read'; readonly database: string; readonly keys: readonly string[]; readonly people: readonly string[] }
  | { readonly do: 'copy'; readonly database: string; readonly cache: string; readonly address: string };

export type RecordsAnswer =
  | { readonly part: Pick<Facts, 'readings' | 'sessions' | 'pictures'>; readonly unread: readonly Unread[]; readonly left: number }
  | { readonly done: true; readonly letters?: number }
  | { readonly failed: string };

const BATCH = 1500;
const say = (answer: RecordsAnswer) => self.postMessage(answer);

async function read({ database, keys, people }: Extract<RecordsTask, { do: 'read' }>): Promise<void> {
  const storage = createAsyncStorage(database);
  const here = Object.fromEntries(people.map((id) => [id, true]));
  for (let from = 0; from < keys.length; from += BATCH) {
    const { facts: { readings, sessions, pictures }, unread } = readStored(await storage.getMany(keys.slice(from, from + BATCH)), here);
    say({ part: { readings, sessions, pictures }, unread, left: Math.max(0, keys.length - from - BATCH) });
  }
  say({ done: true });
}

async function copy({ database, cache, address }: Extract<RecordsTask, { do: 'copy' }>): Promise<void> {
  const storage = createAsyncStorage(database);
  const keys = (await storage.getAllKeys()).filter((key) => refOf(key) !== null || isAside(key));
  const texts: Record<string, string | null> = {};
  for (let from = 0; from < keys.length; from += BATCH) Object.assign(texts, await storage.getMany(keys.slice(from, from + BATCH)));
  const book = new Blob(bookParts(storedBook(texts)));
  const packed = await new Response(book.stream().pipeThrough(new CompressionStream('gzip'))).blob();
  await (await caches.open(cache)).put(address, new Response(packed, { headers: { 'content-type': 'application/gzip' } }));
  say({ done: true, letters: book.size });
}

self.onmessage = ({ data }: MessageEvent<RecordsTask>) => {
  void (data.do === 'read' ? read(data) : copy(data)).catch((error: unknown) => say({ failed: error instanceof Error ? error.message : String(error) }));
};
