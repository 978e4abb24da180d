import { done } from '@/contract';
import { StreamAnswer } from '@/server/files';
import { endpoint } from '@/server/http';
import { today } from '@/service/context';
import { peopleCsv } from '@/service/exchange';

export const GET = endpoint({ act: 'read', record: 'sitter' }, ({ ctx }) =>
  done(new StreamAnswer(`people-${today(ctx)}.csv`, 'text/csv; charset=utf-8', peopleCsv(ctx))),
);
