/**
 * What a collection holds under a name, and nothing that every object has: an address may ask for a student called
 * `toString`.
 */
export const recordIn = <T>(records: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(records, name) ? records[name] : undefined;
