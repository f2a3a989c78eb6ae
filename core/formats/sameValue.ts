/**
 * Values compared by what they say, whatever the order of their fields; a field that is missing says nothing, like one
 * left undefined.
 */
export function sameValue(a: unknown, b: unknown): boolean {
  if (a === b || Object.is(a, b)) return true;
  if (
    typeof a !== 'object' ||
    typeof b !== 'object' ||
    a === null ||
    b === null ||
    Array.isArray(a) !== Array.isArray(b)
  )
    return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) =>
    sameValue((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  );
}
