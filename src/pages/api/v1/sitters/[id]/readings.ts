import type { APIRoute } from 'astro';
import { ReadingEditSchema } from '@/contract';
import { currentContext } from '@/server/current';
import { idOf, taking } from '@/server/http';
import { fitterName } from '@/service/catalogue';
import { preferencesOf } from '@/server/preferences';
import { takeReading } from '@/service/sitters';

export const PUT: APIRoute = taking(ReadingEditSchema, async (edit, api) => {
  const context = currentContext();
  return takeReading(
    context,
    idOf(api),
    edit,
    await fitterName(context, preferencesOf(api.cookies).fitterId),
  );
});
