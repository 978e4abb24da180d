import { done } from '@/contract';
import { textFile } from '@/server/files';
import { endpoint } from '@/server/http';
import { today } from '@/service/context';
import { everythingAbout } from '@/service/exchange';

export const GET = endpoint({ act: 'read', record: 'sitter' }, async ({ ctx, id }) => {
  const found = await everythingAbout(ctx, id);
  return found.ok ? done(textFile(`person-${today(ctx)}.json`, 'application/json', found.value)) : found;
});
