/** Imports and their parts that have not been written yet. */
import { and, asc, count, desc, eq, inArray, isNull, lt, ne, notInArray, sql } from 'drizzle-orm';
import type { ImportCounts } from '../contract/importing';
import type { PartPerson } from '../contract/people-file';
import type { Queries } from './client';
import { answers, importParts, imports, sitters } from './schema';

export interface ImportRow extends Omit<typeof imports.$inferSelect, 'counts'> {
  readonly counts: ImportCounts;
}

export const NO_COUNTS: ImportCounts = {
  created: 0,
  added: 0,
  left: 0,
  readings: 0,
  undone: 0,
  kept: 0,
  refused: [],
};

/** Counts are written by the functions below only. */
const importRow = (row: typeof imports.$inferSelect): ImportRow => ({
  ...row,
  counts: { ...NO_COUNTS, ...(row.counts as ImportCounts) },
});

export async function findImport(q: Queries, id: string): Promise<ImportRow | null> {
  const [row] = await q.select().from(imports).where(eq(imports.id, id));
  return row ? importRow(row) : null;
}

/** Imports that have been begun, the newest first. */
export async function importsBegun(q: Queries): Promise<ImportRow[]> {
  const rows = await q
    .select()
    .from(imports)
    .where(ne(imports.state, 'gathering'))
    .orderBy(desc(imports.createdAt), desc(imports.id));
  return rows.map(importRow);
}

export async function insertImport(q: Queries, row: ImportRow): Promise<void> {
  await q.insert(imports).values(row).onConflictDoNothing();
}

export async function updateImport(
  q: Queries,
  id: string,
  change: Partial<Pick<ImportRow, 'state' | 'existing' | 'counts'>>,
): Promise<void> {
  await q.update(imports).set(change).where(eq(imports.id, id));
}

/** Some people of a part. */
export interface Piece {
  /** Place of the first of them in the part. */
  readonly first: number;
  readonly people: readonly PartPerson[];
}

/** A piece that waits, with the number of its part. */
export interface WaitingPiece extends Piece {
  readonly number: number;
}

/** A part sent again takes the place of the first. */
export async function putPart(
  q: Queries,
  importId: string,
  number: number,
  pieces: readonly Piece[],
): Promise<void> {
  await q.delete(importParts).where(and(eq(importParts.importId, importId), eq(importParts.number, number)));
  await q
    .insert(importParts)
    .values(pieces.map(({ first, people }) => ({ importId, number, first, document: people })));
}

/** How many parts, and pieces of parts, wait. */
export async function countParts(
  q: Queries,
  importId: string,
): Promise<{ readonly parts: number; readonly pieces: number }> {
  const [row] = await q
    .select({ parts: sql<number>`count(distinct number)`, pieces: sql<number>`count(*)` })
    .from(importParts)
    .where(eq(importParts.importId, importId));
  return row ?? { parts: 0, pieces: 0 };
}

/** The piece to be written next; null where all have been. */
export async function nextPiece(q: Queries, importId: string): Promise<WaitingPiece | null> {
  const [row] = await q
    .select()
    .from(importParts)
    .where(eq(importParts.importId, importId))
    .orderBy(asc(importParts.number), asc(importParts.first))
    .limit(1);
  if (!row) return null;
  return { number: row.number, first: row.first, people: row.document as readonly PartPerson[] };
}

/** A piece goes for good: what it held is in the records now, and must go from there when they are deleted. */
export async function dropPiece(
  q: Queries,
  importId: string,
  { number, first }: WaitingPiece,
): Promise<void> {
  await q
    .delete(importParts)
    .where(
      and(eq(importParts.importId, importId), eq(importParts.number, number), eq(importParts.first, first)),
    );
}

export async function dropImport(q: Queries, id: string): Promise<void> {
  await q.delete(imports).where(eq(imports.id, id));
}

const UNDER_WAY: ImportRow['state'][] = ['writing', 'undoing'];

/** Ids of imports that are to be carried through. */
export async function unfinishedImports(q: Queries): Promise<string[]> {
  const rows = await q.select({ id: imports.id }).from(imports).where(inArray(imports.state, UNDER_WAY));
  return rows.map((r) => r.id);
}

/** Ids of imports that nobody decided on, or that are done, from before an instant. */
export async function importsBefore(q: Queries, instant: string): Promise<string[]> {
  const rows = await q
    .select({ id: imports.id })
    .from(imports)
    .where(and(notInArray(imports.state, UNDER_WAY), lt(imports.createdAt, instant)));
  return rows.map((r) => r.id);
}

const brought = (importId: string) => and(eq(sitters.importId, importId), isNull(sitters.deletedAt));

/** Whom an import brought and with whom nothing has been done since: neither edited nor measured nor fitted here. */
const untouched = (importId: string) =>
  and(
    brought(importId),
    // Every edit and every reading makes a version of its own.
    eq(sitters.version, 1),
    sql`not exists (select 1 from fittings f where f.sitter_id = ${sitters.id})`,
    sql`not exists (select 1 from measuring_sessions m where m.sitter_id = ${sitters.id} and m.started_at > ${sitters.createdAt})`,
  );

/** How many of the people whom an import brought are still here. */
export async function countBrought(q: Queries, importId: string): Promise<number> {
  const [row] = await q.select({ n: count() }).from(sitters).where(brought(importId));
  return row?.n ?? 0;
}

/**
 * Forgets answers that show the record of somebody whom an import brought and with whom nothing has been done since:
 * refusals, with the record as it is now, and those to bringing somebody back from deleting.
 */
export async function forgetAnswersAboutBrought(q: Queries, importId: string): Promise<void> {
  const people = q.select({ id: sitters.id }).from(sitters).where(untouched(importId));
  for (const path of ['$.current.id', '$.value.id'])
    await q.delete(answers).where(inArray(sql`json_extract(${answers.outcome}, ${path})`, people));
}

/**
 * Erases some of the people whom an import brought and with whom nothing has been done since, with all that was
 * measured of them.
 * @returns how many
 */
export async function eraseBrought(q: Queries, importId: string, most: number): Promise<number> {
  const some = q.select({ id: sitters.id }).from(sitters).where(untouched(importId)).limit(most);
  const { rowsAffected } = await q.delete(sitters).where(inArray(sitters.id, some));
  return rowsAffected;
}
