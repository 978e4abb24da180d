import { NewTableSchema, done } from '@/contract';
import { endpoint } from '@/server/http';
import { addTable, allTables } from '@/service/tables';

export const GET = endpoint({ act: 'read', record: 'table' }, async ({ ctx }) => done(await allTables(ctx)));

export const POST = endpoint(
  { act: 'create', record: 'table', body: NewTableSchema, status: 201 },
  ({ ctx, body }) => addTable(ctx, body),
);
