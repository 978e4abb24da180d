import { z } from 'zod';
import { refused } from '@/contract';
import { endpoint } from '@/server/http';
import { fittingChoices } from '@/service/fittings';

const MOST = 8;
const USUAL = 3;
const Count = z.coerce.number().int().min(0).max(MOST);

export const GET = endpoint({ act: 'read', record: 'fitting' }, ({ ctx, id, api }) => {
  const count = Count.safeParse(api.url.searchParams.get('count') ?? USUAL);
  if (count.success) return fittingChoices(ctx, id, count.data);
  return refused('invalid', { faults: [{ pointer: '/count', detail: `A whole number from 0 to ${MOST}.` }] });
});
