import type { Quantity } from './schema';

export { BASES, type Basis } from './bases';
export type { Quantity } from './schema';

/**
 * Whether a value is a guess from others, with its spread.
 * @returns false where nothing is known. Definition.
 */
export const isEstimate = (quantity: Quantity | undefined): boolean => quantity?.basis === 'estimated';

/**
 * A value off a maker's sheet or a survey; spread 0 unless given.
 * @param value in the unit of what it is a value of
 * @param spread standard deviation, same unit
 * @returns a quantity with basis `stated`. Definition.
 * @example
 * stated(420, 'sheet').basis // => 'stated'
 */
export function stated(value: number, source: string, spread = 0): Quantity {
  return { value, basis: 'stated', spread, source, takenAt: null, takenBy: null };
}
