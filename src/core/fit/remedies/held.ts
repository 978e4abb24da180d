/** What is held and keeps something from fitting that the seat could do. */
import type { ConditionId } from '../conditions';
import type { AdjustmentKind } from '../../seat';
import type { RemedySettings, Settings } from '../problem/inputs';
import type { Problem } from '../problem/problem';
import { BUDGET_OF_MANY, solve } from '../search/solve';
import { standsOf } from './trial';

/**
 * Those of the held adjustments each of which, let go by itself and everything solved anew, brings something inside its
 * band; all of them where only several together do.
 * @param outside what is outside its band though it would not be with nothing held
 * @returns empty where no hold is the cause. Definition.
 * @example
 * holdsBehind(problem, NO_REMEDIES, {}, []) // => []
 */
export function holdsBehind(
  p: Problem,
  remedies: RemedySettings,
  held: Settings['positions'],
  outside: readonly ConditionId[],
): AdjustmentKind[] {
  const kinds = Object.keys(held) as AdjustmentKind[];
  if (kinds.length < 2 || outside.length === 0) return outside.length === 0 ? [] : kinds;
  const guilty = kinds.filter((kind) => {
    const others = Object.fromEntries(Object.entries(held).filter(([other]) => other !== kind));
    const { settings } = solve(p, { remedies, held: others, budget: BUDGET_OF_MANY });
    const stands = standsOf(p, settings);
    return outside.some((id) => (stands.get(id)?.outside ?? 0) === 0);
  });
  return guilty.length > 0 ? guilty : kinds;
}
