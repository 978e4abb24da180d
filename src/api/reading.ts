/** In which units an answer in words is given. */
import { z } from 'zod';
import { LENGTH_UNITS, type LengthUnit } from '../core/units';
import type { Practice } from '../service/context';
import { DEFAULT_READING, type Reading } from '../words';

export const UNITS_QUERY = {
  units: z.enum(LENGTH_UNITS).default('mm').describe('lengths in words; with inches, masses are in pounds'),
};

/** Returns how a reader of this practice reads numbers and dates. */
export const readingIn = (practice: Practice, length: LengthUnit): Reading => ({
  ...DEFAULT_READING,
  locale: practice.locale,
  timeZone: practice.timeZone,
  currency: practice.currency,
  length,
  mass: length === 'in' ? 'lb' : 'kg',
});
