/** Seats as they are looked for: by name, class, what they offer, what a range covers, load, price and state. */
import {
  and,
  asc,
  count,
  desc,
  eq,
  gt,
  gte,
  inArray,
  isNotNull,
  like,
  lt,
  lte,
  ne,
  or,
  sql,
  type SQL,
} from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { SeatFacts, SeatFilter, SeatSort } from '../../contract/catalogue';
import type { Page, PageRequest } from '../../contract/paging';
import type { Queries } from '../client';
import { matchesWords } from '../fold';
import { catalogue, seatFacts, seatRanges } from '../schema';
import { SEATS } from './kinds';
import type { Listing } from './versioned';

const PER_KG = 100;

/** By what a list is sorted; what is not described comes last either way. */
const SORTED_BY: Readonly<Record<SeatSort, SQLiteColumn>> = {
  name: catalogue.folded,
  class: seatFacts.seatClass,
  height: seatFacts.heightLowest,
  width: seatFacts.width,
  load: seatFacts.ratedLoad,
  price: seatFacts.price,
};

function covering({ adjustment, covers }: SeatFilter): SQL | undefined {
  if (adjustment === undefined) return undefined;
  const own = and(
    eq(seatRanges.kind, adjustment),
    covers === undefined ? undefined : and(lte(seatRanges.lowest, covers), gte(seatRanges.highest, covers)),
  );
  return sql`${catalogue.id} in (select ${seatRanges.seatId} from ${seatRanges} where ${own})`;
}

/** A seat whose load nobody knows is not left out: its label may say enough. */
const carrying = (loadKg: number): SQL | undefined =>
  or(sql`${seatFacts.ratedLoad} is null`, gte(seatFacts.ratedLoad, Math.round(loadKg * PER_KG)));

function matching(filter: SeatFilter): SQL | undefined {
  return and(
    eq(catalogue.kind, 'seat'),
    matchesWords(catalogue.folded, filter.search),
    filter.family === undefined ? undefined : eq(seatFacts.familyId, filter.family),
    filter.class && inArray(seatFacts.seatClass, [...filter.class]),
    filter.state ? inArray(catalogue.state, [...filter.state]) : ne(catalogue.state, 'retired'),
    ...(filter.offers ?? []).map((offer) => like(seatFacts.offers, `% ${offer} %`)),
    covering(filter),
    filter.loadKg === undefined ? undefined : carrying(filter.loadKg),
    filter.priceTo === undefined ? undefined : lte(seatFacts.price, filter.priceTo),
  );
}

/** Rows after a row in the order of a list. */
function beyond(filter: SeatFilter, last: { value: unknown; folded: string; id: string }): SQL | undefined {
  const column = SORTED_BY[filter.sort];
  const byName = sql`(${catalogue.folded}, ${catalogue.id}) > (${last.folded}, ${last.id})`;
  if (last.value === null) return and(sql`${column} is null`, byName);
  const later = filter.order === 'rising' ? gt(column, last.value) : lt(column, last.value);
  return or(later, and(eq(column, last.value), byName), and(sql`${column} is null`));
}

const ITS_FACTS = eq(seatFacts.seatId, catalogue.id);

/** Reads seats by their ids, each with the value that lists are sorted by. */
const rowsOf = (q: Queries, { sort }: SeatFilter, ids: readonly string[]) =>
  q
    .select({ row: catalogue, value: SORTED_BY[sort] })
    .from(catalogue)
    .leftJoin(seatFacts, ITS_FACTS)
    .where(and(eq(catalogue.kind, 'seat'), inArray(catalogue.id, [...ids])));

/** Returns a page of seats. */
export async function searchSeats(
  q: Queries,
  filter: SeatFilter,
  { cursor, limit }: PageRequest,
): Promise<Page<Listing<SeatFacts>> | 'unknownCursor'> {
  const [last] = cursor === undefined ? [] : await rowsOf(q, filter, [cursor]);
  if (cursor !== undefined && !last) return 'unknownCursor';
  const found = matching(filter);
  const after = last && beyond(filter, { value: last.value, folded: last.row.folded, id: last.row.id });
  const column = SORTED_BY[filter.sort];
  const towards = filter.order === 'rising' ? asc : desc;
  const [[counted], listed] = await Promise.all([
    q.select({ total: count() }).from(catalogue).leftJoin(seatFacts, ITS_FACTS).where(found),
    // Whole rows are read for the page only: sorting them takes longer than finding them.
    q
      .select({ id: catalogue.id })
      .from(catalogue)
      .leftJoin(seatFacts, ITS_FACTS)
      .where(and(found, after))
      .orderBy(desc(isNotNull(column)), towards(column), asc(catalogue.folded), asc(catalogue.id))
      .limit(limit + 1),
  ]);
  const ids = listed.slice(0, limit).map(({ id }) => id);
  const rows = new Map((await rowsOf(q, filter, ids)).map(({ row }) => [row.id, row]));
  const items = ids.flatMap((id) => rows.get(id) ?? []).map((row) => SEATS.listing(row));
  return { items, total: counted?.total ?? 0, next: listed.length > limit ? ids.at(-1)! : null };
}
