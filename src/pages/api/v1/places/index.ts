import type { APIRoute } from 'astro';
import { PlaceEditSchema, done } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, taking } from '@/server/http';
import { allPlaces, savePlace } from '@/service/catalogue';

export const GET: APIRoute = async () => answer(done(await allPlaces(currentContext())));

export const POST: APIRoute = taking(
  PlaceEditSchema,
  (place) => savePlace(currentContext(), place, null),
  201,
);
