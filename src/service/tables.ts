import '../words/pages';
import { TABLES, readTable } from '../core/population';
import {
  done,
  refused,
  type NewTable,
  type Outcome,
  type TableEdit,
  type TableSummary,
  type Unreadable,
} from '../contract';
import type { PageRequest } from '../contract/paging';
import type { Queries } from '../data/client';
import { isSameContent } from '../data/content';
import { openFittingsByUsualTable } from '../data/fittings';
import { TABLES_ADDED } from '../data/documents/kinds';
import { setUsualTable, usualTableId } from '../data/practice';
import { sayTableFault, word } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { refreshInputs } from './inputs';
import { unreadableTables } from './catalogue';
import { pageOf } from './paging';
import { useCase } from './rights';
import { FIRST_TABLE, shippedTable } from './sitter-table';

/** So many faults of a file are told at once. */
const MOST_FAULTS = 50;
/** So many fittings are brought up to date before others may write. */
const CHUNK = 20;

async function summariesOf(q: Queries): Promise<TableSummary[]> {
  const listed = await TABLES_ADDED.listings(q);
  const read = await TABLES_ADDED.read(
    q,
    listed.map((l) => l.versionId),
  );
  const all = [
    ...TABLES.map((table) => ({ table, isOwn: false, isRetired: false })),
    ...listed.flatMap(({ versionId, state }) => {
      const table = read.get(versionId)?.document;
      return table ? [{ table, isOwn: true, isRetired: state === 'retired' }] : [];
    }),
  ];
  const usual = await usualTableId(q);
  const usualId = all.some((t) => t.table.id === usual) ? usual : FIRST_TABLE.id;
  return all.map((t) => ({ ...t, isUsual: t.table.id === usualId }));
}

export const allTables = useCase('read', 'table', async (ctx: Context) =>
  done(await summariesOf(ctx.store.db)),
);
export const pageOfTables = useCase('read', 'table', async (ctx: Context, page: PageRequest) => {
  const unread = await unreadableTables(ctx);
  const all: (TableSummary | Unreadable)[] = [
    ...(await summariesOf(ctx.store.db)),
    ...(unread.ok ? unread.value : []),
  ];
  return pageOf(all, (t) => ('table' in t ? t.table.id : t.id), page);
});
export const tableSummary = useCase('read', 'table', async (ctx: Context, id: string) => {
  const found = (await summariesOf(ctx.store.db)).find((t) => t.table.id === id);
  return found ? done(found) : refused('notFound');
});

/**
 * Adds a table from a CSV file; every fault is told with its line and column. The same again gives the first record;
 * the same id with other contents is refused.
 */
export const addTable = useCase(
  'create',
  'table',
  async (ctx: Context, { id, name, source, csv }: NewTable): Promise<Outcome<TableSummary>> => {
    const read = readTable(csv, { id, name, source });
    if (!read.ok)
      return refused('invalid', {
        faults: read.faults
          .slice(0, MOST_FAULTS)
          .map((fault) => ({ pointer: '/csv', detail: sayTableFault(fault) })),
      });
    return write(ctx, async (q) => {
      const known = await TABLES_ADDED.newest(q, id);
      if (known && !isSameContent(known.document, read.table)) return refused('idInUse');
      if (!known)
        await TABLES_ADDED.insert(q, {
          versionId: ctx.newId(),
          number: 1,
          savedAt: ctx.now().toISOString(),
          document: read.table,
        });
      return done(await summaryOf(q, id));
    });
  },
);

const summaryOf = async (q: Queries, id: string): Promise<TableSummary> =>
  (await summariesOf(q)).find((t) => t.table.id === id)!;

/** Makes a table the usual one, or sets one of the practice's own aside or takes it back. */
export const editTable = useCase(
  'edit',
  'table',
  async (ctx: Context, id: string, edit: TableEdit): Promise<Outcome<TableSummary>> => {
    const edited = await write(ctx, async (q) => {
      const own = await TABLES_ADDED.listed(q, id);
      if (!own && !shippedTable(id)) return refused('notFound');
      const isRetired = edit.isRetired ?? (own ? own.state === 'retired' : false);
      if (!own && edit.isRetired)
        return refused('invalid', {
          faults: [{ pointer: '/isRetired', detail: word('field.tableBuiltIn') }],
        });
      const isUsual = edit.isUsual ?? (await summaryOf(q, id)).isUsual;
      if (isRetired && isUsual)
        return refused('invalid', {
          faults: [{ pointer: '/isRetired', detail: word('field.tableDefault') }],
        });
      if (own && edit.isRetired !== undefined)
        await TABLES_ADDED.putState(q, id, edit.isRetired ? 'retired' : 'checked', {
          at: ctx.now().toISOString(),
          by: ctx.actor.fitter?.name ?? null,
        });
      if (edit.isUsual) await setUsualTable(q, id);
      return done(await summaryOf(q, id));
    });
    if (edited.ok && edit.isUsual) await refreshAll(ctx);
    return edited;
  },
);

/** Brings every open fitting that the usual table fills in up to date, in chunks that let others pass. */
async function refreshAll(ctx: Context): Promise<void> {
  const ids = await openFittingsByUsualTable(ctx.store.db);
  for (let i = 0; i < ids.length; i += CHUNK)
    await ctx.store.write(async (q) => {
      for (const id of ids.slice(i, i + CHUNK)) await refreshInputs(ctx, q, id);
    });
}
