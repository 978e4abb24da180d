import { ImportPartSchema } from '@/contract/people-file';
import { endpoint } from '@/server/http';
import { fitterName } from '@/service/catalogue';
import { gatherPart } from '@/service/importing';

export const PUT = endpoint(
  { act: 'create', record: 'sitter', body: ImportPartSchema },
  async ({ ctx, id, body }) => gatherPart(ctx, id, body, await fitterName(ctx, ctx.actor.fitterId)),
);
