import { strFromU8, strToU8, unzlibSync, zlibSync } from 'fflate';
import { openTakenHome, takenHomeSchema, type TakenHome } from '@/core/advise/takenHome';
import type { z } from '@/core/z';

export type { TakenHome };

/** Where a sheet opens in this app. */
export const AT_HOME = '/at-home';

/** No address is longer: nobody sends more poses than fit. */
const MOST_CHARACTERS = 20_000;

const toAddress = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
const fromAddress = (text: string): Uint8Array =>
  Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (one) => one.charCodeAt(0));

/** The sheet itself, small enough to stand in an address after its #. */
export const sheetText = (sheet: z.infer<typeof takenHomeSchema>): string =>
  toAddress(zlibSync(strToU8(JSON.stringify(sheet)), { level: 9 }));

/** Why an address opens no sheet. */
export type NoSheet = 'none' | 'damaged' | 'later';

/** The sheet that an address brings, or why it brings none. Nothing in it is trusted before it has been looked at. */
export function sheetIn(text: string): TakenHome | NoSheet {
  if (text === '') return 'none';
  if (text.length > MOST_CHARACTERS) return 'damaged';
  try {
    const said: unknown = JSON.parse(strFromU8(unzlibSync(fromAddress(text))));
    const read = takenHomeSchema.safeParse(said);
    if (read.success) return openTakenHome(read.data);
    const format = (said as { format?: unknown } | null)?.format;
    return typeof format === 'string' && /^ojas-taken-home\/(?!1$)\d+$/.test(format)
      ? 'later'
      : 'damaged';
  } catch {
    return 'damaged';
  }
}
