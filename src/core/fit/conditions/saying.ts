/** What conditions are said with: the numbers of their sentences, and the steps of their arithmetic. */
import { message, type Message, type MessageValue } from '../../message';
import type { AdjustmentUnit } from '../../seat';
import type { Problem, SetValues } from '../problem/problem';

/** Whether a condition holds, or on which side it does not. */
export type Side = 'good' | 'more' | 'less';
export type Values = Readonly<Record<string, MessageValue>>;

export type Step = (p: Problem, v: SetValues) => readonly Message[];

/**
 * A step that is one sentence, `chain.<key>`.
 * @returns the step. Definition.
 */
export const one =
  (key: string, values: (p: Problem, v: SetValues) => Values): Step =>
  (p, v) => [message(`chain.${key}`, values(p, v))];

/**
 * A number of an adjustment's own count.
 * @param value in `unit`
 * @returns a value that is said in the reader’s words. Definition.
 */
export function ownValue(unit: AdjustmentUnit | undefined, value: number): MessageValue {
  if (unit === 'mm') return { mm: value };
  if (unit === 'deg') return { deg: value };
  if (unit === 'kg') return { kg: value };
  return unit === 'turn' ? { turns: value } : { count: value };
}
