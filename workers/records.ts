import type { Facts } from '@/core/formats/facts';
import type { RecordsAnswer, RecordsTask } from './records.worker';
import type { Unread } from './stored/readStored';

/** Some of the records that were waited for. */
export interface Part {
  readonly facts: Pick<Facts, 'readings' | 'sessions' | 'pictures'>;
  readonly unread: readonly Unread[];
  /** How many are still to come. */
  readonly left: number;
}

/** Gives a task to a worker of its own and hears it out. Throws where there is no worker, or where it fails. */
function ask(task: RecordsTask, take: (answer: Extract<RecordsAnswer, { part: unknown }>) => void = () => undefined): Promise<void> {
  const worker = new Worker(new URL('./records.worker', import.meta.url));
  return new Promise<void>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<RecordsAnswer>) => {
      if ('part' in data) take(data);
      else if ('failed' in data) reject(new Error(data.failed));
      else resolve();
    };
    worker.postMessage(task);
    worker.onerror = (event) => reject(new Error(event.message || 'the worker could not be loaded'));
  }).finally(() => worker.terminate());
}

/** Reads many stored records away from the main thread, some at a time. */
export const readRecords = (database: string, keys: readonly string[], people: readonly string[], take: (part: Part) => void): Promise<void> =>
  ask({ do: 'read', database, keys, people }, ({ part, unread, left }) => take({ facts: part, unread, left }));

/** Writes a packed copy of all that is stored into another storage of the browser. */
export const copyBook = (database: string, cache: string, address: string): Promise<void> => ask({ do: 'copy', database, cache, address });
