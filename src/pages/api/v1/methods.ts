import type { APIRoute } from 'astro';
import { done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer } from '@/server/http';
import { allMethods } from '@/service/catalogue';

export const GET: APIRoute = async () => answer(done(await allMethods(currentContext())));
