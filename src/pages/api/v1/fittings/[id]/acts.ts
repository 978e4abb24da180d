import { FittingActSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { actOnFitting } from '@/service/fittings';

export const POST = endpoint(
  { act: 'edit', record: 'fitting', body: FittingActSchema, versioned: true },
  ({ ctx, id, version, body }) => actOnFitting(ctx, id, version, body),
);
