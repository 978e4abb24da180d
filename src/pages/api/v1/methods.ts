import { done } from '@/contract';
import { endpoint } from '@/server/http';
import { allMethods } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'method' }, async ({ ctx }) =>
  done(await allMethods(ctx)),
);
