/** What a residual costs: a convex curve in straight pieces, expected under the residual's own doubt. */
import { aimOf, bandOf, hardOf, outsideBy, type Interval, type Target } from '../../target';
import { CONDITION_UNITS, type ConditionId } from '../conditions';
import { REACH_SD, expectedOver, steepness } from './expected';

/** Residuals are compared after rounding to this, so that engines that differ in a last bit agree. */
const RESIDUAL_STEP = 1e-3;
export const MILLION = 1e6;
/** How many times as steep the cost rises beyond the band, and beyond the hard bound. */
const BEYOND_BAND = 10;
const BEYOND_HARD = 100;
/** The distance from aim to band's edge counts as at least this much: mm; degrees; turns or steps. */
const LEAST_EDGE = { mm: 1, deg: 0.5, own: 0.125 } as const;
/** The ends of an interval are computed by another way than the residuals within it: they may differ in a last bit. */
const SLACK = 1e-7;

/**
 * A residual as it is compared, so that no last bit decides.
 * @param value mm, degrees or a count
 * @returns to the thousandth, in the same unit. Definition.
 */
export const roundResidual = (value: number): number => Math.round(value / RESIDUAL_STEP) * RESIDUAL_STEP;

/** A place where a curve turns: from there on it is steeper by `slope`, upward (1) or downward (−1). */
export interface Corner {
  readonly at: number;
  readonly way: 1 | -1;
  readonly slope: number;
}

/** A sum of corners, each expected under a deviation of the residual. */
class Corners {
  private readonly at: Float64Array;
  private readonly slope: Float64Array;
  /** What one deviation beyond each costs. */
  private readonly perDeviation: Float64Array;
  private readonly perSd: number;
  /** So many of them turn down, and come first. */
  private readonly downs: number;
  /** From here on up none costs anything. */
  readonly endsAt: number;

  /** @param corners those that turn down before those that turn up */
  constructor(corners: readonly Corner[], sd: number) {
    const count = corners.length;
    this.at = new Float64Array(count);
    this.slope = new Float64Array(count);
    this.perDeviation = new Float64Array(count);
    this.perSd = sd > 0 ? 1 / sd : 0;
    let downs = 0;
    for (let i = 0; i < count; i++) {
      const { at, way, slope } = corners[i]!;
      this.at[i] = at;
      this.slope[i] = slope;
      this.perDeviation[i] = slope * sd;
      if (way < 0) downs++;
    }
    this.downs = downs;
    const reach = REACH_SD * sd;
    this.endsAt =
      downs < count ? Infinity : this.at.reduce((end, at) => Math.max(end, at + reach), -Infinity);
  }

  /** In points, nothing taken off. @param above what counts for the corners upward */
  of(residual: number, above = residual): number {
    const { at, perDeviation, perSd, downs } = this;
    if (perSd === 0) return this.ofExact(residual, above);
    let sum = 0;
    for (let i = 0; i < downs; i++) sum += perDeviation[i]! * expectedOver((at[i]! - residual) * perSd);
    for (let i = downs; i < at.length; i++) sum += perDeviation[i]! * expectedOver((above - at[i]!) * perSd);
    return sum;
  }

  /** The same of what is known exactly. */
  private ofExact(residual: number, above: number): number {
    const { at, slope, downs } = this;
    let sum = 0;
    for (let i = 0; i < at.length; i++) {
      const over = i < downs ? at[i]! - residual : above - at[i]!;
      if (over > 0) sum += slope[i]! * over;
    }
    return sum;
  }

  /** How steep it is there: a straight line so steep through that place lies nowhere above it. */
  slopeAt(residual: number): number {
    const { at, slope, perSd, downs } = this;
    let sum = 0;
    for (let i = 0; i < at.length; i++) {
      const way = i < downs ? -1 : 1;
      const over = way * (residual - at[i]!);
      if (perSd === 0) sum += over > 0 ? way * slope[i]! : 0;
      else sum += way * slope[i]! * steepness(over * perSd);
    }
    return sum;
  }
}

const LOOKS = 60;

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Where a convex function is least between two ends.
 * @param from lower end, in the unit of `f`’s argument
 * @param to upper end, same unit
 * @returns a place between `from` and `to`, to the last bits. Definition (golden section).
 */
export function lowestPoint(f: (x: number) => number, from: number, to: number): number {
  const { lo, hi } = lowestSpan(f, { from, to, apart: RESIDUAL_STEP / 10 });
  return (lo + hi) / 2;
}

/**
 * Between which places a convex function is least.
 * @param apart how far apart they may lie; @param looks after how many they are taken as they are
 * @param from lower end, in the unit of `f`’s argument
 * @param to upper end, same unit
 * @returns the least lies inside. Definition (golden section).
 */
export function lowestSpan(
  f: (x: number) => number,
  {
    from,
    to,
    apart,
    looks = LOOKS,
  }: { readonly from: number; readonly to: number; readonly apart: number; readonly looks?: number },
): Interval {
  let [lo, hi] = [from, to];
  let [a, b] = [hi - GOLDEN * (hi - lo), lo + GOLDEN * (hi - lo)];
  let [fa, fb] = [f(a), f(b)];
  for (let n = 0; n < looks && hi - lo > apart; n++) {
    if (fa <= fb) {
      [hi, b, fb] = [b, a, fa];
      a = hi - GOLDEN * (hi - lo);
      fa = f(a);
    } else {
      [lo, a, fa] = [a, b, fb];
      b = lo + GOLDEN * (hi - lo);
      fb = f(b);
    }
  }
  return { lo, hi };
}

/**
 * The corners of a target: where its aim, its band and its hard bound end.
 * @returns rising, in the unit given; without those that are open. Definition.
 */
export function cornersOf(target: Target, unit: keyof typeof LEAST_EDGE): Corner[] {
  const [aim, band, hard] = [aimOf(target), bandOf(target), hardOf(target)];
  const corners: Corner[] = [];
  const side = (way: 1 | -1, at: number, edge: number, bound: number): void => {
    if (!Number.isFinite(at)) return;
    const inside = Number.isFinite(edge) ? Math.abs(edge - at) : 0;
    const slope = target.weight / Math.max(inside, LEAST_EDGE[unit]);
    if (inside > 0) corners.push({ at, way, slope });
    corners.push({
      at: at + way * inside,
      way,
      slope: inside > 0 ? (BEYOND_BAND - 1) * slope : BEYOND_BAND * slope,
    });
    if (Number.isFinite(bound)) corners.push({ at: bound, way, slope: (BEYOND_HARD - BEYOND_BAND) * slope });
  };
  side(-1, aim.lo, band.lo, hard.lo);
  side(1, aim.hi, band.hi, hard.hi);
  return corners;
}

/** A thing that may also be left unused: what that costs flat, and for each unit that it stands too low. */
export interface LeftUnused {
  readonly flat: number;
  readonly perUnit: number;
}

/** What of a condition goes into its curve beside the target. */
export interface CurveExtras {
  readonly unused?: LeftUnused | undefined;
  /** Below this the seat is refused, in the residual's unit. */
  readonly refusedBelow?: number | undefined;
}

/** Each unit of what is refused costs so many points (assumed): more than all else together can. */
const REFUSED_SLOPE = 40_000;

/** A target made ready: what a residual costs in millionths of a point, and the least that any of an interval costs. */
export class Curve {
  readonly aim: Interval;
  private readonly hard: Interval;
  private readonly isHard: boolean;
  private readonly main: Corners;
  /** Where it is cheapest; beyond every number on the side on which nothing is ever wrong. */
  readonly lowest: number;
  private readonly least: number;
  private readonly unused: {
    readonly corners: Corners;
    readonly lowest: number;
    readonly flat: number;
  } | null;

  /** @param sd deviation of the residual, in its unit */
  constructor(
    target: Target,
    readonly unit: keyof typeof LEAST_EDGE,
    readonly sd: number,
    { unused, refusedBelow }: CurveExtras = {},
  ) {
    this.aim = aimOf(target);
    this.hard = hardOf(target);
    this.isHard = target.hardLo !== undefined || target.hardHi !== undefined;
    const corners = cornersOf(target, unit);
    if (refusedBelow !== undefined) corners.unshift({ at: refusedBelow, way: -1, slope: REFUSED_SLOPE });
    this.main = new Corners(corners, sd);
    this.lowest = lowestOf(corners, this.main, sd);
    this.least = Number.isFinite(this.lowest) ? this.main.of(this.lowest) : 0;
    this.unused = null;
    if (!unused) return;
    const other: Corner[] = [
      { at: 0, way: -1, slope: unused.perUnit },
      ...corners.filter(({ way }) => way > 0),
    ];
    const made = new Corners(other, sd);
    this.unused = { corners: made, lowest: lowestOf(other, made, sd), flat: unused.flat };
  }

  /** Whether it is convex up to so many millionths; Infinity: everywhere. */
  get convexTo(): number {
    return this.unused ? Math.floor(MILLION * this.unused.flat) : Infinity;
  }

  /** From here on up nothing is wrong; Infinity where too much is wrong as well. */
  get freeFrom(): number {
    return this.main.endsAt;
  }

  /** In points, not rounded: for following how it falls. */
  raw(residual: number): number {
    return this.main.of(residual) - this.least;
  }

  /** How steep it is there, points for each unit. */
  slope(residual: number): number {
    return this.main.slopeAt(residual);
  }

  /** @param value already rounded; @returns millionths */
  penalty(value: number): number {
    // Of settings that are not complete nothing can be told.
    if (Number.isNaN(value)) return 0;
    const main = this.main.of(value) - this.least;
    const { unused } = this;
    const cost = unused && main > unused.flat ? Math.min(main, unused.flat + unused.corners.of(value)) : main;
    return Math.max(0, Math.round(MILLION * cost));
  }

  /** @returns millionths */
  at(residual: number): number {
    return this.penalty(roundResidual(residual));
  }

  /** How far a residual lies beyond the hard bounds, in tenths. */
  beyondHard(value: number): number {
    return this.isHard ? Math.round(Math.abs(outsideBy(this.hard, value)) * 10) : 0;
  }

  /** What the cheapest residual between two ends costs, millionths. */
  leastPenalty(lo: number, hi: number): number {
    const { unused } = this;
    const main = this.nearest(lo, hi, this.lowest);
    if (main === null) return 0;
    const cost = this.penalty(main);
    if (!unused || cost <= MILLION * unused.flat) return cost;
    const other = this.nearest(lo, hi, unused.lowest);
    return Math.min(cost, other === null ? this.penalty(unused.lowest) : this.penalty(other));
  }

  /** What the cheapest residual between two ends costs as long as the thing is used, millionths. */
  leastInUse(lo: number, hi: number): number {
    const at = this.nearest(lo, hi, this.lowest);
    return at === null ? 0 : Math.max(0, Math.round(MILLION * (this.main.of(at) - this.least)));
  }

  /** What leaving it unused costs at least, millionths; Infinity where it cannot be. */
  get leastUnused(): number {
    return this.unused ? Math.floor(MILLION * this.unused.flat) : Infinity;
  }

  /**
   * Where so much of what lies above is taken up: only what is more than that is felt.
   * @param value already rounded; @returns millionths
   */
  forgivingPenalty(value: number, by: number): number {
    if (Number.isNaN(value)) return 0;
    return Math.max(0, Math.round(MILLION * (this.main.of(value, value - by) - this.least)));
  }

  /** What the cheapest residual between two ends costs where up to `by` is taken up, millionths; never too much. */
  leastForgiving(lo: number, hi: number, by: number): number {
    const [from, to] = [this.lowest, this.lowest + by];
    // Between those two it is cheapest; on either side the nearer end is.
    const low = Math.max(roundResidual(lo - SLACK), Math.min(from, hi));
    const high = Math.min(roundResidual(hi + SLACK), Math.max(to, low));
    return Math.max(0, Math.floor(MILLION * (this.main.of(high, low - by) - this.least)) - 1);
  }

  /** The residual between two ends that is nearest to the cheapest; null where that lies between them. */
  private nearest(lo: number, hi: number, lowest: number): number | null {
    if (hi < lowest) return Math.min(lowest, roundResidual(hi + SLACK));
    return lo > lowest ? Math.max(lowest, roundResidual(lo - SLACK)) : null;
  }
}

/** Where a curve is cheapest. */
function lowestOf(corners: readonly Corner[], made: Corners, sd: number): number {
  const down = corners.filter(({ way }) => way < 0).map(({ at }) => at);
  const up = corners.filter(({ way }) => way > 0).map(({ at }) => at);
  if (down.length === 0) return up.length === 0 ? 0 : -Infinity;
  if (up.length === 0) return Infinity;
  if (sd === 0) return (Math.max(...down) + Math.min(...up)) / 2;
  const cost = (x: number): number => made.of(x);
  const [from, to] = [Math.min(...down), Math.max(...up)];
  const reach = REACH_SD * sd;
  // Where one side is so much the steeper that doubt carries it past the other, it is cheapest beyond all corners.
  if (made.slopeAt(from) > 0) return lowestPoint(cost, from - reach, from);
  if (made.slopeAt(to) < 0) return lowestPoint(cost, to, to + reach);
  return lowestPoint(cost, from, to);
}

const curves = new WeakMap<Target, Curve[]>();

/**
 * The curve of a target under a deviation; the same object for the same ones.
 * @param sd standard deviation of the residual in its unit, 0 or more
 * @returns points by residual. Definition: the expected cost under a normal error (docs/model.md).
 */
export function curveOf(id: ConditionId, target: Target, sd: number, extras: CurveExtras = {}): Curve {
  const unit = CONDITION_UNITS[id];
  let known = curves.get(target);
  if (!known) curves.set(target, (known = []));
  for (const curve of known) if (curve.sd === sd && curve.unit === unit) return curve;
  const curve = new Curve(target, unit, sd, extras);
  if (known.length >= MOST_KEPT) known.length = 0;
  known.push(curve);
  return curve;
}
const MOST_KEPT = 64;
