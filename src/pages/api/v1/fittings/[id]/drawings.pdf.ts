import { endpoint } from '@/server/http';
import { drawingsPaper } from '@/server/papers';
import { preferencesOf } from '@/server/preferences';

export const GET = endpoint({ act: 'read', record: 'fitting' }, ({ ctx, id, api }) =>
  drawingsPaper(
    ctx,
    id,
    preferencesOf(api.cookies, ctx.practice).reading,
    api.url.searchParams.get('paper') ?? 'A4',
  ),
);
