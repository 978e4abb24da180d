/** Where this body lies on the seat as set: what conditions, drawing and angles all stand on. Lengths in mm. */
import {
  ANKLE_FRACTION,
  FOREARM_BREADTH_MM,
  alongBack,
  armOutDeg,
  clearForArmOut,
  datumFromRear,
  elbowAbove,
  hollowFromRear,
  legPosture,
  panAngle,
  panHeight,
  thighTopAbove,
} from '../posture';
import type { Problem, SetValues } from './problem';

const orZero = (value: number): number => (Number.isNaN(value) ? 0 : value);

/** Pan angle as set: level where the seat has no angle of its own. */
export function panDegOf(p: Problem, v: SetValues): number {
  return panAngle(orZero(v.seatAngle), orZero(v.backAngle), p.uprightDeg, p.inputs.seat.back.synchroRatio);
}

/** A point of the pan above the floor; with the pan level the distance does not matter and may be unknown. */
export function panPointMm(p: Problem, v: SetValues, fromRearMm: number): number {
  const pan = panDegOf(p, v);
  return pan === 0
    ? v.seatHeight
    : panHeight(v.seatHeight, fromRearMm, p.inputs.seat.pan.axisFromRearMm, pan);
}

export const hollowFromRearMm = (p: Problem, v: SetValues): number =>
  hollowFromRear(p.body.buttockPoplitealLength, p.inputs.seat.pan.recessMm, v.backCushionMm);

export const datumFromRearMm = (p: Problem, v: SetValues): number =>
  datumFromRear(p.inputs.seat.pan.recessMm, v.backCushionMm);

/** Where the seated heights count from, above the floor. */
export const datumMm = (p: Problem, v: SetValues): number => panPointMm(p, v, datumFromRearMm(p, v));

/** The top of the front edge above the floor, as a tape finds it with the sitter seated. */
export const frontEdgeMm = (p: Problem, v: SetValues): number => panPointMm(p, v, v.seatDepth);

export interface Leg {
  readonly hollowMm: number;
  readonly gapMm: number;
  readonly shankDeg: number;
  readonly thighDeg: number;
}

export function legOf(p: Problem, v: SetValues): Leg {
  const hollowMm = panPointMm(p, v, hollowFromRearMm(p, v));
  const reachMm = hollowFromRearMm(p, v) - datumFromRearMm(p, v);
  const ankleMm = ANKLE_FRACTION * p.body.stature;
  const soleMm = v.footrestMm + p.body.shoeHeel;
  return {
    hollowMm,
    ...legPosture(hollowMm, soleMm, p.body.poplitealHeight, ankleMm, reachMm, panDegOf(p, v)),
  };
}

export const upperArmMm = (p: Problem): number => p.body.shoulderHeightSitting - p.body.elbowHeightSitting;

/** Upper arm out from the body over the pads as set; NaN where it cannot be told. */
export function spreadDeg(p: Problem, v: SetValues): number {
  const padWidth = p.inputs.seat.armPad?.widthMm ?? NaN;
  return armOutDeg(v.armWidth, padWidth, p.body.elbowToElbowBreadth, FOREARM_BREADTH_MM, upperArmMm(p));
}

/** The clear distance between pads at which the upper arm is out by `deg`. */
export function clearAtSpread(p: Problem, deg: number): number {
  const padWidth = p.inputs.seat.armPad?.widthMm ?? NaN;
  return clearForArmOut(deg, padWidth, p.body.elbowToElbowBreadth, FOREARM_BREADTH_MM, upperArmMm(p));
}

/** Underside of the elbow above the seated datum with the upper arm out by `outDeg`. */
export function elbowAboveSeatMm(p: Problem, v: SetValues, outDeg: number): number {
  const back = orZero(v.backAngle);
  if (back === 0 && outDeg === 0) return p.body.elbowHeightSitting;
  return elbowAbove(p.body.shoulderHeightSitting, p.body.elbowHeightSitting, back, 0, outDeg);
}

/** The elbow on its pad: out as far as the pads stand, hanging where that is unknown. */
export const elbowOnPadMm = (p: Problem, v: SetValues): number =>
  elbowAboveSeatMm(p, v, Math.max(0, orZero(spreadDeg(p, v))));

/** Nape above the datum along the back, at the angle from which the head leans on its rest. */
export function napeAlongBackMm(p: Problem, v: SetValues): number {
  const back = Math.max(orZero(v.backAngle), p.inputs.method.headRestFromDeg);
  // Cervicale is not among the measures: the shoulder lies at its height within a few millimetres of effect here.
  return alongBack(p.body.shoulderHeightSitting, p.body.napeHeight, back);
}

/** The highest of what has to go under the desk: covered thigh and knee, above the floor. */
export function underDeskMm(p: Problem, v: SetValues): number {
  const leg = legOf(p, v);
  const covered = leg.thighDeg > 0 ? hollowFromRearMm(p, v) - datumFromRearMm(p, v) : 0;
  const thigh = datumMm(p, v) + thighTopAbove(p.body.thighClearance, leg.thighDeg, covered);
  const knee = v.footrestMm + p.body.shoeHeel + Math.max(0, leg.gapMm) + p.body.kneeHeight;
  return Math.max(thigh, knee);
}
