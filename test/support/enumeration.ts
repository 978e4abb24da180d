import { NO_REMEDIES, costOf, type Problem, type Settings, type Variable } from '../../src/core/fit';
import type { AdjustmentKind } from '../../src/core/seat';

const TIPPING: readonly AdjustmentKind[] = ['seatAngle', 'forwardTilt', 'chairAngle'];

/**
 * Whether an adjustment may be set to a position unasked: nothing tips a seat forward that no method asks to, and what is
 * free against its spring works at one place.
 */
export function mayBeSet(p: Problem, { kind, values, adjustment }: Variable, position: number): boolean {
  if (p.leaning?.kind === kind) return position === p.leaning.position;
  if (!TIPPING.includes(kind) || adjustment.holds.how === 'passive') return true;
  if ((p.targets.thigh.aimHi ?? 0) < 0) return true;
  return values[position]! >= 0 || position === values.length - 1;
}

/** The least cost of every combination of positions, looked through one by one; what is held stays. */
export function plainBest(
  p: Problem,
  held: Settings['positions'] = {},
): {
  readonly penalty: number;
  readonly count: number;
  readonly positions: readonly Settings['positions'][];
} {
  const variables = Object.values(p.variables);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let penalty = Infinity;
  let best: Settings['positions'][] = [];
  let count = 0;
  const go = (i: number): void => {
    const variable = variables[i];
    if (!variable) {
      count++;
      const cost = costOf(p, { positions, remedies: NO_REMEDIES }).penalty;
      if (cost < penalty) [penalty, best] = [cost, []];
      if (cost === penalty) best.push({ ...positions });
      return;
    }
    for (let n = 0; n < variable.values.length; n++) {
      const kept = held[variable.kind];
      if (kept === undefined ? !mayBeSet(p, variable, n) : kept !== n) continue;
      positions[variable.kind] = n;
      go(i + 1);
    }
  };
  go(0);
  return { penalty, count, positions: best };
}
