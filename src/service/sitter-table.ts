/** Which table of bodies holds for a sitter. */
import { TABLES, type PopulationTable } from '../core/population';
import type { Sitter } from '../contract';
import type { Queries } from '../data/client';
import { TABLES_ADDED } from '../data/documents/kinds';
import { usualTableId } from '../data/practice';

/** Where the practice has chosen none. */
export const FIRST_TABLE = TABLES[0]!;

export const shippedTable = (id: string): PopulationTable | undefined => TABLES.find((t) => t.id === id);

/** The table that a sitter is estimated by: the one chosen for the sitter, else the one that the practice uses. */
export async function tableOf(q: Queries, { tableId }: Pick<Sitter, 'tableId'>): Promise<PopulationTable> {
  for (const id of [tableId, await usualTableId(q)]) {
    if (id === null) continue;
    const found = shippedTable(id) ?? (await TABLES_ADDED.newest(q, id))?.document;
    if (found) return found;
  }
  return FIRST_TABLE;
}

/** Whether there is such a table, archived or not. */
export const isTable = async (q: Queries, id: string): Promise<boolean> =>
  shippedTable(id) !== undefined || (await TABLES_ADDED.listed(q, id)) !== null;
