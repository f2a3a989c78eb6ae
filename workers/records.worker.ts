import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { bookParts } from '@/core/formats/bookText';
import { getInBatches } from './stored/getInBatches';
import { isAside, LINEAGE, refOf } from './stored/keys';
import { readByPerson } from './stored/readByPerson';
import { headersOf, keptOf, mayReplace, told } from './stored/secondCopy';
import { storedBook } from './stored/storedBook';

/**
 * Work on many records, away from the main thread: reading those that a first screen does without, and writing the
 * second copy.
 */
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
      /** In the place of whatever lies there. */
      readonly onPurpose: boolean;
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
  onPurpose,
}: Extract<RecordsTask, { do: 'copy' }>): Promise<void> {
  const storage = createAsyncStorage(database);
  const keys = (await storage.getAllKeys()).filter((key) => refOf(key) !== null || isAside(key));
  const book = storedBook(await getInBatches(storage, keys));
  const kept = keptOf(book, (await storage.getItem(LINEAGE)) ?? '', new Date().toISOString());
  const copies = await caches.open(cache);
  const before = await copies.match(address);
  if (onPurpose || !before || mayReplace(await told(before), kept)) {
    const packed = await new Response(
      new Blob(bookParts(book)).stream().pipeThrough(new CompressionStream('gzip')),
    ).blob();
    await copies.put(address, new Response(packed, { headers: headersOf(kept) }));
  }
  say({ done: true });
}

self.onmessage = ({ data }: MessageEvent<RecordsTask>) => {
  if (data.do === 'want') return void wanted.push(data.person);
  void (data.do === 'read' ? read(data) : copy(data)).catch((error: unknown) =>
    say({ failed: error instanceof Error ? error.message : String(error) }),
  );
};
