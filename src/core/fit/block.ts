/** Adjustments chosen together as a space to search: every condition that they decide, bounded over boxes. */
import { bandOf, type ConditionId, type Interval, type TieBreak } from '../method';
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../seat';
import { extentOf, type Condition } from './conditions';
import { Extents } from './extents';
import { elbowMm, legOf, underDeskMm } from './on-seat';
import { curveOf, leastOfPair, roundResidual, type Curve } from './penalty';
import type { Problem, SetValues } from './problem';
import type { Bound, Box, Cost, Space } from './search';

export interface Axis {
  /** Position of the first value. */
  readonly first: number;
  readonly key: AdjustmentKind | 'footrestMm';
  readonly values: readonly number[];
}

const MILLION = 1e6;

/** What using a footrest costs. */
export const footrestCost = (p: Problem): number => p.inputs.method.footrestPenalty * MILLION;

/** How far one step of an adjustment moves a knee or a hand, mm: a degree moves either by about eight. */
const MM_PER_DEG = 8;
/** A foot ring follows the seat, and a desk both: as long as what they follow is not known, to halve their travel tells little. */
const FOLLOWS: Partial<Record<Axis['key'], number>> = { footRing: 1e-3, deskHeight: 1e-6 };
const LEAST_STEP = 1e-6;

const isAngle = (key: Axis['key']): boolean =>
  key !== 'footrestMm' && ADJUSTMENT_KINDS[key].units[0] === 'deg';

/** The mean distance of two neighbouring values, in the adjustment's unit; 0 for a single one. */
export const stepOf = ({ values }: Axis): number =>
  values.length < 2 ? 0 : (values[values.length - 1]! - values[0]!) / (values.length - 1);

const weightOf = (axis: Axis): number =>
  Math.max(stepOf(axis), LEAST_STEP) * (FOLLOWS[axis.key] ?? (isAngle(axis.key) ? MM_PER_DEG : 1));

const LIFTING: readonly Axis['key'][] = ['seatHeight', 'footRing', 'footrest', 'footrestMm'];

/** Whether everything that lifts seat or feet does so by whole millimetres from where it begins. */
const areWhole = (axes: readonly Axis[]): boolean =>
  axes.every(({ key, values }) => !LIFTING.includes(key) || values.every((v) => isWhole(v - values[0]!)));

const isWhole = (mm: number): boolean => Math.abs(mm - Math.round(mm)) < 1e-6;

/** Which condition an adjustment stands for: in widths of its band it is told how far it is from its ends. */
const MAIN_CONDITION: Partial<Record<Axis['key'], ConditionId>> = {
  seatHeight: 'footGap',
  seatAngle: 'thigh',
  backAngle: 'backAngle',
  deskHeight: 'deskTop',
};

/** Whether of its equally good positions the one with the larger margin is taken. */
export const hasMargin = (key: Axis['key']): boolean => MAIN_CONDITION[key] !== undefined;

function bandWidth(p: Problem, key: Axis['key']): number {
  const id = MAIN_CONDITION[key];
  if (!id) return 0;
  const { lo, hi } = bandOf(p.targets[id]);
  return Number.isFinite(hi - lo) ? hi - lo : 0;
}

const TILTS: readonly Axis['key'][] = ['forwardTilt', 'chairAngle', 'frontSlope'];

/** Distance to the nearer end of a range, in hundredths of its band's width. */
class Margin {
  private readonly middle: number;
  private readonly first: number;
  private readonly last: number;

  constructor(
    readonly axis: number,
    private readonly values: readonly number[],
    private readonly width: number,
  ) {
    this.first = values[0]!;
    this.last = values[values.length - 1]!;
    this.middle = (this.first + this.last) / 2;
  }

  private at(value: number): number {
    return Math.round((100 * Math.min(value - this.first, this.last - value)) / this.width);
  }

  /** The greatest among positions: it rises up to the middle of the range and falls beyond. */
  greatest(from: number, to: number): number {
    const { values, middle } = this;
    if (values[to]! <= middle) return this.at(values[to]!);
    if (values[from]! >= middle) return this.at(values[from]!);
    let [below, above] = [from, to];
    while (above - below > 1) {
      const half = (below + above) >> 1;
      if (values[half]! < middle) below = half;
      else above = half;
    }
    return Math.max(this.at(values[below]!), this.at(values[above]!));
  }
}

const isAtDesk = ({ id }: Condition): boolean => id === 'deskTop' || id === 'deskClearance';

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

/** The position of what lies between two values nearest to the middle of a range: of equally good ones that is taken. */
function likelyIn(values: readonly number[], least: number, most: number): number {
  const middle = (values[0]! + values[values.length - 1]!) / 2;
  return lastUpTo(values, Math.max(least, Math.min(most, middle)) + 1e-6);
}

/** A seat that stands still while only the desk moves. */
interface Still extends Cost {
  readonly at: readonly number[];
  readonly elbowMm: number;
  /** What has to go under the desk. */
  readonly underMm: number;
}

export class Block implements Space {
  readonly counts: readonly number[];
  readonly weights: readonly number[];
  readonly ties: Space['ties'];
  private readonly span: Extents;
  private readonly curves: readonly Curve[];
  /** Of which axis a condition is the main one; −1 of none. */
  private readonly axisOf: readonly number[];
  private readonly nowhere: readonly number[];
  /** Whether a condition asks how the leg stands. */
  private readonly asksForLeg: boolean;
  /** Which condition is the foot gap, where all that moves it does so by whole millimetres; −1 where not. */
  private readonly gapOnLattice: number;
  private readonly footrestCost: number;
  private readonly desk: { readonly top: Curve | null; readonly clearance: Curve | null };
  /** Whether elbow and legs both have to do with a desk. */
  private readonly isAtDesk: boolean;
  /** The axis of a desk; −1 where there is none, or where more than elbow and legs depend on it. */
  private readonly deskAxis: number;
  /** From a desk's top to what the hands work on, and down to its underside, mm. */
  private readonly keysMm: number;
  private readonly thickMm: number;
  private still: Still | null = null;
  /** The box last put into the span. */
  private readonly from: number[];
  private readonly to: number[];

  constructor(
    private readonly p: Problem,
    private readonly axes: readonly Axis[],
    private readonly conditions: readonly Condition[],
    values: SetValues,
  ) {
    this.counts = axes.map((a) => a.values.length);
    this.weights = axes.map(weightOf);
    const isChosen = axes.some(({ key }) => key === 'footrestMm' || key === 'footrest');
    this.footrestCost = isChosen && !(values.footrest > 0) ? footrestCost(p) : 0;
    this.ties = [...p.inputs.method.tieBreaks.map((rule) => this.tie(rule)), this.leastTilt()];
    this.span = new Extents(p, values);
    this.from = axes.map(() => -1);
    this.to = axes.map(() => -1);
    this.curves = conditions.map((c) => curveOf(c.id, p.targets[c.id]));
    this.axisOf = conditions.map(({ id }) => axes.findIndex(({ key }) => MAIN_CONDITION[key] === id));
    this.nowhere = axes.map(() => NaN);
    this.asksForLeg = conditions.some((c) => c.onLegs);
    const at: Partial<Record<ConditionId, number>> = {};
    let isOnlyDesk = true;
    conditions.forEach((c, i) => {
      at[c.id] = i;
      if (c.onDesk && !isAtDesk(c)) isOnlyDesk = false;
    });
    this.gapOnLattice = at.footGap !== undefined && areWhole(axes) ? at.footGap : -1;
    const curveAt = (i: number | undefined) => (i === undefined ? null : this.curves[i]!);
    this.desk = { top: curveAt(at.deskTop), clearance: curveAt(at.deskClearance) };
    this.isAtDesk = this.desk.top !== null && this.desk.clearance !== null;
    this.deskAxis = isOnlyDesk ? axes.findIndex((a) => a.key === 'deskHeight') : -1;
    const { deskThicknessMm = 0, keyboardThicknessMm = 0 } = p.inputs.place ?? {};
    this.keysMm = keyboardThicknessMm;
    this.thickMm = deskThicknessMm;
  }

  /**
   * Puts the ends of a box where they are computed with; of boxes looked at one after the other most are the same.
   * @returns whether the box is one position
   */
  private reach({ lo, hi }: Box): boolean {
    const { axes, span, from, to } = this;
    let isOne = true;
    for (let i = 0; i < axes.length; i++) {
      const [low, high] = [lo[i]!, hi[i]!];
      if (low !== from[i]) {
        from[i] = low;
        span.lo[axes[i]!.key] = axes[i]!.values[low]!;
      }
      if (high !== to[i]) {
        to[i] = high;
        span.hi[axes[i]!.key] = axes[i]!.values[high]!;
      }
      if (low !== high) isOne = false;
    }
    return isOne;
  }

  /** The seat as it stands in a box in which only the desk can still move; null where more can. */
  private standing(box: Box): Still | null {
    const { deskAxis, still } = this;
    if (deskAxis < 0) return null;
    let isSame = still !== null;
    for (let i = 0; i < box.lo.length; i++) {
      if (i === deskAxis) continue;
      if (box.lo[i] !== box.hi[i]) return null;
      isSame &&= box.lo[i] === still!.at[i];
    }
    if (!isSame) this.still = this.settle(box);
    return this.still;
  }

  /** Works out once what a desk does not change. */
  private settle(box: Box): Still {
    const { p, span, conditions, curves, desk } = this;
    this.reach(box);
    const leg = this.asksForLeg ? legOf(p, span.lo) : undefined;
    let [hard, penalty] = [0, this.footrest()];
    for (let i = 0; i < conditions.length; i++) {
      if (isAtDesk(conditions[i]!)) continue;
      const value = roundResidual(conditions[i]!.residual(p, span.lo, leg));
      hard += curves[i]!.beyondHard(value);
      penalty += curves[i]!.penalty(value);
    }
    const underMm = desk.clearance ? underDeskMm(p, span.lo, leg) : 0;
    return { hard, penalty, at: box.lo.slice(), elbowMm: elbowMm(p, span.lo), underMm };
  }

  private footrest(): number {
    const { lo } = this.span;
    return lo.footrestMm > 0 || lo.footrest > 0 ? this.footrestCost : 0;
  }

  readonly costOf = (box: Box): Bound => {
    const still = this.standing(box);
    if (still) return this.costOfDesk(box, still);
    const { p, span, conditions, curves } = this;
    const isOne = this.reach(box);
    let [hard, penalty] = [0, this.footrest()];
    if (isOne) {
      const leg = this.asksForLeg ? legOf(p, span.lo) : undefined;
      for (let i = 0; i < conditions.length; i++) {
        const value = roundResidual(conditions[i]!.residual(p, span.lo, leg));
        hard += curves[i]!.beyondHard(value);
        penalty += curves[i]!.penalty(value);
      }
      return { hard, penalty };
    }
    span.update(this.asksForLeg);
    const towards = this.nowhere.slice();
    for (let i = 0; i < conditions.length; i++) {
      const { lo, hi } = extentOf(conditions[i]!, span);
      const axis = this.axisOf[i]!;
      if (axis >= 0) towards[axis] = this.wantedAt(axis, curves[i]!, lo, hi);
      hard += curves[i]!.leastHard(lo, hi);
      penalty +=
        i === this.gapOnLattice && span.isGapPlain
          ? curves[i]!.leastOnLattice(lo, hi)
          : curves[i]!.leastPenalty(lo, hi);
    }
    if (!this.isAtDesk) return { hard, penalty, towards };
    const over = span.legsOverElbow();
    const apart = this.thickMm + this.keysMm;
    const together = { lo: over.lo + apart, hi: over.hi + apart };
    penalty += this.dearer(span.deskTop, span.deskClearance, together);
    return { hard, penalty, towards };
  };

  /** The position of an axis at which its main condition would be about what is aimed at. */
  private wantedAt(axis: number, { aim }: Curve, lo: number, hi: number): number {
    const { values } = this.axes[axis]!;
    const rest = (lo - values[this.from[axis]!]! + hi - values[this.to[axis]!]!) / 2;
    return likelyIn(values, aim.lo - rest, aim.hi - rest);
  }

  private costOfDesk(box: Box, still: Still): Bound {
    const { top, clearance } = this.desk;
    const { values } = this.axes[this.deskAxis]!;
    const [from, to] = [box.lo[this.deskAxis]!, box.hi[this.deskAxis]!];
    const [low, high] = [values[from]!, values[to]!];
    const elbow = { lo: low + this.keysMm - still.elbowMm, hi: high + this.keysMm - still.elbowMm };
    const room = { lo: low - this.thickMm - still.underMm, hi: high - this.thickMm - still.underMm };
    let { hard, penalty } = still;
    if (from === to) {
      const [onTop, below] = [roundResidual(elbow.lo), roundResidual(room.lo)];
      if (top) [hard, penalty] = [hard + top.beyondHard(onTop), penalty + top.penalty(onTop)];
      if (clearance)
        [hard, penalty] = [hard + clearance.beyondHard(below), penalty + clearance.penalty(below)];
      return { hard, penalty };
    }
    if (top) hard += top.leastHard(elbow.lo, elbow.hi);
    if (clearance) hard += clearance.leastHard(room.lo, room.hi);
    if (top) penalty += top.leastPenalty(elbow.lo, elbow.hi);
    if (clearance) penalty += clearance.leastPenalty(room.lo, room.hi);
    const towards = this.nowhere.slice();
    const least = Math.max(
      top ? top.aim.lo - this.keysMm + still.elbowMm : -Infinity,
      clearance ? clearance.aim.lo + this.thickMm + still.underMm : -Infinity,
    );
    const most = top ? top.aim.hi - this.keysMm + still.elbowMm : Infinity;
    towards[this.deskAxis] = likelyIn(values, least, most);
    if (!this.isAtDesk) return { hard, penalty, towards };
    const over = still.underMm - still.elbowMm + this.thickMm + this.keysMm;
    penalty += this.dearer(elbow, room, { lo: over, hi: over });
    return { hard, penalty, towards };
  }

  /**
   * What elbow and legs cost together at the desk beyond what each costs alone: each would be content with another
   * height of it.
   * @param over by how much what goes under the desk, and the desk itself, is higher than the elbow
   */
  private dearer(elbow: Interval, room: Interval, over: Interval): number {
    const { top, clearance } = this.desk;
    const together = leastOfPair(top!, clearance!, elbow, over);
    if (together === 0) return 0;
    const each = top!.leastPenalty(elbow.lo, elbow.hi) + clearance!.leastPenalty(room.lo, room.hi);
    return Math.max(0, together - each);
  }

  private tie(rule: TieBreak): (box: Box) => number {
    const lowest = (key: AdjustmentKind) => {
      const axis = this.axes.findIndex((a) => a.key === key);
      return ({ lo }: Box) => (axis < 0 ? 0 : lo[axis]!);
    };
    switch (rule) {
      case 'shorterDepth':
        return lowest('seatDepth');
      case 'lowerArm':
        return lowest('armHeight');
      case 'lighterTension':
        return lowest('tiltTension');
      case 'largerMargin':
        return this.largestMargin();
    }
  }

  /** What tilts without need is left level: tenths of a degree off it. */
  private leastTilt(): (box: Box) => number {
    const tilts = this.axes.flatMap(({ key, values }, axis) =>
      TILTS.includes(key) ? [{ axis, tenths: values.map((v) => Math.round(Math.abs(v) * 10)) }] : [],
    );
    if (tilts.length === 0) return () => 0;
    return ({ lo, hi }) => {
      let total = 0;
      for (const { axis, tenths } of tilts) {
        let least = Infinity;
        for (let at = lo[axis]!; at <= hi[axis]!; at++) least = Math.min(least, tenths[at]!);
        total += least;
      }
      return total;
    };
  }

  /** Less the least margin of all that has one. */
  private largestMargin(): (box: Box) => number {
    const margins: Margin[] = [];
    for (const [axis, { key, values }] of this.axes.entries()) {
      const width = bandWidth(this.p, key);
      if (width > 0 && values.length > 1) margins.push(new Margin(axis, values, width));
    }
    return ({ lo, hi }) => {
      let least = Infinity;
      for (const margin of margins) {
        const { axis } = margin;
        least = Math.min(least, margin.greatest(lo[axis]!, hi[axis]!));
      }
      return Number.isFinite(least) ? -least : 0;
    };
  }
}
