/** A state of a fitting as a link carries it: records by their ids and settings; nothing of a person. */
import { z } from 'zod';
import { Id, SettingsSchema } from './records';

export const STATE_LINK_VERSION = 1;

export const StateLinkSchema = z.object({
  v: z.literal(STATE_LINK_VERSION),
  fitting: Id,
  seat: Id,
  place: Id.nullable(),
  method: Id,
  settings: SettingsSchema,
});
export type StateLink = z.infer<typeof StateLinkSchema>;
