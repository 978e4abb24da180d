import type { Quantity } from '../quantity';
import type { Adjustment, Travel } from './schema';
import { ADJUSTMENT_UNITS } from './adjustment-kinds';

/** Rounds away what binary fractions leave behind (0.1 + 0.2), far below any tolerance in use. */
const tidy = (value: number): number => Math.round(value * 1e6) / 1e6;

/**
 * The ends of an adjustment in its unit, lowest first.
 * @returns in its unit; 0 and 1 for on and off. Definition.
 * @example
 * endsOf(adjustmentOf(seat.adjustments, 'seatHeight').travel) // => { lowest: 400, highest: 500 }
 */
export function endsOf(travel: Travel): { readonly lowest: number; readonly highest: number } {
  if (travel.type === 'onOff') return { lowest: 0, highest: 1 };
  if (travel.type !== 'listed') return { lowest: travel.lowest.value, highest: travel.highest.value };
  const values = travel.values.map((q) => q.value);
  return { lowest: values[0] ?? NaN, highest: values[values.length - 1] ?? NaN };
}

/**
 * How many positions an adjustment has; at least 1 for a valid one.
 * @returns a whole number. Definition.
 * @example
 * positionCount(adjustmentOf(seat.adjustments, 'seatHeight')) // => 11
 */
export function positionCount(adjustment: Adjustment): number {
  const { travel } = adjustment;
  if (travel.type === 'onOff') return 2;
  if (travel.type === 'steps') return travel.count;
  if (travel.type === 'listed') return travel.values.length;
  const step = ADJUSTMENT_UNITS[adjustment.unit].finestStep;
  return Math.ceil(tidy((travel.highest.value - travel.lowest.value) / step)) + 1;
}

/**
 * The one function that turns a position into units.
 * @param position integer 0…positionCount−1, counted from the lowest end
 * @returns value in the adjustment's unit; the last position of a continuous travel is always its highest end.
 *   Definition.
 * @example
 * valueAt(adjustmentOf(seat.adjustments, 'seatHeight'), 3) // => 430
 */
export function valueAt(adjustment: Adjustment, position: number): number {
  const { travel } = adjustment;
  if (travel.type === 'listed') return travel.values[position]?.value ?? NaN;
  const { lowest, highest } = endsOf(travel);
  const last = positionCount(adjustment) - 1;
  if (position === last) return highest;
  return tidy(lowest + position * stepOf(adjustment, last));
}

/**
 * All values of an adjustment, by position.
 * @returns in its unit, rising. Definition.
 * @example
 * valuesOf(adjustmentOf(seat.adjustments, 'seatHeight')).length // => 11
 */
export function valuesOf(adjustment: Adjustment): number[] {
  const { travel } = adjustment;
  if (travel.type === 'listed') return travel.values.map((q) => q.value);
  const { lowest, highest } = endsOf(travel);
  const last = positionCount(adjustment) - 1;
  const step = stepOf(adjustment, last);
  const values = new Array<number>(last + 1);
  for (let i = 0; i < last; i++) values[i] = tidy(lowest + i * step);
  values[last] = highest;
  return values;
}

/** Between two positions that slide or click at equal distances. */
function stepOf({ travel, unit }: Adjustment, last: number): number {
  const { lowest, highest } = endsOf(travel);
  return travel.type === 'continuous' ? ADJUSTMENT_UNITS[unit].finestStep : (highest - lowest) / last;
}

/**
 * The position whose value is nearest; at a tie the lower.
 * @param value in the adjustment’s unit; beyond the ends: the end
 * @returns a position from 0. Definition.
 * @example
 * nearestPosition(adjustmentOf(seat.adjustments, 'seatHeight'), 444) // => 4
 */
export function nearestPosition(adjustment: Adjustment, value: number): number {
  const count = positionCount(adjustment);
  if (adjustment.travel.type === 'listed') {
    const values = valuesOf(adjustment);
    return values.reduce(
      (best, v, i) => (Math.abs(v - value) < Math.abs(values[best]! - value) ? i : best),
      0,
    );
  }
  const { lowest, highest } = endsOf(adjustment.travel);
  if (!(value > lowest)) return 0;
  if (value >= highest) return count - 1;
  const step = stepOf(adjustment, count - 1);
  const below = Math.min(count - 1, Math.floor(tidy((value - lowest) / step)));
  const above = Math.min(count - 1, below + 1);
  return value - valueAt(adjustment, below) <= valueAt(adjustment, above) - value ? below : above;
}

/**
 * Whether the positions can be told apart by hand (clicks, stops), rather than slid freely.
 * @returns false for what slides. Definition.
 * @example
 * isStepped(adjustmentOf(seat.adjustments, 'seatHeight')) // => true
 */
export function isStepped(adjustment: Adjustment): boolean {
  return adjustment.travel.type !== 'continuous';
}

/**
 * Whether nobody can move it.
 * @returns true for a single position. Definition.
 * @example
 * isFixed(adjustmentOf(seat.adjustments, 'seatHeight')) // => false
 */
export function isFixed(adjustment: Adjustment): boolean {
  return positionCount(adjustment) === 1;
}

/** A count as what it comes to: `zero + perUnit · value`. */
export interface Line {
  readonly zero: number;
  readonly perUnit: number;
}

/**
 * How values of an adjustment come to what its kind speaks of (mm or degrees); lengths and angles are what they say.
 * NaN for a count of which nobody said it.
 * @returns mm or degrees for each of its unit. Definition.
 */
export function meaningLine({ unit, means, travel }: Adjustment): Line {
  if (unit === 'mm' || unit === 'deg') return { zero: 0, perUnit: 1 };
  if (!means) return { zero: NaN, perUnit: NaN };
  const { lowest, highest } = endsOf(travel);
  const perUnit = highest > lowest ? (means.atHighest - means.atLowest) / (highest - lowest) : 0;
  return { zero: means.atLowest - perUnit * lowest, perUnit };
}

/**
 * The value of an adjustment that comes to `meaning`: the inverse of `meaningLine`, beyond the ends as well.
 * @param meaning mm or degrees
 * @returns in its unit; NaN where nobody said what a count comes to. Definition.
 */
export function countOf(adjustment: Adjustment, meaning: number): number {
  const { zero, perUnit } = meaningLine(adjustment);
  return perUnit === 0 ? NaN : (meaning - zero) / perUnit;
}

/**
 * How far the value at a position may be off, as a deviation, in the adjustment's unit: between those of its ends.
 * @param position whole number from 0
 * @returns 0 or more. Definition.
 */
export function positionSpread(adjustment: Adjustment, position: number): number {
  const { travel } = adjustment;
  if (travel.type === 'onOff') return 0;
  if (travel.type === 'listed') return travel.values[position]?.spread ?? 0;
  const last = positionCount(adjustment) - 1;
  const share = last > 0 ? position / last : 0;
  return Math.hypot((1 - share) * travel.lowest.spread, share * travel.highest.spread);
}

/** A value off a sheet or by tape is as sure as this, as a deviation (common practice); counts and states are exact. */
const USUAL_SPREAD: Readonly<Partial<Record<Adjustment['unit'], number>>> = { mm: 3, deg: 1, turn: 1 / 16 };

/**
 * How far a position may be off, as a deviation, in the adjustment's unit: as stated, else as is typical.
 * @param position whole number from 0
 * @returns 0 or more. Assumed where nobody stated it.
 */
export function looseness(adjustment: Adjustment, position: number): number {
  if (adjustment.travel.type === 'onOff') return 0;
  return positionSpread(adjustment, position) || (USUAL_SPREAD[adjustment.unit] ?? 0);
}

/**
 * A travel with every position moved by as much, in its unit.
 * @param by in its unit
 * @returns a new travel. Definition.
 * @example
 * endsOf(movedTravel(adjustmentOf(seat.adjustments, 'seatHeight').travel, 10)) // => { lowest: 410, highest: 510 }
 */
export function movedTravel(travel: Travel, by: number): Travel {
  const to = (q: Quantity): Quantity => ({ ...q, value: q.value + by });
  if (travel.type === 'onOff') return travel;
  if (travel.type === 'listed') return { ...travel, values: travel.values.map(to) };
  return { ...travel, lowest: to(travel.lowest), highest: to(travel.highest) };
}
