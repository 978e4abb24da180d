import { done } from '@/contract';
import { TolerancesSchema } from '@/contract/tolerances';
import { endpoint } from '@/server/http';
import { saveTolerances, tolerances } from '@/service/measuring';

export const GET = endpoint({ act: 'read', record: 'fitter' }, async ({ ctx }) =>
  done(await tolerances(ctx)),
);

export const PUT = endpoint({ act: 'edit', record: 'fitter', body: TolerancesSchema }, ({ ctx, body }) =>
  saveTolerances(ctx, body),
);
