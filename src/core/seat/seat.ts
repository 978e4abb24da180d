import { ADJUSTMENT_KINDS, type AdjustmentKind, type AdjustmentKindRow } from './adjustment-kinds';
import { FLOOR_OFFERS, type FloorOffer, type Offer } from './lists';
import type { Adjustment, SeatModel } from './schema';

/**
 * The adjustment of a kind, or null.
 * @returns null where there is none. Definition.
 * @example
 * [adjustmentOf(seat.adjustments, 'seatHeight').id, adjustmentOf(seat.adjustments, 'damper')] // => ['seatHeight', null]
 */
export function adjustmentOf(adjustments: readonly Adjustment[], kind: AdjustmentKind): Adjustment | null {
  return adjustments.find((a) => a.kind === kind) ?? null;
}

/**
 * Whether a seat offers something: it is said so, or follows from its parts and adjustments.
 * @returns false also where nobody described it. Definition.
 * @example
 * offers(seat, 'harness') // => false
 */
export const offers = (seat: SeatModel, offer: Offer): boolean => offersOf(seat).has(offer);

/**
 * What the seat touches the floor with; null where nobody described it.
 * @returns null where nobody described it. Definition.
 */
export const floorOf = (seat: Pick<SeatModel, 'offers'>): FloorOffer | null =>
  FLOOR_OFFERS.find((offer) => seat.offers.includes(offer)) ?? null;

/**
 * A cushion or pad changes how a belt lies and how a suspension rides: never on such a seat.
 * @returns false where it has a belt or a suspension. Common practice, no source.
 */
export const takesCushions = (seat: SeatModel): boolean =>
  !offers(seat, 'harness') && !offers(seat, 'suspension');

/** Asked again and again of the same seat. */
const offered = new WeakMap<SeatModel, ReadonlySet<Offer>>();

/**
 * What the seat offers, as described and as follows from its parts and adjustments.
 * @returns each once. Definition.
 * @example
 * offersOf(seat).has('harness') // => false
 */
export function offersOf(seat: SeatModel): ReadonlySet<Offer> {
  const known = offered.get(seat);
  if (known) return known;
  const all = new Set(seat.offers);
  offered.set(seat, all);
  const has = (...kinds: readonly AdjustmentKind[]) => seat.adjustments.some((a) => kinds.includes(a.kind));
  if (seat.arms) all.add('arms');
  if (has('headHeight', 'headAngle', 'headDepth')) all.add('headrest');
  if (has('footRing')) all.add('footRing');
  if (has('suspensionWeight', 'damper')) all.add('suspension');
  if (seat.adjustments.some((a) => a.effort?.by === 'weighing')) all.add('selfWeighing');
  if (all.has('glides') || all.has('bolted')) all.add('noCastors');
  return all;
}

export const UNCALCULATED = ['byTrial', 'countUnknown'] as const;
/**
 * Returns why no setting is calculated for an adjustment: its force is not known, or nobody knows what its count comes
 * to. null where one is. Such an adjustment is left at rest and never counts as fitting.
 * @returns null where one is calculated. Definition.
 */
export function uncalculated({
  kind,
  unit,
  effort,
  means,
}: Adjustment): (typeof UNCALCULATED)[number] | null {
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  if (kind === 'tiltTension' && !effort) return 'byTrial';
  return row.means && unit !== 'mm' && unit !== 'deg' && !means ? 'countUnknown' : null;
}

/**
 * The adjustment that carries another along; null where none does, or where it is set by nobody itself.
 * @returns null where none does. Definition.
 */
export function leaderOf(adjustments: readonly Adjustment[], { id, holds }: Adjustment): Adjustment | null {
  if (holds.how !== 'follows') return null;
  const leader = adjustments.find((a) => a.id === holds.leaderId);
  if (!leader || leader.id === id || leader.holds.how === 'follows' || uncalculated(leader)) return null;
  return adjustmentOf(adjustments, leader.kind) === leader ? leader : null;
}
