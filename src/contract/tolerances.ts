import { z } from 'zod';
import { DIMENSIONS, DIMENSION_IDS } from '../core/body';
import { TOLERANCE_LIMITS, type Tolerances } from '../core/measuring/takes';

/** Repeat tolerances of the practice's own by dimension, mm or kg; what is left out is as usual. */
export const TolerancesSchema: z.ZodType<Tolerances> = z
  .partialRecord(z.enum(DIMENSION_IDS), z.number())
  .superRefine((given, context) => {
    for (const id of DIMENSION_IDS) {
      const value = given[id];
      const { unit } = DIMENSIONS[id];
      const [lowest, highest] = TOLERANCE_LIMITS[unit];
      if (value !== undefined && !(lowest <= value && value <= highest))
        context.addIssue({
          code: 'custom',
          path: [id],
          message: 'schema.between',
          params: { lowest, highest, unit },
        });
    }
  });
