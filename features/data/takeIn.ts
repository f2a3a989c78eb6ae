import type { Parsed } from '@/core/formats/check';
import type { Fault } from '@/core/formats/faults';
import { chooseFile } from './files';

/** What comes of a file that was chosen: its value, or why nothing was taken in; neither where none was chosen. */
interface TakenIn<T> {
  readonly value: T | null;
  readonly fault: string;
}

/** Lets a small file of one kind be chosen, and reads it; what it is called stands in what is said of it. */
export async function takeInFile<T>(
  parse: (bytes: Uint8Array) => Parsed<T>,
  what: string,
  mostBytes: number,
  faultWords: (faults: readonly Fault[]) => string,
): Promise<TakenIn<T> | null> {
  const file = await chooseFile('.json,application/json');
  if (!file) return null;
  if (file.size > mostBytes)
    return {
      value: null,
      fault: `The file is larger than a ${what} can be: choose another file.`,
    };
  const parsed = parse(new Uint8Array(await file.arrayBuffer()));
  return parsed.ok
    ? { value: parsed.value, fault: '' }
    : { value: null, fault: `Nothing was taken in. ${faultWords(parsed.faults)}` };
}
