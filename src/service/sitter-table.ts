/** Which table of bodies holds for a sitter. */
import { TABLES, type PopulationTable } from '../core/population';
import type { Sitter } from '../contract';
import type { Queries } from '../data/client';
import { findTable, usualTableId } from '../data/tables';

/** Where the practice has chosen none. */
export const FIRST_TABLE = TABLES[0]!;

export const shippedTable = (id: string): PopulationTable | undefined => TABLES.find((t) => t.id === id);

/** The table that a sitter is estimated by: the one chosen for the sitter, else the one that the practice uses. */
export async function tableOf(q: Queries, { tableId }: Pick<Sitter, 'tableId'>): Promise<PopulationTable> {
  for (const id of [tableId, await usualTableId(q)]) {
    if (id === null) continue;
    const found = shippedTable(id) ?? (await findTable(q, id))?.table;
    if (found) return found;
  }
  return FIRST_TABLE;
}

/** Whether there is such a table, set aside or not. */
export const isTable = async (q: Queries, id: string): Promise<boolean> =>
  shippedTable(id) !== undefined || (await findTable(q, id)) !== null;
