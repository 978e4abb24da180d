/** How people and readings from a file come in, part by part. */
import { z } from 'zod';
import { Id } from './records';

/** Most people in one part, and most asked about at once. */
export const PEOPLE_A_PART = 1000;
export const MOST_LOOKED_UP = 500;
export const MOST_PARTS = 20_000;

/** Whether somebody from a file is here already. */
export const PRESENCES = ['new', 'here', 'several', 'deleted'] as const;
export type Presence = (typeof PRESENCES)[number];

export const LookSchema = z.object({
  people: z
    .array(z.object({ id: Id.nullable(), name: z.string().max(10_000), birthDate: z.iso.date().nullable() }))
    .max(MOST_LOOKED_UP),
});
export type Look = z.infer<typeof LookSchema>;

/** In the order asked. */
export const LookedSchema = z.object({ found: z.array(z.enum(PRESENCES)) });
export type Looked = z.infer<typeof LookedSchema>;

export const EXISTING = ['leave', 'add'] as const;
export const ImportOrderSchema = z.object({
  /** How many parts were sent: fewer that have arrived are refused. */
  parts: z.int().min(1).max(MOST_PARTS),
  /** People who are here already: left as they are, or given the file's readings. */
  existing: z.enum(EXISTING),
});
export type ImportOrder = z.infer<typeof ImportOrderSchema>;

export const ImportCountsSchema = z.object({
  /** New people. */
  created: z.int(),
  /** People who were here and got readings. */
  added: z.int(),
  /** People who were here and stayed as they were. */
  left: z.int(),
  /** Readings written. */
  readings: z.int(),
  /** Who could not be taken, by part and place in it. */
  refused: z.array(z.object({ part: z.int(), place: z.int(), why: z.enum(['several', 'deleted']) })),
});
export type ImportCounts = z.infer<typeof ImportCountsSchema>;

export const ImportStateSchema = z.object({
  id: Id,
  state: z.enum(['gathering', 'writing', 'done']),
  /** Pieces of parts that wait to be written. */
  waiting: z.int(),
  counts: ImportCountsSchema,
});
export type ImportState = z.infer<typeof ImportStateSchema>;
