/**
 * Moves labels apart that would lie on each other, as little as possible and keeping their order.
 * @param wanted heights, any order; @param gap least distance between two
 * @param low lowest height, same unit
 * @param high highest height, same unit
 * @returns heights in the order given, at least `gap` apart, within `low`…`high` where there is room. Definition.
 * @example
 * spreadApart([100, 104, 300], 20, 0, 400) // => [92, 112, 300]
 */
export function spreadApart(wanted: readonly number[], gap: number, low: number, high: number): number[] {
  const order = wanted.map((z, i) => ({ z, i })).sort((a, b) => a.z - b.z || a.i - b.i);
  const height = (count: number) => (count - 1) * gap;
  const startOf = (sum: number, count: number) =>
    Math.max(low, Math.min(sum / count - height(count) / 2, high - height(count)));
  let clusters = order.map(({ z, i }) => ({ members: [i], sum: z, start: startOf(z, 1) }));
  // Clusters that touch are joined and centred on the mean of what they want, until none overlap.
  for (let touching = true; touching;) {
    touching = false;
    const joined: typeof clusters = [];
    for (const cluster of clusters) {
      const last = joined[joined.length - 1];
      if (last && cluster.start < last.start + last.members.length * gap) {
        last.members.push(...cluster.members);
        last.sum += cluster.sum;
        last.start = startOf(last.sum, last.members.length);
        touching = true;
      } else joined.push(cluster);
    }
    clusters = joined;
  }
  const out = new Array<number>(wanted.length).fill(0);
  for (const c of clusters) c.members.forEach((i, n) => (out[i] = c.start + n * gap));
  return out;
}
