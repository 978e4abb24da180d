import { z } from 'zod';
import { Id } from '../core/document';

export const CARD_FORMAT = 'velto-settings-card';
export const CARD_FORMAT_VERSION = 5;

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
  move: z.array(Text).describe('how and when to change posture'),
  levers: z.array(Text).describe('the adjustments that each who shares the seat has to move, at most three'),
  asLeft: z
    .object({
      by: Text.nullable(),
      at: Text.describe('when it was signed off'),
      settings: z.array(
        z.object({
          adjustment: Text,
          name: Text,
          calculated: Text.nullable(),
          reached: Text.nullable().describe('where the steps at the seat led'),
          left: Text.nullable().describe('null where nobody set it'),
          why: z.array(Text),
          note: Text.nullable(),
        }),
      ),
    })
    .nullable()
    .describe('of a version that was signed off after setting the seat step by step'),
  cautions: z.array(Text),
});
export type CardJson = z.infer<typeof CardSchema>;

const Instant = z.string();

export const CardLinkSchema = z.object({
  id: Id,
  madeAt: Instant,
  madeBy: Text.nullable().describe('name of the fitter; null where nobody was named'),
});
export type CardLink = z.infer<typeof CardLinkSchema>;

export const CardLinksSchema = z.object({
  isSigned: z.boolean().describe('whether there is a version that a link could open'),
  links: z.array(CardLinkSchema).describe('the oldest first; what they lead by is not kept'),
});
export type CardLinks = z.infer<typeof CardLinksSchema>;

export const NewCardLinkSchema = CardLinkSchema.extend({
  token: Text.describe('what the link leads by; given this once'),
  path: Text.describe('of the page that it opens, from the root of the program'),
  url: Text.nullable().describe('the whole address; null where the program has no public address'),
  code: z
    .object({ size: z.int(), path: Text })
    .nullable()
    .describe('QR code of the address: black squares as an SVG path, on a field of so many units'),
});
export type NewCardLink = z.infer<typeof NewCardLinkSchema>;
