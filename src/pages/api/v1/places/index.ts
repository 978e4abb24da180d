import { PlaceEditSchema, done } from '@/contract';
import { endpoint } from '@/server/http';
import { allPlaces, savePlace } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'place' }, async ({ ctx }) => done(await allPlaces(ctx)));

export const POST = endpoint(
  { act: 'create', record: 'place', body: PlaceEditSchema, status: 201 },
  ({ ctx, body }) => savePlace(ctx, body, null),
);
