import { done } from '@/contract';
import { endpoint } from '@/server/http';
import { preferencesOf } from '@/server/preferences';
import { fittingCard } from '@/service/card';

export const GET = endpoint({ act: 'read', record: 'fitting' }, async ({ ctx, id, api }) => {
  const found = await fittingCard(ctx, id, preferencesOf(api.cookies, ctx.practice).reading);
  return found.ok ? done(found.value.json) : found;
});
