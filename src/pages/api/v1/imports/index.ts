import { endpoint } from '@/server/http';
import { done } from '@/contract';
import { importsLately } from '@/service/importing';

export const GET = endpoint({ act: 'read', record: 'sitter' }, async ({ ctx }) =>
  done(await importsLately(ctx)),
);
