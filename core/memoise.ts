/** A question answered once for each thing that it is asked of. */
export function memoise<K, T>(ask: (of: K) => T): (of: K) => T {
  const known = new Map<K, T>();
  return (of) => {
    const before = known.get(of);
    if (before !== undefined) return before;
    const answer = ask(of);
    known.set(of, answer);
    return answer;
  };
}
