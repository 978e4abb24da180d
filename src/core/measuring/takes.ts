/** What several readings of one dimension come to, and whether another one is wanted. */
import { DIMENSIONS, type DimensionId } from '../body';

/** Two are always taken, a third where they differ too much. */
export const FEWEST_TAKES = 2;
export const MOST_TAKES = 3;

export const SETTLED_HOW = ['single', 'meanOfTwo', 'medianOfThree'] as const;
export type SettledHow = (typeof SETTLED_HOW)[number];

export interface SettledTakes {
  /** mm or kg, by the dimension. */
  readonly value: number;
  /** Standard deviation of the value, same unit. */
  readonly spread: number;
  readonly how: SettledHow;
}

/** A single reading errs by half the repeat tolerance (common practice). */
const SINGLE_SHARE = 1 / 2;
/** Deviation of the median of three beside that of one (order statistics of the normal distribution). */
const MEDIAN_OF_THREE = 0.6698;
const TENTHS = 10;

const rounded = (value: number): number => Math.round(value * TENTHS) / TENTHS;

/** Repeat tolerances that a practice has set for itself, mm or kg by the dimension; the others are as declared. */
export type Tolerances = { readonly [id in DimensionId]?: number | undefined };

/** By how much two readings may differ before a third is wanted, mm or kg. */
export const toleranceOf = (dimension: DimensionId, tolerances: Tolerances = {}): number =>
  tolerances[dimension] ?? DIMENSIONS[dimension].repeatTolerance;

/** What a practice may set: no tape tells finer, and what differs by more has not been read (assumed). */
export const TOLERANCE_LIMITS: Readonly<Record<'mm' | 'kg', readonly [number, number]>> = {
  mm: [1, 50],
  kg: [0.1, 5],
};

/** How far the first two lie apart; null before there are two. */
export function apartBy(takes: readonly number[]): number | null {
  const [first, second] = takes;
  return first === undefined || second === undefined ? null : Math.abs(first - second);
}

/** Whether the first two readings differ by more than the dimension's repeat tolerance. */
export function differTooMuch(
  dimension: DimensionId,
  takes: readonly number[],
  tolerances: Tolerances = {},
): boolean {
  const apart = apartBy(takes);
  // Tenths of a millimetre do not add up exactly.
  return apart !== null && apart > toleranceOf(dimension, tolerances) + 1e-6;
}

/** How many readings a dimension wants, as far as can be told from those taken: two, or three. */
export const takesWanted = (
  dimension: DimensionId,
  takes: readonly number[],
  tolerances: Tolerances = {},
): number => (differTooMuch(dimension, takes, tolerances) ? MOST_TAKES : FEWEST_TAKES);

/**
 * One reading stands for itself, of two the mean, of three the median counts.
 * @param takes mm or kg, one to three of them
 * @returns null without any
 */
export function settleTakes(dimension: DimensionId, takes: readonly number[]): SettledTakes | null {
  const single = DIMENSIONS[dimension].repeatTolerance * SINGLE_SHARE;
  const [first, second, third] = takes;
  if (first === undefined) return null;
  if (second === undefined) return { value: first, spread: single, how: 'single' };
  if (third === undefined)
    return { value: rounded((first + second) / 2), spread: single / Math.SQRT2, how: 'meanOfTwo' };
  const median = [first, second, third].sort((a, b) => a - b)[1]!;
  // That they lay far apart tells that this fitter, or this body, repeats worse than is usual.
  const mean = (first + second + third) / 3;
  const sample = Math.sqrt(takes.reduce((sum, take) => sum + (take - mean) ** 2, 0) / 2);
  return { value: median, spread: MEDIAN_OF_THREE * Math.max(single, sample), how: 'medianOfThree' };
}
