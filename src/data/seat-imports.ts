/** Files of seats on their way in, and what came of them. */
import { and, desc, eq, inArray, or, sql } from 'drizzle-orm';
import type { SeatCounts, SeatImport } from '../contract/seats-file';
import type { Queries } from './client';
import { fittings, pieces, seatImports, seatVersions } from './schema';

const MOST_LISTED = 20;
const FIRST = 1;

type Row = typeof seatImports.$inferSelect;
const importOf = ({ id, file, broughtBy, createdAt, undone, kept, ...counts }: Row): SeatImport => ({
  id,
  file,
  broughtBy,
  createdAt,
  undone,
  kept,
  counts,
});

/** Adds what a part came to; the first part makes the import. */
export async function countPart(
  q: Queries,
  brought: Pick<Row, 'id' | 'file' | 'broughtBy' | 'createdAt'>,
  counts: SeatCounts,
): Promise<void> {
  await q
    .insert(seatImports)
    .values({ ...brought, ...counts })
    .onConflictDoUpdate({
      target: seatImports.id,
      set: {
        created: sql`${seatImports.created} + ${counts.created}`,
        versions: sql`${seatImports.versions} + ${counts.versions}`,
        left: sql`${seatImports.left} + ${counts.left}`,
        same: sql`${seatImports.same} + ${counts.same}`,
      },
    });
}

export async function findSeatImport(q: Queries, id: string): Promise<SeatImport | null> {
  const [row] = await q.select().from(seatImports).where(eq(seatImports.id, id));
  return row ? importOf(row) : null;
}

/** The latest, the newest first. */
export async function listSeatImports(q: Queries): Promise<SeatImport[]> {
  const rows = await q.select().from(seatImports).orderBy(desc(seatImports.createdAt)).limit(MOST_LISTED);
  return rows.map(importOf);
}

export async function markUndone(q: Queries, id: string, undone: number, kept: number): Promise<void> {
  await q.update(seatImports).set({ undone, kept }).where(eq(seatImports.id, id));
}

/** Which of some seat versions a fitting points at, or cannot go without a seat that stands somewhere with a tag. */
export async function usedVersions(q: Queries, versionIds: readonly string[]): Promise<ReadonlySet<string>> {
  if (versionIds.length === 0) return new Set();
  const inFittings = await q
    .select({ id: fittings.seatVersionId })
    .from(fittings)
    .where(inArray(fittings.seatVersionId, [...versionIds]));
  const tagged = await q
    .select({ id: seatVersions.id })
    .from(seatVersions)
    .innerJoin(pieces, eq(pieces.seatId, seatVersions.seatId))
    .where(
      and(
        inArray(seatVersions.id, [...versionIds]),
        // With its first version the seat itself goes.
        or(eq(seatVersions.number, FIRST), eq(pieces.settingVersionId, seatVersions.id)),
      ),
    );
  return new Set([...inFittings, ...tagged].flatMap(({ id }) => id ?? []));
}
