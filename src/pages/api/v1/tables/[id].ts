import { TableEditSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { editTable } from '@/service/tables';

export const PATCH = endpoint({ act: 'edit', record: 'table', body: TableEditSchema }, ({ ctx, id, body }) =>
  editTable(ctx, id, body),
);
