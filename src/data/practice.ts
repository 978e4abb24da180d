/** What holds for the whole practice: which body-size table it uses, and its repeat tolerances. */
import { eq, sql } from 'drizzle-orm';
import type { OwnTolerances } from '../contract';
import type { Tolerances } from '../core/measuring';
import type { Queries } from './client';
import { practice } from './schema';

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
