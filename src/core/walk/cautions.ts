/** Short cautions where they matter: at the step in which something could hurt. */
import type { Problem } from '../fit';
import { isChild } from '../fit';
import { message, type Message } from '../message';
import { isLifted } from '../card/lifted';
import { offers, type AdjustmentKind } from '../seat';

const PINCHES: readonly AdjustmentKind[] = ['backAngle', 'chairAngle', 'tiltTension', 'tiltLock'];
const OPERATORS: readonly AdjustmentKind[] = ['suspensionWeight', 'damper', 'foreAft', 'stationForeAft'];
const ARMS: readonly AdjustmentKind[] = ['armHeight', 'armWidth', 'padSlide'];
/** A desk this high is stood at or half stood at, mm (common practice). */
const STANDING_DESK_MM = 900;

/**
 * The caution that belongs to setting something, or to the start.
 * @returns null where nothing can hurt. Common practice, no source.
 * @example
 * stepCaution(problem, 'backAngle').key // => 'caution.pinch'
 */
export function stepCaution(p: Problem, at: AdjustmentKind | 'neutral'): Message | null {
  const { seat, work } = p.inputs;
  const desk = p.variables.deskHeight?.values.at(-1) ?? 0;
  if (at === 'neutral') {
    const isOperated = offers(seat, 'suspension') || offers(seat, 'harness');
    if (isOperated) return message('caution.operator');
    return isChild(p.inputs) ? message('caution.children') : message('caution.scope');
  }
  if (at === 'seatHeight' && isLifted(p)) return message('caution.height');
  if (PINCHES.includes(at)) return message('caution.pinch');
  if (OPERATORS.includes(at)) return message('caution.operator');
  if (at === 'forwardTilt' || at === 'frontSlope') return message('caution.forwardTilt');
  if (ARMS.includes(at) && work.risesByArms) return message('caution.risesByArms');
  if (at === 'climate') return message('caution.heating');
  if (at === 'footrest') return message('caution.remedies');
  return at === 'deskHeight' && desk >= STANDING_DESK_MM ? message('caution.standing') : null;
}
