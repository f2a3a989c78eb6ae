/** A book smaller than this fits anywhere. */
const SMALL_BYTES = 5_000_000;
/** What is stored takes so much more room than its text, while it is being written too. */
const MORE = 1.3;
const mb = (bytes: number) => Math.max(0, Math.round(bytes / 1e6));

/** What to say where the browser has no room for so many bytes more; nothing where it has, or tells nothing. */
export async function roomWords(bytes: number): Promise<string | null> {
  if (bytes < SMALL_BYTES || typeof navigator === 'undefined') return null;
  const told = await navigator.storage?.estimate?.().catch(() => null);
  if (!told?.quota) return null;
  const free = told.quota - (told.usage ?? 0);
  return free >= bytes * MORE
    ? null
    : `this browser gives Ojas room for ${mb(free)} MB more, and these records take about ${mb(bytes * MORE)} MB. Free some space on the device, or leave a private window, which gives less and forgets all of it when it is closed.`;
}

/** What to say of a file that is larger than what it should be can be. */
export const tooLargeWords = (bytes: number, mostBytes: number, what: string): string =>
  `${mb(bytes)} MB is more than ${what} can be (${mb(mostBytes)} MB): choose another file.`;
