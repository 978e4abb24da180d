import type { APIRoute } from 'astro';
import { SettingsSchema } from '@/contract';
import { currentContext } from '@/server/current';
import { idOf, taking } from '@/server/http';
import { saveSettings } from '@/service/fittings';

export const PUT: APIRoute = taking(SettingsSchema, (settings, api) =>
  saveSettings(currentContext(), idOf(api), settings),
);
