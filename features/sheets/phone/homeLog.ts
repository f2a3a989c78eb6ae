import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { doneSchema, type Done } from '@/core/advise/homeLog';
import type { FeltAtHome } from '@/core/formats/book';
import { z } from '@/core/z';

/** How a pose was, in one tap. */
export const felts: readonly { readonly id: FeltAtHome; readonly words: string }[] = [
  { id: 'easy', words: 'Easy' },
  { id: 'right', words: 'Just right' },
  { id: 'much', words: 'Too much' },
  { id: 'pain', words: 'It hurt' },
];
export const feltWords = (felt: FeltAtHome): string =>
  felts.find(({ id }) => id === felt)?.words ?? felt;

/** A storage of its own: a book of this app on the same phone is left alone. */
const store = () => createAsyncStorage('ojas-at-home');
const LAST = 'last';
const logOf = (sheet: string) => `done/${sheet}`;

/** The sheet that was opened last, as its address brought it; empty before any. */
export const lastSheet = async (): Promise<string> => (await store().getItem(LAST)) ?? '';
export const keepSheet = (text: string): Promise<void> => store().setItem(LAST, text);

/** What was done by a sheet, oldest first; what cannot be read is left out. */
export async function doneBy(sheet: string): Promise<readonly Done[]> {
  const kept = await store().getItem(logOf(sheet));
  const read = z.array(z.unknown()).safeParse(parsed(kept));
  return (read.data ?? []).flatMap((one) => doneSchema.safeParse(one).data ?? []);
}
function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '[]');
  } catch {
    return [];
  }
}
export const keepDone = (sheet: string, all: readonly Done[]): Promise<void> =>
  store().setItem(logOf(sheet), JSON.stringify(all));

export const timesWords = (times: number): string => (times === 1 ? 'Once' : `${times} times`);
