/**
 * A value with where it comes from. Every value of a body or a seat is one of these, so that a guess never
 * passes for a reading.
 */
export const BASES = ['measured', 'stated', 'estimated'] as const;
export type Basis = (typeof BASES)[number];

export interface Quantity {
  /** In the unit of the table that the value's key belongs to (mm, degrees, kg, turns, counts). */
  readonly value: number;
  readonly basis: Basis;
  /** Standard deviation, same unit; 0 where nothing is known of it. */
  readonly spread: number;
  readonly source: string;
  /** Instant (ISO 8601, UTC), or null for a value off a sheet. */
  readonly takenAt: string | null;
  readonly takenBy: string | null;
  readonly instrument?: string | undefined;
  /** Why it stands although other values speak against it. */
  readonly reason?: string | undefined;
}

/** Whether a value is a guess from others, with its spread. */
export const isEstimate = (quantity: Quantity | undefined): boolean => quantity?.basis === 'estimated';

/** A value off a maker's sheet or a survey; spread 0 unless given. */
export function stated(value: number, source: string, spread = 0): Quantity {
  return { value, basis: 'stated', spread, source, takenAt: null, takenBy: null };
}
