/** Lists come a page at a time, and say how many there are in all. */
import { z } from 'zod';

/** Most items of one page. */
export const LARGEST_PAGE = 200;
export const USUAL_PAGE = 50;

/** What every list takes. Query parameters arrive as text. */
export const PAGE_QUERY = {
  cursor: z
    .string()
    .min(1)
    .max(60)
    .optional()
    .describe('`next` of the page before; absent for the first page'),
  limit: z.coerce
    .number()
    .int()
    .min(1)
    .max(LARGEST_PAGE)
    .default(USUAL_PAGE)
    .describe('how many items at most'),
};

export interface PageRequest {
  readonly cursor?: string | undefined;
  readonly limit: number;
}

export interface Page<T> {
  readonly items: readonly T[];
  /** How many there are in all, whatever the page. */
  readonly total: number;
  /** Cursor of the page after this one; null where this is the last. */
  readonly next: string | null;
}

/** Returns the schema of a page of items. */
export const pageOf = <T extends z.ZodType>(item: T) =>
  z.object({
    items: z.array(item),
    total: z.int().min(0).describe('how many there are in all, whatever the page'),
    next: z.string().nullable().describe('`cursor` of the page after this one; null where this is the last'),
  });
