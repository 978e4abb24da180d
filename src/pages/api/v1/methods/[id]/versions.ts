import { endpoint } from '@/server/http';
import { methodVersionsOf } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'method' }, ({ ctx, id }) => methodVersionsOf(ctx, id));
