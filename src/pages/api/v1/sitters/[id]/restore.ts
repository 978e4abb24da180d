import { endpoint } from '@/server/http';
import { restoreSitter } from '@/service/sitters';

export const POST = endpoint({ act: 'restore', record: 'sitter' }, ({ ctx, id }) => restoreSitter(ctx, id));
