import type { APIRoute } from 'astro';
import { done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, idOf } from '@/server/http';
import { preferencesOf } from '@/server/preferences';
import { fittingCard } from '@/service/card';

export const GET: APIRoute = async (api) => {
  const found = await fittingCard(currentContext(), idOf(api), preferencesOf(api.cookies).reading);
  return answer(found.ok ? done(found.value.json) : found);
};
