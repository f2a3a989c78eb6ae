/** Texts read in one go; a transaction over very many keys would hold the storage up. */
const BATCH = 2000;

/** What is stored under some keys, however many they are. */
export async function getInBatches(
  storage: { getMany(keys: string[]): Promise<Record<string, string | null>> },
  keys: readonly string[],
): Promise<Record<string, string | null>> {
  const texts: Record<string, string | null> = {};
  for (let from = 0; from < keys.length; from += BATCH)
    Object.assign(texts, await storage.getMany(keys.slice(from, from + BATCH)));
  return texts;
}
