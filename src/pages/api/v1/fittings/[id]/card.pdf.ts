import { endpoint } from '@/server/http';
import { cardPaper } from '@/server/papers';
import { preferencesOf } from '@/server/preferences';

export const GET = endpoint({ act: 'read', record: 'fitting' }, ({ ctx, id, api }) =>
  cardPaper(
    ctx,
    id,
    preferencesOf(api.cookies, ctx.practice).reading,
    api.url.searchParams.get('paper') ?? 'A4',
  ),
);
