import { message, type Message } from '../../message';
import {
  ADJUSTMENT_KINDS,
  NAMED_KINDS,
  controlFor,
  endsOf,
  isFixed,
  isStepped,
  positionCount,
} from '../../seat';
import type { Problem, Variable } from '../problem/problem';
import { carriedAs } from '../problem/carried';
import { ownValue } from '../conditions/saying';

interface Position {
  readonly p: Problem;
  readonly variable: Variable;
  readonly position: number;
  readonly value: number;
}

/** Of what is no number to set: a state by its name, what is carried along, what moves with the sitter, what is fixed. */
function unsetWords({ p, variable, position, value }: Position): Message | null {
  const { adjustment, kind } = variable;
  const measured = ownValue(adjustment.unit, value);
  if (adjustment.lock)
    return message('position.state', {
      state: { word: `lock.${adjustment.lock.states[position] ?? 'free'}` },
    });
  if (NAMED_KINDS.includes(kind))
    return message('position.state', { state: { word: `state.${kind}.${value}` } });
  const carried = carriedAs(p, kind);
  if (carried)
    return message('position.carried', { value: measured, leader: { word: `kind.${carried.leader}` } });
  if (adjustment.holds.how === 'passive') return message('position.follows', { value: measured });
  if (p.leaning?.kind === kind && p.leaning.position === position && !p.leaning.isLocked)
    return message('position.leans', { value: measured });
  return isFixed(adjustment) ? message('position.fixed', { value: measured }) : null;
}

/** Of what is counted: the dial’s label, turns, strokes, clicks, stops; null where a tape or a level tells. */
function countedWords({ p, variable, position, value }: Position): Message | null {
  const { adjustment, kind } = variable;
  const control = controlFor(p.inputs.seat.controls, adjustment.id)?.control;
  const end = { word: `end.${ADJUSTMENT_KINDS[kind].sign}` };
  const of = { count: positionCount(adjustment) };
  const number = { count: position + 1 };
  if (control?.scale.type === 'dial')
    return message('position.dial', {
      label: { text: control.scale.labels[position] ?? String(position + 1) },
    });
  const { lowest, highest } = endsOf(adjustment.travel);
  if (adjustment.unit === 'turn')
    return message('position.turns', {
      turns: { turns: value - lowest },
      of: { turns: highest - lowest },
      end,
    });
  if (adjustment.unit === 'pump')
    return message('position.pumps', {
      pumps: { count: value - lowest },
      of: { count: highest - lowest },
      end,
    });
  if (adjustment.unit === 'kg') return null;
  // What slides freely is not counted, whatever its control is like.
  const isCounted = isStepped(adjustment) || adjustment.unit === 'step';
  if (control?.scale.type === 'clicks' && isCounted)
    return message('position.clicks', { clicks: { count: position }, end, number, of });
  return isCounted ? message('position.stop', { number, of, end }) : null;
}

/**
 * Returns a position in the control's own words: "3 clicks from the lowest (position 4 of 5)", "1 1/4 turns from the
 * lightest", the dial's label, or a length for the tape where nothing can be counted.
 * @param position whole number from 0
 * @returns a message in the reader’s unit. Definition.
 */
export function positionWords(p: Problem, variable: Variable, position: number): Message {
  const { adjustment, kind } = variable;
  const value = variable.values[position] ?? NaN;
  const at: Position = { p, variable, position, value };
  const unset = unsetWords(at);
  if (unset) return unset;
  if (adjustment.effort?.by === 'weighing' && value === 0) return message('position.weighing');
  const counted = countedWords(at);
  if (counted) return counted;
  const measured = { value: ownValue(adjustment.unit, value) };
  if (adjustment.unit === 'kg') return message('position.kg', measured);
  if (adjustment.unit === 'deg') return message('position.angle', measured);
  return message(kind === 'seatHeight' && p.panTilts ? 'position.tapeLevel' : 'position.tape', measured);
}
