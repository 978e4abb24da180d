import { HandSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { saveHand } from '@/service/catalogue';

export const PUT = endpoint({ act: 'edit', record: 'fitter', body: HandSchema }, ({ ctx, id, body }) =>
  saveHand(ctx, id, body),
);
