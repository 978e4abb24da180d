/** A state of a fitting as a link carries it: records by their ids and settings; nothing of a person. */
import { z } from 'zod';
import { Id } from '../core/document';
import { upgradeSettings } from '../core/document/upgrade';
import { SettingsSchema } from './records';
import { STATE_LINK_VERSION } from './state-link-version';

export const StateLinkSchema = z.object({
  v: z.literal(STATE_LINK_VERSION),
  fitting: Id,
  seat: Id,
  place: Id.nullable(),
  method: Id,
  settings: z.preprocess(upgradeSettings, SettingsSchema),
});
export type StateLink = z.infer<typeof StateLinkSchema>;
