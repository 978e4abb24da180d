import { NewFittingSchema, done } from '@/contract';
import { endpoint } from '@/server/http';
import { createFitting, recentFittings } from '@/service/fittings';

export const GET = endpoint({ act: 'read', record: 'fitting' }, async ({ ctx, api }) =>
  done(await recentFittings(ctx, api.url.searchParams.get('sitter') ?? undefined)),
);

export const POST = endpoint(
  { act: 'create', record: 'fitting', body: NewFittingSchema, status: 201 },
  ({ ctx, body }) => createFitting(ctx, body),
);
