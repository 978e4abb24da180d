import type { APIRoute } from 'astro';
import { FittingActSchema } from '@/contract';
import { currentContext } from '@/server/current';
import { editing, idOf } from '@/server/http';
import { actOnFitting } from '@/service/fittings';

export const POST: APIRoute = editing(FittingActSchema, (act, version, api) =>
  actOnFitting(currentContext(), idOf(api), version, act),
);
