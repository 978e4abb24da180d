import { z } from 'zod';
import { Finite, type Frozen } from '../document';
import { BASES } from './bases';

/**
 * A value with where it comes from. Every value of a body or a seat is one of these, so that a guess never passes for
 * a reading.
 */
export const QuantitySchema = z.strictObject({
  value: Finite.describe('in the unit of the table that its key belongs to: mm, degrees, kg, turns, counts'),
  basis: z.enum(BASES),
  spread: Finite.min(0).describe('standard deviation, same unit; 0 where nothing is known of it'),
  source: z.string().max(200),
  takenAt: z.string().nullable().describe('instant (ISO 8601, UTC); null for a value off a sheet'),
  takenBy: z.string().nullable(),
  instrument: z.string().optional(),
  reason: z.string().optional().describe('why it stands although other values speak against it'),
});
export type Quantity = Frozen<z.infer<typeof QuantitySchema>>;
