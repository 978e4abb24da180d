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

/**
 * A position in the control's own words: "3 clicks from the lowest (position 4 of 5)", "1 1/4 turns from the
 * lightest", the dial's label, or a length for the tape where nothing can be counted.
 */
export function positionWords(p: Problem, variable: Variable, position: number): Message {
  const { adjustment, kind } = variable;
  const value = variable.values[position] ?? NaN;
  const control = controlFor(p.inputs.seat.controls, adjustment.id)?.control;
  const isAngle = adjustment.unit === 'deg';
  const measured = ownValue(adjustment.unit, value);
  const end = { word: `end.${ADJUSTMENT_KINDS[kind].sign}` };
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
  if (isFixed(adjustment)) return message('position.fixed', { value: measured });
  const of = { count: positionCount(adjustment) };
  const number = { count: position + 1 };
  if (adjustment.effort?.by === 'weighing' && value === 0) return message('position.weighing');
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
  if (adjustment.unit === 'kg') return message('position.kg', { value: measured });
  if (control?.scale.type === 'clicks')
    return message('position.clicks', {
      clicks: { count: position },
      end,
      number,
      of,
    });
  if (isStepped(adjustment) || adjustment.unit === 'step')
    return message('position.stop', { number, of, end });
  if (isAngle) return message('position.angle', { value: measured });
  return message(kind === 'seatHeight' && p.panTilts ? 'position.tapeLevel' : 'position.tape', {
    value: measured,
  });
}
