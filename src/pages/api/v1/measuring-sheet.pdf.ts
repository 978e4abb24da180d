import { endpoint } from '@/server/http';
import { measuringPaper } from '@/server/measuring-sheet';
import { preferencesOf } from '@/server/preferences';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx, api }) =>
  measuringPaper(ctx, null, preferencesOf(api.cookies, ctx.practice).reading, {
    paper: api.url.searchParams.get('paper') ?? 'A4',
    set: api.url.searchParams.get('set') ?? 'quick',
    isFilled: false,
  }),
);
