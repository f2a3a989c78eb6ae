import { z } from '@/core/z';
import type { Book } from '@/core/formats/book';
import { recordsIn } from '@/core/formats/bookText';

const many = z.number().int().min(0);
const keptSchema = z.object({
  /** The book that it is a copy of; empty where that is not known. */
  lineage: z.string(),
  at: z.string(),
  people: many,
  readings: many,
  sessions: many,
  /** All records, of whatever kind, with those that could not be read. */
  records: many,
});
/** What a second copy holds. */
export type Kept = z.infer<typeof keptSchema>;

const TOLD = 'x-ojas-copy';
export const headersOf = (kept: Kept) => ({
  'content-type': 'application/gzip',
  [TOLD]: JSON.stringify(kept),
});

/** What a book would be as a second copy. */
export const keptOf = (book: Book, lineage: string, at: string): Kept => ({
  lineage,
  at,
  people: book.people.length,
  readings: book.readings.length,
  sessions: book.sessions.length,
  records: recordsIn(book),
});

/**
 * Whether one copy may take another's place: of the same book it is newer, and what is missing in it was removed on
 * purpose; of another book it must hold at least as much.
 */
export const mayReplace = (kept: Kept | null, next: Kept): boolean =>
  kept === null || kept.lineage === next.lineage || next.records >= kept.records;

/** The text of a kept copy. */
export const unpacked = (copy: Response): Promise<string> =>
  new Response(copy.body?.pipeThrough(new DecompressionStream('gzip'))).text();

/** What a kept copy holds, as it says itself; one that says nothing is looked into. */
export async function told(copy: Response): Promise<Kept | null> {
  try {
    const parsed = keptSchema.safeParse(JSON.parse(copy.headers.get(TOLD) ?? 'null'));
    if (parsed.success) return parsed.data;
    return keptOf(JSON.parse(await unpacked(copy.clone())) as Book, '', '');
  } catch {
    return null;
  }
}
