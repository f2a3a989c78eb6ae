import { allParameters } from '@/core/parameters';

/** A number that a program of its own is to reckon with, instead of the usual one. */
export interface Assumed {
  readonly group: string;
  readonly name: string;
  readonly value: number;
}

export const assumedText = (assumed: Assumed | null): string => JSON.stringify(assumed);

/**
 * Sets a number for the whole program. Much of the core reads its numbers once, as it is loaded: so this is done before
 * anything else of it is, and never in the program that the teacher works with.
 *
 * @param text What `assumedText` wrote; "null" leaves every number as it is.
 * @throws RangeError for a number that nobody knows.
 */
export function assume(text: string): void {
  const assumed = JSON.parse(text) as Assumed | null;
  if (!assumed) return;
  const parameter = allParameters[assumed.group]?.[assumed.name];
  if (!parameter) throw new RangeError(`No number is called ${assumed.group}.${assumed.name}.`);
  Object.assign(parameter, { value: assumed.value });
}
