/** Lists of seats, workstations, methods and body-size tables: what they show without opening a document. */
import { z } from 'zod';
import { Id, type Frozen } from '../core/document';
import { ADJUSTMENT_KIND_IDS, OFFERS, SEAT_CLASSES } from '../core/seat';
import { SeatSchema } from '../core/seat/schema';
import { RECORD_STATES, SEAT_SORTS } from './catalogue-lists';
import { PAGE_QUERY } from './paging';

export {
  DOCUMENT_KINDS,
  RECORD_STATES,
  SEAT_SORTS,
  type DocumentKind,
  type RecordState,
  type SeatSort,
} from './catalogue-lists';

const Range = z.object({ lowest: z.number(), highest: z.number() });

/** What a list says of a seat. */
export const SeatFactsSchema = z.object({
  seatClass: z.enum(SEAT_CLASSES),
  seatHeightMm: Range.describe('as described: loaded or empty'),
  seatDepthMm: Range.nullable(),
  seatWidthMm: z.number().nullable(),
  ratedLoadKg: z.number().nullable().describe('null: read the label'),
  price: z.number().nullable(),
  offers: z.array(z.enum(OFFERS)),
  adjustments: z.array(z.enum(ADJUSTMENT_KIND_IDS)),
});
export type SeatFacts = Frozen<z.infer<typeof SeatFactsSchema>>;

export const SeatListingSchema = z.object({
  id: Id,
  versionId: Id,
  version: z.int().min(1),
  name: z.string(),
  state: z.enum(RECORD_STATES),
  facts: SeatFactsSchema.nullable().describe('null where the document cannot be read'),
  fault: z.string().nullable().describe('why the document cannot be read; null where it can'),
  seat: SeatSchema.optional().describe('with `include=document`'),
  tagged: z
    .object({
      all: z.int().min(1),
      usable: z.int().min(0).describe('of them there, and not marked “do not use”'),
    })
    .optional()
    .describe('how many of it have a tag; absent: none'),
});
export type SeatListing = Frozen<z.infer<typeof SeatListingSchema>>;

/** Ids with commas between, each known and given once. */
const listOf = <T extends string>(known: readonly T[]) =>
  z
    .string()
    .max(400)
    .transform((text) => text.split(',').map((id) => id.trim()))
    .pipe(z.array(z.enum(known)).max(known.length));

const LARGEST = 10_000;

/** How seats are looked for. Query parameters arrive as text. */
export const SEAT_QUERY = {
  ...PAGE_QUERY,
  search: z.string().max(120).default('').describe('words of the name, in any order'),
  class: listOf(SEAT_CLASSES).optional().describe('one or more, with commas between'),
  offers: listOf(OFFERS).optional().describe('all of these, with commas between'),
  state: listOf(RECORD_STATES)
    .optional()
    .describe('one or more, with commas between; absent: everything that is not retired'),
  adjustment: z
    .enum(ADJUSTMENT_KIND_IDS)
    .optional()
    .describe('with `covers`: seats whose range has this value'),
  covers: z.coerce
    .number()
    .min(-LARGEST)
    .max(LARGEST)
    .optional()
    .describe('in the unit of the adjustment: mm or degrees, or its count'),
  loadKg: z.coerce.number().min(0).max(LARGEST).optional().describe('rated for at least this mass, kg'),
  priceTo: z.coerce.number().min(0).max(1e7).optional().describe('costs at most this'),
  family: Id.optional().describe('a seat and its variants, by the id of the seat that they are variants of'),
  sort: z.enum(SEAT_SORTS).default('name'),
  order: z.enum(['rising', 'falling']).default('rising'),
  include: z.literal('document').optional().describe('answer each seat in full as well'),
};

export type SeatQuery = Frozen<z.infer<z.ZodObject<typeof SEAT_QUERY>>>;
/** A query without a cursor or a page size. */
export type SeatFilter = Omit<SeatQuery, 'cursor' | 'limit' | 'include'>;

export const RecordStateEditSchema = z.strictObject({ state: z.enum(RECORD_STATES) });
