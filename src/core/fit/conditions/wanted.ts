/** What an adjustment should come to for this sitter and place, where that is not simply a length of the body. */
import { DAMPER_FOR } from '../../place';
import { trunkMomentNm } from '../../posture';
import { ADJUSTMENT_UNITS, positionCount, type Effort, type LockState } from '../../seat';
import { lockStates, wantsLocked } from '../problem/leaning';
import type { Problem, SetValues } from '../problem/problem';

/**
 * How far between the seat's lightest and stiffest this trunk lies: 0…1, beyond it for a trunk that it is not made for.
 * @returns a share of the range; NaN where mass or stature is not known. Definition.
 */
export function tensionFraction(effort: Effort, p: Problem): number {
  const { body } = p;
  return effort.by === 'moment'
    ? (momentAt(p, effort.atDeg) - effort.lightestNm) / (effort.stiffestNm - effort.lightestNm)
    : (body.bodyMass - effort.lightestKg) / (effort.stiffestKg - effort.lightestKg);
}

/**
 * Moment of this trunk about the hip at a lean, N·m.
 * @param deg lean from vertical, degrees
 * @returns N·m; NaN where mass or stature is not known. Source: Winter (2009), Table 4.1.
 */
export const momentAt = (p: Problem, deg: number): number =>
  trunkMomentNm(p.body.bodyMass, p.body.stature, deg);

/** An override counts as at least so many steps that feel different, where it has fewer (assumed). */
const LEAST_OVERRIDE = 8;

/**
 * The tension that balances this trunk, in the adjustment's unit: turns from the lightest, or the position (from 0).
 * `n` turns: `f · n`; `n` positions: `round(f (n − 1))`, halves down. A mechanism that weighs by itself needs no
 * override within its range; beyond, more than all of it. For a trunk that the seat is not made for it lies beyond the
 * seat’s ends.
 * @returns in the adjustment’s unit; NaN where mass or stature is not known. Definition.
 */
export function balancedTension(p: Problem): number {
  const variable = p.variables.tiltTension;
  const effort = variable?.adjustment.effort;
  if (!variable || !effort) return NaN;
  const lowest = variable.values[0] ?? NaN;
  const highest = variable.values[variable.values.length - 1] ?? NaN;
  if (effort.by === 'weighing') {
    const { bodyMass } = p.body;
    if (Number.isNaN(bodyMass)) return NaN;
    const over = Math.max(0, bodyMass - effort.stiffestKg) + Math.min(0, bodyMass - effort.lightestKg);
    if (over === 0) return 0;
    // An override can only do so much: what lies beyond it is not balanced, however it is set.
    const span = Math.max(
      highest - lowest,
      LEAST_OVERRIDE * ADJUSTMENT_UNITS[variable.adjustment.unit].closeBy,
    );
    return (over > 0 ? highest : lowest) + (span * over) / (effort.stiffestKg - effort.lightestKg);
  }
  const fraction = tensionFraction(effort, p);
  if (variable.adjustment.unit === 'turn') return lowest + fraction * (highest - lowest);
  const steps = positionCount(variable.adjustment) - 1;
  return lowest + Math.ceil(Math.round((fraction * steps - 0.5) * 1e6) / 1e6);
}

/**
 * In which state the lock is wanted, as its position: free where the back works against its spring, locked where the
 * method has it so; and whoever asks for another angle than the one at which it works gets the lock that holds it.
 * @returns a position from 0. Common practice, no source.
 */
export function wantedLock(p: Problem, v: SetValues): number {
  const lock = p.variables.tiltLock?.adjustment;
  if (!lock) return 0;
  const states = lockStates(lock);
  const at = (state: LockState): number | null => {
    const found = states.indexOf(state);
    return found < 0 ? null : found;
  };
  const free = at('free') ?? 0;
  const holding = (isUpright: boolean): number =>
    (isUpright ? at('upright') : null) ?? at('anywhere') ?? (isUpright ? 1 : free);
  const { leaning } = p;
  if (leaning) {
    const values = p.variables[leaning.kind]!.values;
    const works = v[leaning.kind] === values[leaning.position];
    return works && !leaning.isLocked ? free : holding(v[leaning.kind] === values[0]);
  }
  if (!wantsLocked(p.inputs.method, p.inputs.place?.task)) return free;
  return holding(orUpright(p, v.backAngle) === p.uprightDeg);
}

const orUpright = (p: Problem, deg: number): number => (Number.isNaN(deg) ? p.uprightDeg : deg);

/**
 * Half the hollow's depth.
 * @returns mm; NaN where the hollow was not measured. Common practice, no source.
 */
export const wantedLumbarDepthMm = (p: Problem): number => p.body.smallOfBackDepth / 2;

/**
 * What one of two zones should stand out by: both half the hollow's depth where the hollow lies midway between them,
 * and the further it lies to one side the less on the other.
 * @returns mm; NaN where the hollow was not measured. Assumed.
 */
export function wantedZoneMm(p: Problem, zone: 'upper' | 'lower'): number {
  const zones = p.inputs.seat.back.lumbarZones;
  const height = p.body.smallOfBackHeight;
  const even = wantedLumbarDepthMm(p);
  if (!zones || Number.isNaN(height) || !(zones.upperMm > zones.lowerMm)) return even;
  const share = Math.min(1, Math.max(0, (height - zones.lowerMm) / (zones.upperMm - zones.lowerMm)));
  return even * Math.min(1, 2 * (zone === 'upper' ? share : 1 - share));
}

/**
 * Where this ground wants the damper, in its own count.
 * @returns in the adjustment’s unit; NaN without a ground. Common practice, no source.
 */
export const wantedDamper = (p: Problem): number => DAMPER_FOR[p.inputs.place?.ground ?? 'mixed'];
