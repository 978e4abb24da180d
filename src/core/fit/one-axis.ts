import type { AdjustmentKind } from '../seat';
import { followingOf, type Condition } from './conditions';
import { curveOf, roundResidual, type Cost } from './penalty';
import type { Problem, SetValues, Variable } from './problem';

/** From how many positions on only those are looked at where the cost can turn. */
const MANY = 24;

const areStraight = (kind: AdjustmentKind, conditions: readonly Condition[]): boolean =>
  conditions.every((c) => c.isStraight && typeof followingOf(c, kind) === 'number');

/** Whether few positions have to be looked at. */
export const isQuick = ({ kind, values }: Variable, conditions: readonly Condition[]): boolean =>
  values.length < MANY || areStraight(kind, conditions);

/**
 * The positions one of which is the best. Where every condition follows the value straight, the cost only turns where a
 * residual enters or leaves its aim, band or bound: so the best lies beside one of those, or at an end.
 */
function worthALook(
  p: Problem,
  v: SetValues,
  { kind, values }: Variable,
  conditions: readonly Condition[],
): Iterable<number> {
  const count = values.length;
  if (count < MANY || !areStraight(kind, conditions)) return values.keys();
  const follows = conditions.map((c) => followingOf(c, kind));
  const found = new Set([0, count - 1]);
  const from = v[kind];
  for (const [n, c] of conditions.entries()) {
    const { bandLo, aimLo, aimHi, bandHi, hardLo, hardHi } = p.targets[c.id];
    const here = c.residual(p, v);
    for (const end of [bandLo, aimLo, aimHi, bandHi, hardLo, hardHi]) {
      if (end === undefined) continue;
      const at = firstFrom(values, from + (follows[n] as number) * (end - here));
      for (let i = at - 2; i <= at + 1; i++) if (i >= 0 && i < count) found.add(i);
    }
  }
  return found;
}

/** The first position whose value is at least `value`. */
function firstFrom(values: readonly number[], value: number): number {
  let [lo, hi] = [0, values.length];
  while (lo < hi) {
    const middle = (lo + hi) >> 1;
    if (values[middle]! < value) lo = middle + 1;
    else hi = middle;
  }
  return lo;
}

/** The best position of an adjustment, and what its conditions cost there. */
export interface OnAxis extends Cost {
  readonly position: number;
}

/**
 * The best position of one adjustment with all others as they stand; of equally good ones the lowest.
 * @param v tried out in place, and left as it was
 * @param first where it was last: most others are then soon seen to be dearer
 */
export function bestOnAxis(
  p: Problem,
  v: SetValues,
  variable: Variable,
  conditions: readonly Condition[],
  first: number,
): OnAxis {
  const { kind, values } = variable;
  const curves = conditions.map((c) => curveOf(c.id, p.targets[c.id]));
  let best: OnAxis = { position: -1, hard: Infinity, penalty: Infinity };
  const before = v[kind];
  const look = (position: number): void => {
    v[kind] = values[position]!;
    let [hard, penalty] = [0, 0];
    for (let i = 0; i < conditions.length; i++) {
      const value = roundResidual(conditions[i]!.residual(p, v));
      hard += curves[i]!.beyondHard(value);
      if (hard > best.hard) return;
      penalty += curves[i]!.penalty(value);
      if (hard === best.hard && penalty > best.penalty) return;
    }
    if (hard === best.hard && penalty === best.penalty && position > best.position) return;
    best = { position, hard, penalty };
  };
  look(first);
  for (const position of worthALook(p, v, variable, conditions)) if (position !== first) look(position);
  v[kind] = before;
  return best;
}
