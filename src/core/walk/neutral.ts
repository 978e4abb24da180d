/** Where a seat stands before anything is set: by its own description, else by the school of the method. */
import type { Problem, Settings, Variable } from '../fit';
import { neutralPosition } from '../fit/search/axes';
import type { NeutralStart } from '../method';
import { isLifted } from '../card/lifted';
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../seat';

/** A little above upright, degrees: as far a locked back leans at the start (common practice). */
const LOCKED_DEG = 5;

/**
 * The position whose value lies nearest to one that is wanted; of two alike the first.
 * @param wanted in the unit of the values
 * @returns a position from 0. Definition.
 */
export const nearestTo = (values: readonly number[], wanted: number): number =>
  values.reduce((best, v, i) => (Math.abs(v - wanted) < Math.abs(values[best]! - wanted) ? i : best), 0);

/** What a school asks for; null where it says nothing of an adjustment. */
function bySchool(school: NeutralStart, { kind, values, adjustment }: Variable): number | null {
  const last = values.length - 1;
  const stateAt = (state: 'free' | 'upright'): number | null => {
    const at = adjustment.lock?.states.indexOf(state) ?? -1;
    return at < 0 ? null : at;
  };
  if (kind === 'tiltLock') return stateAt(school === 'lockedUpright' ? 'upright' : 'free');
  if (school === 'liftToTop' && kind === 'seatHeight') return last;
  if (school === 'lockedUpright' && kind === 'backAngle') return nearestTo(values, LOCKED_DEG);
  if (school === 'backAndLevel' && kind === 'backAngle') return last;
  if (kind === 'seatAngle' || kind === 'chairAngle' || kind === 'frontSlope' || kind === 'forwardTilt')
    return nearestTo(values, 0);
  return null;
}

/** What the description of the seat says; null where it says nothing. */
function described({ adjustment: { neutral }, values }: Variable): number | null {
  if (neutral === undefined) return null;
  const last = values.length - 1;
  if (neutral === 'lowest') return 0;
  if (neutral === 'highest') return last;
  return neutral === 'middle' ? Math.floor(last / 2) : Math.min(neutral, last);
}

/**
 * Whether somebody has put an adjustment where a walk starts: by its description, or because the school asks for it.
 * Everything else is somewhere, and only taken to stand there.
 * @returns false for what is only taken to stand there. Common practice, no source.
 */
export function isPutNeutral(p: Problem, variable: Variable): boolean {
  if (described(variable) !== null) return true;
  const school = p.inputs.method.neutralStart ?? 'liftToTop';
  const { kind } = variable;
  if (kind === 'seatHeight') return school === 'liftToTop' && isLifted(p);
  if (kind === 'backAngle') return school !== 'liftToTop';
  return kind === 'seatAngle' && school === 'backAndLevel';
}

/**
 * The settings that a walk starts from. What belongs to the place stands where it will stand in the end: nothing is
 * neutral about a desk.
 * @param target where everything stands in the end
 * @returns a position for every adjustment, each from 0. Common practice, no source.
 * @example
 * neutralOf(problem, best).positions.seatHeight // => 10
 */
export function neutralOf(p: Problem, target: Settings): Settings {
  const school = p.inputs.method.neutralStart ?? 'liftToTop';
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const kind of ADJUSTMENT_KIND_IDS) {
    const variable = p.variables[kind];
    if (!variable) continue;
    positions[kind] =
      ADJUSTMENT_KINDS[kind].belongsTo === 'place'
        ? (target.positions[kind] ?? 0)
        : (described(variable) ?? bySchool(school, variable) ?? neutralPosition(p, variable));
  }
  return { ...target, positions };
}
