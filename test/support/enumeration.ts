import { NO_REMEDIES, costOf, type Problem, type Settings } from '../../src/core/fit';
import type { AdjustmentKind } from '../../src/core/seat';

/** The least cost of every combination of positions, looked through one by one; what is held stays. */
export function plainBest(
  p: Problem,
  held: Settings['positions'] = {},
): { readonly hard: number; readonly penalty: number; readonly count: number } {
  const variables = Object.values(p.variables);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let best = { hard: Infinity, penalty: Infinity };
  let count = 0;
  const go = (i: number): void => {
    const variable = variables[i];
    if (!variable) {
      count++;
      const cost = costOf(p, { positions, remedies: NO_REMEDIES });
      if (cost.hard < best.hard || (cost.hard === best.hard && cost.penalty < best.penalty)) best = cost;
      return;
    }
    for (let n = 0; n < variable.values.length; n++) {
      if ((held[variable.kind] ?? n) !== n) continue;
      positions[variable.kind] = n;
      go(i + 1);
    }
  };
  go(0);
  return { ...best, count };
}
