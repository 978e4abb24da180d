/** Imports and their parts that have not been written yet. */
import { and, asc, eq, lt, ne, sql } from 'drizzle-orm';
import type { ImportCounts } from '../contract/importing';
import type { PartPerson } from '../contract/people-file';
import type { Queries } from './client';
import { importParts, imports } from './schema';

export interface ImportRow extends Omit<typeof imports.$inferSelect, 'counts'> {
  readonly counts: ImportCounts;
}

export async function findImport(q: Queries, id: string): Promise<ImportRow | null> {
  const [row] = await q.select().from(imports).where(eq(imports.id, id));
  // Written by the functions below only.
  return row ? { ...row, counts: row.counts as ImportCounts } : null;
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
export async function nextPiece(
  q: Queries,
  importId: string,
): Promise<(Piece & { readonly number: number }) | null> {
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
  { number, first }: Piece & { readonly number: number },
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

/** Ids of imports that are to be carried through. */
export async function unfinishedImports(q: Queries): Promise<string[]> {
  const rows = await q.select({ id: imports.id }).from(imports).where(eq(imports.state, 'writing'));
  return rows.map((r) => r.id);
}

/** Ids of imports that nobody decided on, or that are done, from before an instant. */
export async function importsBefore(q: Queries, instant: string): Promise<string[]> {
  const rows = await q
    .select({ id: imports.id })
    .from(imports)
    .where(and(ne(imports.state, 'writing'), lt(imports.createdAt, instant)));
  return rows.map((r) => r.id);
}
