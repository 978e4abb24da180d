import type { APIRoute } from 'astro';
import { FitterSchema, done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, taking } from '@/server/http';
import { addFitter, allFitters } from '@/service/catalogue';

export const GET: APIRoute = async () => answer(done(await allFitters(currentContext())));

export const POST: APIRoute = taking(FitterSchema, (fitter) => addFitter(currentContext(), fitter), 201);
