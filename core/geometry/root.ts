const TRIES = 40;

/**
 * Where a continuous function comes down to zero on the way from one place to another; `from` where it is there
 * already,
 * `to` where it never gets there. False position, each end's value halved while that end stands still: a handful of
 * tries where halving takes a dozen. At the answer either the place or the function is right to within `closeTo`.
 */
export function firstZero(
  of: (at: number) => number,
  from: number,
  to: number,
  closeTo: number,
): number {
  let [over, under] = [from, to];
  let [overBy, underBy] = [of(from), of(to)];
  if (overBy <= 0) return from;
  for (let i = 0; underBy <= 0 && i < TRIES && Math.abs(under - over) > closeTo; i++) {
    const middle = over + ((under - over) * overBy) / (overBy - underBy);
    const here = of(middle);
    if (Math.abs(here) < closeTo) return middle;
    if (here > 0) [over, overBy, underBy] = [middle, here, underBy / 2];
    else [under, underBy, overBy] = [middle, here, overBy / 2];
  }
  return under;
}
