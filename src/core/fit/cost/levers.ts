/** A lever is not moved for nothing: what it costs to leave an adjustment elsewhere than at its rest. */
import { ADJUSTMENT_KINDS, type AdjustmentKind, type AdjustmentKindRow } from '../../seat';
import { MILLION } from './curve';

/** At the end of its range that is further from rest, points; and for using what may be left off (assumed). */
const AT_FARTHER_END = 0.2;
const FOR_USING = 0.5;
/** Footrests come up to this height as a remedy, mm; the lever's share of one counts by it. */
const HIGHEST_FOOTREST_MM = 180;

/** The value nearest to where an adjustment is at rest; NaN for one that has no rest. */
function restOf(kind: AdjustmentKind, values: readonly number[]): number {
  const [lowest, highest] = [values[0]!, values[values.length - 1]!];
  switch (ADJUSTMENT_KINDS[kind].rest) {
    case 'level':
      return values.reduce((best, v) => (Math.abs(v) < Math.abs(best) ? v : best), lowest);
    case 'lowest':
      return lowest;
    case 'middle':
      return (lowest + highest) / 2;
    case 'none':
      return NaN;
  }
}

/**
 * What each position of an adjustment costs, millionths of a point.
 * @param values of all its positions, rising
 * @returns one for each position, 0 or more. Assumed.
 */
export function leverCosts(kind: AdjustmentKind, values: readonly number[]): Float64Array {
  const costs = new Float64Array(values.length);
  const rest = restOf(kind, values);
  if (Number.isNaN(rest)) return costs;
  const farther = Math.max(rest - values[0]!, values[values.length - 1]! - rest);
  if (farther === 0) return costs;
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  const using = row.optional ? FOR_USING : 0;
  values.forEach((value, i) => {
    const off = Math.abs(value - rest);
    costs[i] = Math.round(MILLION * ((AT_FARTHER_END * off) / farther + (off > 0 ? using : 0)));
  });
  return costs;
}

/**
 * What a footrest of a height costs: flat for using one, and a little more the higher it is; millionths.
 * @param flat price of using one, points
 * @param heightMm 0 for none
 * @returns millionths of a point; 0 for no footrest. Assumed.
 */
export const footrestCost = (flat: number, heightMm: number): number =>
  heightMm > 0 ? Math.round(MILLION * (flat + (AT_FARTHER_END * heightMm) / HIGHEST_FOOTREST_MM)) : 0;
