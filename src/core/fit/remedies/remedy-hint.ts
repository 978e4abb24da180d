import { message, type Message } from '../../message';
import { takesCushions } from '../../seat';
import type { AdjustmentOutcome } from '../outcome/outcome';
import type { Problem } from '../problem/problem';
import { sizeOf } from '../explanation/reasons';

/**
 * What the trade does about a shortfall, by the condition that decides and the side it lies on; null where nothing
 * is left over. Whether a footrest or cushion really closes it is solved for in remedies.ts.
 */
export function remedyHint(p: Problem, outcome: AdjustmentOutcome): Message | null {
  const o = outcome.deciding;
  if (!o || o.outside === 0 || outcome.verdict === 'notMeasured') return null;
  const by = sizeOf(outcome.variable, o);
  if (outcome.verdict === 'off') return message('remedy.set', { by });
  const side = o.outside > 0 ? 'more' : 'less';
  const bare = o.id === 'kneeRoom' && side === 'less' && !takesCushions(p.inputs.seat) ? '.bare' : '';
  return message(`remedy.for.${o.id}.${side}${bare}`, { by });
}
