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

/**
 * Of the variance of one reading this much differs from one reading to the next; the rest is the hand and the body as
 * they sit that day, and comes again: the mean of two is then 0.8 as unsure as one (common practice).
 */
const REPEATED = 0.72;
/** Deviation of the median of three beside that of one (order statistics of the normal distribution). */
const MEDIAN_OF_THREE = 0.6698;
const TENTHS = 10;

const rounded = (value: number): number => Math.round(value * TENTHS) / TENTHS;

/** Repeat tolerances that a practice has set for itself, mm or kg by the dimension; the others are as declared. */
export type Tolerances = { readonly [id in DimensionId]?: number | undefined };

/**
 * By how much two readings may differ before a third is wanted, mm or kg.
 * @returns above 0. Source stands with each dimension.
 * @example
 * toleranceOf('stature') // => 5
 */
export const toleranceOf = (dimension: DimensionId, tolerances: Tolerances = {}): number =>
  tolerances[dimension] ?? DIMENSIONS[dimension].repeatTolerance;

/** What a practice may set: no tape tells finer, and what differs by more has not been read (assumed). */
export const TOLERANCE_LIMITS: Readonly<Record<'mm' | 'kg', readonly [number, number]>> = {
  mm: [1, 50],
  kg: [0.1, 5],
};

/**
 * How far the first two lie apart; null before there are two.
 * @param takes mm or kg
 * @returns in the unit of the readings, 0 or more; null before there are two. Definition.
 * @example
 * apartBy([1702, 1704]) // => 2
 */
export function apartBy(takes: readonly number[]): number | null {
  const [first, second] = takes;
  return first === undefined || second === undefined ? null : Math.abs(first - second);
}

/**
 * Whether the first two readings differ by more than the dimension's repeat tolerance.
 * @param takes mm or kg
 * @returns false before there are two. Definition.
 */
export function differTooMuch(
  dimension: DimensionId,
  takes: readonly number[],
  tolerances: Tolerances = {},
): boolean {
  const apart = apartBy(takes);
  // Tenths of a millimetre do not add up exactly.
  return apart !== null && apart > toleranceOf(dimension, tolerances) + 1e-6;
}

/**
 * How many readings a dimension wants, as far as can be told from those taken: two, or three.
 * @param takes mm or kg
 * @returns 2 or 3. Common practice, no source.
 */
export const takesWanted = (
  dimension: DimensionId,
  takes: readonly number[],
  tolerances: Tolerances = {},
): number => (differTooMuch(dimension, takes, tolerances) ? MOST_TAKES : FEWEST_TAKES);

/** So much of one reading's error is left after another one or two, as far as they agree. */
const shareLeft = (repeated: number): number => Math.sqrt(1 - REPEATED + repeated * REPEATED);
const OF_TWO = shareLeft(1 / 2);
/** What measuring once more, or twice, can bring the error down to: a share of that of one reading. */
export const LEAST_SHARE_LEFT = shareLeft(MEDIAN_OF_THREE ** 2);

/** From so many pairs on a fitter's own error is known. */
export const PAIRS_THAT_TELL = 20;

/**
 * The deviation of one reading of a fitter whose own error is known: what comes again in every reading of one hand shows
 * in no pair and stays as it is usual.
 * @param tem technical error of measurement, mm or kg
 * @returns same unit. Assumed: how much of an error comes again in every reading of one hand.
 * @example
 * ownSingleSd('stature', 3) > 3 // => true
 */
export const ownSingleSd = (dimension: DimensionId, tem: number): number =>
  Math.hypot(Math.sqrt(1 - REPEATED) * DIMENSIONS[dimension].readingSd, tem);

/**
 * One reading stands for itself, of two the mean, of three the median counts.
 * @param takes mm or kg, one to three of them
 * @param singleSd deviation of one reading, same unit: the typical one, or this fitter's own
 * @returns value and deviation in their unit; null without any. Definition (mean, median).
 * @example
 * settleTakes('stature', [1702, 1704]).value // => 1703
 */
export const settleTakes = (
  dimension: DimensionId,
  takes: readonly number[],
  singleSd: number = DIMENSIONS[dimension].readingSd,
): SettledTakes | null => settleReadings(takes, singleSd);

/**
 * The same for readings of anything that a tape or a level measures.
 * @param takes one to three of them, in one unit
 * @param singleSd deviation of one reading, same unit
 * @returns value and deviation in their unit; null without any. Definition (mean, median).
 * @example
 * settleReadings([412, 416], 3).value // => 414
 */
export function settleReadings(takes: readonly number[], singleSd: number): SettledTakes | null {
  const [first, second, third] = takes;
  if (first === undefined) return null;
  if (second === undefined) return { value: first, spread: singleSd, how: 'single' };
  if (third === undefined)
    return { value: rounded((first + second) / 2), spread: OF_TWO * singleSd, how: 'meanOfTwo' };
  const median = [first, second, third].sort((a, b) => a - b)[1]!;
  // That they lay far apart tells that this fitter, or this body, repeats worse than is usual.
  const mean = (first + second + third) / 3;
  const sample = Math.sqrt(takes.reduce((sum, take) => sum + (take - mean) ** 2, 0) / 2);
  const fromOneToNext = Math.max(Math.sqrt(REPEATED) * singleSd, sample);
  const spread = Math.hypot(Math.sqrt(1 - REPEATED) * singleSd, MEDIAN_OF_THREE * fromOneToNext);
  return { value: median, spread, how: 'medianOfThree' };
}
