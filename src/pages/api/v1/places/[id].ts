import type { APIRoute } from 'astro';
import { PlaceEditSchema, refused } from '@/contract';
import { currentContext } from '@/server/current';
import { editing, idOf } from '@/server/http';
import { savePlace } from '@/service/catalogue';

export const PUT: APIRoute = editing(PlaceEditSchema, async (place, version, api) =>
  place.id === idOf(api) ? savePlace(currentContext(), place, version) : refused('badRequest'),
);
