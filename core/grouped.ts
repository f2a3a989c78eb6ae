/**
 * Things put together by what they have in common, each group and the groups themselves in the order in which they
 * come.
 */
export function groupedBy<T, K>(things: readonly T[], of: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of things) {
    const key = of(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
