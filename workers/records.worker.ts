import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { bookParts } from '@/core/formats/bookText';
import { getInBatches } from './stored/getInBatches';
import { isAside, refOf } from './stored/keys';
import { readByPerson } from './stored/readByPerson';
import { storedBook } from './stored/storedBook';

/** Work on many records, away from the main thread: reading those that a first screen does without, and writing the second copy. */
export type RecordsTask =
  | {
      readonly do: 'read';
      readonly database: string;
      readonly keys: readonly string[];
      readonly people: readonly string[];
    }
  | { readonly do: 'want'; readonly person: string }
  | {
      readonly do: 'copy';
      readonly database: string;
      readonly cache: string;
      readonly address: string;
    };

/** A part goes over as JSON text: reading that takes the main thread a fifth of what a cloned object takes. */
export type RecordsAnswer =
  { readonly part: string } | { readonly done: true } | { readonly failed: string };

const say = (answer: RecordsAnswer) => self.postMessage(answer);
const wanted: string[] = [];

async function read({
  database,
  keys,
  people,
}: Extract<RecordsTask, { do: 'read' }>): Promise<void> {
  const storage = createAsyncStorage(database);
  await readByPerson(
    (some) => storage.getMany(some),
    keys,
    people,
    () => wanted.splice(0),
    (part) => say({ part: JSON.stringify(part) }),
  );
  say({ done: true });
}

async function copy({
  database,
  cache,
  address,
}: Extract<RecordsTask, { do: 'copy' }>): Promise<void> {
  const storage = createAsyncStorage(database);
  const keys = (await storage.getAllKeys()).filter((key) => refOf(key) !== null || isAside(key));
  const texts = await getInBatches(storage, keys);
  const packed = await new Response(
    new Blob(bookParts(storedBook(texts))).stream().pipeThrough(new CompressionStream('gzip')),
  ).blob();
  await (
    await caches.open(cache)
  ).put(address, new Response(packed, { headers: { 'content-type': 'application/gzip' } }));
  say({ done: true });
}

self.onmessage = ({ data }: MessageEvent<RecordsTask>) => {
  if (data.do === 'want') return void wanted.push(data.person);
  void (data.do === 'read' ? read(data) : copy(data)).catch((error: unknown) =>
    say({ failed: error instanceof Error ? error.message : String(error) }),
  );
};
