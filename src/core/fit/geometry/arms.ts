/** Trunk, elbows and arm pads as set. */
import { type Problem, type SetValues } from '../problem/problem';
import { datumMm, datumPoint, orZero, trunkDegOf } from './on-seat';
import {
  SLUMPS,
  armOutDeg,
  clearForArmOut,
  datumFromRear,
  elbowAbove,
  slumpMm,
  type Point,
} from '../../posture';
import { cosDeg, sinDeg } from '../../units';

/**
 * Shoulder to elbow.
 * @returns mm; NaN where shoulder or elbow height is not known. Definition.
 */
export const upperArmMm = (p: Problem): number => p.body.shoulderHeightSitting - p.body.elbowHeightSitting;

/**
 * Clear distance between the pads: spacing of the arms and slide of the pads.
 * @returns mm; NaN where the seat says nothing of it. Definition.
 */
export const clearMm = (v: SetValues): number => v.armWidth + orZero(v.padSlide);

const padWidthMm = (p: Problem): number => p.seat.padWidthMm;

/** Of soft tissue at the hips so much gives, mm (assumed). */
export const HIP_GIVES_MM = 10;

/**
 * Upper arm out from the body over the pads as set; NaN where it cannot be told.
 * @returns degrees. Definition (geometry).
 */
export const spreadDeg = (p: Problem, v: SetValues): number =>
  armOutDeg(clearMm(v), {
    padWidthMm: padWidthMm(p),
    elbowBreadthMm: p.body.elbowToElbowBreadth,
    forearmBreadthMm: p.forearmBreadthMm,
    upperArmMm: upperArmMm(p),
  });

/**
 * The clear distance between pads at which the upper arm is out by `deg`.
 * @param deg upper arm out from the body, degrees
 * @returns mm. Definition (geometry).
 */
export const clearAtSpread = (p: Problem, deg: number): number =>
  clearForArmOut(deg, {
    padWidthMm: padWidthMm(p),
    elbowBreadthMm: p.body.elbowToElbowBreadth,
    forearmBreadthMm: p.forearmBreadthMm,
    upperArmMm: upperArmMm(p),
  });

/**
 * From the middle to an elbow that lies over its pad.
 * @returns mm. Definition (geometry).
 */
export const elbowHalfMm = (p: Problem, v: SetValues): number => (clearMm(v) + padWidthMm(p)) / 2;

/**
 * Shoulder height of the relaxed trunk, above the datum along it.
 * @param backDeg lean from vertical, degrees
 * @returns mm; NaN where it was not measured. Assumed for the slump.
 */
export const shoulderUpMm = (p: Problem, backDeg: number): number =>
  p.body.shoulderHeightSitting - slumpMm(SLUMPS.shoulder, p.hasBack, backDeg);

/**
 * Underside of the relaxed elbow above the seated datum, at a lean, with the upper arm out by `outDeg`.
 * @param backDeg lean from vertical, degrees
 * @param outDeg degrees, 0 hanging
 * @returns mm; NaN where it was not measured. Source: Parcells et al. 1999 after Chaffin & Anderson.
 */
export function elbowAtLeanMm(p: Problem, backDeg: number, outDeg: number): number {
  const { shoulderHeightSitting, elbowHeightSitting } = p.body;
  const slump = slumpMm(SLUMPS.shoulder, p.hasBack, backDeg);
  // Upright it is what was measured, the shoulder known or not.
  if (backDeg === 0 && outDeg === 0) return elbowHeightSitting - slump;
  return elbowAbove({
    shoulderMm: shoulderHeightSitting - slump,
    elbowMm: elbowHeightSitting - slump,
    backDeg,
    forwardDeg: 0,
    outDeg,
  });
}

/**
 * The same as set.
 * @param outDeg degrees, 0 hanging
 * @returns mm; NaN where it was not measured. Source: as `elbowAtLeanMm`.
 */
export const elbowAboveSeatMm = (p: Problem, v: SetValues, outDeg: number): number =>
  elbowAtLeanMm(p, trunkDegOf(v), outDeg);

/**
 * Underside of the hanging elbow above the floor.
 * @returns mm; NaN where it was not measured. Definition.
 */
export const elbowMm = (p: Problem, v: SetValues): number => datumMm(p, v) + elbowAboveSeatMm(p, v, 0);

/**
 * The elbow on its pad: out as far as the pads stand, hanging where that is unknown. Pads that cannot be moved in height
 * are met at the lean that the method wants: nobody is leaned back to come down to them.
 * @returns mm above the seated datum; NaN where it was not measured. Common practice, no source.
 */
export const elbowOnPadMm = (p: Problem, v: SetValues): number =>
  elbowAtLeanMm(p, p.padsAtDeg ?? trunkDegOf(v), Math.max(0, orZero(spreadDeg(p, v))));

/**
 * The shoulder in the side view: up the leaning trunk.
 * @returns mm; NaN where it was not measured. Definition.
 */
export function shoulderPoint(p: Problem, v: SetValues): Point {
  const datum = datumPoint(p, v);
  const back = trunkDegOf(v);
  const up = shoulderUpMm(p, back);
  return { x: datum.x - up * sinDeg(back), z: datum.z + up * cosDeg(back) };
}

/** A pad's middle stands this share of its length before the datum where nobody said where its end is (assumed). */
const PAD_BEFORE_DATUM = 0.65;

const DATUM_BEFORE_BACK_MM = datumFromRear(0, 0);

/**
 * Front end of pads of a length, where nobody said where it is.
 * @returns mm before the back support. Assumed.
 */
export const padFrontByLength = (lengthMm: number): number =>
  DATUM_BEFORE_BACK_MM + PAD_BEFORE_DATUM * lengthMm;

/**
 * Front end of the pads before the back support's most forward point with the pads at their rearmost and the back upright.
 * @returns mm; NaN where neither front nor length is known. Definition.
 */
export const padFrontAtRearMm = ({ seat }: Problem): number =>
  Number.isNaN(seat.padFrontMm) ? padFrontByLength(seat.padLengthMm) : seat.padFrontMm;

/**
 * Front end of the pads before the back support's most forward point, as set. Arms on the back lean with it: by as much
 * as at the height of the elbow, where pads belong.
 * @returns mm; NaN where neither front nor length is known. Definition (geometry).
 */
export function padFrontMm(p: Problem, v: SetValues): number {
  const { armsMoveWithBack } = p.seat;
  const front = padFrontAtRearMm(p);
  const back = trunkDegOf(v);
  if (!armsMoveWithBack || back === 0) return front + orZero(v.armDepth);
  const elbow = elbowAtLeanMm(p, back, 0);
  const up = Number.isNaN(elbow) ? orZero(v.armHeight) : elbow;
  return front + orZero(v.armDepth) - up * sinDeg(back);
}

/**
 * Front end of the pads before the hanging elbow.
 * @returns mm, positive before it. Definition.
 */
export const padBeforeElbowMm = (p: Problem, v: SetValues): number =>
  padFrontMm(p, v) - shoulderPoint(p, v).x;

/** How thick a pad and what holds it are, mm (assumed). */
const PAD_THICK_MM = 30;

/**
 * Room between pads and thighs: over them, or beside the hips, whichever is more.
 * @returns mm, negative where they meet. Definition.
 */
export const padOverThighMm = (p: Problem, v: SetValues): number =>
  Math.max(v.armHeight - PAD_THICK_MM - p.body.thighClearance, clearMm(v) - p.body.hipBreadthSitting);
