/** Where a convex cost is least among places in a row, found by going down. */

/** What rounding can take off a cost that is put together of rounded ones, millionths each. */
export const ROUNDED_COST = 4;

/**
 * Whether what places cost rises ever more steeply, or falls ever less so.
 * @param values where the places are, rising, in any unit
 * @param costs of each, millionths
 * @returns true for two places or fewer; what rounding may make of it is let pass. Definition.
 */
export function isConvex(values: readonly number[], costs: Float64Array): boolean {
  const steepness = (i: number): number => (costs[i]! - costs[i - 1]!) / (values[i]! - values[i - 1]!);
  for (let i = 2; i < values.length; i++)
    if (steepness(i) < steepness(i - 1) - ROUNDED_COST / (values[i]! - values[i - 1]!)) return false;
  return true;
}

/**
 * The lowest place of a convex cost: in longer and longer steps down from where one stands, then by halving.
 * @param cost of a place from 0 to `last`, in any unit
 * @param from the place to begin at, 0 to `last`
 * @param last 0 or more
 * @returns a place; one of the lowest where several cost the same. Definition.
 */
export function downhill(cost: (at: number) => number, from: number, last: number): number {
  const here = cost(from);
  const way = from > 0 && cost(from - 1) < here ? -1 : from < last && cost(from + 1) < here ? 1 : 0;
  if (way === 0) return from;
  let [before, at, step] = [from, from + way, 1];
  for (let now = cost(at); at > 0 && at < last; step *= 2) {
    const next = Math.max(0, Math.min(last, at + way * step));
    const then = cost(next);
    if (then >= now) return between(cost, Math.min(before, next), Math.max(before, next));
    [before, at, now] = [at, next, then];
  }
  return between(cost, Math.min(before, at), Math.max(before, at));
}

function between(cost: (at: number) => number, from: number, to: number): number {
  let [lo, hi] = [from, to];
  while (lo < hi) {
    const middle = (lo + hi) >> 1;
    if (cost(middle) <= cost(middle + 1)) hi = middle;
    else lo = middle + 1;
  }
  return lo;
}
