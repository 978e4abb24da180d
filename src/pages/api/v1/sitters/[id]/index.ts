import type { APIRoute } from 'astro';
import { SitterEditSchema } from '@/contract';
import { currentContext } from '@/server/current';
import { answer, editing, idOf } from '@/server/http';
import { editSitter, sitterDetail } from '@/service/sitters';

export const GET: APIRoute = async (api) => answer(await sitterDetail(currentContext(), idOf(api)));

export const PATCH: APIRoute = editing(SitterEditSchema, (edit, version, api) =>
  editSitter(currentContext(), idOf(api), version, edit),
);
