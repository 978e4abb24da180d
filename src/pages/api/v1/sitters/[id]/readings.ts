import { ReadingEditSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { fitterName } from '@/service/catalogue';
import { takeReading } from '@/service/sitters';

export const PUT = endpoint(
  { act: 'edit', record: 'sitter', body: ReadingEditSchema },
  async ({ ctx, id, body }) => takeReading(ctx, id, body, await fitterName(ctx, ctx.actor.fitterId)),
);
