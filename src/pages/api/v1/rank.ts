import { RankRequestSchema } from '@/contract/compute';
import { endpoint } from '@/server/http';
import { rankCase, shelfOf } from '@/service/compute';

export const POST = endpoint({ act: 'read', record: 'case', body: RankRequestSchema }, ({ ctx, body }) =>
  rankCase(shelfOf(ctx), ctx.compute, body),
);
