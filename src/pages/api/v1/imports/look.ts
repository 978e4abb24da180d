import { LookSchema } from '@/contract/importing';
import { endpoint } from '@/server/http';
import { lookUp } from '@/service/importing';

export const POST = endpoint({ act: 'read', record: 'sitter', body: LookSchema }, ({ ctx, body }) =>
  lookUp(ctx, body),
);
