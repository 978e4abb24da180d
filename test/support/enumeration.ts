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
  const offLevel = values.map((value) => Math.abs(value + risenAtWork(p)));
  return position >= offLevel.lastIndexOf(Math.min(...offLevel));
}

/** How far a pan that follows the back has risen at the lean that is worked at, degrees. */
function risenAtWork({ variables, leaning, targets, inputs }: Problem): number {
  const [ratio, back] = [inputs.seat.back.synchroRatio, variables.backAngle];
  if (ratio === null || !back) return 0;
  const { aimLo, aimHi } = targets.backAngle;
  const wanted = ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2;
  const lean = leaning?.kind === 'backAngle' ? back.values[leaning.position]! : wanted;
  return (lean - back.values[0]!) / ratio;
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
