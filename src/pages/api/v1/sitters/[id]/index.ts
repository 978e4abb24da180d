import { SitterEditSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { deleteSitter, editSitter, sitterDetail } from '@/service/sitters';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx, id }) => sitterDetail(ctx, id));

export const PATCH = endpoint(
  { act: 'edit', record: 'sitter', body: SitterEditSchema, versioned: true },
  ({ ctx, id, version, body }) => editSitter(ctx, id, version, body),
);

export const DELETE = endpoint({ act: 'delete', record: 'sitter' }, ({ ctx, id }) => deleteSitter(ctx, id));
