/** What an adjustment should come to for this sitter and place, where that is not simply a length of the body. */
import { DAMPER_FOR } from '../../place';
import { trunkMomentNm } from '../../posture';
import { ADJUSTMENT_UNITS, positionCount, type Effort } from '../../seat';
import type { Problem, SetValues } from '../problem/problem';

/** How far between the seat's lightest and stiffest this trunk lies: 0…1, beyond it for a trunk that it is not made for. */
export function tensionFraction(effort: Effort, p: Problem): number {
  const { body } = p;
  return effort.by === 'moment'
    ? (momentAt(p, effort.atDeg) - effort.lightestNm) / (effort.stiffestNm - effort.lightestNm)
    : (body.bodyMass - effort.lightestKg) / (effort.stiffestKg - effort.lightestKg);
}

/** Moment of this trunk about the hip at a lean, N·m. */
export const momentAt = (p: Problem, deg: number): number =>
  trunkMomentNm(p.body.bodyMass, p.body.stature, deg);

/** An override counts as at least so many steps that feel different, where it has fewer (assumed). */
const LEAST_OVERRIDE = 8;

/**
 * The tension that balances this trunk, in the adjustment's unit: turns from the lightest, or the position (from 0).
 * `n` turns: `f · n`; `n` positions: `round(f (n − 1))`, halves down. A mechanism that weighs by itself needs no
 * override within its range; beyond, more than all of it. For a trunk that the seat is not made for it lies beyond the
 * seat’s ends.
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

/** Short intensive work is done locked, everything else free with the tension matched (common practice). */
export function wantedLock(p: Problem, v: SetValues): number {
  const lock = p.variables.tiltLock?.adjustment;
  if (p.inputs.place?.task !== 'handwork') return 0;
  return lock?.lock?.states[1] === 'upright' && v.backAngle > p.uprightDeg ? 0 : 1;
}

/** Half the hollow's depth. */
export const wantedProminenceMm = (p: Problem): number => p.body.smallOfBackDepth / 2;

/**
 * What one of two zones should stand out by: both half the hollow's depth where the hollow lies midway between them,
 * and the further it lies to one side the less on the other.
 */
export function wantedZoneMm(p: Problem, zone: 'upper' | 'lower'): number {
  const zones = p.inputs.seat.back.lumbarZones;
  const height = p.body.smallOfBackHeight;
  const even = wantedProminenceMm(p);
  if (!zones || Number.isNaN(height) || !(zones.upperMm > zones.lowerMm)) return even;
  const share = Math.min(1, Math.max(0, (height - zones.lowerMm) / (zones.upperMm - zones.lowerMm)));
  return even * Math.min(1, 2 * (zone === 'upper' ? share : 1 - share));
}

/** Where this ground wants the damper, in its own count. */
export const wantedDamper = (p: Problem): number => DAMPER_FOR[p.inputs.place?.ground ?? 'mixed'];
