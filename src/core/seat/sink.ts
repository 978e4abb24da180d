import type { SeatModel } from './schema';

/** A cushion never gives less or more than this share of its stated sink (common practice). */
const LEAST_SHARE = 0.5;
const GREATEST_SHARE = 1.5;

/**
 * How far the cushion gives under a body.
 * @param massKg body mass; null (not measured) counts as the reference mass
 * @returns mm, within 0.5…1.5 of the stated sink; 0 where nobody stated it. Assumed: in proportion to the mass.
 */
export function sinkMm(seat: SeatModel, massKg: number | null): number {
  const reference = seat.cushion.sinkMm?.value ?? 0;
  if (massKg === null) return reference;
  const share = massKg / seat.cushion.referenceMassKg;
  return reference * Math.min(GREATEST_SHARE, Math.max(LEAST_SHARE, share));
}

/**
 * What to add to a seat's stated heights so that they hold under this body.
 * `ofSeat` goes to heights above the floor, `aboveSeat` to heights above the seat; mm.
 * @param massKg body mass, kg; null counts as the reference mass
 * @returns mm. Definition.
 */
export function heightShift(
  seat: SeatModel,
  massKg: number | null,
): { readonly ofSeat: number; readonly aboveSeat: number } {
  const sink = sinkMm(seat, massKg);
  const counted = seat.cushion.heightsAre === 'loaded' ? (seat.cushion.sinkMm?.value ?? 0) : 0;
  const ofSeat = counted - sink;
  return { ofSeat, aboveSeat: ofSeat === 0 ? 0 : -ofSeat };
}
