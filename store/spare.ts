import { z } from '@/core/z';
import { told, unpacked, type Kept } from '@/workers/stored/secondCopy';

const markSchema = z.object({
  people: z.number().int().min(0),
  readings: z.number().int().min(0),
  sessions: z.number().int().min(0),
  at: z.string(),
  exportedAt: z.string().optional(),
  /** Changes since it was saved as a file, and when the first of them was. */
  changes: z.number().int().min(0).optional(),
  changedAt: z.string().optional(),
  /** The day before which a backup is not asked for. */
  askAfter: z.string().optional(),
});
/**
 * How large the book was when something was last written, kept outside its own storage: it tells an empty book from one
 * that was thrown away.
 */
export type Mark = z.infer<typeof markSchema>;

/** What is kept beside the book, in other storages of the browser. */
export interface Spare {
  readonly mark: () => Mark | null;
  readonly setMark: (mark: Mark) => void;
  /**
   * Brings the second copy up to date, over one that holds more of another book only on purpose; false where it cannot
   * be kept.
   */
  readonly copy: (onPurpose: boolean) => Promise<boolean>;
  /** What the second copy holds, or null where there is none. */
  readonly kept: () => Promise<Kept | null>;
  /** The second copy as the text of a book, or null. */
  readonly read: () => Promise<string | null>;
  /** Takes all of it away; fails where something stays. */
  readonly erase: () => Promise<true>;
}

/** Nothing beside: for tests, and where a browser has nowhere to keep it. */
export const noSpare: Spare = {
  mark: () => null,
  setMark: () => undefined,
  copy: async () => false,
  kept: async () => null,
  read: async () => null,
  erase: async () => true,
};

const MARK = 'ojas-mark';
export const COPY_CACHE = 'ojas-second-copy';
export const COPY_ADDRESS = '/second-copy.json.gz';

/** What somebody reads from the kept copy; null where there is none, or it cannot be read. */
async function fromCopy<R>(read: (copy: Response) => Promise<R>): Promise<R | null> {
  try {
    if (typeof caches === 'undefined') return null;
    const copy = await (await caches.open(COPY_CACHE)).match(COPY_ADDRESS);
    return copy ? await read(copy) : null;
  } catch {
    return null;
  }
}

/** The mark in the page's local storage, the second copy in its cache; `write` packs and keeps that copy. */
export function browserSpare(write: (onPurpose: boolean) => Promise<void>): Spare {
  /** Copies that are being written: what is to be erased is not written once more after it. */
  let writing: Promise<unknown> = Promise.resolve();
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
        localStorage.setItem(MARK, JSON.stringify(mark));
      } catch {
        // Where nothing can be marked, a book that is thrown away cannot be told from an empty one.
      }
    },
    copy: (onPurpose) => {
      const isKept = write(onPurpose).then(
        () => true,
        () => false,
      );
      writing = Promise.all([writing, isKept]);
      return isKept;
    },
    kept: () => fromCopy(told),
    read: () => fromCopy(unpacked),
    erase: async () => {
      await writing;
      localStorage.removeItem(MARK);
      if (typeof caches !== 'undefined') await caches.delete(COPY_CACHE);
      return true;
    },
  };
}
