/**
 * What the hand moves. Controls and adjustments are many to many: one lever may set height and, twisted, lock the
 * tilt. Every place and direction is as the sitter finds it, sitting in the seat.
 */
import type { Direction } from './control-lists';
import type { Control, Move } from './control-schema';

const OPPOSITE: Record<Direction, Direction> = {
  up: 'down',
  down: 'up',
  forward: 'backward',
  backward: 'forward',
  inward: 'outward',
  outward: 'inward',
  clockwise: 'anticlockwise',
  anticlockwise: 'clockwise',
  unknown: 'unknown',
};

/**
 * The other way of a direction.
 * @returns the other way; of what has none the same. Definition.
 */
export const oppositeOf = (direction: Direction): Direction => OPPOSITE[direction];

/**
 * The control and move that set an adjustment, or null where the seat's record names none.
 * @returns null where the seat’s record names none. Definition.
 * @example
 * controlFor(seat.controls, 'seatHeight') // => null
 */
export function controlFor(
  controls: readonly Control[],
  adjustmentId: string,
): { readonly control: Control; readonly move: Move } | null {
  for (const control of controls) {
    const move = control.moves.find((m) => m.adjustmentId === adjustmentId);
    if (move) return { control, move };
  }
  return null;
}
