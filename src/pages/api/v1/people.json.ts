import { done } from '@/contract';
import { StreamAnswer } from '@/server/files';
import { endpoint } from '@/server/http';
import { today } from '@/service/context';
import { peopleJson } from '@/service/exchange';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx }) =>
  done(new StreamAnswer(`people-${today(ctx)}.json`, 'application/json', peopleJson(ctx))),
);
