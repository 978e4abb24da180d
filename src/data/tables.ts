/** Tables of bodies that the practice has brought, and which one it uses. */
import { eq, sql } from 'drizzle-orm';
import type { PopulationTable } from '../core/population';
import { TableSchema, type OwnTolerances } from '../contract';
import type { Tolerances } from '../core/measuring';
import type { Queries } from './client';
import { populationTables, practice } from './schema';

export interface OwnTable {
  readonly table: PopulationTable;
  readonly isRetired: boolean;
}

type Row = typeof populationTables.$inferSelect;
const ownTable = (row: Row): OwnTable => ({
  table: TableSchema.parse(row.document),
  isRetired: row.retiredAt !== null,
});

/** In the order of bringing. */
export async function listTables(q: Queries): Promise<OwnTable[]> {
  const rows = await q.select().from(populationTables).orderBy(populationTables.createdAt);
  return rows.map(ownTable);
}

export async function findTable(q: Queries, id: string): Promise<OwnTable | null> {
  const [row] = await q.select().from(populationTables).where(eq(populationTables.id, id));
  return row ? ownTable(row) : null;
}

export async function insertTable(q: Queries, table: PopulationTable, at: string): Promise<void> {
  await q.insert(populationTables).values({ id: table.id, document: table, createdAt: at });
}

/** @param at when it was set aside; null: it is offered again */
export async function retireTable(q: Queries, id: string, at: string | null): Promise<void> {
  await q.update(populationTables).set({ retiredAt: at }).where(eq(populationTables.id, id));
}

const ONE = 1;

/** null where nobody has chosen one. */
export async function usualTableId(q: Queries): Promise<string | null> {
  const [row] = await q.select().from(practice).where(eq(practice.id, ONE));
  return row?.tableId ?? null;
}

export async function setUsualTable(q: Queries, tableId: string): Promise<void> {
  await q
    .insert(practice)
    .values({ id: ONE, tableId })
    .onConflictDoUpdate({ target: practice.id, set: { tableId } });
}

/** Returns the repeat tolerances that the practice has set for itself, with their version. */
export async function findTolerances(q: Queries): Promise<OwnTolerances> {
  const [row] = await q.select().from(practice).where(eq(practice.id, ONE));
  // Written by `setTolerances` only.
  const tolerances = (row?.tolerances as Tolerances | null | undefined) ?? {};
  return { tolerances, version: row?.tolerancesVersion ?? FIRST_VERSION };
}

const FIRST_VERSION = 1;

export async function setTolerances(q: Queries, tolerances: Tolerances): Promise<void> {
  await q
    .insert(practice)
    .values({ id: ONE, tolerances, tolerancesVersion: FIRST_VERSION + 1 })
    .onConflictDoUpdate({
      target: practice.id,
      set: { tolerances, tolerancesVersion: sql`${practice.tolerancesVersion} + 1` },
    });
}
