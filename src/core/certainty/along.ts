/** How likely one condition alone is met at some position, where everything that it follows pulls along one line. */
import jstat from 'jstat';
import { endsOf, stopsAmong, type Mover, type Row } from './linear';

/** Nothing lies further out, in deviations. */
const FURTHEST = 6;

const below = (z: number): number => (z > FURTHEST ? 1 : z < -FURTHEST ? 0 : jstat.jStat.normal.cdf(z, 0, 1));

type Ends = readonly [number, number];

const shareBetween = ([lo, hi]: Ends, sd: number): number => {
  if (sd > 0) return below(hi / sd) - below(lo / sd);
  return lo <= 0 && hi >= 0 ? 1 : 0;
};

/** The share of bodies whose residual, `sd` about 0, lies in one of some intervals. */
function shareWithin(intervals: readonly Ends[], sd: number): number {
  const [first] = intervals;
  if (intervals.length === 1) return shareBetween(first!, sd);
  const rising = [...intervals].sort((a, b) => a[0] - b[0]);
  let share = 0;
  let reached = -Infinity;
  for (const [lo, hi] of rising) {
    const from = Math.max(lo, reached);
    if (hi <= from) continue;
    share += shareBetween([from, hi], sd);
    reached = hi;
  }
  return Math.min(1, share);
}

/** What the movers that stop come to in all, and between which ends those that slide bring it. */
function reached(row: Row, movers: readonly Mover[]): { readonly at: number[]; lo: number; hi: number } {
  const used: number[] = [];
  for (let j = 0; j < movers.length; j++) if (row.move[j] !== 0 || row.bends?.has(j)) used.push(j);
  const stops = stopsAmong(used, movers);
  let at = [row.at];
  let [lo, hi] = [0, 0];
  for (const j of used) {
    const by = row.move[j]!;
    const mover = movers[j]!;
    const bends = row.bends?.get(j);
    if (mover.type === 'stops' && stops.includes(j)) {
      const sums: number[] = [];
      for (const sum of at)
        mover.values.forEach((value, n) => sums.push(sum + by * value + (bends?.[n] ?? 0)));
      at = sums;
      continue;
    }
    const ends = endsOf(mover);
    lo += Math.min(by * ends.lo, by * ends.hi);
    hi += Math.max(by * ends.lo, by * ends.hi);
  }
  return { at, lo, hi };
}

/**
 * The share of bodies for which a residual can be brought between two ends.
 * @param residual as a row: what it is less `lo`
 * @param width from one end of the band to the other; Infinity: it has no upper end
 * @returns a share, 0 to 1. Definition (normal error).
 */
export function shareInBand(residual: Row, width: number, movers: readonly Mover[]): number {
  const { at, lo, hi } = reached(residual, movers);
  return shareWithin(
    at.map((sum) => [-sum - hi, width - sum - lo] as const),
    residual.sd,
  );
}
