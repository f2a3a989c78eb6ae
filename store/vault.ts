import { factKinds, factSchemas, noFacts, type Change, type Fact, type FactKind, type FactRef, type Facts } from './facts';
import { pathWords } from '@/core/formats/check';

/** The part of AsyncStorage that is used. */
export interface KeyValueStorage {
  getItem(key: string): Promise<string | null>;
  setItem(key: string, value: string): Promise<void>;
  removeItem(key: string): Promise<void>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string>): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
  getAllKeys(): Promise<string[]>;
}

/** A record that could not be read: kept as it is, shown, never fatal. */
export interface SetAside {
  readonly key: string;
  readonly text: string;
  readonly words: string;
}

export interface Opened {
  readonly facts: Facts;
  readonly setAside: readonly SetAside[];
}

/** The storage cannot be used; `words` says why and what to do. */
export class StorageFault extends Error {
  constructor(readonly words: string, cause: unknown) {
    super(words, { cause });
  }
}

const SCHEMA = 1;
const PREFIX = `ojas/${SCHEMA}/`;
/** The change under way: written first, so that a crash at any instant leaves it whole or absent. */
const AHEAD = `${PREFIX}ahead`;
/** Private notes of the interface that are not facts: a session under way. */
const DRAFT = `${PREFIX}draft/`;

const keyOf = ({ kind, id }: FactRef) => `${PREFIX}${kind}/${id}`;

interface Ahead {
  readonly put: Record<string, string>;
  readonly remove: string[];
}

/** What went wrong, in words. A full storage is told by an error without a message. */
function storageFault(error: unknown): StorageFault {
  const said = error instanceof Error ? error.message : String(error);
  if (said === '' || /quota|space|disk/i.test(said)) return new StorageFault('Not saved: this browser’s storage is full. Export the book, free some space, and try again. Nothing stored was changed.', error);
  return new StorageFault('Not saved: this browser does not let Ojas store anything here (a private window, or storage switched off). Nothing stored was changed.', error);
}

/** Stores facts, one key a record. */
export class Vault {
  constructor(private readonly storage: KeyValueStorage) {}

  /** Reads everything; finishes a change that a crash cut off. Throws a StorageFault when there is no storage. */
  async open(): Promise<Opened> {
    try {
      await this.finishAhead();
      const keys = (await this.storage.getAllKeys()).filter((key) => key.startsWith(PREFIX) && key !== AHEAD && !key.startsWith(DRAFT));
      return parseAll(await this.storage.getMany(keys));
    } catch (error) {
      throw storageFault(error);
    }
  }

  /** Writes a change: all of it, or none. */
  async apply(change: Change): Promise<void> {
    const ahead: Ahead = {
      put: Object.fromEntries(change.put.map((fact) => [keyOf(fact), JSON.stringify(fact.record)])),
      remove: change.remove.map(keyOf),
    };
    try {
      await this.storage.setItem(AHEAD, JSON.stringify(ahead));
    } catch (error) {
      await this.storage.removeItem(AHEAD).catch(() => undefined);
      throw storageFault(error);
    }
    const before = await this.storage.getMany([...Object.keys(ahead.put), ...ahead.remove]);
    try {
      await this.carryOut(ahead);
    } catch (error) {
      await this.putBack(before);
      throw storageFault(error);
    }
  }

  async readDraft(name: string): Promise<unknown> {
    const text = await this.storage.getItem(DRAFT + name).catch(() => null);
    if (text === null) return null;
    try {
      return JSON.parse(text);
    } catch {
      return null;
    }
  }

  /** A draft that cannot be written is lost at reload and nothing else; the fact it becomes is saved on its own. */
  async writeDraft(name: string, draft: unknown): Promise<void> {
    await (draft === null ? this.storage.removeItem(DRAFT + name) : this.storage.setItem(DRAFT + name, JSON.stringify(draft))).catch(() => undefined);
  }

  async removeSetAside(key: string): Promise<void> {
    await this.storage.removeItem(key);
  }

  private async carryOut({ put, remove }: Ahead): Promise<void> {
    if (Object.keys(put).length > 0) await this.storage.setMany(put);
    if (remove.length > 0) await this.storage.removeMany(remove);
    await this.storage.removeItem(AHEAD);
  }

  private async putBack(before: Record<string, string | null>): Promise<void> {
    const there = Object.entries(before).filter((entry): entry is [string, string] => entry[1] !== null);
    const absent = Object.keys(before).filter((key) => before[key] === null);
    await this.storage.removeMany([...absent, AHEAD]).catch(() => undefined);
    await this.storage.setMany(Object.fromEntries(there)).catch(() => undefined);
  }

  private async finishAhead(): Promise<void> {
    const text = await this.storage.getItem(AHEAD);
    if (text === null) return;
    let ahead: Ahead;
    try {
      ahead = JSON.parse(text) as Ahead;
    } catch {
      // Cut off while being written: the change never began.
      await this.storage.removeItem(AHEAD);
      return;
    }
    await this.carryOut(ahead);
  }
}

function parseAll(stored: Record<string, string | null>): Opened {
  const facts: { [K in FactKind]: Record<string, unknown> } = Object.fromEntries(factKinds.map((kind) => [kind, {}])) as Record<FactKind, Record<string, unknown>>;
  const setAside: SetAside[] = [];
  for (const [key, text] of Object.entries(stored)) {
    if (text === null) continue;
    const [kind, ...rest] = key.slice(PREFIX.length).split('/');
    const parsed = parseFact(kind as FactKind, text);
    if (typeof parsed === 'string') setAside.push({ key, text, words: parsed });
    else facts[kind as FactKind][rest.join('/')] = parsed.record;
  }
  return { facts: { ...noFacts, ...facts } as Facts, setAside };
}

/** A stored record, or what is wrong with it in words. */
function parseFact(kind: FactKind, text: string): { record: Fact['record'] } | string {
  if (!factKinds.includes(kind)) return `“${kind}” is no kind of record that this version knows.`;
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return 'The record is broken off.';
  }
  const parsed = factSchemas[kind].safeParse(json);
  return parsed.success ? { record: parsed.data } : parsed.error.issues.map(({ path, message }) => `${pathWords(path)}: ${message}`).join(' ');
}
