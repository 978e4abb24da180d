import { endpoint } from '@/server/http';
import { undoImport } from '@/service/importing';

export const POST = endpoint({ act: 'delete', record: 'sitter' }, ({ ctx, id }) => undoImport(ctx, id));
