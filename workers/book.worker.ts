import { BookLines } from '@/core/formats/bookLines';
import type { BookList } from '@/core/formats/facts';
import { parseBookFile, type Parsed } from '@/core/formats/check';
import type { Book } from '@/core/formats/book';
import type { LocalDay } from '@/core/formats/time';

/** Reads and checks a book away from the main thread, part by part. */
export interface BookTask {
  readonly file: Blob;
  readonly today: LocalDay;
}

/** A part goes over as JSON text: reading that takes the main thread a fifth of what a cloned object takes. */
export type BookAnswer =
  | { readonly readBytes: number }
  | { readonly field: BookList; readonly text: string }
  | { readonly end: Parsed<Book> }
  | { readonly failed: string };

const say = (answer: BookAnswer) => self.postMessage(answer);
const part = (field: BookList, records: readonly unknown[]) =>
  say({ field, text: JSON.stringify(records) });

/** A file of another layout than our own is read whole. */
async function whole({ file, today }: BookTask): Promise<void> {
  const parsed = parseBookFile(new Uint8Array(await file.arrayBuffer()), today);
  say({ readBytes: file.size });
  say({ end: parsed });
}

async function read(task: BookTask): Promise<void> {
  const reader = new BookLines(task.today, ({ field, records }) => part(field, records));
  const bytes = task.file.stream().getReader();
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let readBytes = 0;
  try {
    for (let next = await bytes.read(); !next.done; next = await bytes.read()) {
      reader.feed(decoder.decode(next.value, { stream: true }));
      if (reader.isOther) return await whole(task);
      if (reader.isHopeless) break;
      readBytes += next.value.length;
      say({ readBytes });
    }
    reader.feed(decoder.decode());
  } catch {
    // No UTF-8: read whole, it is told in which line.
    return whole(task);
  }
  say({ end: reader.end() });
}

self.onmessage = ({ data }: MessageEvent<BookTask>) =>
  void read(data).catch((error: unknown) =>
    say({ failed: error instanceof Error ? error.message : String(error) }),
  );
