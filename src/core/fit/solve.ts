/**
 * The plain solver: every adjustment is a finite list of positions, looked through in full. The back angle is
 * fixed first (unless synchro ties it to the pan); what works together is one block; the rest separates.
 */
import { bandOf, type ConditionId, type TieBreak } from '../method';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../seat';
import type { Condition } from './conditions';
import type { RemedySettings, Settings } from './inputs';
import { penaltyOf } from './penalty';
import { computable, planOf } from './plan';
import type { Problem, SetValues } from './problem';

export interface SolveResult {
  readonly settings: Settings;
  /** Plain enumeration proves the optimum; the word is kept for solvers that may stop early. */
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
  readonly key: AdjustmentKind | 'footrestMm';
  readonly values: readonly number[];
  /** The only positions looked at; all where absent. */
  readonly only?: readonly number[];
}

export const emptyValues = (remedies: RemedySettings): SetValues =>
  ({ ...Object.fromEntries(ADJUSTMENT_KIND_IDS.map((k) => [k, NaN])), ...remedies }) as SetValues;

/** The values that settings stand for. */
export function valuesOfSettings(p: Problem, settings: Settings): SetValues {
  const values = emptyValues(settings.remedies);
  for (const kind of ADJUSTMENT_KIND_IDS)
    values[kind] = p.variables[kind]?.values[settings.positions[kind] ?? -1] ?? NaN;
  return values;
}

/** Adjustments that some measured condition speaks for; the others are left at their neutral position. */
function spokenFor(p: Problem, conditions: readonly Condition[]): Set<AdjustmentKind> {
  return new Set(conditions.map((c) => c.owner(p)));
}

/** Where an adjustment stands that nothing speaks for: level, or the middle. */
function neutralPosition(p: Problem, kind: AdjustmentKind): number {
  const values = p.variables[kind]?.values ?? [];
  if (kind !== 'seatAngle') return Math.floor((values.length - 1) / 2);
  return values.reduce((best, v, i) => (Math.abs(v) < Math.abs(values[best] ?? Infinity) ? i : best), 0);
}

interface Block {
  readonly axes: readonly Axis[];
  readonly conditions: readonly Condition[];
}

interface Branch {
  readonly position: number;
  hard: number;
  penalty: number;
}

/** Enumerates a block depth first, leaving a branch as soon as it costs more than the best one found. */
class Enumeration {
  nodes = 0;
  private best: { cost: number[]; positions: number[] } | null = null;
  private readonly due: Condition[][];
  private readonly margins: readonly number[];

  constructor(
    private readonly p: Problem,
    private readonly block: Block,
    private readonly values: SetValues,
  ) {
    const keys = block.axes.map((a) => a.key);
    this.due = keys.map(() => []);
    for (const condition of block.conditions) {
      const last = Math.max(0, ...condition.scope.map((k) => keys.indexOf(k)));
      this.due[last]?.push(condition);
    }
    this.margins = block.axes.map((axis) => bandWidth(p, axis.key));
  }

  run(): { positions: number[]; hard: number; penalty: number } {
    if (this.block.axes.length > 0) this.descend(0, 0, 0, []);
    const [hard = 0, penalty = 0] = this.best?.cost ?? [];
    return { positions: this.best?.positions ?? [], hard, penalty };
  }

  private descend(depth: number, hard: number, penalty: number, positions: number[]): void {
    const axis = this.block.axes[depth];
    if (!axis) return this.leaf(hard, penalty, positions);
    // The cheapest branch first: a good setting is found early and most others are left unopened.
    for (const branch of this.branches(axis, depth, hard, penalty)) {
      if (this.isDearer(branch.hard, branch.penalty)) break;
      this.values[axis.key] = axis.values[branch.position] ?? NaN;
      positions.push(branch.position);
      this.descend(depth + 1, branch.hard, branch.penalty, positions);
      positions.pop();
    }
    this.values[axis.key] = axis.key === 'footrestMm' ? 0 : NaN;
  }

  private branches(axis: Axis, depth: number, hard: number, penalty: number): Branch[] {
    const branches: Branch[] = [];
    const count = axis.only?.length ?? axis.values.length;
    for (let n = 0; n < count; n++) {
      const position = axis.only?.[n] ?? n;
      const branch = { position, hard, penalty };
      this.nodes++;
      this.values[axis.key] = axis.values[position] ?? NaN;
      if (axis.key === 'footrestMm' && position > 0)
        branch.penalty += this.p.inputs.method.footrestPenalty * MILLION;
      for (const condition of this.due[depth] ?? []) {
        const one = penaltyOf(
          condition.id,
          this.p.targets[condition.id],
          condition.residual(this.p, this.values),
        );
        branch.hard += one.hard;
        branch.penalty += one.penalty;
      }
      if (!this.isDearer(branch.hard, branch.penalty)) branches.push(branch);
    }
    return branches.sort((a, b) => a.hard - b.hard || a.penalty - b.penalty || a.position - b.position);
  }

  private isDearer(hard: number, penalty: number): boolean {
    const [bestHard = Infinity, bestPenalty = Infinity] = this.best?.cost ?? [];
    return hard > bestHard || (hard === bestHard && penalty > bestPenalty);
  }

  private leaf(hard: number, penalty: number, positions: readonly number[]): void {
    const cost = [
      hard,
      penalty,
      ...this.p.inputs.method.tieBreaks.map((t) => this.tie(t, positions)),
      ...positions,
    ];
    if (this.best && compare(cost, this.best.cost) >= 0) return;
    this.best = { cost, positions: [...positions] };
  }

  private tie(rule: TieBreak, positions: readonly number[]): number {
    const at = (key: Axis['key']) => positions[this.block.axes.findIndex((a) => a.key === key)] ?? 0;
    switch (rule) {
      case 'shorterDepth':
        return at('seatDepth');
      case 'lowerArm':
        return at('armHeight');
      case 'lighterTension':
        return at('tiltTension');
      case 'largerMargin':
        return -this.leastMargin(positions);
    }
  }

  /** The least distance to the nearer end of a range, in hundredths of its band's width. */
  private leastMargin(positions: readonly number[]): number {
    let least = Infinity;
    this.block.axes.forEach((axis, i) => {
      const width = this.margins[i]!;
      if (!(width > 0) || axis.values.length < 2) return;
      const value = axis.values[positions[i]!]!;
      const room = Math.min(value - axis.values[0]!, axis.values[axis.values.length - 1]! - value);
      least = Math.min(least, Math.round((100 * room) / width));
    });
    return Number.isFinite(least) ? least : 0;
  }
}

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

function compare(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) {
    const difference = a[i]! - b[i]!;
    if (difference !== 0) return difference;
  }
  return 0;
}

function axesOf(
  p: Problem,
  kinds: readonly AdjustmentKind[],
  spoken: ReadonlySet<AdjustmentKind>,
  withFootrest: boolean,
): Axis[] {
  const axes: Axis[] = [];
  for (const kind of kinds) {
    const variable = p.variables[kind];
    if (!variable) continue;
    axes.push({
      key: kind,
      values: variable.values,
      ...(spoken.has(kind) ? {} : { only: [neutralPosition(p, kind)] }),
    });
    // The footrest is chosen before the height it works against, so that each height is judged at once.
    if (withFootrest && kind === 'seatHeight')
      axes.splice(axes.length - 1, 0, { key: 'footrestMm', values: FOOTREST_HEIGHTS_MM });
  }
  return axes;
}

export interface SolveOptions {
  /** Remedies taken as given. */
  readonly remedies: RemedySettings;
  /** Choose a footrest as well, at the method's cost for using one. */
  readonly chooseFootrest?: boolean;
}

/** The best reachable settings; the same problem always gives the same settings. */
export function solve(p: Problem, options: SolveOptions): SolveResult {
  const conditions = computable(p);
  const spoken = spokenFor(p, conditions);
  const values = emptyValues(options.remedies);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let footrestMm = options.remedies.footrestMm;
  let [nodes, hard, penalty] = [0, 0, 0];
  for (const stage of planOf(p)) {
    const axes = axesOf(
      p,
      stage.kinds,
      spoken,
      options.chooseFootrest === true && stage.kinds.includes('seatHeight'),
    );
    const search = new Enumeration(p, { axes, conditions: stage.conditions }, values);
    const found = search.run();
    axes.forEach((axis, i) => {
      const at = found.positions[i] ?? 0;
      values[axis.key] = axis.values[at] ?? NaN;
      if (axis.key === 'footrestMm') footrestMm = axis.values[at] ?? 0;
      else positions[axis.key] = at;
    });
    nodes += search.nodes;
    hard += found.hard;
    penalty += found.penalty;
  }
  const settings: Settings = { positions, remedies: { ...options.remedies, footrestMm } };
  return {
    settings,
    ended: 'optimal',
    hard,
    penalty,
    bound: penalty,
    nodes,
    binding: bindingOf(p, conditions, values),
  };
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
  let [hard, penalty] = [0, settings.remedies.footrestMm > 0 ? p.inputs.method.footrestPenalty * MILLION : 0];
  for (const condition of computable(p)) {
    const one = penaltyOf(condition.id, p.targets[condition.id], condition.residual(p, values));
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty };
}
