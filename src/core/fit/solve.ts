/**
 * The solver: every adjustment is a finite list of positions. The back angle is fixed first (unless synchro ties it to
 * the pan); what works together is one block, searched by branch and bound; the rest separates.
 */
import { bandOf, type ConditionId, type TieBreak } from '../method';
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, ADJUSTMENT_UNITS, type AdjustmentKind } from '../seat';
import { extentOf, type Condition } from './conditions';
import { Extents } from './extents';
import type { RemedySettings, Settings } from './inputs';
import { legOf } from './on-seat';
import { oncePer } from './once';
import { bestOnAxis, isQuick } from './one-axis';
import { curveOf, leastOfPair, penaltyOf, roundResidual, type Curve } from './penalty';
import { computable, planOf } from './plan';
import { search, searchSeveral, type Box, type Cost, type Space } from './search';
import type { Problem, SetValues, Variable } from './problem';

export interface SolveResult {
  readonly settings: Settings;
  /** The bounds prove the optimum; the word is kept for solvers that may stop early. */
  readonly ended: 'optimal';
  /** Hard violation in tenths; total penalty in millionths. */
  readonly hard: number;
  readonly penalty: number;
  /** The bound below which no setting can cost; equal to `penalty` when optimal. */
  readonly bound: number;
  readonly nodes: number;
  /** Conditions that cost something at the best setting, dearest first. */
  readonly binding: readonly ConditionId[];
}

/** Footrest heights tried as a remedy, mm: what footrests of the trade come in (common practice). */
const FOOTREST_HEIGHTS_MM = [0, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 170, 180];

const MILLION = 1e6;

interface Axis {
  /** Position of the first value. */
  readonly first: number;
  readonly key: AdjustmentKind | 'footrestMm';
  readonly values: readonly number[];
}

const NOTHING = Object.fromEntries(ADJUSTMENT_KIND_IDS.map((k) => [k, NaN])) as Record<
  AdjustmentKind,
  number
>;

export const emptyValues = (remedies: RemedySettings): SetValues => ({ ...NOTHING, ...remedies });

/** The values that settings stand for. */
export function valuesOfSettings(p: Problem, settings: Settings): SetValues {
  const values = emptyValues(settings.remedies);
  for (const kind of ADJUSTMENT_KIND_IDS)
    values[kind] = p.variables[kind]?.values[settings.positions[kind] ?? -1] ?? NaN;
  return values;
}

/** Adjustments that some measured condition speaks for; the others are left at their neutral position. */
const spokenFor = oncePer(
  (p): ReadonlySet<AdjustmentKind> => new Set(computable(p).flatMap((c) => c.owners(p))),
);

/** Where an adjustment stands that nothing speaks for: level, straight or off, else the middle. */
function neutralPosition(p: Problem, kind: AdjustmentKind): number {
  const values = p.variables[kind]?.values ?? [];
  const { datum, units } = ADJUSTMENT_KINDS[kind];
  if (units[0] !== 'deg' && datum !== 'off') return Math.floor((values.length - 1) / 2);
  return values.reduce((best, v, i) => (Math.abs(v) < Math.abs(values[best] ?? Infinity) ? i : best), 0);
}

/** How far one step of an adjustment moves a knee or a hand, mm: a degree moves either by about eight. */
const MM_PER_DEG = 8;
/** A foot ring follows the seat, and a desk both: as long as what they follow is not known, to halve their travel tells little. */
const FOLLOWS: Partial<Record<Axis['key'], number>> = { footRing: 1e-3, deskHeight: 1e-6 };
const LEAST_STEP = 1e-6;

function weightOf({ key, values }: Axis): number {
  const step = ((values[values.length - 1] ?? 0) - (values[0] ?? 0)) / Math.max(1, values.length - 1);
  const isAngle = key !== 'footrestMm' && ADJUSTMENT_KINDS[key].units[0] === 'deg';
  return Math.max(step, LEAST_STEP) * (FOLLOWS[key] ?? (isAngle ? MM_PER_DEG : 1));
}

const LIFTING: readonly Axis['key'][] = ['seatHeight', 'footRing', 'footrest', 'footrestMm'];

/** Whether everything that lifts seat or feet does so by whole millimetres from where it begins. */
const areWhole = (axes: readonly Axis[]): boolean =>
  axes
    .filter(({ key }) => LIFTING.includes(key))
    .every(({ values }) => values.every((v) => Number.isInteger(Math.round((v - values[0]!) * 1e6) / 1e6)));

/** Adjustments chosen together, as a space to search: every condition that they decide, bounded over boxes. */
class Block implements Space {
  readonly counts: readonly number[];
  readonly weights: readonly number[];
  readonly ties: Space['ties'];
  private readonly span: Extents;
  private readonly curves: readonly Curve[];
  /** Whether a condition asks how the leg stands. */
  private readonly asksForLeg: boolean;
  /** Which condition is the foot gap, where all that moves it does so by whole millimetres; −1 where not. */
  private readonly gapOnLattice: number;
  private readonly footrestCost: number;
  private readonly desk: { readonly top: Curve | null; readonly clearance: Curve | null };

  constructor(
    private readonly p: Problem,
    private readonly axes: readonly Axis[],
    private readonly conditions: readonly Condition[],
    values: SetValues,
  ) {
    this.counts = axes.map((a) => a.values.length);
    this.weights = axes.map(weightOf);
    const isChosen = axes.some(({ key }) => key === 'footrestMm' || key === 'footrest');
    this.footrestCost = isChosen && !(values.footrest > 0) ? flatCost(p) : 0;
    this.ties = [...p.inputs.method.tieBreaks.map((rule) => this.tie(rule)), this.leastTilt()];
    this.span = new Extents(p, values);
    this.curves = conditions.map((c) => curveOf(c.id, p.targets[c.id]));
    this.asksForLeg = conditions.some((c) => c.scope.includes('footRing'));
    const of = (id: ConditionId) => this.curves[conditions.findIndex((c) => c.id === id)] ?? null;
    this.gapOnLattice = areWhole(axes) ? conditions.findIndex((c) => c.id === 'footGap') : -1;
    this.desk = { top: of('deskTop'), clearance: of('deskClearance') };
  }

  /** @returns whether the box is one position */
  private reach(box: Box): boolean {
    const { axes, span } = this;
    let isOne = true;
    for (let i = 0; i < axes.length; i++) {
      const { key, values } = axes[i]!;
      span.lo[key] = values[box.lo[i]!]!;
      span.hi[key] = values[box.hi[i]!]!;
      isOne &&= box.lo[i] === box.hi[i];
    }
    return isOne;
  }

  readonly costOf = (box: Box): Cost => {
    const { p, span, conditions, curves } = this;
    const isOne = this.reach(box);
    let [hard, penalty] = [0, 0];
    if (isOne) {
      const leg = this.asksForLeg ? legOf(p, span.lo) : undefined;
      for (let i = 0; i < conditions.length; i++) {
        const value = roundResidual(conditions[i]!.residual(p, span.lo, leg));
        hard += curves[i]!.beyondHard(value);
        penalty += curves[i]!.penalty(value);
      }
    } else {
      span.update();
      for (let i = 0; i < conditions.length; i++) {
        const { lo, hi } = extentOf(conditions[i]!, span);
        hard += curves[i]!.leastHard(lo, hi);
        penalty +=
          i === this.gapOnLattice && span.isGapPlain
            ? curves[i]!.leastOnLattice(lo, hi)
            : curves[i]!.leastPenalty(lo, hi);
      }
    }
    if (span.lo.footrestMm > 0 || span.lo.footrest > 0) penalty += this.footrestCost;
    return { hard, penalty };
  };

  /** Elbow and legs at the desk together: each alone would be content with another height of it. */
  readonly tighten = (box: Box, cost: Cost): Cost => {
    const { top, clearance } = this.desk;
    if (!top || !clearance) return cost;
    const { p, span } = this;
    this.reach(box);
    span.update();
    const { deskThicknessMm = 0, keyboardThicknessMm = 0 } = p.inputs.place ?? {};
    const over = span.legsOverElbow();
    const apart = deskThicknessMm + keyboardThicknessMm;
    const elbow = span.deskTop();
    const together = leastOfPair(top, clearance, elbow, { lo: over.lo + apart, hi: over.hi + apart });
    if (together === 0) return cost;
    const room = span.deskClearance();
    const each = top.leastPenalty(elbow.lo, elbow.hi) + clearance.leastPenalty(room.lo, room.hi);
    return { hard: cost.hard, penalty: cost.penalty + Math.max(0, together - each) };
  };

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

  /** Less the least distance to the nearer end of a range, in hundredths of its band's width. */
  private largestMargin(): (box: Box) => number {
    const axes = this.axes.flatMap(({ key, values }, axis) => {
      const width = bandWidth(this.p, key);
      if (!(width > 0) || values.length < 2) return [];
      const [first, last] = [values[0]!, values[values.length - 1]!];
      const rooms = values.map((v) => Math.round((100 * Math.min(v - first, last - v)) / width));
      return [{ axis, rooms, peak: rooms.indexOf(Math.max(...rooms)) }];
    });
    return ({ lo, hi }) => {
      let least = Infinity;
      for (const { axis, rooms, peak } of axes) {
        const [from, to] = [lo[axis]!, hi[axis]!];
        least = Math.min(least, rooms[to < peak ? to : from > peak ? from : peak]!);
      }
      return Number.isFinite(least) ? -least : 0;
    };
  }
}

const TILTS: readonly Axis['key'][] = ['forwardTilt', 'chairAngle', 'frontSlope'];

const MAIN_CONDITION: Partial<Record<AdjustmentKind, ConditionId>> = {
  seatHeight: 'footGap',
  seatAngle: 'thigh',
  backAngle: 'backAngle',
  deskHeight: 'deskTop',
};

function bandWidth(p: Problem, key: Axis['key']): number {
  const id = key === 'footrestMm' ? undefined : MAIN_CONDITION[key];
  if (!id) return 0;
  const { lo, hi } = bandOf(p.targets[id]);
  return Number.isFinite(hi - lo) ? hi - lo : 0;
}

/** A seat is never tipped forward unasked: only where the method wants the thighs to fall, or the sitter tips it. */
const isUnasked = (p: Problem, { adjustment }: Variable): boolean =>
  adjustment.followsSitter !== true && !((p.targets.thigh.aimHi ?? 0) < 0);

const heldAt = ({ values }: Variable, position: number | undefined): number | null =>
  position !== undefined && values[position] !== undefined ? position : null;

function axesOf(
  p: Problem,
  kinds: readonly AdjustmentKind[],
  spoken: ReadonlySet<AdjustmentKind>,
  { held = {}, chooseFootrest = false }: SolveOptions,
): Axis[] {
  const axes: Axis[] = [];
  for (const kind of kinds) {
    const variable = p.variables[kind];
    if (!variable) continue;
    if (chooseFootrest && kind === 'seatHeight')
      axes.push({ key: 'footrestMm', first: 0, values: FOOTREST_HEIGHTS_MM });
    const isFree = spoken.has(kind) && !(kind === 'forwardTilt' && isUnasked(p, variable));
    const only = heldAt(variable, held[kind]) ?? (isFree ? null : neutralPosition(p, kind));
    axes.push(
      only === null
        ? { key: kind, first: 0, values: variable.values }
        : { key: kind, first: only, values: variable.values.slice(only, only + 1) },
    );
  }
  return axes;
}

export interface SolveOptions {
  /** Remedies taken as given. */
  readonly remedies: RemedySettings;
  /** Choose a footrest as well, at the method's cost for using one. */
  readonly chooseFootrest?: boolean;
  /** Positions that stay as they are: the rest is set around them. A position that is not there is not held. */
  readonly held?: Settings['positions'];
}

/** Whether an axis is quicker looked through than searched: it has few positions, or few where the cost can turn. */
const canLookThrough = (p: Problem, { key }: Axis, conditions: readonly Condition[]): boolean =>
  key !== 'footrestMm' && !MAIN_CONDITION[key] && isQuick(p.variables[key]!, conditions);

/** What using a footrest costs. */
const flatCost = (p: Problem): number => p.inputs.method.footrestPenalty * MILLION;

/**
 * Two adjustments of which the first has conditions of its own: each chosen alone, the first one first. null where that
 * is not proved the best: it is, where all that the second one takes part in costs nothing then.
 */
function oneAfterTheOther(
  p: Problem,
  axes: readonly Axis[],
  conditions: readonly Condition[],
  values: SetValues,
): (Cost & { readonly positions: readonly number[]; readonly nodes: number }) | null {
  const [first, second] = axes.map(({ key }) => (key === 'footrestMm' ? undefined : p.variables[key]));
  if (!first || !second || [first, second].some(({ kind }) => MAIN_CONDITION[kind])) return null;
  const own = conditions.filter((c) => !c.scope.includes(second.kind));
  const shared = conditions.filter((c) => c.scope.includes(second.kind));
  if (own.length === 0) return null;
  const one = bestOnAxis(p, values, first, own, 0);
  const two = bestOnAxis(p, { ...values, [first.kind]: first.values[one.position]! }, second, shared, 0);
  if (two.hard > 0 || two.penalty > 0) return null;
  return { hard: one.hard, penalty: one.penalty, positions: [one.position, two.position], nodes: 2 };
}

/** Chooses a stage; what can be moved alone, without a tie but its own position, is not searched but looked through. */
function chooseStage(
  p: Problem,
  axes: readonly Axis[],
  conditions: readonly Condition[],
  values: SetValues,
  put: (axis: Axis, at: number) => void,
): Cost & { readonly nodes: number } {
  const free = axes.filter((axis) => axis.values.length > 1);
  for (const axis of axes) if (axis.values.length === 1) put(axis, 0);
  const held = values.footrest > 0 && axes.some((a) => a.key === 'footrest') ? flatCost(p) : 0;
  const [only] = free;
  const apart = free.length === 2 ? oneAfterTheOther(p, free, conditions, values) : null;
  if (apart) {
    free.forEach((axis, i) => put(axis, apart.positions[i]!));
    return apart;
  }
  if (free.length > 1 || (only && !canLookThrough(p, only, conditions))) {
    const found = search(new Block(p, free, conditions, values));
    free.forEach((axis, i) => put(axis, found.positions[i]!));
    return { ...found, penalty: found.penalty + held };
  }
  if (only && only.key !== 'footrestMm') {
    const best = bestOnAxis(p, values, p.variables[only.key]!, conditions, 0);
    put(only, best.position);
    return { ...best, nodes: 1 };
  }
  let [hard, penalty] = [0, held];
  for (const c of conditions) {
    const one = penaltyOf(c.id, p.targets[c.id], c.residual(p, values));
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty, nodes: 1 };
}

/** The best reachable settings; the same problem always gives the same settings. */
export function solve(p: Problem, options: SolveOptions): SolveResult {
  const conditions = computable(p);
  const spoken = spokenFor(p);
  const values = emptyValues(options.remedies);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let [nodes, hard, penalty] = [0, 0, 0];
  for (const stage of planOf(p)) {
    const axes = axesOf(p, stage.kinds, spoken, options);
    if (axes.length === 0) continue;
    const put = (axis: Axis, at: number): void => {
      values[axis.key] = axis.values[at]!;
      if (axis.key !== 'footrestMm') positions[axis.key] = axis.first + at;
    };
    const found = chooseStage(p, axes, stage.conditions, values, put);
    nodes += found.nodes;
    hard += found.hard;
    penalty += found.penalty;
  }
  const { footrestMm } = values;
  const settings: Settings = { positions, remedies: { ...options.remedies, footrestMm } };
  return {
    settings,
    ended: 'optimal',
    hard,
    penalty,
    bound: penalty,
    nodes,
    get binding() {
      return bindingOf(p, conditions, values);
    },
  };
}

/** How many positions of an axis feel like the same setting. */
function nearOn({ key, values }: Axis): number {
  const unit = key === 'footrestMm' ? 'mm' : ADJUSTMENT_KINDS[key].units[0];
  const step = ((values[values.length - 1] ?? 0) - (values[0] ?? 0)) / Math.max(1, values.length - 1);
  return step > 0 ? Math.floor(ADJUSTMENT_UNITS[unit].closeBy / step) : 0;
}

/**
 * The next best settings after the best, best first: of what meets floor and desk each is the best that is not near a
 * better one (10 mm, 2°, one step); everything else is solved around it.
 * @returns at most `count`, fewer where nothing else is left
 */
export function runnersUp(p: Problem, options: SolveOptions, count: number): SolveResult[] {
  const best = solve(p, options);
  const stage = planOf(p).find(({ kinds }) => kinds.includes('seatHeight'));
  if (!stage) return [];
  const axes = axesOf(p, stage.kinds, spokenFor(p), options);
  const space = new Block(p, axes, stage.conditions, valuesOfSettings(p, best.settings));
  return searchSeveral(space, count + 1, axes.map(nearOn))
    .slice(1)
    .map(({ positions }) => {
      const held: Partial<Record<AdjustmentKind, number>> = { ...options.held };
      let { remedies } = options;
      axes.forEach((axis, i) => {
        if (axis.key === 'footrestMm') remedies = { ...remedies, footrestMm: axis.values[positions[i]!]! };
        else held[axis.key] = axis.first + positions[i]!;
      });
      return solve(p, { remedies, held });
    });
}

function bindingOf(p: Problem, conditions: readonly Condition[], values: SetValues): ConditionId[] {
  return conditions
    .map((c) => ({ id: c.id, cost: penaltyOf(c.id, p.targets[c.id], c.residual(p, values)) }))
    .filter(({ cost }) => cost.penalty > 0 || cost.hard > 0)
    .sort((a, b) => b.cost.hard - a.cost.hard || b.cost.penalty - a.cost.penalty || (a.id < b.id ? -1 : 1))
    .map(({ id }) => id);
}

/** What settings cost in all, in the solver's own measure. */
export function costOf(p: Problem, settings: Settings): { readonly hard: number; readonly penalty: number } {
  const values = valuesOfSettings(p, settings);
  const hasFootrest = settings.remedies.footrestMm > 0 || values.footrest > 0;
  let [hard, penalty] = [0, hasFootrest ? flatCost(p) : 0];
  for (const condition of computable(p)) {
    const one = penaltyOf(condition.id, p.targets[condition.id], condition.residual(p, values));
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty };
}
