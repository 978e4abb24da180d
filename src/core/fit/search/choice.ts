/**
 * What is chosen once the stance stands still: arms, head, desk, screen. Adjustments that no condition joins are chosen
 * each for itself; of joined ones one is tried place by place, and what it joined is then apart. Each place is looked at
 * only where nothing cheaper is known: the least that a stretch of places can cost is told from its two ends.
 */
import type { AdjustmentKind } from '../../seat';
import { followingOf, type Condition } from '../conditions';
import { roundResidual, type Curve } from '../cost/curve';
import { trunkDegOf, type Leg } from '../geometry/on-seat';
import type { Problem, SetValues } from '../problem/problem';
import { ROUNDED_COST, downhill, isConvex } from './downhill';

/** An adjustment as the search sees it: the positions that it may take. */
export interface Axis {
  readonly key: AdjustmentKind | 'footrestMm';
  /** Position of the first value. */
  readonly first: number;
  readonly values: readonly number[];
  /** What each costs by itself, millionths. */
  readonly costs: Float64Array;
}

/** The seat as it stands while something is chosen. */
export interface Standing {
  readonly p: Problem;
  /** Tried out in place. */
  readonly v: SetValues;
  /** How the legs stand, where that is known. */
  leg: Leg | undefined;
  /** Stretches and places looked at so far. */
  looks: number;
  /** How often something was chosen anew: while it is the same everything before what is chosen stands still. */
  turn: number;
}

/** A condition as it takes part in a choice. */
export interface Term {
  readonly condition: Condition;
  readonly curve: Curve;
  readonly residual: Condition['residual'];
  /** Of the adjustments to be chosen those that it depends on. */
  readonly on: readonly Axis['key'][];
  /** Of those that are tried before them the ones that it depends on. */
  readonly above?: readonly Axis['key'][];
  /** Whether of the stance it hangs on nothing but the lean. */
  readonly isByLean: boolean;
}

/** What was chosen below a place; of what did not stay under a limit only that limit. */
interface Known {
  readonly cost: number;
  readonly positions: readonly number[] | null;
}

/** Whether of a part that joins all others it is tried first. */
const FIRST: readonly Axis['key'][] = ['deskHeight', 'armWidth', 'padSlide', 'foreAft'];

/** The place of the least cost within a stretch of an axis: costs of levers fall to one place and rise beyond it. */
function cheapestOf(costs: Float64Array): number {
  let best = 0;
  for (let i = 1; i < costs.length; i++) if (costs[i]! < costs[best]!) best = i;
  return best;
}

/** Where a cost is least, and how much that is. */
interface Bottom {
  readonly at: number;
  readonly cost: number;
}

const NO_COSTS = new Float64Array(0);
const NO_TURNS = new Int32Array(0);

/** Among so few places nothing is gained by going downhill. */
const FEW_PLACES = 4;
/** What rounding of residuals can take off what each costs for a unit of it. */
const ROUNDED_RESIDUALS = 4e-3;

/** What a choice is made of. */
interface ChoiceParts {
  readonly axis: Axis;
  readonly terms: readonly Term[];
  readonly joined: readonly Choice[];
  /** The same without what hangs on this axis. */
  readonly apart: readonly Choice[];
  /** Whether it hangs on nothing but the lean and where the axis above it stands. */
  readonly isKept: boolean;
  /** Whether it hangs on anything that is tried before it. */
  readonly hangsAbove: boolean;
}

/** One adjustment, and what stands alone once it is chosen. */
export class Choice {
  /** The position chosen last. */
  at = -1;
  private readonly cheapest: number;
  /** How a term follows the axis straight: by as much, against it, or not so (0). */
  private readonly ways: readonly number[];
  /** What was worked out of each term at each place, once places are looked at. */
  private residuals: readonly Float64Array[] = [];
  private readonly bases: Float64Array;
  private limit = 0;
  private readonly chosenBelow: number[] = [];
  private readonly below: readonly Choice[];
  private readonly known = new Map<number, Map<number, Known>>();
  /** What the rest costs at least, wherever this one stands. */
  private floor = 0;
  /** Whether nothing hangs on it, and what follows it straight is convex in it, up to this cost. */
  private readonly isBowl: boolean;
  private readonly convexTo: number;
  private lastBottom: number;
  private readonly hangsAbove: boolean;
  /** What it cost by itself, and in which turn. */
  private alone = { cost: 0, turn: -1 };
  /** What places cost by what follows straight, in all and by term, and when that was worked out. */
  private straightSums = NO_COSTS;
  private straightTerms = NO_COSTS;
  private straightIn = NO_TURNS;
  private turn = 0;

  private readonly axis: Axis;
  private readonly terms: readonly Term[];
  private readonly joined: readonly Choice[];
  private readonly apart: readonly Choice[];
  readonly isKept: boolean;

  constructor(p: Problem, { axis, terms, joined, apart, isKept, hangsAbove }: ChoiceParts) {
    this.hangsAbove = hangsAbove;
    this.axis = axis;
    this.terms = terms;
    this.joined = joined;
    this.apart = apart;
    this.isKept = isKept;
    this.cheapest = cheapestOf(axis.costs);
    this.ways = terms.map(({ condition }) => {
      const kind = axis.key as AdjustmentKind;
      const isOwn = condition.isStraight && condition.owners(p).includes(kind);
      const way = isOwn ? followingOf(condition, kind) : null;
      return typeof way === 'number' ? way : 0;
    });
    this.bases = new Float64Array(terms.length);
    this.below = joined.flatMap((c) => [c, ...c.below]);
    this.isBowl = joined.length === 0 && axis.values.length > FEW_PLACES && isConvex(axis.values, axis.costs);
    this.convexTo = Math.min(...terms.map(({ curve }) => curve.convexTo));
    this.lastBottom = this.cheapest;
  }

  /** Every adjustment that it chooses, with where it was put last. */
  chosen(put: (axis: Axis, at: number) => void): void {
    put(this.axis, this.at);
    for (const { axis, at } of this.below) put(axis, at);
  }

  /**
   * Chooses the cheapest position, of equally cheap ones the lowest.
   * @param limit what it has to stay under, millionths
   * @returns its cost with everything that it joins; Infinity where nothing stays under the limit
   */
  solve(s: Standing, limit: number): number {
    const { axis, terms, bases, ways } = this;
    this.turn++;
    this.limit = limit;
    this.at = -1;
    this.floor = 0;
    for (const one of this.apart) this.floor += one.costAlone(s);
    const last = axis.values.length - 1;
    s.v[axis.key] = axis.values[0]!;
    for (let t = 0; t < terms.length; t++) if (ways[t] !== 0) bases[t] = terms[t]!.residual(s.p, s.v, s.leg);
    const bottom = this.isBowl ? this.bottomOf(s) : null;
    if (bottom) return this.putAt(s, bottom, limit);
    if (this.residuals.length === 0) this.residuals = terms.map(() => new Float64Array(axis.values.length));
    for (const known of this.residuals) known.fill(NaN);
    this.look(s, 0, last, this.leastBetween(s, 0, last));
    if (this.at < 0) return Infinity;
    this.restore(s);
    return this.limit;
  }

  /** What it costs at its best: worked out once a turn where it hangs on nothing that is tried before it. */
  private costAlone(s: Standing): number {
    if (this.hangsAbove || this.alone.turn !== s.turn)
      this.alone = { cost: this.solve(s, Infinity), turn: s.turn };
    return this.alone.cost;
  }

  private putAt(s: Standing, { at, cost }: Bottom, limit: number): number {
    if (cost >= limit) return Infinity;
    this.at = at;
    s.v[this.axis.key] = this.axis.values[at]!;
    return cost;
  }

  /**
   * Where the cost is least, by going downhill from where it was least before: every term that follows the axis straight
   * is convex in it. Null where rounding may hide the way down, or what does not follow it straight costs something.
   */
  private bottomOf(s: Standing): Bottom | null {
    const places = this.axis.values.length;
    if (this.straightIn.length === 0) {
      this.straightSums = new Float64Array(places);
      this.straightTerms = new Float64Array(places * this.terms.length);
      this.straightIn = new Int32Array(places);
    }
    const last = places - 1;
    const at = downhill((i) => this.straightAt(s, i), this.lastBottom, last);
    this.lastBottom = at;
    const cost = this.straightAt(s, at);
    if (cost >= this.convexTo) return null;
    for (const next of [at - 1, at + 1]) {
      if (next < 0 || next > last) continue;
      this.straightAt(s, next);
      if (!this.rises(at, next)) return null;
    }
    s.v[this.axis.key] = this.axis.values[at]!;
    for (let t = 0; t < this.terms.length; t++)
      if (this.ways[t] === 0 && this.terms[t]!.curve.at(this.terms[t]!.residual(s.p, s.v, s.leg)) > 0)
        return null;
    return { at, cost };
  }

  /** What the position and every term that follows it straight cost. */
  private straightAt(s: Standing, at: number): number {
    const { axis, terms, ways, bases, straightTerms, straightSums } = this;
    if (this.straightIn[at] === this.turn) return straightSums[at]!;
    s.looks++;
    let sum = axis.costs[at]!;
    const off = axis.values[at]! - axis.values[0]!;
    for (let t = 0; t < terms.length; t++) {
      const cost = ways[t] === 0 ? 0 : terms[t]!.curve.at(bases[t]! + ways[t]! * off);
      straightTerms[at * terms.length + t] = cost;
      sum += cost;
    }
    this.straightIn[at] = this.turn;
    straightSums[at] = sum;
    return sum;
  }

  /** Whether from one place to its neighbour the cost rises by more than rounding can make up for beyond it. */
  private rises(from: number, to: number): boolean {
    const { straightSums, straightTerms } = this;
    const { length } = this.terms;
    let moved = 0;
    for (let t = 0; t < length; t++)
      moved += Math.abs(straightTerms[to * length + t]! - straightTerms[from * length + t]!);
    const { values } = this.axis;
    const perUnit = moved / Math.abs(values[to]! - values[from]!);
    return straightSums[to]! - straightSums[from]! > ROUNDED_COST * length + ROUNDED_RESIDUALS * perUnit;
  }

  /** The same, kept for every lean and every place of the axis above. */
  private solveFor(s: Standing, place: number, limit: number): number {
    if (!this.isKept) return this.solve(s, limit);
    const lean = trunkDegOf(s.v);
    let ofLean = this.known.get(lean);
    if (!ofLean) this.known.set(lean, (ofLean = new Map<number, Known>()));
    let found = ofLean.get(place);
    if (!found || (!found.positions && found.cost < limit)) {
      const cost = this.solve(s, limit);
      const isFound = cost < Infinity;
      found = { cost: isFound ? cost : limit, positions: isFound ? [this.at, ...this.chosenBelow] : null };
      ofLean.set(place, found);
    }
    if (!found.positions || found.cost >= limit) return Infinity;
    this.put(s, found.positions);
    return found.cost;
  }

  private put(s: Standing, positions: readonly number[]): void {
    this.at = positions[0]!;
    s.v[this.axis.key] = this.axis.values[this.at]!;
    this.below.forEach((one, i) => {
      one.at = positions[i + 1]!;
      this.chosenBelow[i] = one.at;
      s.v[one.axis.key] = one.axis.values[one.at]!;
    });
  }

  private residualAt(s: Standing, t: number, i: number): number {
    const kept = this.residuals[t]!;
    const known = kept[i]!;
    if (!Number.isNaN(known)) return known;
    const { key, values } = this.axis;
    let made: number;
    if (this.ways[t] !== 0) made = this.bases[t]! + this.ways[t]! * (values[i]! - values[0]!);
    else {
      s.v[key] = values[i]!;
      made = this.terms[t]!.residual(s.p, s.v, s.leg);
    }
    return (kept[i] = made);
  }

  /** Whether a term only rises or only falls between two places. */
  private isOneWay(s: Standing, t: number, from: number, to: number): boolean {
    const { isOneWay } = this.terms[t]!.condition;
    if (!isOneWay) return true;
    const { key, values } = this.axis;
    s.v[key] = values[from]!;
    return isOneWay(s.p, s.v, key as AdjustmentKind, values[to]!);
  }

  private leastBetween(s: Standing, from: number, to: number): number {
    const { terms, axis, cheapest } = this;
    let sum = this.floor + axis.costs[Math.max(from, Math.min(to, cheapest))]!;
    for (let t = 0; t < terms.length; t++) {
      // More than is left: it is out, whatever else is added.
      if (sum > this.limit) return sum;
      const a = this.residualAt(s, t, from);
      if (from === to) {
        sum += terms[t]!.curve.penalty(roundResidual(a));
        continue;
      }
      if (!this.isOneWay(s, t, from, to)) continue;
      const b = this.residualAt(s, t, to);
      sum += terms[t]!.curve.leastPenalty(Math.min(a, b), Math.max(a, b));
    }
    return sum;
  }

  /** Whether a stretch that costs so much at least can hold something better than what is known. */
  private mayBeBetter(least: number, from: number): boolean {
    return least < this.limit || (least === this.limit && this.at >= 0 && from < this.at);
  }

  private look(s: Standing, from: number, to: number, least: number): void {
    s.looks++;
    if (!this.mayBeBetter(least, from)) return;
    if (from === to) {
      this.take(s, from, least);
      return;
    }
    const middle = (from + to) >> 1;
    const lower = this.leastBetween(s, from, middle);
    const upper = this.leastBetween(s, middle + 1, to);
    if (upper < lower) {
      this.look(s, middle + 1, to, upper);
      this.look(s, from, middle, lower);
    } else {
      this.look(s, from, middle, lower);
      this.look(s, middle + 1, to, upper);
    }
  }

  private take(s: Standing, at: number, own: number): void {
    s.v[this.axis.key] = this.axis.values[at]!;
    let sum = own - this.floor;
    for (const one of this.joined) {
      // One millionth more than is left, so that an equal one is found too.
      const cost = one.solveFor(s, at, this.limit - sum + 1);
      if (cost === Infinity) return;
      sum += cost;
    }
    if (!this.mayBeBetter(sum, at)) return;
    this.limit = sum;
    this.at = at;
    this.below.forEach((one, i) => (this.chosenBelow[i] = one.at));
  }

  /** Puts back what was best: places tried later have moved it. */
  private restore(s: Standing): void {
    s.v[this.axis.key] = this.axis.values[this.at]!;
    this.below.forEach((one, i) => {
      one.at = this.chosenBelow[i]!;
      s.v[one.axis.key] = one.axis.values[one.at]!;
    });
  }
}

/** Adjustments that conditions join. */
export interface Part {
  readonly axes: readonly Axis[];
  readonly terms: readonly Term[];
}

/**
 * Axes that terms join, together; a term that depends on none of them is left out.
 * @returns each axis in one part at most. Definition.
 */
export function partsOf(axes: readonly Axis[], terms: readonly Term[]): Part[] {
  let parts: { axes: Axis[]; terms: Term[] }[] = axes.map((axis) => ({ axes: [axis], terms: [] }));
  for (const term of terms) {
    const [first, ...others] = parts.filter((part) => part.axes.some((a) => term.on.includes(a.key)));
    if (!first) continue;
    for (const other of others) {
      first.axes.push(...other.axes);
      first.terms.push(...other.terms);
    }
    first.terms.push(term);
    parts = parts.filter((part) => !others.includes(part));
  }
  return parts;
}

const rankOf = (key: Axis['key']): number => (FIRST.indexOf(key) + 1 || FIRST.length + 1) - 1;

const cellsOf = (axes: readonly Axis[]): number => axes.reduce((cells, a) => cells * a.values.length, 1);

/** About how many places are looked at in a part: of its longest axis only as many as halving takes. */
function looksIn(axes: readonly Axis[]): number {
  const longest = Math.max(...axes.map((a) => a.values.length));
  return (cellsOf(axes) / longest) * (1 + Math.log2(longest));
}

/** The parts that are left once an adjustment stands. */
const partsWithout = ({ axes, terms }: Part, hub: Axis): Part[] =>
  partsOf(
    axes.filter((a) => a !== hub),
    terms.map((t) => ({ ...t, on: t.on.filter((key) => key !== hub.key) })),
  );

/** So many times fewer places looked at are worth another order. */
const FEWER = 8;

/** Which adjustment of a part is tried first: what leaves the smallest parts, unless with another far less is looked at. */
function hubOf(part: Part): Axis {
  const { axes } = part;
  if (axes.length === 1) return axes[0]!;
  const tried = axes.map((axis) => {
    const rest =
      axes.length === 2 ? [axes.filter((a) => a !== axis)] : partsWithout(part, axis).map((one) => one.axes);
    return {
      axis,
      size: Math.max(0, ...rest.map(cellsOf)),
      looks: axis.values.length * Math.max(1, ...rest.map(looksIn)),
    };
  });
  const [usual] = [...tried].sort((a, b) => a.size - b.size || rankOf(a.axis.key) - rankOf(b.axis.key));
  const [fewest] = [...tried].sort((a, b) => a.looks - b.looks);
  return (fewest!.looks * FEWER < usual!.looks ? fewest! : usual!).axis;
}

/**
 * How a part is chosen: the adjustment without which it falls into the smallest parts comes first, as a rule.
 * @returns a tree of parts, each chosen for every position of the one above. Definition (dynamic programming).
 */
export function choiceOf(p: Problem, part: Part, above: Axis | null = null): Choice {
  const { axes, terms } = part;
  const hub = hubOf(part);
  const own = terms.filter(({ on }) => on.length === 1 && on[0] === hub.key);
  const rest = terms
    .filter((t) => !own.includes(t))
    .map((t) =>
      t.on.includes(hub.key)
        ? { ...t, on: t.on.filter((key) => key !== hub.key), above: [...(t.above ?? []), hub.key] }
        : t,
    );
  const others = axes.filter((a) => a !== hub);
  const alone = terms.filter(({ on }) => !on.includes(hub.key));
  const isKept =
    above !== null && terms.every((t) => t.isByLean && (t.above ?? []).every((key) => key === above.key));
  // What is kept is tried first: it is soon known.
  const joined = partsOf(others, rest)
    .map((one) => choiceOf(p, one, hub))
    .sort((a, b) => Number(b.isKept) - Number(a.isKept));
  return new Choice(p, {
    axis: hub,
    terms: own,
    joined,
    apart: partsOf(others, alone)
      .filter((one) => one.terms.length > 0)
      .map((one) => choiceOf(p, one)),
    isKept,
    hangsAbove: terms.some((t) => (t.above ?? []).length > 0),
  });
}
