import { HeldStorage } from '../storage';

/** Storage in memory, that can be told to break after so many writes or to refuse to be read. */
export class Memory extends HeldStorage {
  /** Writes that still succeed; then each fails as a full storage does. */
  writesLeft = Infinity;
  /** Reads that fail before one succeeds. */
  failingReads = 0;
  private spend() {
    if (this.writesLeft-- <= 0) throw new Error('');
  }
  private read() {
    if (this.failingReads-- > 0) throw new Error('The operation is insecure.');
  }
  override setItem = async (key: string, value: string) => {
    this.spend();
    this.entries.set(key, value);
  };
  override removeItem = async (key: string) => {
    this.spend();
    this.entries.delete(key);
  };
  /** One transaction, as it is in a browser: all of it, or nothing. */
  override setMany = async (entries: Record<string, string>) => {
    for (const _ of Object.keys(entries)) this.spend();
    for (const [key, value] of Object.entries(entries)) this.entries.set(key, value);
  };
  override getAllKeys = async () => {
    this.read();
    return [...this.entries.keys()];
  };
  /** As after a restart: the same texts, nothing broken. */
  again(): Memory {
    const next = new Memory();
    for (const [key, value] of this.entries) next.entries.set(key, value);
    return next;
  }
}
