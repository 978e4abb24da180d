/** Certainty as it is shown track by track; by itself, for a page that shows it needs nothing that draws bodies. */
import { computableConditions, type Problem } from '../fit';
import type { AdjustmentKind } from '../seat';
import type { CausedCertainty, SetCertainty } from './set';

/**
 * Of each adjustment the least certain condition on its track.
 * @returns by kind; without those on whose track nothing is judged. Definition.
 * @example
 * certaintyByKind(problem, certainty).has('seatHeight') // => true
 */
export function certaintyByKind(
  p: Problem,
  { each }: SetCertainty,
): ReadonlyMap<AdjustmentKind, CausedCertainty> {
  const byKind = new Map<AdjustmentKind, CausedCertainty>();
  const owners = new Map(computableConditions(p).map((c) => [c.id, c.owners(p)]));
  // The least certain come first.
  for (const one of each)
    for (const kind of owners.get(one.id) ?? []) if (!byKind.has(kind)) byKind.set(kind, one);
  return byKind;
}
