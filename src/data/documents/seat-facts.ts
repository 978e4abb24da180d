/** What seats are listed, found and sorted by: columns beside their documents. */
import { eq } from 'drizzle-orm';
import type { SeatFacts } from '../../contract/catalogue';
import { adjustmentOf, endsOf, offersOf, type AdjustmentKind, type SeatModel } from '../../core/seat';
import type { Queries } from '../client';
import { seatFacts, seatRanges } from '../schema';

const TENTHS = 10;
/** Stored tens of grams in a kilogram. */
const PER_KG = 100;

function rangeOf(seat: SeatModel, kind: AdjustmentKind): { lowest: number; highest: number } | null {
  const found = adjustmentOf(seat.adjustments, kind);
  return found && { ...endsOf(found.travel) };
}

/** Returns what a list says of a seat. */
export const seatFactsOf = (seat: SeatModel): SeatFacts => ({
  seatClass: seat.seatClass,
  seatHeightMm: rangeOf(seat, 'seatHeight')!,
  seatDepthMm: rangeOf(seat, 'seatDepth'),
  seatWidthMm: seat.seatWidthMm?.value ?? null,
  ratedLoadKg: seat.ratedLoadKg?.value ?? null,
  price: seat.price ?? null,
  offers: [...offersOf(seat)],
  adjustments: seat.adjustments.map((a) => a.kind),
});

/** Removes what a seat was found by. */
export async function unindexSeat(q: Queries, seatId: string): Promise<void> {
  await q.delete(seatRanges).where(eq(seatRanges.seatId, seatId));
  await q.delete(seatFacts).where(eq(seatFacts.seatId, seatId));
}

function factColumns(seat: SeatModel) {
  const facts = seatFactsOf(seat);
  const { seatHeightMm, seatWidthMm, ratedLoadKg } = facts;
  return {
    familyId: seat.variant?.familyId ?? seat.id,
    seatClass: facts.seatClass,
    heightLowest: Math.round(seatHeightMm.lowest * TENTHS),
    heightHighest: Math.round(seatHeightMm.highest * TENTHS),
    width: seatWidthMm === null ? null : Math.round(seatWidthMm * TENTHS),
    ratedLoad: ratedLoadKg === null ? null : Math.round(ratedLoadKg * PER_KG),
    price: facts.price,
    offers: ` ${facts.offers.join(' ')} `,
  };
}

const rangesOf = (seat: SeatModel) =>
  seat.adjustments.map(({ kind, travel }) => ({ seatId: seat.id, kind, ...endsOf(travel) }));

/** Writes what a seat is found by, in place of what stood there. */
export async function indexSeat(q: Queries, seat: SeatModel): Promise<void> {
  const columns = factColumns(seat);
  await q
    .insert(seatFacts)
    .values({ seatId: seat.id, ...columns })
    .onConflictDoUpdate({ target: seatFacts.seatId, set: columns });
  await q.delete(seatRanges).where(eq(seatRanges.seatId, seat.id));
  await q.insert(seatRanges).values(rangesOf(seat));
}

/** Writes what seats are found by that were not here before. */
export async function indexNewSeats(q: Queries, seats: readonly SeatModel[]): Promise<void> {
  await q.insert(seatFacts).values(seats.map((seat) => ({ seatId: seat.id, ...factColumns(seat) })));
  await q.insert(seatRanges).values(seats.flatMap(rangesOf));
}
