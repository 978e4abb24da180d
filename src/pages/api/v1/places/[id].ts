import { PlaceEditSchema, refused } from '@/contract';
import { endpoint } from '@/server/http';
import { savePlace } from '@/service/catalogue';

export const PUT = endpoint(
  { act: 'edit', record: 'place', body: PlaceEditSchema, versioned: true },
  ({ ctx, id, version, body }) =>
    body.id === id ? savePlace(ctx, body, version) : Promise.resolve(refused('badRequest')),
);
