/** Something wrong in a file, where it is, and what to do about it. */
export interface Fault {
  /** `readings[3].values[0]`, or `line 12`. */
  readonly path: string;
  readonly words: string;
}

/** A path in a file as words: `people[2].name`. */
export const pathWords = (path: readonly PropertyKey[]) =>
  path.reduce<string>(
    (sum, step) =>
      typeof step === 'number'
        ? `${sum}[${step}]`
        : sum === ''
          ? String(step)
          : `${sum}.${String(step)}`,
    '',
  ) || 'the file';

/** How deep a book's own fields and those of others may be nested. */
export const MOST_DEPTH = 32;
/** Letters that one record may take, written out: a kept picture is the largest. */
export const MOST_RECORD_LETTERS = 3_000_000;

/** Names that an object has by itself: none may serve as the id of a record, which is a name in an object too. */
export const isOwnName = (id: string) => !(id in Object.prototype);

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
        path: pathWords(pathTo(at).slice(0, 4)),
        words: `nested deeper than ${MOST_DEPTH} levels: no book needs that. Take this field out.`,
      };
    if (Array.isArray(value))
      for (let i = 0; i < value.length; i++)
        open.push({ value: value[i], name: i, from: at, depth: depth + 1 });
    else
      for (const name of Object.keys(value)) {
        if (name === '__proto__')
          return {
            path: pathWords(pathTo(at)),
            words: 'a field is called __proto__, which no field may be: take it out.',
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
