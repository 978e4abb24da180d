import { SettingsSchema } from '@/contract';
import { endpoint } from '@/server/http';
import { saveSettings } from '@/service/fittings';

/** The version here is the revision of the draft. */
export const PUT = endpoint(
  { act: 'edit', record: 'fitting', body: SettingsSchema, versioned: true },
  ({ ctx, id, version, body }) => saveSettings(ctx, id, version, body),
);
