import { FitRequestSchema } from '@/contract/compute';
import { endpoint } from '@/server/http';
import { fitCase, shelfOf } from '@/service/compute';

export const POST = endpoint({ act: 'read', record: 'case', body: FitRequestSchema }, ({ ctx, body }) =>
  fitCase(shelfOf(ctx), ctx.compute, body),
);
