import { VERSION } from '@/workers/stored/keys';
import type { KeyValueStorage } from './storage';

/** One stored entry, its key without the version before it: `people/p1`. */
export interface Entry {
  readonly key: string;
  readonly text: string;
}

/**
 * Turns an entry of one version into one of the next; an entry that has no place there goes on as it is, and is set
 * aside when it is read.
 */
export type Migration = (entry: Entry) => Entry;

/** From version 1 to 2, from 2 to 3, … : as many as there were versions before this one. */
export const migrations: readonly Migration[] = [];

const versionOf = (key: string) => {
  const found = /^ojas\/(\d+)\//.exec(key);
  return found ? Number(found[1]) : null;
};
const BATCH = 2000;

/**
 * Brings what earlier versions stored to this one, some entries at a time: the new ones are written before the old ones
 * go, so that a crash leaves nothing out, and an entry that is there in both versions is the new one.
 *
 * @param steps one for each version before `version`
 * @returns all keys there are now, and how many entries a newer version left, which this one cannot read and leaves
 * alone
 */
export async function bringForward(
  storage: KeyValueStorage,
  version: number = VERSION,
  steps: readonly Migration[] = migrations,
): Promise<{ keys: string[]; newer: number }> {
  const keys = await storage.getAllKeys();
  const known = new Set(keys);
  const older = keys.filter((key) => (versionOf(key) ?? version) < version);
  for (let from = 0; from < older.length; from += BATCH) {
    const texts = await storage.getMany(older.slice(from, from + BATCH));
    const next: Record<string, string> = {};
    for (const [key, text] of Object.entries(texts)) {
      if (text === null) continue;
      const start = versionOf(key) as number;
      const entry = steps
        .slice(start - 1)
        .reduce<Entry>((one, step) => step(one), { key: key.split('/').slice(2).join('/'), text });
      const to = `ojas/${version}/${entry.key}`;
      if (!known.has(to)) next[to] = entry.text;
    }
    await storage.setMany(next);
    await storage.removeMany(Object.keys(texts));
  }
  return {
    keys: older.length > 0 ? await storage.getAllKeys() : keys,
    newer: keys.filter((key) => (versionOf(key) ?? version) > version).length,
  };
}
