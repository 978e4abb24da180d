import {
  CONDITION_UNITS,
  aimOf,
  bandOf,
  hardOf,
  outsideBy,
  type ConditionId,
  type Interval,
  type Target,
} from '../method';
import type { Cost } from './search';

/** Residuals are compared after rounding to this, so that engines that differ in a last bit agree. */
const RESIDUAL_STEP = 1e-3;
const MILLION = 1e6;
/** How much steeper the penalty rises beyond the band. */
const BEYOND_BAND = 10;
/** The distance from aim to band's edge counts as at least this much: mm; degrees; turns or steps. */
const LEAST_EDGE = { mm: 1, deg: 0.5, own: 0.125 } as const;

export const roundResidual = (value: number): number => Math.round(value / RESIDUAL_STEP) * RESIDUAL_STEP;

export type { Cost };

/** A target made ready: what a residual costs, and the least that any residual of an interval costs. */
export class Curve {
  readonly aim: Interval;
  private readonly hard: Interval;
  /** Whether there is a hard bound at all. */
  private readonly isHard: boolean;
  /** From aim to band's edge on either side, 0 where there is no band; and as what it counts. */
  private readonly edge: Interval;
  private readonly width: Interval;
  /** Of the penalty, in millionths for each unit of the residual. */
  readonly steepest: number;
  /** Where the penalty turns. */
  readonly turns: readonly number[];

  constructor(
    private readonly target: Target,
    readonly unit: keyof typeof LEAST_EDGE,
  ) {
    this.aim = aimOf(target);
    this.hard = hardOf(target);
    this.isHard = target.hardLo !== undefined || target.hardHi !== undefined;
    const band = bandOf(target);
    const finite = (n: number): number => (Number.isFinite(n) ? n : 0);
    this.edge = { lo: finite(this.aim.lo - band.lo), hi: finite(band.hi - this.aim.hi) };
    const { aimLo, aimHi, bandLo, bandHi } = target;
    this.turns = [aimLo, aimHi, bandLo, bandHi].filter((n) => n !== undefined);
    const least = LEAST_EDGE[unit];
    this.width = { lo: Math.max(this.edge.lo, least), hi: Math.max(this.edge.hi, least) };
    this.steepest = (BEYOND_BAND * target.weight * MILLION) / Math.min(this.width.lo, this.width.hi);
  }

  /** @param value already rounded */
  penalty(value: number): number {
    if (value > this.aim.hi) return this.beyondAim(value - this.aim.hi, this.edge.hi, this.width.hi);
    return value < this.aim.lo ? this.beyondAim(this.aim.lo - value, this.edge.lo, this.width.lo) : 0;
  }

  private beyondAim(off: number, edge: number, width: number): number {
    const inside = Math.min(off, edge);
    const steps = inside + BEYOND_BAND * (off - inside);
    return Math.round((this.target.weight * steps * MILLION) / width);
  }

  /** @param value already rounded */
  beyondHard(value: number): number {
    if (!this.isHard) return 0;
    return Math.round(Math.abs(outsideBy(this.hard, value)) * 10);
  }

  at(residual: number): Cost {
    const value = roundResidual(residual);
    return { hard: this.beyondHard(value), penalty: this.penalty(value) };
  }

  /** The penalty of the cheapest residual between two ends. */
  leastPenalty(lo: number, hi: number): number {
    if (hi < this.aim.lo) return this.penalty(roundResidual(hi + SLACK));
    return lo > this.aim.hi ? this.penalty(roundResidual(lo - SLACK)) : 0;
  }

  /** The penalty of the cheapest residual among `lo`, `lo + 1`, … up to `hi`. */
  leastOnLattice(lo: number, hi: number): number {
    const steps = Math.round(hi - lo);
    const above = Math.max(0, Math.min(steps, Math.ceil(this.aim.lo - lo - SLACK)));
    const below = Math.max(0, above - 1);
    return Math.min(this.leastPenalty(lo + above, lo + above), this.leastPenalty(lo + below, lo + below));
  }

  /** How far, in tenths, the residual between two ends that is nearest to them lies beyond the hard bounds. */
  leastHard(lo: number, hi: number): number {
    if (!this.isHard) return 0;
    if (hi < this.hard.lo) return this.beyondHard(roundResidual(hi + SLACK));
    return lo > this.hard.hi ? this.beyondHard(roundResidual(lo - SLACK)) : 0;
  }

  /** What the cheapest residual of an interval costs. */
  least({ lo, hi }: Interval): Cost {
    return { hard: this.leastHard(lo, hi), penalty: this.leastPenalty(lo, hi) };
  }
}

/** The ends of an interval are computed by another way than the residuals within it: they may differ in a last bit. */
const SLACK = 1e-7;

const curves = new WeakMap<Target, Curve>();

export function curveOf(id: ConditionId, target: Target): Curve {
  const unit = CONDITION_UNITS[id];
  const known = curves.get(target);
  if (known?.unit === unit) return known;
  const curve = new Curve(target, unit);
  curves.set(target, curve);
  return curve;
}

/**
 * The penalty of a residual: 0 in the aim, rising straight to `weight` at the band's edge, ten times as steep
 * beyond. With no band on a side the aim is the edge.
 */
export function penaltyOf(id: ConditionId, target: Target, residual: number): Cost {
  return curveOf(id, target).at(residual);
}

/**
 * What two conditions cost together at least, where the second one's residual is the first one's less something: what
 * they pull apart over cannot be had by both. The sum is convex in the first residual and turns where one of them does.
 * @param first ends of the first residual; @param less ends of what the second is less
 */
export function leastOfPair(one: Curve, two: Curve, first: Interval, less: Interval): number {
  const lowest = Math.max(first.lo, one.aim.lo, two.aim.lo + less.lo);
  if (lowest <= Math.min(first.hi, one.aim.hi, two.aim.hi + less.hi)) return 0;
  let least = Infinity;
  const look = (turn: number): void => {
    const at = Math.max(first.lo, Math.min(first.hi, turn));
    const own = one.leastPenalty(at, at);
    if (own < least) least = Math.min(least, own + two.leastPenalty(at - less.hi, at - less.lo));
  };
  look(first.lo);
  look(first.hi);
  for (const turn of one.turns) look(turn);
  for (const turn of two.turns) {
    look(turn + less.lo);
    look(turn + less.hi);
  }
  if (least === 0) return 0;
  // Residuals are rounded before they are judged: by half a step each.
  return Math.max(0, Math.floor(least - RESIDUAL_STEP * (one.steepest + two.steepest)));
}
