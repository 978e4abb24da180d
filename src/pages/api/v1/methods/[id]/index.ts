import { MethodSchema, refused } from '@/contract';
import { endpoint } from '@/server/http';
import { saveMethod } from '@/service/catalogue';

export const PUT = endpoint(
  { act: 'edit', record: 'method', body: MethodSchema, versioned: true },
  ({ ctx, id, version, body }) =>
    body.id === id ? saveMethod(ctx, body, version) : Promise.resolve(refused('badRequest')),
);
