/** Why an adjustment stands where it does, or what is wrong with it, in one sentence. */
import { message, type Message, type MessageValue } from '../../message';
import { conditionOf } from '../conditions';
import { ownValue, type Side, type Values } from '../conditions/saying';
import type { AdjustmentOutcome, ConditionOutcome } from '../outcome/outcome';
import type { Problem, SetValues, Variable } from '../problem/problem';

/**
 * By how much something lies outside, in the unit it is judged in.
 * @returns 0 or more, as it is said. Definition.
 */
export function sizeOf(variable: Variable, o: ConditionOutcome): MessageValue {
  const size = Math.abs(o.outside);
  if (o.unit === 'deg') return { deg: size };
  return o.unit === 'mm' ? { sizeMm: size } : ownValue(variable.adjustment.unit, size);
}

const sideOf = (o: ConditionOutcome): Side => (o.outside === 0 ? 'good' : o.outside > 0 ? 'more' : 'less');

/**
 * One sentence: why this position, or what is wrong with it.
 * @returns one sentence. Definition.
 */
export function reasonFor(p: Problem, v: SetValues, outcome: AdjustmentOutcome): Message {
  if (outcome.verdict === 'noted') return message('reason.noted');
  if (outcome.verdict === 'notMeasured' || !outcome.deciding) {
    return message('reason.notMeasured', {
      missing: { words: outcome.missing.map((id) => `dimension.${id}`) },
    });
  }
  const o = outcome.deciding;
  const side = sideOf(o);
  const by: Values = side === 'good' ? {} : { by: sizeOf(outcome.variable, o) };
  const condition = conditionOf(o.id);
  const variant = condition.variant?.(p, v, side) ?? '';
  return message(`reason.${o.id}.${side}${variant}`, { ...condition.says(p, v, o), ...by });
}
