import { endpoint } from '@/server/http';
import { fittingRemains } from '@/service/fittings';

export const GET = endpoint({ act: 'read', record: 'fitting' }, ({ ctx, id }) => fittingRemains(ctx, id));
