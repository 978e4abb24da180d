import type { APIRoute } from 'astro';
import { done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer } from '@/server/http';
import { allSeats } from '@/service/catalogue';

export const GET: APIRoute = async () => answer(done(await allSeats(currentContext())));
