/** What a table of body dimensions is made of. */
import { DIMENSION_IDS, type DimensionId, type Sex } from '../body';

/** What no table of bodies speaks of: shoes, and hands that only serve as a measure. */
const NO_TABLE_HAS = ['shoeHeel', 'threeFingerBreadth', 'fourFingerBreadth'] as const;
/** Everything that tables of bodies speak of. */
export type BodyDimension = Exclude<DimensionId, (typeof NO_TABLE_HAS)[number]>;

/**
 * Whether a dimension is one of bodies.
 * @returns false for shoes and what else is no body’s. Definition.
 * @example
 * [isBodyDimension('stature'), isBodyDimension('shoeHeel')] // => [true, false]
 */
export const isBodyDimension = (id: DimensionId): id is BodyDimension =>
  !(NO_TABLE_HAS as readonly DimensionId[]).includes(id);

/** The dimensions of a table, in the order of measuring. */
export const BODY_DIMENSIONS = DIMENSION_IDS.filter(isBodyDimension) as [BodyDimension, ...BodyDimension[]];

export const ROW_BASES = ['published', 'derived', 'assumed'] as const;
/** Printed in the table; worked out from printed figures; assumed, for want of any. */
export type RowBasis = (typeof ROW_BASES)[number];

/** One dimension of one sex. */
export interface Row {
  readonly mean: number;
  readonly sd: number;
  /** Third standardized moment; 0 for what is as good as normal. */
  readonly skew: number;
  readonly basis: RowBasis;
}

export type Rows = Readonly<Partial<Record<BodyDimension, Row>>>;

export interface PopulationTable {
  readonly id: string;
  readonly name: string;
  /** Who measured or compiled it, edition and year. */
  readonly source: string;
  /** Measured people of each sex; null where it was compiled from several surveys. */
  readonly n: Readonly<Record<Sex, number>> | null;
  readonly rows: Readonly<Record<Sex, Rows>>;
}
