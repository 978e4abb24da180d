/** The best settings of a seat at its place for this sitter: everything chosen together, and proved by bounds. */
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, ADJUSTMENT_UNITS, type AdjustmentKind } from '../../seat';
import { scopeOf } from '../conditions';
import { costAt, judgesOf, type Cost } from '../cost/judge';
import { carriedAs, carry } from '../problem/carried';
import { inPlace } from '../case/in-place';
import type { Settings } from '../problem/inputs';
import { oncePer } from '../problem/once';
import { emptyValues, type Problem, type SetValues, type Variable } from '../problem/problem';
import {
  TIPPING,
  axesOf,
  axisOf,
  costsOf,
  firstAsked,
  narrowed,
  type SolveOptions,
  type Within,
} from './axes';
import type { Axis } from './choice';
import { searchTogether } from './together';
import { Whole, stepOf } from './whole';

/** `proved`: no setting costs less. `budget`: so many boxes were opened that the best found so far is given. */
export const ENDINGS = ['proved', 'budget'] as const;

export interface SolveResult extends Cost {
  readonly settings: Settings;
  readonly ended: (typeof ENDINGS)[number];
  /** No setting costs less than this, millionths; equal to `penalty` where that is proved. */
  readonly bound: number;
  /** Boxes opened. */
  readonly nodes: number;
}

/** So many boxes are opened for one seat at most: counted in boxes and never in time, so that results are the same everywhere. */
export const BUDGET = 60_000;

/** The same where many are tried one after the other: remedies, seats to choose among. */
export const BUDGET_OF_MANY = 6000;

/**
 * The values that settings stand for.
 * @returns in each adjustment’s unit; NaN for what is not set. Definition.
 */
export function valuesOfSettings(bare: Problem, settings: Settings): SetValues {
  const p = inPlace(bare, settings.remedies);
  const values = emptyValues(settings.remedies);
  for (const variable of p.byNumber)
    if (variable) values[variable.kind] = variable.values[settings.positions[variable.kind] ?? -1] ?? NaN;
  return carry(p, values);
}

/** Those of the axes that may take every position asked for. */
const freeAmong = (p: Problem, axes: readonly Axis[]): Proved['free'] =>
  new Set(
    axes
      .filter(({ key, first, values }) => {
        const variable = key !== 'footrestMm' && p.variables[key];
        return (
          variable && first === firstAsked(p, variable) && first + values.length === variable.values.length
        );
      })
      .map(({ key }) => key),
  );

/** Where everything was last proved to stand best together, and the axes that were free to go anywhere. */
interface Proved {
  readonly values: SetValues;
  readonly settings: Settings;
  readonly free: ReadonlySet<Axis['key']>;
}

const lastProved = oncePer((): { proved: Proved | null } => ({ proved: null }));

function resultOf(
  p: Problem,
  axes: readonly Axis[],
  { remedies, budget = BUDGET }: SolveOptions,
): SolveResult | null {
  const found = searchTogether(p, axes, () => emptyValues(remedies), budget);
  if (!found) return null;
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let inUse = remedies;
  axes.forEach(({ key, first, values }, i) => {
    const at = found.positions[i]!;
    if (key !== 'footrestMm') positions[key] = first + at;
    else if (remedies.footrestMm !== undefined || values[at]! > 0)
      inUse = { ...remedies, footrestMm: values[at]! };
  });
  const settings: Settings = { positions, remedies: inUse };
  const values = valuesOfSettings(p, settings);
  const isProved = found.bound >= found.penalty;
  if (isProved) lastProved(p).proved = { values, settings, free: freeAmong(p, axes) };
  return {
    settings,
    ended: isProved ? 'proved' : 'budget',
    hard: costAt(p, values).hard,
    penalty: found.penalty,
    bound: found.bound,
    nodes: found.boxes,
  };
}

/**
 * What tips with the sitter and springs back: nobody sets it.
 * @returns false for what a hand sets. Definition.
 */
export const isPassive = ({ kind, adjustment, values }: Variable): boolean =>
  adjustment.holds.how === 'passive' && TIPPING.includes(kind) && values.length > 1;

/**
 * Every way in which what tips by itself can stand at its ends.
 * @param held positions that stay, also of what would tip
 * @returns positions to be held, one way after the other; `held` alone where nothing tips. Definition.
 */
export function endsOfPassive(
  p: Problem,
  held: Settings['positions'] = {},
): readonly Settings['positions'][] {
  let ends: Settings['positions'][] = [held];
  for (const variable of Object.values(p.variables)) {
    if (!isPassive(variable) || held[variable.kind] !== undefined) continue;
    const last = variable.values.length - 1;
    ends = ends.flatMap((there) => [0, last].map((at) => ({ ...there, [variable.kind]: at })));
  }
  return ends;
}

/**
 * Looks for where something that falls to one place and rises beyond it is least, by Fibonacci's numbers: all but the
 * first look reuse one made before.
 */
function lowestAmong(at: (place: number) => number, from: number, to: number): void {
  const count = to - from + 1;
  let [shorter, longer] = [1, 1];
  while (shorter + longer <= count) [shorter, longer] = [longer, shorter + longer];
  // Of the places before, between and after two looks; what lies beyond the last is never least.
  const cost = (place: number): number => (place > to ? Infinity : at(place));
  let before = from - 1;
  while (longer > 1) {
    if (cost(before + shorter) > cost(before + longer)) before += shorter;
    [shorter, longer] = [longer - shorter, shorter];
  }
  cost(before + 1);
}

/** Settings, with what tips by itself at its more costly end. */
interface AtDearer {
  readonly settings: Settings;
  readonly penalty: number;
  readonly hard: number;
}

function atDearer(p: Problem, ends: readonly Settings['positions'][], found: Settings): AtDearer {
  const [dearest] = ends
    .map((end): Settings => ({ positions: { ...found.positions, ...end }, remedies: found.remedies }))
    .map((settings) => ({ settings, ...costAt(p, valuesOfSettings(p, settings)) }))
    .sort((a, b) => b.penalty - a.penalty);
  return dearest!;
}

/**
 * Between what is best for one end and what is best for another: the height at which the more costly end costs least,
 * everything else solved for at each height tried. The cost falls to one place and rises beyond it, as a rule. It stops
 * where the boxes of the budget have been opened.
 */
function betweenEnds(
  p: Problem,
  options: SolveOptions,
  ends: readonly Settings['positions'][],
  results: readonly SolveResult[],
): { readonly found: readonly AtDearer[]; readonly nodes: number } {
  const heights = results.flatMap(({ settings }) => settings.positions.seatHeight ?? []);
  if (heights.length < 2 || options.held?.seatHeight !== undefined) return { found: [], nodes: 0 };
  const { budget = BUDGET } = options;
  let nodes = 0;
  const found = new Map<number, AtDearer>();
  const at = (seatHeight: number): number => {
    const known = found.get(seatHeight);
    if (known) return known.penalty;
    for (const end of ends) {
      if (nodes >= budget) break;
      const there = { ...options, budget: budget - nodes, held: { ...end, seatHeight } };
      const result = resultOf(p, axesOf(p, there), there);
      if (!result) continue;
      nodes += result.nodes;
      const judged = atDearer(p, ends, result.settings);
      if (!(judged.penalty >= (found.get(seatHeight)?.penalty ?? Infinity))) found.set(seatHeight, judged);
    }
    return found.get(seatHeight)?.penalty ?? Infinity;
  };
  lowestAmong(at, Math.min(...heights), Math.max(...heights));
  return { found: [...found.values()], nodes };
}

/**
 * The best settings; the same problem always gives the same ones. What tips with the sitter is judged at its more costly end:
 * what is best for either end, and what lies between, is looked at at both, and the one whose more costly end costs least
 * is given. No settings do better than the more costly of both bests, which is the bound.
 * @returns settings, cost and bound in millionths of a point, and whether it was proved. Definition (branch and
 *   bound).
 * @example
 * solve(problem, { remedies: NO_REMEDIES }).ended // => 'proved'
 */
export function solve(bare: Problem, options: SolveOptions): SolveResult {
  const p = inPlace(bare, options.remedies);
  const ends = endsOfPassive(p, options.held);
  // Every end has its share of the boxes, and what earlier ones have left.
  let left = options.budget ?? BUDGET;
  const results = ends.map((held, i) => {
    const there = { ...options, held, budget: Math.ceil(left / (ends.length - i)) };
    const result = resultOf(p, axesOf(p, there), there)!;
    left = Math.max(0, left - result.nodes);
    return result;
  });
  const [only] = results;
  if (ends.length === 1) return only!;
  const bound = Math.max(...results.map((r) => r.bound));
  const nodes = results.reduce((sum, r) => sum + r.nodes, 0);
  const best = (all: readonly AtDearer[]): AtDearer => all.reduce((a, b) => (b.penalty < a.penalty ? b : a));
  const ofEnds = best(results.map(({ settings }) => atDearer(p, ends, settings)));
  const between =
    ofEnds.penalty <= bound ? null : betweenEnds(p, { ...options, budget: left }, ends, results);
  const found = best([ofEnds, ...(between?.found ?? [])]);
  return {
    ...found,
    bound,
    nodes: nodes + (between?.nodes ?? 0),
    ended: found.penalty <= bound ? 'proved' : 'budget',
  };
}

/** What is held, and what tips by itself at its more costly end. */
function heldPassive(p: Problem, options: SolveOptions): Settings['positions'] {
  const passive = Object.values(p.variables).filter(isPassive);
  if (passive.length === 0) return options.held ?? {};
  const { positions } = solve(p, options).settings;
  const tipped = passive.flatMap(({ kind }) => {
    const at = positions[kind];
    return at === undefined ? [] : [[kind, at] as const];
  });
  return { ...Object.fromEntries(tipped), ...options.held };
}

/** By what settings have to differ to be told apart. */
export const TOLD_APART: readonly AdjustmentKind[] = [
  'seatHeight',
  'seatAngle',
  'forwardTilt',
  'chairAngle',
  'backAngle',
  'footrest',
  'deskHeight',
];
const isTold = (key: Axis['key']): boolean => key === 'footrestMm' || TOLD_APART.includes(key);

/** How many positions of an axis still feel like the same setting: within 10 mm, 2°, or one step. */
function nearOn({ key, values }: Axis): number {
  const unit = key === 'footrestMm' ? 'mm' : ADJUSTMENT_KINDS[key].units[0];
  const step = stepOf(values);
  return step > 0 ? Math.floor(ADJUSTMENT_UNITS[unit].closeBy / step + 1e-9) : 0;
}

type Ranges = Partial<Record<Axis['key'], readonly [number, number]>>;

/** What of some ranges lies outside others on at least one axis, as ranges that do not overlap. */
function outside(within: Within, near: Within, keys: readonly Axis['key'][]): Within[] {
  const parts: Within[] = [];
  let rest: Ranges = { ...within };
  for (const key of keys) {
    const [lo, hi] = rest[key]!;
    const [from, to] = near[key]!;
    if (lo > to || hi < from) return [...parts, rest];
    if (lo < from) parts.push({ ...rest, [key]: [lo, from - 1] });
    if (hi > to) parts.push({ ...rest, [key]: [to + 1, hi] });
    rest = { ...rest, [key]: [Math.max(lo, from), Math.min(hi, to)] };
  }
  return parts;
}

/**
 * The next best settings after the best, best first: each is the best of what differs from every better one by more than
 * 10 mm, 2° or a step in the height, the angles, the desk or the footrest.
 * @param count 0 or more
 * @returns at most `count`, fewer where nothing else is left. Definition.
 */
export function runnersUp(bare: Problem, options: SolveOptions, count: number): SolveResult[] {
  const p = inPlace(bare, options.remedies);
  const held = heldPassive(p, options);
  const axes = axesOf(p, { ...options, held });
  const apart = axes.filter((a) => isTold(a.key) && a.values.length > 1);
  const keys = apart.map((a) => a.key);
  const whole: Within = Object.fromEntries(
    apart.map((a) => [a.key, [a.first, a.first + a.values.length - 1] as const]),
  );
  interface Part {
    readonly within: Within;
    readonly result: SolveResult;
  }
  const solved = (within: Within): Part[] => {
    const narrow = narrowed(axes, within);
    const result = narrow && resultOf(p, narrow, options);
    return result ? [{ within, result }] : [];
  };
  const positionOf = (axis: Axis, { settings }: SolveResult): number =>
    axis.key === 'footrestMm'
      ? axis.values.indexOf(settings.remedies.footrestMm ?? 0)
      : settings.positions[axis.key]!;
  let open = solved(whole);
  const found: SolveResult[] = [];
  while (open.length > 0 && found.length <= count) {
    const best = open.reduce((a, b) => (b.result.penalty < a.result.penalty ? b : a)).result;
    found.push(best);
    const near: Within = Object.fromEntries(
      apart.map((a) => {
        const at = positionOf(a, best);
        return [a.key, [at - nearOn(a), at + nearOn(a)] as const];
      }),
    );
    open = open.flatMap((part) => {
      const parts = outside(part.within, near, keys);
      return parts.length === 1 && parts[0] === part.within ? [part] : parts.flatMap(solved);
    });
  }
  return found.slice(1);
}

/** What is best with everything else is best alone: known without another look where the others stand as they were proved. */
function provedBest(p: Problem, v: SetValues, kind: AdjustmentKind): number | undefined {
  const { proved } = lastProved(p);
  if (!proved?.free.has(kind)) return undefined;
  const { values, settings } = proved;
  const isSame =
    values.footrestMm === v.footrestMm &&
    values.backCushionMm === v.backCushionMm &&
    ADJUSTMENT_KIND_IDS.every((other) => other === kind || Object.is(values[other], v[other]));
  return isSame ? settings.positions[kind] : undefined;
}

/** The same of one that carries others along: each place is looked at with everything where it brings it. */
function bestLeading(p: Problem, v: SetValues, { kind, values }: Variable): number {
  const costs = values.map((value) => costAt(p, carry(p, { ...v, [kind]: value })).penalty);
  return costs.reduce((best, cost, i) => (cost < costs[best]! ? i : best), 0);
}

/**
 * The best position of one adjustment with all others as they stand.
 * @param v left as it is
 * @returns a position from 0. Definition.
 */
export function bestAlone(p: Problem, v: SetValues, variable: Variable): number {
  const { kind, values } = variable;
  if (p.leaning?.kind === kind) return p.leaning.position;
  if (carriedAs(p, kind)) return Math.max(0, values.indexOf(v[kind]));
  if (p.carried.some(({ leader }) => leader === kind)) return bestLeading(p, v, variable);
  if (isPassive(variable)) return Math.max(0, values.indexOf(v[kind]));
  const known = provedBest(p, v, kind);
  if (known !== undefined) return known;
  const judges = judgesOf(p).filter(({ condition }) => scopeOf(p, condition).includes(kind));
  const first = firstAsked(p, variable);
  const axis = axisOf(kind, { values, costs: costsOf(p, variable), from: first, to: values.length - 1 });
  return first + new Whole(p, [axis], { ...v }, { budget: BUDGET, judges }).search().positions[0]!;
}

/**
 * What settings cost in all, in the solver's own measure.
 * @returns millionths of a point. Definition.
 */
export function costOf(bare: Problem, settings: Settings): Cost {
  const p = inPlace(bare, settings.remedies);
  return costAt(p, valuesOfSettings(p, settings));
}
