import { NewSitterSchema, done } from '@/contract';
import { endpoint } from '@/server/http';
import { createSitter, searchSitters } from '@/service/sitters';

export const GET = endpoint({ act: 'read', record: 'sitter' }, async ({ ctx, api }) =>
  done(await searchSitters(ctx, api.url.searchParams.get('search') ?? '')),
);

export const POST = endpoint(
  { act: 'create', record: 'sitter', body: NewSitterSchema, status: 201 },
  ({ ctx, body }) => createSitter(ctx, body),
);
