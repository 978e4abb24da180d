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
  private readonly aim: Interval;
  private readonly hard: Interval;
  /** From aim to band's edge on either side, 0 where there is no band; and as what it counts. */
  private readonly edge: Interval;
  private readonly width: Interval;
  /** Where the penalty turns. */
  readonly turns: readonly number[];

  constructor(
    private readonly target: Target,
    unit: keyof typeof LEAST_EDGE,
  ) {
    this.aim = aimOf(target);
    this.hard = hardOf(target);
    const band = bandOf(target);
    const finite = (n: number): number => (Number.isFinite(n) ? n : 0);
    this.edge = { lo: finite(this.aim.lo - band.lo), hi: finite(band.hi - this.aim.hi) };
    const { aimLo, aimHi, bandLo, bandHi } = target;
    this.turns = [aimLo, aimHi, bandLo, bandHi].filter((n) => n !== undefined);
    const least = LEAST_EDGE[unit];
    this.width = { lo: Math.max(this.edge.lo, least), hi: Math.max(this.edge.hi, least) };
  }

  /** @param value already rounded */
  penalty(value: number): number {
    const offAim = outsideBy(this.aim, value);
    if (offAim === 0) return 0;
    const side = offAim > 0 ? 'hi' : 'lo';
    const off = Math.abs(offAim);
    const inside = Math.min(off, this.edge[side]);
    const steps = inside + BEYOND_BAND * (off - inside);
    return Math.round((this.target.weight * steps * MILLION) / this.width[side]);
  }

  /** @param value already rounded */
  beyondHard(value: number): number {
    return Math.round(Math.abs(outsideBy(this.hard, value)) * 10);
  }

  /** Of the penalty, in millionths for each unit of the residual. */
  get steepest(): number {
    return (BEYOND_BAND * this.target.weight * MILLION) / Math.min(this.width.lo, this.width.hi);
  }

  at(residual: number): Cost {
    const value = roundResidual(residual);
    return { hard: this.beyondHard(value), penalty: this.penalty(value) };
  }

  /** What the cheapest residual of an interval costs. */
  least({ lo, hi }: Interval): Cost {
    const [low, high] = [roundResidual(lo - SLACK), roundResidual(hi + SLACK)];
    return {
      hard: this.beyondHard(nearest(this.hard, low, high)),
      penalty: this.penalty(nearest(this.aim, low, high)),
    };
  }
}

/** The ends of an interval are computed by another way than the residuals within it: they may differ in a last bit. */
const SLACK = 1e-7;

/** The value between `low` and `high` that lies nearest to the wanted interval. */
function nearest(wanted: Interval, low: number, high: number): number {
  if (high < wanted.lo) return high;
  return low > wanted.hi ? low : Math.max(low, wanted.lo);
}

const curves = new WeakMap<Target, Map<string, Curve>>();

export function curveOf(id: ConditionId, target: Target): Curve {
  const unit = CONDITION_UNITS[id];
  const byUnit = curves.get(target) ?? new Map<string, Curve>();
  curves.set(target, byUnit);
  const curve = byUnit.get(unit) ?? new Curve(target, unit);
  byUnit.set(unit, curve);
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
  const turns = [
    first.lo,
    first.hi,
    ...one.turns,
    ...two.turns.map((turn) => turn + less.lo),
    ...two.turns.map((turn) => turn + less.hi),
  ];
  let least = Infinity;
  for (const turn of turns) {
    const at = Math.max(first.lo, Math.min(first.hi, turn));
    const second = two.least({ lo: at - less.hi, hi: at - less.lo }).penalty;
    least = Math.min(least, one.least({ lo: at, hi: at }).penalty + second);
    if (least === 0) return 0;
  }
  // Residuals are rounded before they are judged: by half a step each.
  return Math.max(0, Math.floor(least - RESIDUAL_STEP * (one.steepest + two.steepest)));
}
