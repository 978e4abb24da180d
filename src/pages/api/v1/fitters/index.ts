import { FitterSchema, done } from '@/contract';
import { NewName } from '@/contract/records';
import { endpoint } from '@/server/http';
import { addFitter, allFitters } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'fitter' }, async ({ ctx }) =>
  done(await allFitters(ctx)),
);

export const POST = endpoint(
  { act: 'create', record: 'fitter', body: FitterSchema.extend({ name: NewName }), status: 201 },
  ({ ctx, body }) => addFitter(ctx, body),
);
