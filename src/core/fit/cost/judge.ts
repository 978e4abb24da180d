/** Conditions with what they cost: one number in millionths of a point for everything that is set. */
import { type ConditionId, computable, type Condition } from '../conditions';
import { curveOf, roundResidual, type Curve } from './curve';
import { residualSds } from './doubt';
import { footrestCost, leverCosts } from './levers';
import type { Extents } from '../geometry/extents';
import { legOf, type Leg } from '../geometry/on-seat';
import { isCarried } from '../problem/carried';
import { oncePer } from '../problem/once';
import type { Problem, SetValues, Variable } from '../problem/problem';

/** A condition and its curve, expected under its own doubt. */
export interface Judge {
  readonly condition: Condition;
  readonly curve: Curve;
}

/**
 * Those of all conditions that can be computed.
 * @returns one a condition. Definition.
 */
export const judgesOf = oncePer((p): readonly Judge[] => {
  const sds = residualSds(p);
  return computable(p).map((condition) => {
    const { id } = condition;
    return { condition, curve: curveOf(id, p.targets[id], sds[id] ?? 0, condition) };
  });
});

const byId = oncePer((p) => new Map(judgesOf(p).map((j) => [j.condition.id, j])));

/**
 * The curve of a condition; null where it cannot be computed.
 * @returns null where a measure is missing or the condition does not apply. Definition.
 */
export const judgeOf = (p: Problem, id: ConditionId): Judge | null => byId(p).get(id) ?? null;

/** Of adjustments that stand the same for everybody it is worked out once. */
const leverCostsOf = new WeakMap<Variable, Float64Array>();

function costsOfLever(variable: Variable): Float64Array {
  let known = leverCostsOf.get(variable);
  if (!known) leverCostsOf.set(variable, (known = leverCosts(variable.kind, variable.values)));
  return known;
}

/**
 * What each position of each adjustment costs to be moved to; what is carried along nobody moves.
 * @returns millionths of a point by kind and position. Assumed.
 */
export const leversOf = oncePer(
  (p) =>
    new Map(
      Object.values(p.variables).map((variable) => [
        variable.kind,
        isCarried(p, variable.kind) ? new Float64Array(variable.values.length) : costsOfLever(variable),
      ]),
    ),
);

/**
 * What a condition costs as set. Up to what the seat itself takes up, nothing above the aim is felt.
 * @param leg how the leg stands, where that is known already
 * @returns millionths of a point. Definition.
 */
export function penaltyAt({ condition, curve }: Judge, p: Problem, v: SetValues, leg?: Leg): number {
  const { forgiving, residual } = condition;
  if (!forgiving?.applies(p)) return curve.penalty(roundResidual(residual(p, v, leg)));
  const [bare, by] = [forgiving.bare(p, v, leg), forgiving.by(p, v, leg)];
  return curve.forgivingPenalty(roundResidual(bare), roundResidual(by));
}

/**
 * What a condition costs at least over a span.
 * @returns millionths of a point; null where nobody tells before all stands still. Definition.
 */
export function leastOver({ condition, curve }: Judge, x: Extents): number | null {
  const { forgiving, extent } = condition;
  if (!extent) return null;
  if (!forgiving?.applies(x.p)) {
    const { lo, hi } = extent(x);
    return curve.leastPenalty(lo, hi);
  }
  const { lo, hi } = forgiving.extent(x);
  return curve.leastForgiving(lo, hi, forgiving.most(x) + ROUNDED_MM);
}
/** What rounding may add to what is taken up. */
const ROUNDED_MM = 1e-3;

/** What one condition costs. */
export interface Binding {
  readonly id: ConditionId;
  /** Beyond a hard bound, tenths of its unit. */
  readonly hard: number;
  /** Millionths of a point. */
  readonly penalty: number;
}

/** What settings cost in all, and beyond hard bounds. */
export interface Cost {
  /** Beyond hard bounds, tenths of each condition's unit, added up: reported, and no part of what is compared. */
  readonly hard: number;
  /** Everything that is compared, millionths of a point. */
  readonly penalty: number;
}

/**
 * What every condition costs as set.
 * @returns millionths of a point each. Definition.
 */
export function bindings(p: Problem, v: SetValues): Binding[] {
  const leg = legOf(p, v);
  return judgesOf(p).map((judge) => {
    const { condition, curve } = judge;
    const known = condition.onLegs ? leg : undefined;
    const value = roundResidual(condition.residual(p, v, known));
    return { id: condition.id, hard: curve.beyondHard(value), penalty: penaltyAt(judge, p, v, known) };
  });
}

/**
 * What levers and footrests cost as set.
 * @returns millionths of a point, 0 or more. Definition.
 */
export function leversAt(p: Problem, v: SetValues): number {
  let sum = footrestsAt(p, v);
  for (const [kind, costs] of leversOf(p)) {
    const at = p.variables[kind]!.values.indexOf(v[kind]);
    if (at >= 0) sum += costs[at]!;
  }
  return sum;
}

/**
 * What a footrest of the place, or one that was added, costs.
 * @returns millionths of a point, 0 or more. Definition.
 */
export function footrestsAt(p: Problem, v: SetValues): number {
  const flat = p.inputs.method.footrestPenalty;
  return footrestCost(flat, v.footrestMm || 0) + footrestCost(flat, v.footrest || 0);
}

/**
 * Everything that is compared, as set.
 * @returns millionths of a point. Definition.
 */
export function costAt(p: Problem, v: SetValues): Cost {
  let [hard, penalty] = [0, leversAt(p, v)];
  for (const one of bindings(p, v)) {
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty };
}
