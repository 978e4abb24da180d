import type { APIRoute } from 'astro';
import { NewSitterSchema, done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, taking } from '@/server/http';
import { createSitter, searchSitters } from '@/service/sitters';

export const GET: APIRoute = async ({ url }) =>
  answer(done(await searchSitters(currentContext(), url.searchParams.get('search') ?? '')));

export const POST: APIRoute = taking(
  NewSitterSchema,
  (sitter) => createSitter(currentContext(), sitter),
  201,
);
