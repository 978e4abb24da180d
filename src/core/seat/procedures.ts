/** What is done with a seat or one of its controls in several steps: as described, or as it is usually done. */
import { message, type Message } from '../message';
import type { ProcedureKind } from './control-lists';
import type { Procedure } from './control-schema';

/** How many steps each usually has; their words are `procedure.<kind>.<n>`. Common practice, no source. */
export const USUAL_STEPS: Readonly<Record<ProcedureKind, number>> = {
  sitRightBack: 3,
  neutralStart: 3,
  heightByLift: 4,
  heelsThenTilt: 3,
  ratchet: 3,
  airBulb: 2,
  dialWithoutEnds: 2,
  twoWayLock: 3,
  tensionByTrial: 3,
  suspension: 6,
  harness: 4,
  latch: 2,
  tighten: 2,
  gasSpringFront: 3,
  cover: 2,
  own: 0,
};

/**
 * The steps of a procedure in order: its own, or the usual ones of its kind where it has none.
 * @returns one sentence each, without full stops; empty for one of its own that says nothing. Common practice, no source.
 * @example
 * stepsOf({ id: 'belt', kind: 'harness', steps: [] }).length // => 4
 */
export function stepsOf({ kind, steps }: Procedure): Message[] {
  if (steps.length === 0)
    return Array.from({ length: USUAL_STEPS[kind] }, (_, i) => message(`procedure.${kind}.${i + 1}`));
  return steps.flatMap(({ text, felt, otherwise }) => [
    message('procedure.step', { text: { text } }),
    ...(felt ? [message('working.felt', { text: { text: felt } })] : []),
    ...(otherwise ? [message('working.otherwise', { text: { text: otherwise } })] : []),
  ]);
}
