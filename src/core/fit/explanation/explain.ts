/**
 * The chain from measures to the number to set, as data: each step one message with the numbers that go into it. Steps
 * that a condition needs for its own arithmetic come first, then what every adjustment has: sink, reach, position.
 */
import { message, type Message, type MessageValue } from '../../message';
import { isFixed } from '../../seat';
import { conditionOf } from '../conditions';
import { ownValue } from '../conditions/saying';
import type { AdjustmentOutcome } from '../outcome/outcome';
import type { Problem, SetValues } from '../problem/problem';
import { milderWords } from './milder';
import { sizeOf } from './reasons';

/** What every adjustment has: how far the cushion moved its values, what it reaches, where it stands, what is left. */
function common(outcome: AdjustmentOutcome): Message[] {
  const { variable, value, position, estimated } = outcome;
  const { adjustment, values, shiftMm } = variable;
  const own = (n: number): MessageValue => ownValue(adjustment.unit, n);
  const steps: Message[] = [];
  if (estimated.length > 0)
    steps.push(message('chain.estimated', { list: { words: estimated.map((id) => `dimension.${id}`) } }));
  if (shiftMm !== 0) steps.push(message('chain.sink', { shift: { mm: shiftMm } }));
  if (outcome.aim && outcome.band && Number.isFinite(outcome.aim.lo + outcome.aim.hi))
    steps.push(
      outcome.aim.lo === outcome.aim.hi
        ? message('chain.aim', { aim: own(outcome.aim.lo) })
        : message('chain.aim.range', { lo: own(outcome.aim.lo), hi: own(outcome.aim.hi) }),
    );
  steps.push(
    isFixed(adjustment)
      ? message('chain.fixed', { value: own(value) })
      : message('chain.position', {
          lowest: own(values[0] ?? NaN),
          highest: own(values[values.length - 1] ?? NaN),
          number: { count: position + 1 },
          of: { count: values.length },
          value: own(value),
        }),
  );
  const { deciding } = outcome;
  if (deciding && deciding.outside !== 0)
    steps.push(message('chain.left', { by: sizeOf(variable, deciding) }));
  return steps;
}

/**
 * The steps from what was measured to where an adjustment stands.
 * @returns sentences in order; their arithmetic adds up. Definition.
 * @example
 * explain(problem, assessed.values, assessed.outcomes[0]).length > 1 // => true
 */
export function explain(p: Problem, v: SetValues, outcome: AdjustmentOutcome): readonly Message[] {
  const milder = milderWords(p, outcome);
  return [
    ...outcome.conditions.flatMap((c) => conditionOf(c.id).steps?.(p, v) ?? []),
    ...common(outcome),
    ...(milder ? [milder] : []),
  ];
}
