import { z } from 'zod';

export const CARD_FORMAT = 'velto-settings-card';
export const CARD_FORMAT_VERSION = 4;

const Text = z.string();

/** The settings card in JSON: the words of the sheet and the numbers behind them. */
export const CardSchema = z.object({
  format: z.literal(CARD_FORMAT),
  formatVersion: z.int(),
  header: z.object({
    sitter: Text,
    seat: Text,
    place: Text.nullable(),
    method: Text,
    fitter: Text,
    date: z.iso.date(),
    tag: Text.optional().describe('of the very seat'),
    isStopped: z.literal(true).optional().describe('nobody may sit on that very seat: nothing is to be set'),
  }),
  start: Text.nullable().describe(
    'how the seat stands before anything is set; null where nothing is to be set',
  ),
  refusals: z.array(Text),
  settings: z.array(
    z.object({
      order: z.int().min(1),
      adjustment: Text,
      name: Text,
      position: z.int().min(0).describe('counted from 0 at the lowest end'),
      of: z.int().min(1).describe('how many positions there are'),
      value: z.number(),
      unit: Text,
      setting: Text,
      control: Text.nullable(),
      movement: Text.nullable(),
      check: Text.nullable(),
      tolerance: Text.nullable().describe('how far it may be off while what fits still does'),
      verdict: Text,
      onEstimate: z.boolean(),
      chain: z.array(Text),
    }),
  ),
  postures: z
    .array(
      z.object({
        name: Text,
        settings: z.array(z.object({ adjustment: Text, name: Text, setting: Text })),
      }),
    )
    .describe('further postures, each with what it sets otherwise'),
  remedies: z.array(Text),
  unreached: z.array(z.object({ adjustment: Text, reason: Text, remedy: Text.nullable() })),
  offered: z.array(Text),
  isUnsought: z.boolean().describe('whether remedies were wanted and could not be calculated in time'),
  estimated: z.array(Text),
  unmeasured: z.array(z.object({ adjustment: Text, reason: Text })),
  uncalculated: z.array(Text),
  posture: z.array(Text),
  cautions: z.array(Text),
});
export type CardJson = z.infer<typeof CardSchema>;
