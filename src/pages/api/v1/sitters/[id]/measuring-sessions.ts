import { MeasuringSessionEditSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { fitterName } from '@/service/catalogue';
import { measuringSessions, saveMeasuringSession } from '@/service/measuring';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx, id }) => measuringSessions(ctx, id));

export const PUT = endpoint(
  { act: 'edit', record: 'sitter', body: MeasuringSessionEditSchema },
  async ({ ctx, id, body }) => saveMeasuringSession(ctx, id, body, await fitterName(ctx, ctx.actor.fitterId)),
);
