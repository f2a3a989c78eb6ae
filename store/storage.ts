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

/** Storage that lasts as long as it is held: for a sample that is left without a trace. */
export class HeldStorage implements KeyValueStorage {
  readonly entries = new Map<string, string>();
  getItem = async (key: string) => this.entries.get(key) ?? null;
  setItem = async (key: string, value: string): Promise<void> => {
    this.entries.set(key, value);
  };
  removeItem = async (key: string): Promise<void> => {
    this.entries.delete(key);
  };
  getMany = async (keys: string[]) =>
    Object.fromEntries(keys.map((key) => [key, this.entries.get(key) ?? null]));
  setMany = async (entries: Record<string, string>) => {
    for (const [key, value] of Object.entries(entries)) this.entries.set(key, value);
  };
  removeMany = async (keys: string[]) => {
    for (const key of keys) await this.removeItem(key);
  };
  getAllKeys = async () => [...this.entries.keys()];
}
