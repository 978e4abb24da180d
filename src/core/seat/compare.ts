/** Seats beside each other: each adjustment on one scale, and how they differ, in words. */
import { message, type Message, type MessageValue } from '../message';
import {
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNITS,
  type AdjustmentKind,
  type AdjustmentUnit,
} from './adjustment-kinds';
import type { Offer } from './lists';
import { endsOf, isFixed, positionCount } from './positions';
import type { Adjustment, SeatModel } from './schema';
import { adjustmentOf, offersOf } from './seat';

/** So many seats stand beside each other at most. */
export const MOST_COMPARED = 6;

export interface ComparedRange {
  readonly lowest: number;
  readonly highest: number;
  /** Values that it can be left at, where they are few; empty where it slides. */
  readonly stops: readonly number[];
  readonly adjustment: Adjustment;
}

export interface ComparedRow {
  readonly kind: AdjustmentKind;
  readonly unit: AdjustmentUnit;
  /** The scale that all of them stand on. */
  readonly from: number;
  readonly to: number;
  /** By seat, in the order given; null where a seat has none. */
  readonly ranges: readonly (ComparedRange | null)[];
  readonly differences: readonly Message[];
}

/** More stops than this are drawn as a range only. */
const MOST_STOPS = 12;

function rangeOf(adjustment: Adjustment | null): ComparedRange | null {
  if (!adjustment) return null;
  const ends = endsOf(adjustment.travel);
  const count = positionCount(adjustment);
  const stops =
    adjustment.travel.type === 'continuous' || count > MOST_STOPS
      ? []
      : adjustment.travel.type === 'listed'
        ? adjustment.travel.values.map((v) => v.value)
        : Array.from(
            { length: count },
            (_, i) => ends.lowest + (i * (ends.highest - ends.lowest)) / (count - 1),
          );
  return { ...ends, stops, adjustment };
}

/** The one that is alone at an end, and by how much before the next. */
function ahead(
  values: readonly { readonly name: string; readonly value: number }[],
  isLowest: boolean,
): { readonly name: string; readonly by: number; readonly value: number } | null {
  const sorted = [...values].sort((a, b) => (isLowest ? a.value - b.value : b.value - a.value));
  const [first, second] = sorted;
  if (!first || !second) return null;
  const by = Math.abs(first.value - second.value);
  return by > 0 ? { name: first.name, by, value: first.value } : null;
}

function differencesOf(
  names: readonly string[],
  ranges: readonly (ComparedRange | null)[],
  unit: AdjustmentUnit,
): Message[] {
  const there = ranges.flatMap((range, i) => (range ? [{ name: names[i]!, range }] : []));
  const missing = names.filter((_, i) => !ranges[i]);
  const messages: Message[] = [];
  if (missing.length > 0)
    messages.push(message('compareSeats.without', { list: { text: missing.join(', ') } }));
  const said = (value: number): MessageValue =>
    unit === 'mm'
      ? { mm: value }
      : unit === 'deg'
        ? { deg: value }
        : unit === 'turn'
          ? { turns: value }
          : unit === 'kg'
            ? { kg: value }
            : { count: value };
  // Below the finest step of a unit nobody could set the difference.
  const least = ADJUSTMENT_UNITS[unit].finestStep;
  const low = ahead(
    there.map(({ name, range }) => ({ name, value: range.lowest })),
    true,
  );
  const high = ahead(
    there.map(({ name, range }) => ({ name, value: range.highest })),
    false,
  );
  if (low && low.by >= least)
    messages.push(message('compareSeats.lowest', { name: { text: low.name }, by: said(low.by) }));
  if (high && high.by >= least)
    messages.push(message('compareSeats.highest', { name: { text: high.name }, by: said(high.by) }));
  const fixed = there.filter(({ range }) => isFixed(range.adjustment)).map(({ name }) => name);
  if (fixed.length > 0 && fixed.length < there.length)
    messages.push(message('compareSeats.fixed', { list: { text: fixed.join(', ') } }));
  const stepped = there.filter(({ range }) => range.stops.length > 1).map(({ name }) => name);
  const sliding = there.length - stepped.length - fixed.length;
  if (stepped.length > 0 && sliding > 0)
    messages.push(message('compareSeats.stepped', { list: { text: stepped.join(', ') } }));
  return messages;
}

/**
 * Returns seats beside each other, adjustment by adjustment: those that any of them has.
 * @returns one row a kind. Definition.
 * @example
 * compareSeats([seat]).map((row) => row.kind) // => ['seatHeight', 'seatDepth', 'backAngle', 'armHeight']
 */
export function compareSeats(seats: readonly SeatModel[]): ComparedRow[] {
  const names = seats.map((seat) => seat.name);
  return ADJUSTMENT_KIND_IDS.flatMap((kind) => {
    const found = seats.map((seat) => adjustmentOf(seat.adjustments, kind));
    const first = found.find((a) => a !== null);
    if (!first) return [];
    // A count cannot stand beside a length: only those in the unit of the first are on its scale.
    const ranges = found.map((a) => (a?.unit === first.unit ? rangeOf(a) : null));
    const ends = ranges.flatMap((r) => (r ? [r.lowest, r.highest] : []));
    return [
      {
        kind,
        unit: first.unit,
        from: Math.min(...ends),
        to: Math.max(...ends),
        ranges,
        differences: differencesOf(names, ranges, first.unit),
      },
    ];
  });
}

/**
 * Returns what only some of the seats offer, with those that do.
 * @returns empty where all offer the same. Definition.
 * @example
 * offeredBySome([seat]) // => []
 */
export function offeredBySome(
  seats: readonly SeatModel[],
): { readonly offer: Offer; readonly by: readonly string[] }[] {
  const all = seats.map((seat) => offersOf(seat));
  const offers = [...new Set(all.flatMap((set) => [...set]))];
  return offers
    .map((offer) => ({ offer, by: seats.filter((_, i) => all[i]!.has(offer)).map((seat) => seat.name) }))
    .filter(({ by }) => by.length < seats.length);
}

/**
 * Whether a seat can tip the sitter forward.
 * @returns false also where nobody described it. Definition.
 * @example
 * tipsForward(seat) // => false
 */
export const tipsForward = (seat: Pick<SeatModel, 'adjustments'>): boolean =>
  seat.adjustments.some(
    (a) =>
      a.kind === 'forwardTilt' ||
      a.kind === 'frontSlope' ||
      (a.kind === 'seatAngle' && endsOf(a.travel).lowest < -TIPS_DEG),
  );
/** Below this a seat counts as level, degrees. */
const TIPS_DEG = 2;
