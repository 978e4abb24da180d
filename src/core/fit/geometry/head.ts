/** Head, its rest and the eye as set. */
import { meaning, type Problem, type SetValues, type Variable } from '../problem/problem';
import { SLUMPS, alongBack, forwardOfBack, slumpMm } from '../../posture';
import { datumMm, orZero, trunkDegOf } from './on-seat';
import { cosDeg, sinDeg } from '../../units';

/**
 * Where the head begins to stay level on the relaxed trunk, above the datum along it.
 * @param backDeg lean from vertical, degrees
 * @returns mm; NaN where it was not measured. Assumed for the slump.
 */
export const pivotUpMm = (p: Problem, backDeg: number): number =>
  p.headPivotMm - slumpMm(SLUMPS.neck, p.hasBack, backDeg);

/**
 * The lean at which the head meets its rest: as set, and at least the method's.
 * @returns degrees from vertical. Definition.
 */
export const restDegOf = (p: Problem, v: SetValues): number =>
  Math.max(trunkDegOf(v), Math.min(p.inputs.method.headRestFromDeg, mostLeanDeg(p)));

/** As far as back and chair lean together; of a seat on which neither is described nobody knows. */
function mostLeanDeg({ variables: { backAngle, chairAngle } }: Problem): number {
  if (!backAngle && !chairAngle) return Infinity;
  const most = (variable: Variable | undefined): number => variable?.values[variable.values.length - 1] ?? 0;
  return most(backAngle) + most(chairAngle);
}

/**
 * Nape above the datum along the back, at the angle from which the head leans on its rest.
 * @returns mm; NaN where it was not measured. Definition (geometry).
 */
export function napeAlongBackMm(p: Problem, v: SetValues): number {
  const rest = restDegOf(p, v);
  const slump = slumpMm(SLUMPS.neck, p.hasBack, rest);
  return alongBack(p.headPivotMm - slump, p.body.napeHeight - slump, rest);
}

/**
 * The level head's nape before the line of the leaning back.
 * @returns mm; NaN where it was not measured. Definition (geometry).
 */
export const napeBeforeBackMm = (p: Problem, v: SetValues): number =>
  forwardOfBack(p.headPivotMm, p.body.napeHeight, restDegOf(p, v));

/**
 * The lean at work, as far as that where the head meets its rest.
 * @returns degrees from vertical. Definition.
 */
export const uprightDegOf = (p: Problem, v: SetValues): number =>
  Math.min(trunkDegOf(v), p.inputs.method.headRestFromDeg);

/**
 * The same at work: more upright the nape stands less far before the back, and the pad nearer to it.
 * @returns mm; NaN where it was not measured. Definition (geometry).
 */
export const napeBeforeUprightMm = (p: Problem, v: SetValues): number =>
  forwardOfBack(p.headPivotMm, p.body.napeHeight, uprightDegOf(p, v));

/** Half the height of a head pad, mm (assumed): turned about its lower edge, its middle comes forward. */
const HEAD_PAD_HALF_MM = 60;

/**
 * The head pad's face at its middle before the line of the back.
 * @returns mm; NaN where nobody described it. Definition.
 */
export const padBeforeBackMm = (p: Problem, v: SetValues): number =>
  meaning(p, v, 'headDepth') + HEAD_PAD_HALF_MM * sinDeg(orZero(v.headAngle));

/**
 * The eye above the floor: up to the pivot the trunk leans, above it the head stays level.
 * @returns mm; NaN where it was not measured. Definition (geometry).
 */
export const eyeMm = (p: Problem, v: SetValues): number => datumMm(p, v) + eyeAtLeanMm(p, trunkDegOf(v));

/**
 * The relaxed eye above the seated datum, at a lean.
 * @param backDeg lean from vertical, degrees
 * @returns mm; NaN where it was not measured. Assumed for the slump.
 */
export function eyeAtLeanMm(p: Problem, backDeg: number): number {
  const lean = backDeg === 0 ? 0 : pivotUpMm(p, backDeg) * (cosDeg(backDeg) - 1);
  return lean + p.body.eyeHeightSitting - slumpMm(SLUMPS.eye, p.hasBack, backDeg);
}

/** Beyond this lean the head goes half of the way with the trunk, degrees (assumed). */
const HEAD_FOLLOWS_FROM_DEG = 10;

/**
 * By how much the back's shape has turned the line of sight down from level, less what a far lean turns it up, degrees.
 * @returns degrees, positive turned down. Assumed.
 */
export const sightDeg = (p: Problem, v: SetValues): number =>
  orZero(meaning(p, v, 'backProfile')) - Math.max(0, trunkDegOf(v) - HEAD_FOLLOWS_FROM_DEG) / 2;
