import { FittingEditSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { deleteFitting, editFitting, fittingDetail } from '@/service/fittings';

export const GET = endpoint({ act: 'read', record: 'fitting' }, ({ ctx, id }) => fittingDetail(ctx, id));

export const PATCH = endpoint(
  { act: 'edit', record: 'fitting', body: FittingEditSchema, versioned: true },
  ({ ctx, id, version, body }) => editFitting(ctx, id, version, body),
);

export const DELETE = endpoint({ act: 'delete', record: 'fitting' }, ({ ctx, id }) => deleteFitting(ctx, id));
