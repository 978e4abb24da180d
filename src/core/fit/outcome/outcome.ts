/** How one adjustment stands as set: value, aim, band, what is left over, verdict and reason. */
import type { DimensionId } from '../../body';
import { aimOf, bandOf, leftOver, type Interval } from '../../target';
import {
  CONDITION_UNITS,
  type ConditionId,
  computable,
  estimatedFor,
  followingOf,
  isSolid,
  missingFor,
  ownedBy,
  scopeOf,
  type Condition,
} from '../conditions';
import { ADJUSTMENT_UNITS, isFixed, type AdjustmentKind } from '../../seat';
import { put, withLeaders } from '../problem/carried';
import { oncePer } from '../problem/once';
import { roundResidual } from '../cost/curve';
import { judgeOf, penaltyAt } from '../cost/judge';
import { bestAlone } from '../search/solve';
import type { Problem, SetValues, Variable } from '../problem/problem';

/**
 * `fits` in the band; `close` at the best reachable position but outside by little; `cannotReach` at the best
 * position and outside by more; `off` where another position would be better; `notMeasured` where a measure is missing;
 * `noted` where nothing judges it: set as the sitter likes.
 */
export const VERDICTS = ['fits', 'close', 'cannotReach', 'off', 'notMeasured', 'noted'] as const;
export type Verdict = (typeof VERDICTS)[number];

export interface ConditionOutcome {
  readonly id: ConditionId;
  readonly unit: 'mm' | 'deg' | 'own';
  readonly residual: number;
  readonly aim: Interval;
  readonly band: Interval;
  /** How far outside the band, signed; 0 inside. */
  readonly outside: number;
  readonly penalty: number;
}

export interface AdjustmentOutcome {
  readonly kind: AdjustmentKind;
  readonly variable: Variable;
  readonly position: number;
  /** In the adjustment's unit, under this body. */
  readonly value: number;
  /** On the adjustment's own scale, everything else as set; null where not computed. */
  readonly aim: Interval | null;
  readonly band: Interval | null;
  /** The best position with everything else as set, and what would be left over there. */
  readonly bestPosition: number;
  readonly conditions: readonly ConditionOutcome[];
  /** The condition that decides the verdict: the one furthest outside its band. */
  readonly deciding: ConditionOutcome | null;
  readonly verdict: Verdict;
  readonly missing: readonly DimensionId[];
  /** Measures behind it that nobody has taken: estimated. */
  readonly estimated: readonly DimensionId[];
  /** Standard deviation of the aim from the spreads of the measures behind it, mm; null where none is known. */
  readonly doubt: number | null;
}

/** A position is better than another by more than float residue, in the unit of the residual. */
const BETTER_BY = 0.05;

function outcomeOf(p: Problem, v: SetValues, condition: Condition): ConditionOutcome {
  const target = p.targets[condition.id];
  const residual = roundResidual(condition.residual(p, v));
  const judge = judgeOf(p, condition.id);
  return {
    id: condition.id,
    unit: CONDITION_UNITS[condition.id],
    residual,
    aim: aimOf(target),
    band: bandOf(target),
    outside: leftOver(target, CONDITION_UNITS[condition.id], residual),
    penalty: judge ? penaltyAt(judge, p, v) : 0,
  };
}

/** An interval of a residual as values of the owner's own scale. */
function onScale(
  p: Problem,
  v: SetValues,
  variable: Variable,
  {
    condition,
    residual,
    interval,
  }: { readonly condition: Condition; readonly residual: number; readonly interval: Interval },
): Interval | null {
  const following = followingOf(condition, variable.kind);
  if (following === null) return null;
  if (typeof following === 'object')
    return between(following.valueAt(p, v, interval.lo), following.valueAt(p, v, interval.hi));
  // A thigh judged on the height's track has no place on a scale of millimetres.
  if ((CONDITION_UNITS[condition.id] === 'deg') !== (variable.adjustment.unit === 'deg')) return null;
  const value = v[variable.kind];
  return between(value + following * (interval.lo - residual), value + following * (interval.hi - residual));
}

const between = (a: number, b: number): Interval | null =>
  Number.isNaN(a + b) ? null : { lo: Math.min(a, b), hi: Math.max(a, b) };

const meet = (a: Interval, b: Interval): Interval | null => {
  const lo = Math.max(a.lo, b.lo);
  const hi = Math.min(a.hi, b.hi);
  return lo <= hi ? { lo, hi } : null;
};

/** What all conditions on a track have in common; the first one's where they have nothing in common. */
function common(intervals: readonly (Interval | null)[]): Interval | null {
  let all: Interval | null = null;
  for (const next of intervals) {
    if (!next) continue;
    all = all ? (meet(all, next) ?? all) : next;
  }
  return all;
}

const decidedBy = oncePer((p) => {
  const others = new Map<AdjustmentKind, Set<AdjustmentKind>>();
  for (const c of computable(p)) {
    const scope = withLeaders(p, scopeOf(p, c));
    for (const kind of scope) {
      const known = others.get(kind) ?? new Set();
      for (const other of scope) if (other !== kind) known.add(other);
      others.set(kind, known);
    }
  }
  return new Map([...others].map(([kind, set]) => [kind, [...set]]));
});

/**
 * All other adjustments that what decides the best position of one depends on.
 * @returns kinds that this seat or place has. Definition.
 */
export const decidedOn = (p: Problem, kind: AdjustmentKind): readonly AdjustmentKind[] =>
  decidedBy(p).get(kind) ?? [];

interface Known {
  readonly on: readonly number[];
  readonly best: number;
}

/** For each problem and adjustment the best position last found, and the values of the others that it stood on. */
const knownBest = oncePer(() => new Map<AdjustmentKind, Known>());

/**
 * The best position of one adjustment with all others as they stand. It is looked for again only when one of those
 * that its conditions depend on has moved: in a drag most have not.
 */
function bestFor(p: Problem, v: SetValues, variable: Variable): number {
  const { kind } = variable;
  const mine = knownBest(p);
  const on = decidedOn(p, kind).map((other) => v[other]);
  on.push(v.footrestMm, v.backCushionMm);
  const found = mine.get(kind);
  if (found && found.on.length === on.length && found.on.every((value, i) => Object.is(value, on[i])))
    return found.best;
  const best = bestAlone(p, v, variable);
  mine.set(kind, { on, best });
  return best;
}

/** Whether solid things meet. */
const meets = ({ id, outside }: ConditionOutcome): boolean => outside !== 0 && isSolid(id);

/** How much worse one condition stands than another: solid things that meet are worse than anything else. */
const worseBy = (a: ConditionOutcome, b: ConditionOutcome): number =>
  meets(a) === meets(b) ? Math.abs(a.outside) - Math.abs(b.outside) : meets(a) ? Infinity : -Infinity;

function furthest(outcomes: readonly ConditionOutcome[]): ConditionOutcome | null {
  let worst: ConditionOutcome | null = null;
  for (const o of outcomes) if (!worst || worseBy(o, worst) > 0) worst = o;
  return worst;
}

function closeBy(variable: Variable, o: ConditionOutcome): number {
  return ADJUSTMENT_UNITS[o.unit === 'own' ? variable.adjustment.unit : o.unit].closeBy;
}

function verdictOf(
  variable: Variable,
  own: readonly ConditionOutcome[],
  atBest: readonly ConditionOutcome[],
): Verdict {
  const worst = furthest(own);
  if (!worst) return 'noted';
  if (worst.outside === 0) return 'fits';
  const best = furthest(atBest);
  if (best && worseBy(worst, best) > BETTER_BY && !isFixed(variable.adjustment)) return 'off';
  // Contact is never close.
  return !meets(worst) && Math.abs(worst.outside) <= closeBy(variable, worst) ? 'close' : 'cannotReach';
}

/**
 * One adjustment as set. Its conditions are those it owns and that can be computed.
 * @param position whole number from 0
 * @returns with `notMeasured` where a measure is missing. Definition.
 */
export function adjustmentOutcome(
  p: Problem,
  v: SetValues,
  variable: Variable,
  position: number,
): AdjustmentOutcome {
  const owned = ownedBy(p).get(variable.kind) ?? [];
  const ready = owned.filter((c) => missingFor(p, c).length === 0);
  const own = ready.map((c) => outcomeOf(p, v, c));
  const bestPosition = ready.length > 0 ? bestFor(p, v, variable) : position;
  const there = { ...v };
  put(p, there, variable.kind, variable.values[bestPosition] ?? NaN);
  const main = owned[0];
  const isSpread = main?.id === 'armSpread';
  const mainMissing = main && missingFor(p, main).length > 0 && !(isSpread && ready.length > 0);
  return {
    kind: variable.kind,
    variable,
    position,
    value: v[variable.kind],
    aim: common(
      ready.map((c, i) =>
        onScale(p, v, variable, { condition: c, residual: own[i]!.residual, interval: own[i]!.aim }),
      ),
    ),
    band: common(
      ready.map((c, i) =>
        onScale(p, v, variable, { condition: c, residual: own[i]!.residual, interval: own[i]!.band }),
      ),
    ),
    bestPosition,
    conditions: own,
    deciding: furthest(own),
    verdict: mainMissing
      ? 'notMeasured'
      : verdictOf(
          variable,
          own,
          ready.map((c) => outcomeOf(p, there, c)),
        ),
    missing: [...new Set(owned.flatMap((c) => missingFor(p, c)))],
    estimated: [...new Set(ready.flatMap((c) => estimatedFor(p, c)))],
    doubt: ready[0] ? doubtOf(p, variable.kind, ready[0]) : null,
  };
}

/** Only where the residual follows its measures one to one; stature enters as a small fraction and is left out. */
function doubtOf(p: Problem, kind: AdjustmentKind, c: Condition): number | null {
  if (typeof followingOf(c, kind) !== 'number' || CONDITION_UNITS[c.id] !== 'mm') return null;
  const square = c
    .needs(p)
    .filter((id) => id !== 'stature')
    .reduce((sum, id) => sum + (p.inputs.body[id]?.spread ?? 0) ** 2, 0);
  return square > 0 ? Math.sqrt(square) : null;
}
