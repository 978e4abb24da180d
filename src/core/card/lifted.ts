/** What is held by a gas lift. */
import type { Problem } from '../fit';
import { controlFor } from '../seat';

/**
 * Whether the seat's height is held by a lift that is released while sitting.
 * @returns false for a seat that is set standing. Definition.
 * @example
 * isLifted(problem) // => false
 */
export function isLifted(p: Problem): boolean {
  const height = p.variables.seatHeight;
  return (
    height !== undefined &&
    controlFor(p.inputs.seat.controls, height.adjustment.id)?.move.action === 'liftAndHold'
  );
}
