import { endpoint } from '@/server/http';
import { restoreFitting } from '@/service/fittings';

export const POST = endpoint({ act: 'restore', record: 'fitting' }, ({ ctx, id }) => restoreFitting(ctx, id));
