import type { APIRoute } from 'astro';
import { FittingEditSchema } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, editing, idOf } from '@/server/http';
import { editFitting, fittingDetail } from '@/service/fittings';

export const GET: APIRoute = async (api) => answer(await fittingDetail(currentContext(), idOf(api)));

export const PATCH: APIRoute = editing(FittingEditSchema, (edit, version, api) =>
  editFitting(currentContext(), idOf(api), version, edit),
);
