import { MethodSchema, done } from '@/contract';
import { endpoint } from '@/server/http';
import { allMethods, saveMethod } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'method' }, async ({ ctx }) =>
  done(await allMethods(ctx)),
);

export const POST = endpoint(
  { act: 'create', record: 'method', body: MethodSchema, status: 201 },
  ({ ctx, body }) => saveMethod(ctx, body, null),
);
