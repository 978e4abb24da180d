import { message, type Message } from '../../message';
import type { ConditionId } from '../conditions';
import { sizeOf } from '../explanation/reasons';
import type { AdjustmentOutcome } from '../outcome/outcome';
import type { Problem } from '../problem/problem';
import { curesAgainst, type Shortfall } from './cures';

/**
 * What the trade does about a shortfall, by the condition that decides and the side it lies on; null where nothing
 * is left over. In which size, and whether it really closes it, is solved for in remedies.ts.
 * @param shortfalls what the best settings leave over; anything else needs nothing but setting
 * @returns null where nothing is left over. Common practice, no source.
 * @example
 * remedyHint(problem, assessed.outcomes[0]) // => null
 */
export function remedyHint(
  p: Problem,
  outcome: AdjustmentOutcome,
  shortfalls: readonly ConditionId[] | null = null,
): Message | null {
  const o = outcome.deciding;
  if (!o || o.outside === 0 || outcome.verdict === 'notMeasured') return null;
  const by = sizeOf(outcome.variable, o);
  if (outcome.verdict === 'off' || (shortfalls && !shortfalls.includes(o.id))) return message('remedy.set');
  const shortfall: Shortfall = `${o.id}.${o.outside > 0 ? 'more' : 'less'}`;
  const known = curesAgainst(shortfall);
  if (known.length === 0) return message(`remedy.for.${shortfall}`, { by });
  const possible = known.filter((cure) => cure.isPossible(p.inputs));
  if (possible.length === 0) return message('remedy.for.none');
  const words = possible.map(({ id, sign }) => `remedy.hint.${id}${sign < 0 ? '.less' : ''}`);
  return message('remedy.for.cures', { list: { words: [...new Set(words)] } });
}
