import type { Book } from '@/core/formats/book';
import type { BookList } from '@/core/formats/facts';
import { parseBookFile, type Parsed } from '@/core/formats/check';
import type { LocalDay } from '@/core/formats/time';
import type { BookAnswer, BookTask } from './book.worker';

/** How far a long work is: so much of so much. */
export type Progress = (done: number, of: number) => void;

/** Below this a book is read at once: a worker takes longer to begin. */
const SMALL_BYTES = 1_000_000;

/**
 * Reads a book from a file and checks it; a large one in a worker, part by part, told by `progress` and ended by
 * `stop`. Resolves to null where it was stopped.
 */
export async function readBook(
  file: Blob,
  today: LocalDay,
  progress: Progress,
  stop: AbortSignal,
): Promise<Parsed<Book> | null> {
  if (file.size < SMALL_BYTES || typeof Worker === 'undefined')
    return parseBookFile(new Uint8Array(await file.arrayBuffer()), today);
  const lists: Partial<Record<BookList, unknown[]>> = {};
  const worker = new Worker(new URL('./book.worker', import.meta.url));
  try {
    return await new Promise<Parsed<Book> | null>((resolve, reject) => {
      stop.addEventListener('abort', () => resolve(null));
      worker.onerror = (event) =>
        reject(new Error(event.message || 'the worker could not be loaded'));
      worker.onmessage = ({ data }: MessageEvent<BookAnswer>) => {
        if ('readBytes' in data) progress(data.readBytes, file.size);
        else if ('field' in data) {
          const list = (lists[data.field] ??= []);
          for (const one of JSON.parse(data.text) as unknown[]) list.push(one);
        } else if ('failed' in data) reject(new Error(data.failed));
        else
          resolve(
            data.end.ok
              ? { ...data.end, value: { ...data.end.value, ...lists } as Book }
              : data.end,
          );
      };
      worker.postMessage({ file, today } satisfies BookTask);
    });
  } finally {
    worker.terminate();
  }
}
