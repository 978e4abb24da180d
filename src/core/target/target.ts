/**
 * A target on one residual (a gap, a height difference, an angle): best inside the aim, well inside the band,
 * in need of a remedy beyond the hard bounds. Absent bounds are open.
 */
export const TARGET_BASES = ['published', 'practice', 'assumed'] as const;
export type TargetBasis = (typeof TARGET_BASES)[number];

export interface Target {
  readonly hardLo?: number | undefined;
  readonly bandLo?: number | undefined;
  readonly aimLo?: number | undefined;
  readonly aimHi?: number | undefined;
  readonly bandHi?: number | undefined;
  readonly hardHi?: number | undefined;
  /** Penalty at the band's edge; how much this condition counts against the others. */
  readonly weight: number;
  readonly basis: TargetBasis;
  readonly source: string;
}

export const LOW = Number.NEGATIVE_INFINITY;
export const HIGH = Number.POSITIVE_INFINITY;

export interface Interval {
  readonly lo: number;
  readonly hi: number;
}

/**
 * The aim of a target.
 * @returns ±∞ where it is open. Definition.
 */
export const aimOf = (t: Target): Interval => ({ lo: t.aimLo ?? LOW, hi: t.aimHi ?? HIGH });
/**
 * The band of a target.
 * @returns ±∞ where it is open. Definition.
 */
export const bandOf = (t: Target): Interval => ({ lo: t.bandLo ?? LOW, hi: t.bandHi ?? HIGH });
/**
 * The hard bounds of a target.
 * @returns ±∞ where it is open. Definition.
 */
export const hardOf = (t: Target): Interval => ({ lo: t.hardLo ?? LOW, hi: t.hardHi ?? HIGH });

/** What lies outside by less would be said as nothing, and is none: in the unit of a residual. */
const SAID_AS_NOTHING = { mm: 0.5, deg: 0.25, own: 0.05 } as const;

/**
 * How far a residual lies outside its band; 0 inside, and where the difference would be said as nothing.
 * @param residual mm, degrees or a count
 * @returns in the unit given; positive above, negative below. Definition.
 */
export function leftOver(target: Target, unit: keyof typeof SAID_AS_NOTHING, residual: number): number {
  const by = outsideBy(bandOf(target), residual);
  return Math.abs(by) < SAID_AS_NOTHING[unit] ? 0 : by;
}

/**
 * How far a value lies outside an interval; 0 inside, positive above, negative below.
 * @param value any unit
 * @returns same unit. Definition.
 */
export function outsideBy(interval: Interval, value: number): number {
  if (value > interval.hi) return value - interval.hi;
  if (value < interval.lo) return value - interval.lo;
  return 0;
}

type Bounds = Omit<Target, 'basis' | 'source'>;

/**
 * A target that practice stands behind: no source.
 * @returns with basis `practice`. Common practice, no source.
 */
export const practice = (bounds: Bounds): Target => ({
  ...bounds,
  basis: 'practice',
  source: 'common practice',
});
/**
 * A target of ours, to be tuned.
 * @returns with basis `assumed`. Assumed.
 */
export const assumed = (bounds: Bounds): Target => ({
  ...bounds,
  basis: 'assumed',
  source: 'assumed',
});
