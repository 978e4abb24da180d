import { and, asc, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { DIMENSIONS, FITTING_DIMENSIONS, isDimensionId, type Body, type DimensionId } from '../core/body';
import type { Quantity } from '../core/quantity';
import type { NewSitter, Sitter, SitterEdit } from '../contract';
import type { Page, PageRequest } from '../contract/paging';
import type { Queries } from './client';
import { fold, matchesWords } from './fold';
import { readings, sitters } from './schema';

/** Stored units of one unit shown: tenths of a millimetre, hundredths of a kilogram. */
const STORED_PER: Record<'mm' | 'kg', number> = { mm: 10, kg: 100 };

export const storedPer = (id: DimensionId): number => STORED_PER[DIMENSIONS[id].unit];

const COUNTED = sql.raw(FITTING_DIMENSIONS.map((id) => `'${id}'`).join(', '));
/**
 * How many readings hold of what settings are computed from; table names are spelt out, because a select from one table
 * leaves them away.
 */
export const measuredOf = sql<number>`(select count(*) from readings r where r.sitter_id = sitters.id and r.withdrawn_at is null and r.dimension in (${COUNTED}))`;
const columns = {
  id: sitters.id,
  name: sitters.name,
  isNickname: sitters.isNickname,
  consentOn: sitters.consentOn,
  consentBy: sitters.consentBy,
  birthDate: sitters.birthDate,
  sex: sitters.sex,
  tableId: sitters.tableId,
  version: sitters.version,
  updatedAt: sitters.updatedAt,
  measured: measuredOf,
};

/** Returns a page of sitters by name. */
export async function listSitters(
  q: Queries,
  search: string,
  { cursor, limit }: PageRequest,
): Promise<Page<Sitter> | 'unknownCursor'> {
  const found = and(isNull(sitters.deletedAt), matchesWords(sitters.folded, search));
  const last = cursor === undefined ? null : await placeInList(q, cursor);
  if (last === undefined) return 'unknownCursor';
  const after = last && sql`(${sitters.folded}, ${sitters.id}) > (${last.folded}, ${last.id})`;
  const [[counted], rows] = await Promise.all([
    q.select({ total: count() }).from(sitters).where(found),
    q
      .select(columns)
      .from(sitters)
      .where(and(found, after ?? undefined))
      .orderBy(asc(sitters.folded), asc(sitters.id))
      .limit(limit + 1),
  ]);
  const items = rows.slice(0, limit);
  return { items, total: counted?.total ?? 0, next: rows.length > limit ? items.at(-1)!.id : null };
}

async function placeInList(q: Queries, id: string) {
  const [row] = await q
    .select({ id: sitters.id, folded: sitters.folded })
    .from(sitters)
    .where(eq(sitters.id, id));
  return row;
}

/** Whether an id belongs to a sitter, deleted and not yet erased ones included. */
export const isSitterIdUsed = async (q: Queries, id: string): Promise<boolean> =>
  (await placeInList(q, id)) !== undefined;

export async function findSitter(q: Queries, id: string): Promise<Sitter | null> {
  const [row] = await q
    .select(columns)
    .from(sitters)
    .where(and(eq(sitters.id, id), isNull(sitters.deletedAt)));
  return row ?? null;
}

/** Marks as deleted at an instant, or takes the mark away; false where no such sitter is there to mark. */
export async function markSitter(q: Queries, id: string, deletedAt: string | null): Promise<boolean> {
  const marked = await q
    .update(sitters)
    .set({ deletedAt })
    .where(
      and(eq(sitters.id, id), deletedAt === null ? isNotNull(sitters.deletedAt) : isNull(sitters.deletedAt)),
    )
    .returning({ id: sitters.id });
  return marked.length > 0;
}

export async function insertSitter(q: Queries, sitter: NewSitter, at: string): Promise<void> {
  await q.insert(sitters).values({ ...sitter, folded: fold(sitter.name), createdAt: at, updatedAt: at });
}

export async function updateSitter(q: Queries, id: string, edit: SitterEdit, at: string): Promise<void> {
  await q
    .update(sitters)
    .set({
      ...(edit.name === undefined ? {} : { name: edit.name, folded: fold(edit.name) }),
      // What is not said stays: a column that is undefined is not set.
      isNickname: edit.isNickname,
      consentOn: edit.consentOn,
      consentBy: edit.consentBy,
      birthDate: edit.birthDate,
      sex: edit.sex,
      tableId: edit.tableId,
      version: sql`${sitters.version} + 1`,
      updatedAt: at,
    })
    .where(eq(sitters.id, id));
}

/** The readings that hold, as quantities. */
export async function bodyOf(q: Queries, sitterId: string): Promise<Body> {
  const rows = await q
    .select()
    .from(readings)
    .where(and(eq(readings.sitterId, sitterId), isNull(readings.withdrawnAt)))
    .orderBy(desc(readings.takenAt));
  const body: Partial<Record<DimensionId, Quantity>> = {};
  for (const row of rows) {
    if (!isDimensionId(row.dimension)) continue;
    const per = storedPer(row.dimension);
    body[row.dimension] = {
      value: row.value / per,
      basis: row.basis,
      spread: row.spread / per,
      source: row.source,
      takenAt: row.takenAt,
      takenBy: row.takenBy,
      ...(row.instrument === null ? {} : { instrument: row.instrument }),
      ...(row.reason === null ? {} : { reason: row.reason }),
    };
  }
  return body;
}

/** Takes back the reading that holds, if there is one. */
export async function withdrawReading(
  q: Queries,
  sitterId: string,
  dimension: DimensionId,
  at: string,
): Promise<void> {
  await q
    .update(readings)
    .set({ withdrawnAt: at })
    .where(
      and(eq(readings.sitterId, sitterId), eq(readings.dimension, dimension), isNull(readings.withdrawnAt)),
    );
}

/** In which session a reading was taken, and from which single ones it was settled. */
export interface TakenIn {
  readonly sessionId: string | null;
  readonly takes: readonly number[] | null;
}

export async function insertReading(
  q: Queries,
  id: string,
  sitterId: string,
  dimension: DimensionId,
  quantity: Quantity,
  at: string,
  { sessionId, takes }: TakenIn = { sessionId: null, takes: null },
): Promise<void> {
  const per = storedPer(dimension);
  await q.insert(readings).values({
    id,
    sitterId,
    dimension,
    value: Math.round(quantity.value * per),
    basis: quantity.basis,
    spread: Math.round(quantity.spread * per),
    source: quantity.source,
    takenAt: at,
    takenBy: quantity.takenBy,
    reason: quantity.reason ?? null,
    instrument: quantity.instrument ?? null,
    sessionId,
    takes: takes && takes.map((take) => Math.round(take * per)),
  });
}
