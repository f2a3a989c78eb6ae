import type { RecordsAnswer, RecordsTask } from './records.worker';
import type { Part } from './stored/readByPerson';

interface Asked {
  readonly done: Promise<void>;
  readonly post: (task: RecordsTask) => void;
}

/** Gives a task to a worker of its own and hears it out. Fails where there is no worker. */
function ask(task: RecordsTask, take: (part: string) => void = () => undefined): Asked {
  const worker = new Worker(new URL('./records.worker', import.meta.url));
  const done = new Promise<void>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<RecordsAnswer>) => {
      if ('part' in data) take(data.part);
      else if ('failed' in data) reject(new Error(data.failed));
      else resolve();
    };
    worker.onerror = (event) =>
      reject(new Error(event.message || 'the worker could not be loaded'));
  }).finally(() => worker.terminate());
  worker.postMessage(task);
  return { done, post: (next) => worker.postMessage(next) };
}

/** Reads many stored records away from the main thread, student by student; `want` brings one forward. */
export function readRecords(
  database: string,
  keys: readonly string[],
  people: readonly string[],
  take: (part: Part) => void,
): { readonly done: Promise<void>; readonly want: (person: string) => void } {
  const { done, post } = ask({ do: 'read', database, keys, people }, (part) =>
    take(JSON.parse(part) as Part),
  );
  return { done, want: (person) => post({ do: 'want', person }) };
}

/**
 * Writes a packed copy of all that is stored into another storage of the browser; over one that holds more of another
 * book only on purpose.
 */
export const copyBook = (
  database: string,
  cache: string,
  address: string,
  onPurpose: boolean,
): Promise<void> => ask({ do: 'copy', database, cache, address, onPurpose }).done;
