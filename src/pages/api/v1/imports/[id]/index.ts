import { ImportOrderSchema } from '@/contract/importing';
import { endpoint } from '@/server/http';
import { beginImport, cancelImport, importState } from '@/service/importing';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx, id }) => importState(ctx, id));

export const POST = endpoint(
  { act: 'create', record: 'sitter', body: ImportOrderSchema },
  ({ ctx, id, body }) => beginImport(ctx, id, body),
);

export const DELETE = endpoint({ act: 'edit', record: 'sitter' }, ({ ctx, id }) => cancelImport(ctx, id));
