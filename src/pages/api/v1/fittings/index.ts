import type { APIRoute } from 'astro';
import { NewFittingSchema, done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, taking } from '@/server/http';
import { createFitting, recentFittings } from '@/service/fittings';

export const GET: APIRoute = async ({ url }) =>
  answer(done(await recentFittings(currentContext(), url.searchParams.get('sitter') ?? undefined)));

export const POST: APIRoute = taking(
  NewFittingSchema,
  (fitting) => createFitting(currentContext(), fitting),
  201,
);
