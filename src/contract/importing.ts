/** How people and readings from a file come in, part by part. */
import { z } from 'zod';
import { Id } from '../core/document';

/** Most people in one part, and most asked about at once. */
export const PEOPLE_A_PART = 1000;
export const MOST_LOOKED_UP = 500;
export const MOST_PARTS = 20_000;

/** Whether somebody from a file is here already. */
export const PRESENCES = ['new', 'here', 'several', 'deleted'] as const;
export type Presence = (typeof PRESENCES)[number];

export const LookSchema = z.strictObject({
  people: z
    .array(
      z.strictObject({ id: Id.nullable(), name: z.string().max(10_000), birthDate: z.iso.date().nullable() }),
    )
    .max(MOST_LOOKED_UP),
});
export type Look = z.infer<typeof LookSchema>;

/** In the order asked. */
export const LookedSchema = z.object({ found: z.array(z.enum(PRESENCES)) });
export type Looked = z.infer<typeof LookedSchema>;

export const EXISTING = ['leave', 'add'] as const;
export const ImportOrderSchema = z.strictObject({
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
  /** New people who went again when the import was undone. */
  undone: z.int(),
  /** New people who stayed then: something had been done with them since. */
  kept: z.int(),
  /** Who could not be taken, by part and place in it. */
  refused: z.array(z.object({ part: z.int(), place: z.int(), why: z.enum(['several', 'deleted']) })),
});
export type ImportCounts = z.infer<typeof ImportCountsSchema>;

/**
 * `gathering`: nothing is decided yet; `writing` and `undoing`: it will be carried through whatever happens; `done`;
 * `undone`: whom it brought is gone.
 */
export const IMPORT_STATES = ['gathering', 'writing', 'done', 'undoing', 'undone'] as const;

export const ImportStateSchema = z.object({
  id: Id,
  state: z.enum(IMPORT_STATES),
  /** Pieces that wait to be written, or to be taken out again. */
  waiting: z.int(),
  counts: ImportCountsSchema,
});
export type ImportState = z.infer<typeof ImportStateSchema>;

/** An import as it is listed: the names in it are in no answer that is kept. */
export const ListedImportSchema = ImportStateSchema.extend({
  /** Name of the file. */
  file: z.string(),
  /** Name of the fitter who brought it; null where nobody said. */
  broughtBy: z.string().nullable(),
  createdAt: z.iso.datetime(),
});
export type ListedImport = z.infer<typeof ListedImportSchema>;
