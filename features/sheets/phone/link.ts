import { strFromU8, strToU8, unzlibSync, zlibSync } from 'fflate';
import { homeLogSchema, openHomeLog, packHomeLog, type HomeLog } from '@/core/advise/homeLog';
import { openTakenHome, takenHomeSchema, type TakenHome } from '@/core/advise/takenHome';
import { z } from '@/core/z';

export type { TakenHome };

/** Where a sheet opens in this app. */
export const AT_HOME = '/at-home';
/** Where what was done at home is taken in. */
export const DONE_AT_HOME = '/done-at-home';

/** No address is longer: nobody sends more poses than fit. */
const MOST_CHARACTERS = 20_000;

const toAddress = (bytes: Uint8Array): string =>
  btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
const fromAddress = (text: string): Uint8Array =>
  Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (one) => one.charCodeAt(0));

const inAddress = (said: unknown): string =>
  toAddress(zlibSync(strToU8(JSON.stringify(said)), { level: 9 }));
/** The sheet itself, small enough to stand in an address after its #. */
export const sheetText = (sheet: z.infer<typeof takenHomeSchema>): string => inAddress(sheet);
/** What was done by a sheet, in an address. */
export const homeLogText = (log: HomeLog): string => inAddress(packHomeLog(log));
/** The same for a file. */
export const homeLogFile = (log: HomeLog): string => `${JSON.stringify(packHomeLog(log))}\n`;

/** Why an address, or a file, opens nothing. */
export type NoSheet = 'none' | 'damaged' | 'later';

/** What was written by a schema; nothing of it is trusted before it has been looked at. */
function readAs<T>(
  text: string,
  written: (text: string) => string,
  schema: z.ZodType<T>,
): T | NoSheet {
  if (text === '') return 'none';
  try {
    const said: unknown = JSON.parse(written(text));
    const read = schema.safeParse(said);
    if (read.success) return read.data;
    const own = /^ojas-(taken-home|home-log)\/(?!1$)\d+$/;
    return formatSchema.safeParse(said).data?.format.match(own) ? 'later' : 'damaged';
  } catch {
    return 'damaged';
  }
}
const formatSchema = z.object({ format: z.string() });

const unpacked = (text: string): string => {
  if (text.length > MOST_CHARACTERS) throw new RangeError('longer than any address');
  return strFromU8(unzlibSync(fromAddress(text)));
};
const opened = <T extends object, Opened>(
  read: T | NoSheet,
  open: (one: T) => Opened,
): Opened | NoSheet => (typeof read === 'object' ? open(read) : read);

/** The sheet that an address brings, or why it brings none. */
export const sheetIn = (text: string): TakenHome | NoSheet =>
  opened(readAs(text, unpacked, takenHomeSchema), openTakenHome);

/** What was done at home, as an address or a file brings it; or why it brings nothing. */
export const homeLogIn = (text: string): HomeLog | NoSheet =>
  opened(
    readAs(text.trim(), text.trim().startsWith('{') ? (one) => one : unpacked, homeLogSchema),
    openHomeLog,
  );
