import { message, type Message } from '../message';
import { controlFor, endsOf, isFixed, isStepped, positionCount, type AdjustmentKind } from '../seat';
import type { Problem, Variable } from './problem';

const IN_DEGREES: readonly AdjustmentKind[] = ['seatAngle', 'backAngle'];

/** Wordings for counts that need their own. */
const CLICKS: Readonly<Record<number, string>> = { 0: '.none', 1: '.one' };

/**
 * A position in the control's own words: "3 clicks from the lowest (position 4 of 5)", "1 1/4 turns from the
 * lightest", the dial's label, or a length for the tape where nothing can be counted.
 */
export function positionWords(p: Problem, variable: Variable, position: number): Message {
  const { adjustment, kind } = variable;
  const value = variable.values[position] ?? NaN;
  const control = controlFor(p.inputs.seat.controls, adjustment.id)?.control;
  const measured = IN_DEGREES.includes(kind) ? { deg: value } : { mm: value };
  if (isFixed(adjustment)) return message('position.fixed', { value: measured });
  const of = { count: positionCount(adjustment) };
  const number = { count: position + 1 };
  if (control?.scale.type === 'dial')
    return message('position.dial', {
      label: { text: control.scale.labels[position] ?? String(position + 1) },
    });
  if (adjustment.unit === 'turn')
    return message('position.turns', {
      turns: { turns: value - endsOf(adjustment.travel).lowest },
      of: { turns: endsOf(adjustment.travel).highest },
    });
  if (control?.scale.type === 'clicks')
    return message(`position.clicks${CLICKS[position] ?? ''}`, {
      clicks: { count: position },
      end: { word: `end.${kind}` },
      number,
      of,
    });
  if (isStepped(adjustment)) return message('position.stop', { number, of, end: { word: `end.${kind}` } });
  if (IN_DEGREES.includes(kind)) return message('position.angle', { value: measured });
  return message(kind === 'seatHeight' && p.panTilts ? 'position.tapeLevel' : 'position.tape', {
    value: measured,
  });
}
