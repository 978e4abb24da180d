import { done } from '@/contract';
import { endpoint } from '@/server/http';
import { allSeats } from '@/service/catalogue';

export const GET = endpoint({ act: 'read', record: 'seat' }, async ({ ctx }) => done(await allSeats(ctx)));
