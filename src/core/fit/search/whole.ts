/**
 * The whole seat with its place as one problem: branch and bound over boxes of the stance (what the body stands on),
 * everything after it chosen inside. What is compared is one number and, between equals, the positions in the order of
 * the kinds.
 */
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../../seat';
import { scopeOf, type Condition } from '../conditions';
import type { Curve } from '../cost/curve';
import { Extents } from '../geometry/extents';
import { judgeOf, judgesOf, leastOver, penaltyAt, type Judge } from '../cost/judge';
import { legOf } from '../geometry/on-seat';
import type { Problem, SetValues } from '../problem/problem';
import { isStill, type Box } from './box';
import type { Axis, Standing, Term } from './choice';
import { AT_DESK, AtDesk } from './desk';
import type { Group } from './group';
import { Parts, isByLean, keysIn, type Way } from './parts';
import { Tangents, type Loose } from './tangents';
import { isBefore } from './ties';

/** The best that was found, and how sure that is. */
export interface WholeFound {
  /** A position for each axis, in their order. */
  readonly positions: readonly number[];
  readonly penalty: number;
  /** No setting costs less, millionths. */
  readonly bound: number;
  readonly boxes: number;
}

/** How far one step of an adjustment moves a knee or a hand, mm: a degree moves either by about eight. */
const MM_PER_DEG = 8;
/**
 * How much the travel of some tells before others stand: a foot ring follows the seat, and what pushes the sitter forward
 * hardly moves a height.
 */
const TELLS: Partial<Record<Axis['key'], number>> = {
  footRing: 0.2,
  lumbarDepth: 0.05,
  upperLumbar: 0.05,
  lowerLumbar: 0.05,
  backReach: 0.3,
};
const LEAST_STEP = 1e-6;

/**
 * The mean distance of two neighbouring values, in the adjustment's unit; 0 for a single one.
 * @param values rising
 * @returns in the adjustment’s unit. Definition.
 */
export const stepOf = (values: readonly number[]): number =>
  values.length < 2 ? 0 : (values[values.length - 1]! - values[0]!) / (values.length - 1);

function weightOf({ key, values }: Axis): number {
  const isAngle = key !== 'footrestMm' && ADJUSTMENT_KINDS[key].units[0] === 'deg';
  return Math.max(stepOf(values), LEAST_STEP) * (isAngle ? MM_PER_DEG : (TELLS[key] ?? 1));
}

const isStance = ({ key }: Axis): boolean => key === 'footrestMm' || ADJUSTMENT_KINDS[key].part === 'stance';

/** The last position whose value is at most `value`; −1 where none is. */
function lastUpTo(values: readonly number[], value: number): number {
  let [below, above] = [-1, values.length];
  while (above - below > 1) {
    const middle = (below + above) >> 1;
    if (values[middle]! <= value) below = middle;
    else above = middle;
  }
  return below;
}

/** Where what hangs on nothing of the stance is chosen. */
const NOWHERE: Box = { lo: [], hi: [] };

/** Up to so many positions a condition on one adjustment alone is worked out at each of them. */
const MOST_TABULATED = 64;

/** From so many ways of choosing what hangs together inside on, a guess saves more than it costs. */
const MUCH_INSIDE = 100_000;
/** So many positions of each adjustment are guessed among, in so many boxes at most. */
const GUESSED = 9;
const BUDGET_GUESS = 2000;

/** Some of so many positions, as far apart as may be, both ends among them. */
const farApart = (count: number, most: number): number[] =>
  count <= most
    ? Array.from({ length: count }, (_, i) => i)
    : Array.from({ length: most }, (_, i) => Math.round((i * (count - 1)) / (most - 1)));

export class Whole {
  private readonly s: Standing;
  private readonly stance: readonly Axis[];
  private readonly counts: readonly number[];
  private readonly weights: readonly number[];
  /** What each position of each axis of the stance costs by itself, and where that is least. */
  private readonly tables: readonly Float64Array[];
  private readonly cheapest: readonly number[];
  private readonly loose: readonly Loose[];
  private readonly groups: readonly Group[];
  private readonly ways: readonly Way[];
  /** What each group costs at least in the box looked at last; of what hangs on nothing of the stance what it costs. */
  private readonly leasts: number[];
  /** Numbers of the groups that hang on something of the stance. */
  private readonly moving: readonly number[];
  private readonly tangents: Tangents;
  private readonly pads: Judge | null;
  private readonly span: Extents;
  private readonly asksForLeg: boolean;
  /** The axis of the seat's height and its foot gap, by which it is told where to look. */
  private readonly height: number;
  private readonly gap: Curve | null;
  private readonly desk: AtDesk;
  private readonly parts: Parts;
  /** Where each axis of the stance stands in the span: only what moves from box to box is put there again. */
  private readonly atLo: Int32Array;
  private readonly atHi: Int32Array;
  private constant = 0;
  private boxes = 0;
  private open = Infinity;
  private best: { penalty: number; positions: readonly number[] } | null = null;

  private readonly budget: number;
  private readonly judges: readonly Judge[];
  private readonly isGuess: boolean;

  constructor(
    private readonly p: Problem,
    private readonly axes: readonly Axis[],
    values: SetValues,
    {
      budget,
      judges = judgesOf(p),
      isGuess = false,
    }: { readonly budget: number; readonly judges?: readonly Judge[]; readonly isGuess?: boolean },
  ) {
    this.budget = budget;
    this.judges = judges;
    this.isGuess = isGuess;
    for (const { key, values: own } of axes) values[key] = own[0]!;
    this.s = { p, v: values, leg: undefined, looks: 0, turn: 0 };
    this.stance = axes.filter((a) => isStance(a) && a.values.length > 1);
    const after = axes.filter((a) => !isStance(a) && a.values.length > 1);
    for (const a of axes) if (a.values.length === 1) this.constant += a.costs[0]!;
    const hasDesk = judges.some(({ condition }) => condition.either);
    this.parts = new Parts(this.s, this.stance, hasDesk);
    this.counts = this.stance.map((a) => a.values.length);
    this.atLo = new Int32Array(this.stance.length).fill(-1);
    this.atHi = new Int32Array(this.stance.length).fill(-1);
    this.weights = this.stance.map(weightOf);
    const tables = this.stance.map((a) => a.costs.slice());
    const loose: Loose[] = [];
    const terms: Term[] = [];
    let pads: Judge | null = null;
    for (const judge of judges) {
      const { condition, curve } = judge;
      const scope = scopeOf(p, condition);
      if (condition.either) pads = judge;
      else if (after.some((a) => scope.includes(a.key as AdjustmentKind)))
        terms.push({
          condition,
          curve,
          residual: condition.residual,
          on: keysIn(after, scope),
          isByLean: isByLean(this.stance, scope),
        });
      else this.addJudge(judge, scope, tables, loose);
    }
    this.tables = tables;
    this.cheapest = tables.map((t) => t.reduce((best, c, i) => (c < t[best]! ? i : best), 0));
    this.loose = loose;
    this.tangents = new Tangents(p, loose);
    this.groups = this.parts.groupsOf(after, terms);
    this.pads = pads;
    this.ways = pads ? this.parts.waysOf(pads, after, terms, this.groups) : [];
    this.span = new Extents(p, values);
    const needsLeg = ({ condition }: { readonly condition: Condition }): boolean => condition.onLegs;
    this.asksForLeg = loose.some(needsLeg) || terms.some(needsLeg);
    this.height = this.stance.findIndex((a) => a.key === 'seatHeight');
    this.gap = judgeOf(p, 'footGap')?.curve ?? null;
    this.desk = new AtDesk(p, this.groups, axes, { pads, values });
    this.rangeAfter(after);
    this.moving = this.groups.flatMap(({ on }, i) => (on.length > 0 ? [i] : []));
    this.leasts = this.groups.map((g) => (g.on.length > 0 ? 0 : g.cost(this.s, NOWHERE, Infinity)));
    for (const cost of this.leasts) this.constant += cost;
  }

  /** A condition that nothing after the stance takes part in. */
  private addJudge(
    judge: Judge,
    scope: readonly AdjustmentKind[],
    tables: readonly Float64Array[],
    loose: Loose[],
  ): void {
    const { condition, curve } = judge;
    const on = this.parts.indexesIn(scope);
    const [only] = on;
    const { v } = this.s;
    if (only === undefined) this.constant += penaltyAt(judge, this.p, v);
    else if (on.length === 1 && (!condition.extent || this.counts[only]! <= MOST_TABULATED)) {
      const { key, values } = this.stance[only]!;
      values.forEach((value, i) => {
        v[key] = value;
        tables[only]![i]! += penaltyAt(judge, this.p, v);
      });
      v[key] = values[0]!;
    } else loose.push({ condition, curve, on });
  }

  /** Over a box everything after the stance may stand anywhere. */
  private rangeAfter(after: readonly Axis[]): void {
    for (const { key, values } of after) {
      this.span.lo[key] = values[0]!;
      this.span.hi[key] = values[values.length - 1]!;
    }
  }

  /** The best of all, unless the budget of boxes ends first. */
  search(): WholeFound {
    const inside = this.groups.map(({ axes }) => axes.reduce((n, { values }) => n * values.length, 1));
    if (!this.isGuess && Math.max(...inside) >= MUCH_INSIDE) this.guess();
    const root: Box = { lo: this.counts.map(() => 0), hi: this.counts.map((n) => n - 1) };
    this.visit(root, this.leastIn(root));
    const { penalty, positions } = this.best!;
    return { positions, penalty, bound: Math.min(penalty, this.open), boxes: this.opened };
  }

  /** Boxes opened, and a tenth for every place looked at inside one. */
  private get opened(): number {
    return this.boxes + Math.floor(this.s.looks / LOOKS_A_BOX);
  }

  private visit(box: Box, least: number): void {
    if (this.best && least > this.best.penalty) return;
    const axis = this.widest(box);
    if (axis < 0) return;
    if (this.best && this.opened >= this.budget) {
      this.open = Math.min(this.open, least);
      return;
    }
    const cut = this.cutOf(box, axis);
    const lower: Box = { lo: box.lo, hi: box.hi.slice() };
    lower.hi[axis] = cut;
    const upper: Box = { lo: box.lo.slice(), hi: box.hi };
    upper.lo[axis] = cut + 1;
    const below = this.leastIn(lower);
    const above = this.leastIn(upper);
    // The more promising part first: a good setting is found early, and most boxes are then left unopened.
    if (above < below) {
      this.visit(upper, above);
      this.visit(lower, below);
    } else {
      this.visit(lower, below);
      this.visit(upper, above);
    }
  }

  /**
   * A first guess where what is chosen inside is much: of each adjustment only some positions, far apart. Whatever costs more
   * is then left unopened from the beginning.
   */
  private guess(): void {
    const some = this.axes.map(({ values }) => farApart(values.length, GUESSED));
    const coarse = this.axes.map((axis, i) => ({
      ...axis,
      values: some[i]!.map((at) => axis.values[at]!),
      costs: Float64Array.from(some[i]!, (at) => axis.costs[at]!),
    }));
    const options = { budget: BUDGET_GUESS, judges: this.judges, isGuess: true };
    const { boxes, penalty, positions } = new Whole(this.p, coarse, { ...this.s.v }, options).search();
    this.boxes += boxes;
    this.best = { penalty, positions: positions.map((at, i) => some[i]![at]!) };
  }

  /** The axis along which a box is widest, by what a position matters; −1 in a box of one position. */
  private widest({ lo, hi }: Box): number {
    let [axis, width] = [-1, 0];
    for (let i = 0; i < lo.length; i++) {
      const here = (hi[i]! - lo[i]!) * this.weights[i]!;
      if (here <= width) continue;
      [axis, width] = [i, here];
    }
    return axis;
  }

  /**
   * The last position of the lower part of a cut. A likely best is cut free, which leaves it alone after two cuts; one
   * that lies outside says nothing more, and the box is halved.
   */
  private cutOf({ lo, hi }: Box, axis: number): number {
    const [from, to] = [lo[axis]!, hi[axis]!];
    const isHeight = axis === this.height && this.gap !== null;
    const likely = isHeight ? this.wantedHeight({ lo, hi }) : this.cheapest[axis]!;
    return likely >= from && likely <= to ? Math.min(likely, to - 1) : (from + to) >> 1;
  }

  /** The seat height at which the foot gap is about what is aimed at. */
  private wantedHeight(box: Box): number {
    this.reach(box);
    this.span.update(true);
    const [from, to] = [box.lo[this.height]!, box.hi[this.height]!];
    const { values } = this.stance[this.height]!;
    const { gap } = this.span;
    const { lo, hi } = this.gap!.aim;
    const wanted = Number.isFinite(lo + hi) ? (lo + hi) / 2 : Number.isFinite(lo) ? lo : hi;
    const rest = (gap.lo - values[from]! + gap.hi - values[to]!) / 2;
    return lastUpTo(values, wanted - rest);
  }

  /**
   * Puts a box where it is computed with: its ends into the span, and its lower end where things are tried out.
   * @returns whether it is one position
   */
  private reach({ lo, hi }: Box): boolean {
    const { stance, span, s, atLo, atHi } = this;
    let isOne = true;
    for (let i = 0; i < stance.length; i++) {
      const [from, to] = [lo[i]!, hi[i]!];
      if (from !== atLo[i]) {
        const { key, values } = stance[i]!;
        s.v[key] = span.lo[key] = values[from]!;
        atLo[i] = from;
      }
      if (to !== atHi[i]) {
        const { key, values } = stance[i]!;
        span.hi[key] = values[to]!;
        atHi[i] = to;
      }
      if (from !== to) isOne = false;
    }
    s.leg = undefined;
    return isOne;
  }

  private leastOnAxis(i: number, from: number, to: number): number {
    const table = this.tables[i]!;
    const cheapest = this.cheapest[i]!;
    if (cheapest >= from && cheapest <= to) return table[cheapest]!;
    let least = Infinity;
    for (let at = from; at <= to; at++) if (table[at]! < least) least = table[at]!;
    return least;
  }

  /** Nothing in a box costs less; a box of one position is worked out, and kept where it is the best so far. */
  private leastIn(box: Box): number {
    this.boxes++;
    let sum = this.constant;
    for (let i = 0; i < this.counts.length; i++) sum += this.leastOnAxis(i, box.lo[i]!, box.hi[i]!);
    const most = this.best ? this.best.penalty : Infinity;
    if (sum > most) return sum;
    if (this.reach(box)) return this.costOf(box, sum);
    const { span, s } = this;
    span.update(this.asksForLeg);
    for (const loose of this.loose) {
      if (sum > most) return sum;
      const least = leastOver(loose, span);
      if (least !== null) sum += least;
      else if (isStill(box, loose.on)) sum += loose.curve.at(loose.condition.residual(s.p, s.v));
    }
    if (sum > most) return sum;
    sum += this.tangents.added(span);
    const { leasts } = this;
    for (const i of this.moving) {
      const group = this.groups[i]!;
      const left = most - sum + 1;
      // What takes a look at places of its own comes last: it is not worth while where the box is out already.
      const told = Math.max(this.leastOfTerms(group), this.desk.leastOf(group, span));
      if (told >= left) return sum + told;
      const least = Math.max(told, group.leastIn(s, span.hi, { box, span, limit: left }));
      leasts[i] = least;
      sum += least;
      if (sum > most) return sum;
    }
    return this.best && this.ways.length > 0 ? sum + this.leastPastDesk(s, box, sum) : sum;
  }

  /** What the cheaper of the ways past the desk costs at least beyond what is told already. */
  private leastPastDesk(s: Standing, box: Box, sum: number): number {
    const { span, leasts } = this;
    let cheaper = Infinity;
    for (const { groups, replaced, loose, isUnder, most } of this.ways) {
      let more = 0;
      for (const group of groups) more += group.leastIn(s, span.hi, { box, span, limit: Infinity });
      this.groups.forEach((g, i) => {
        if (replaced.includes(g)) more -= leasts[i]!;
      });
      if (loose && isStill(box, this.parts.indexesOf(loose))) more = loose.curve.at(loose.residual(s.p, s.v));
      if (most) more = Math.max(more, this.pads!.curve.leastPenalty(-Infinity, most(span)) || 0);
      const told = isUnder
        ? this.desk.leastUnderIn(span, leasts, this.best!.penalty - sum)
        : this.desk.leastBefore(leasts);
      more = Math.max(more, told);
      cheaper = Math.min(cheaper, Math.max(0, more));
      if (cheaper === 0) return 0;
    }
    return cheaper;
  }

  /** What conditions of a group cost at least while everything that is chosen in it may stand anywhere. */
  private leastOfTerms({ terms }: Group): number {
    let sum = 0;
    for (const { condition, curve } of terms) {
      if (!condition.extent || AT_DESK.includes(condition.id)) continue;
      const { lo, hi } = condition.extent(this.span);
      sum += curve.leastPenalty(lo, hi);
    }
    return sum;
  }

  /** What one stance costs with everything after it at its best; more than the best so far where it is soon seen. */
  private costOf(box: Box, own: number): number {
    const { s } = this;
    if (this.asksForLeg) s.leg = legOf(this.p, s.v);
    const most = this.best ? this.best.penalty : Infinity;
    let sum = own;
    for (const loose of this.loose) {
      sum += penaltyAt(loose, s.p, s.v, s.leg);
      if (sum > most) return sum;
    }
    let atLeast = sum;
    const leasts = this.leasts.slice();
    if (this.desk.isFollowed) this.span.update(this.asksForLeg);
    for (const i of this.moving) {
      const group = this.groups[i]!;
      const alone = group.leastIn(s, s.v, { box, span: null, limit: Infinity });
      const least = this.desk.isFollowed ? Math.max(alone, this.desk.leastOf(group, this.span)) : alone;
      leasts[i] = least;
      atLeast += least;
      if (atLeast > most) return atLeast;
    }
    const costs = this.leasts.slice();
    for (const i of this.moving) {
      // What the others cost at least leaves so much for this one.
      const cost = this.groups[i]!.cost(s, box, most - atLeast + leasts[i]! + 1);
      if (cost === Infinity) return most + 1;
      costs[i] = cost;
      sum += cost;
      atLeast += cost - leasts[i]!;
      if (atLeast > most) return atLeast;
    }
    if (!this.pads) {
      this.keep(box, sum, this.groups);
      return sum;
    }
    let least = Infinity;
    for (const way of this.ways) least = Math.min(least, this.alongWay(box, sum, costs, way));
    return least;
  }

  /** The same with the pads before the desk, or under it. */
  private alongWay(box: Box, plain: number, costs: readonly number[], way: Way): number {
    const { s } = this;
    const most = this.best ? this.best.penalty : Infinity;
    if (way.isUnder && plain + this.desk.leastUnder(s, costs, most - plain) > most) return most + 1;
    if (way.loose) {
      const sum = plain + way.loose.curve.at(way.loose.residual(s.p, s.v));
      if (sum <= most) this.keep(box, sum, this.groups);
      return sum;
    }
    let sum = plain;
    this.groups.forEach((g, i) => {
      if (way.replaced.includes(g)) sum -= costs[i]!;
    });
    for (const group of way.groups) {
      const cost = group.cost(s, box, most - sum + 1);
      if (cost === Infinity) return most + 1;
      sum += cost;
    }
    if (sum <= most)
      this.keep(box, sum, [...this.groups.filter((g) => !way.replaced.includes(g)), ...way.groups]);
    return sum;
  }

  /** Keeps a setting that is better than the best so far, or as good and before it. */
  private keep(box: Box, penalty: number, groups: readonly Group[]): void {
    if (this.best && penalty > this.best.penalty) return;
    const positions = this.axes.map((axis) => {
      const i = this.stance.indexOf(axis);
      if (i >= 0) return box.lo[i]!;
      for (const g of groups) {
        const at = g.axes.indexOf(axis);
        if (at >= 0) return g.positions[at]!;
      }
      return 0;
    });
    if (
      this.best &&
      penalty === this.best.penalty &&
      !isBefore(this.p, this.axes, positions, this.best.positions)
    )
      return;
    this.best = { penalty, positions };
  }
}

/** So many places looked at inside a box are as much work as another box. */
const LOOKS_A_BOX = 10;
