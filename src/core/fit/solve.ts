/**
 * The solver: every adjustment is a finite list of positions. The back angle is fixed first (unless synchro ties it to
 * the pan); what works together is one block, searched by branch and bound; the rest separates.
 */
import {
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNITS,
  kindNumber,
  type AdjustmentKind,
} from '../seat';
import { Block, footrestCost, hasMargin, stepOf, type Axis } from './block';
import type { Condition } from './conditions';
import { inPlace } from './in-place';
import { sizeInUse, type RemedySettings, type Settings } from './inputs';
import { oncePer } from './once';
import { bestOnAxis, isQuick } from './one-axis';
import { penaltyOf } from './penalty';
import { computable, planOf } from './plan';
import { search, searchSeveral, type Cost } from './search';
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
}

/** Footrest heights tried as a remedy, mm: what footrests of the trade come in (common practice). */
const FOOTREST_HEIGHTS_MM = [0, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 170, 180];

/**
 * Nothing set. Every solving begins with a copy of it: one object of which no field is known to be a number is copied
 * ten times as fast as one that is put together, or that is all numbers.
 */
const NOTHING: SetValues = { ...blank() };

function blank(): SetValues {
  const names = [...ADJUSTMENT_KIND_IDS, 'footrestMm', 'backCushionMm'] as const;
  const values = Object.fromEntries(names.map((name) => [name, null])) as Record<string, number | null>;
  for (const name of names) values[name] = NaN;
  return values as SetValues;
}

export function emptyValues(remedies: RemedySettings): SetValues {
  const values = { ...NOTHING };
  values.footrestMm = sizeInUse(remedies, 'footrestMm');
  values.backCushionMm = sizeInUse(remedies, 'backCushionMm');
  return values;
}

/** The values that settings stand for. */
export function valuesOfSettings(bare: Problem, settings: Settings): SetValues {
  const p = inPlace(bare, settings.remedies);
  const values = emptyValues(settings.remedies);
  for (const kind of ADJUSTMENT_KIND_IDS)
    values[kind] = p.variables[kind]?.values[settings.positions[kind] ?? -1] ?? NaN;
  return values;
}

/** Adjustments that some measured condition speaks for; the others are left at their neutral position. */
const spokenFor = oncePer((p): readonly boolean[] => {
  const spoken = p.byNumber.map(() => false);
  for (const c of computable(p)) for (const kind of c.owners(p)) spoken[kindNumber(kind)] = true;
  return spoken;
});

/** Where an adjustment stands that nothing speaks for: level, straight or off, else the middle. */
function neutralPosition(p: Problem, kind: AdjustmentKind): number {
  const values = p.variables[kind]?.values ?? [];
  const { datum, units } = ADJUSTMENT_KINDS[kind];
  if (units[0] !== 'deg' && datum !== 'off') return Math.floor((values.length - 1) / 2);
  return values.reduce((best, v, i) => (Math.abs(v) < Math.abs(values[best] ?? Infinity) ? i : best), 0);
}

/** A seat is never tipped forward unasked: only where the method wants the thighs to fall, or the sitter tips it. */
const isUnasked = (p: Problem, { adjustment }: Variable): boolean =>
  adjustment.holds.how !== 'passive' && !((p.targets.thigh.aimHi ?? 0) < 0);

const heldAt = ({ values }: Variable, position: number | undefined): number | null =>
  position !== undefined && values[position] !== undefined ? position : null;

function axesOf(
  p: Problem,
  kinds: readonly AdjustmentKind[],
  spoken: readonly boolean[],
  { held = {}, chooseFootrest = false }: SolveOptions,
): Axis[] {
  const axes: Axis[] = [];
  for (const kind of kinds) {
    const variable = p.variables[kind];
    if (!variable) continue;
    if (chooseFootrest && kind === 'seatHeight')
      axes.push({ key: 'footrestMm', first: 0, values: FOOTREST_HEIGHTS_MM });
    const isFree = spoken[kindNumber(kind)] === true && !(kind === 'forwardTilt' && isUnasked(p, variable));
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
  key !== 'footrestMm' && !hasMargin(key) && isQuick(p.variables[key]!, conditions);

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
  if (!first || !second || [first, second].some(({ kind }) => hasMargin(kind))) return null;
  const own = conditions.filter((c) => !c.scope.includes(second.kind));
  const shared = conditions.filter((c) => c.scope.includes(second.kind));
  if (own.length === 0) return null;
  const one = bestOnAxis(p, values, first, own, 0);
  const before = values[first.kind];
  values[first.kind] = first.values[one.position]!;
  const two = bestOnAxis(p, values, second, shared, 0);
  values[first.kind] = before;
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
  const held = values.footrest > 0 && axes.some((a) => a.key === 'footrest') ? footrestCost(p) : 0;
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
export function solve(bare: Problem, options: SolveOptions): SolveResult {
  const p = inPlace(bare, options.remedies);
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
  const remedies = options.chooseFootrest ? { ...options.remedies, footrestMm } : options.remedies;
  const settings: Settings = { positions, remedies };
  return {
    settings,
    ended: 'optimal',
    hard,
    penalty,
    bound: penalty,
    nodes,
  };
}

/** How many positions of an axis feel like the same setting. */
function nearOn(axis: Axis): number {
  const unit = axis.key === 'footrestMm' ? 'mm' : ADJUSTMENT_KINDS[axis.key].units[0];
  const step = stepOf(axis);
  return step > 0 ? Math.floor(ADJUSTMENT_UNITS[unit].closeBy / step) : 0;
}

/**
 * The next best settings after the best, best first: of what meets floor and desk each is the best that is not near a
 * better one (10 mm, 2°, one step); everything else is solved around it.
 * @returns at most `count`, fewer where nothing else is left
 */
export function runnersUp(bare: Problem, options: SolveOptions, count: number): SolveResult[] {
  const p = inPlace(bare, options.remedies);
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

/** What settings cost in all, in the solver's own measure. */
export function costOf(bare: Problem, settings: Settings): Cost {
  const p = inPlace(bare, settings.remedies);
  const values = valuesOfSettings(p, settings);
  const hasFootrest = values.footrestMm > 0 || values.footrest > 0;
  let [hard, penalty] = [0, hasFootrest ? footrestCost(p) : 0];
  for (const condition of computable(p)) {
    const one = penaltyOf(condition.id, p.targets[condition.id], condition.residual(p, values));
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty };
}
