import { writtenPath, type Fault } from './faults';

/** How deep a book's own fields and those of others may be nested. */
export const MOST_DEPTH = 32;
/** Letters that one record may take, written out: a kept picture is the largest. */
export const MOST_RECORD_LETTERS = 3_000_000;

/**
 * What makes a JSON value unfit to be worked with, whatever it means: nested too deep, or with a field that would
 * change the object it stands in. Looks at every field once, without calling itself, so that no depth can break it.
 */
export function unfitIn(json: unknown): Fault | null {
  const open: Step[] = [{ value: json, name: '', from: null, depth: 0 }];
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const { value, depth } = at;
    if (typeof value !== 'object' || value === null) continue;
    if (depth >= MOST_DEPTH)
      return {
        path: writtenPath(pathTo(at).slice(0, 4)),
        says: { code: 'too-deep', levels: MOST_DEPTH },
      };
    if (Array.isArray(value))
      for (let i = 0; i < value.length; i++)
        open.push({ value: value[i], name: i, from: at, depth: depth + 1 });
    else
      for (const name of Object.keys(value)) {
        if (name === '__proto__')
          return {
            path: writtenPath(pathTo(at)),
            says: { code: 'own-name' },
          };
        open.push({
          value: (value as Record<string, unknown>)[name],
          name,
          from: at,
          depth: depth + 1,
        });
      }
  }
  return null;
}

/** One field on the way down, and the one that it stands in. */
interface Step {
  readonly value: unknown;
  readonly name: PropertyKey;
  readonly from: Step | null;
  readonly depth: number;
}

function pathTo(step: Step): PropertyKey[] {
  const path: PropertyKey[] = [];
  for (let at = step; at.from !== null; at = at.from) path.unshift(at.name);
  return path;
}
