import { z } from 'zod';

const markSchema = z.object({
  people: z.number().int().min(0),
  readings: z.number().int().min(0),
  sessions: z.number().int().min(0),
  at: z.string(),
  exportedAt: z.string().optional(),
});
/** How large the book was when something was last written, kept outside its own storage: it tells an empty book from one that was thrown away. */
export type Mark = z.infer<typeof markSchema>;

/** What is kept beside the book, in other storages of the browser. */
export interface Spare {
  readonly mark: () => Mark | null;
  readonly setMark: (mark: Mark | null) => void;
  /** Brings the second copy up to date; false where it cannot be kept. */
  readonly copy: () => Promise<boolean>;
  /** The second copy as the text of a book, or null. */
  readonly read: () => Promise<string | null>;
}

/** Nothing beside: for tests, and where a browser has nowhere to keep it. */
export const noSpare: Spare = {
  mark: () => null,
  setMark: () => undefined,
  copy: async () => false,
  read: async () => null,
};

const MARK = 'ojas-mark';
export const COPY_CACHE = 'ojas-second-copy';
export const COPY_ADDRESS = '/second-copy.json.gz';

/** The mark in the page's local storage, the second copy in its cache; `write` packs and keeps that copy. */
export function browserSpare(write: () => Promise<void>): Spare {
  return {
    mark: () => {
      try {
        const parsed = markSchema.safeParse(JSON.parse(localStorage.getItem(MARK) ?? 'null'));
        return parsed.success ? parsed.data : null;
      } catch {
        return null;
      }
    },
    setMark: (mark) => {
      try {
        if (mark === null) localStorage.removeItem(MARK);
        else localStorage.setItem(MARK, JSON.stringify(mark));
      } catch {
        // Where nothing can be marked, a book that is thrown away cannot be told from an empty one.
      }
    },
    copy: () =>
      write().then(
        () => true,
        () => false,
      ),
    read: async () => {
      try {
        const kept =
          typeof caches === 'undefined'
            ? undefined
            : await (await caches.open(COPY_CACHE)).match(COPY_ADDRESS);
        if (!kept?.body) return null;
        return await new Response(kept.body.pipeThrough(new DecompressionStream('gzip'))).text();
      } catch {
        return null;
      }
    },
  };
}
