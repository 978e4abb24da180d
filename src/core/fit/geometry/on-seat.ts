/** Where this body lies on the seat as set: what conditions, drawing and angles all stand on. Lengths in mm. */
import { bandOf } from '../../target';
import { overLegs } from '../../place';
import {
  ANKLE_FRACTION,
  HIP_ABOVE_PAN_MM,
  KNEE_ABOVE_UNDERSIDE_MM,
  KNEE_BEFORE_HOLLOW_MM,
  SLUMPS,
  alongBack,
  armOutDeg,
  chordDeg,
  clearForArmOut,
  datumFromRear,
  elbowAbove,
  fallenLeg,
  forwardOfBack,
  hollowFromRear,
  legPosture,
  lumbarPush,
  panAngle,
  panHeight,
  sideAngleDeg,
  slumpMm,
  thighTopAbove,
  type Point,
} from '../../posture';
import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../../units';
import type { AdjustmentKind } from '../../seat';
import { meaning, type Problem, type SetValues, type Variable } from '../problem/problem';

export const orZero = (value: number): number => (Number.isNaN(value) ? 0 : value);

/** Pan angle as set: level where the seat has no angle of its own. */
export function panDegOf(p: Problem, v: SetValues): number {
  if (!p.panTilts) return 0;
  const own = orZero(v.seatAngle) + orZero(v.forwardTilt) + orZero(v.chairAngle);
  return panAngle(own, orZero(v.backAngle), p.uprightDeg, p.seat.synchroRatio);
}

/** Lean of back and trunk: the back's own angle and that of the whole chair. */
export const trunkDegOf = (v: SetValues): number => orZero(v.backAngle) + orZero(v.chairAngle);

/** How far the thigh may fall below the pan's own line where the front third drops, degrees; 0 or less. */
export const chordDegOf = (p: Problem, v: SetValues): number =>
  p.isPerched ? PERCHED_CHORD_DEG : p.hasSlope ? chordDeg(orZero(v.frontSlope)) : 0;

/** Off the front of a perch the thigh falls as far as the foot needs, at most so far below the pan's own line (assumed). */
const PERCHED_CHORD_DEG = -60;

/** A point of the pan above the floor; with the pan level the distance does not matter and may be unknown. */
export function panPointMm(p: Problem, v: SetValues, fromRearMm: number): number {
  const pan = panDegOf(p, v);
  return pan === 0 ? v.seatHeight : panHeight(v.seatHeight, fromRearMm, p.seat.axisFromRearMm, pan);
}

/** What stands out by choice: the lumbar, or the greater of two zones; NaN where there is nothing of the kind. */
function ownLumbarDepthMm(p: Problem, v: SetValues): number {
  const own = meaning(p, v, 'lumbarDepth');
  if (!Number.isNaN(own)) return own;
  const [upper, lower] = [meaning(p, v, 'upperLumbar'), meaning(p, v, 'lowerLumbar')];
  return Number.isNaN(lower) ? upper : Number.isNaN(upper) ? lower : Math.max(upper, lower);
}

/** Lumbar support depth with a roll over it; NaN where nothing stands out by choice. */
export function lumbarDepthMm(p: Problem, v: SetValues): number {
  const own = ownLumbarDepthMm(p, v);
  if (p.rollMm === 0) return own;
  return (Number.isNaN(own) ? p.flattestMm : own) + p.rollMm;
}

/** Lumbar support depth of one of two zones with a roll over it. */
export const zoneMm = (p: Problem, v: SetValues, zone: 'upperLumbar' | 'lowerLumbar'): number =>
  meaning(p, v, zone) + p.rollMm;

/** How far the lumbar stands out beyond its flattest. */
export const standsOutMm = (p: Problem, v: SetValues): number => lumbarDepthMm(p, v) - p.flattestMm;

/** How far the sitter sits forward of where the back support is at its flattest and rearmost. */
export function pushMm(p: Problem, v: SetValues): number {
  let push = v.backCushionMm;
  if (!p.hasPush) return push;
  push += orZero(v.backReach);
  const depth = lumbarDepthMm(p, v);
  // Where nobody measured the hollow it is taken to hold what the lumbar gives.
  if (Number.isNaN(depth) || Number.isNaN(p.body.smallOfBackDepth)) return push;
  return push + lumbarPush(depth, p.flattestMm, p.body.smallOfBackDepth);
}

export const hollowFromRearMm = (p: Problem, v: SetValues): number =>
  hollowFromRear(p.body.buttockPoplitealLength, p.seat.recessMm, pushMm(p, v));

export const datumFromRearMm = (p: Problem, v: SetValues): number =>
  datumFromRear(p.seat.recessMm, pushMm(p, v));

/** From the seated datum to the hollow of the knee, along the thigh: what pushes forward moves both. */
export const reachMm = (p: Problem): number =>
  hollowFromRear(p.body.buttockPoplitealLength, 0, 0) - datumFromRear(0, 0);

/** Where the seated heights count from, above the floor. */
export const datumMm = (p: Problem, v: SetValues): number => panPointMm(p, v, datumFromRearMm(p, v));

/** The top of the front edge above the floor, as a tape finds it with the sitter seated. */
export const frontEdgeMm = (p: Problem, v: SetValues): number => {
  const edge = panPointMm(p, v, v.seatDepth);
  if (!p.hasSlope) return edge;
  const pan = panDegOf(p, v);
  return edge + (v.seatDepth / 3) * (sinDeg(pan + orZero(v.frontSlope)) - sinDeg(pan));
};

/** What lies under the feet without a foot ring, above the floor: a footrest or pedals. */
export const underFootMm = (p: Problem, v: SetValues): number =>
  Math.max(v.footrestMm, orZero(v.footrest), p.inputs.place?.pedals?.heightMm ?? 0);

/**
 * What the feet stand on, above the floor: a footrest, pedals, or, where the seat has one and it is nearer to the
 * soles, the foot ring.
 */
export function supportMm(p: Problem, v: SetValues, hollowMm: number): number {
  const under = underFootMm(p, v);
  const ring = v.footRing;
  if (Number.isNaN(ring) || ring <= under) return under;
  return hollowMm - p.body.shoeHeel - p.lowerLegMm > (ring + under) / 2 ? ring : under;
}

export interface Leg {
  /** The hollow of the knee with the thigh on the pan, or raised as far as the method has it. */
  readonly hollowMm: number;
  /** Foot support above the floor. */
  readonly supportMm: number;
  /** That hollow less what reaches down from it. */
  readonly gapMm: number;
  /** How far the sole hangs above its support; 0 or less: it stands. */
  readonly hangMm: number;
  readonly shankDeg: number;
  readonly thighDeg: number;
}

export function legOf(p: Problem, v: SetValues): Leg {
  const pan = panDegOf(p, v);
  const rest = thighRestDeg(p, pan);
  const raised = raisedMm(p, pan, rest);
  const fromRear = hollowFromRearMm(p, v);
  const lying = panPointMm(p, v, fromRear) + raised;
  const support = supportMm(p, v, lying);
  const sole = support + p.body.shoeHeel;
  const ankle = ANKLE_FRACTION * p.body.stature;
  const leg = legPosture(lying, sole, p.lowerLegMm, ankle, reachMm(p), pan, p.thighDeg, rest);
  // Asked for thousands of times: read field by field, because objects of two shapes are several times as slow.
  let [hollowMm, gapMm, thighDeg] = [lying, leg.gapMm, leg.thighDeg];
  let hangMm = gapMm - raised;
  if (p.hasSlope && hangMm > 0) {
    const fallen = fallenLeg(hangMm, fromRear, pan, chordDegOf(p, v));
    hollowMm -= fallen.fallMm;
    gapMm -= fallen.fallMm;
    hangMm = fallen.gapMm;
    thighDeg = fallen.thighDeg;
  }
  return {
    hollowMm,
    supportMm: support,
    gapMm,
    hangMm,
    shankDeg: leg.shankDeg + p.shankAtDeg,
    thighDeg,
  };
}

/** How the thigh lies: on the pan, or as far up as a method raises the knee. */
const thighRestDeg = (p: Problem, panDeg: number): number =>
  p.raisedDeg === null ? panDeg : Math.max(panDeg, p.raisedDeg);

/** By how much that lifts the hollow of the knee off the pan's own line. */
const raisedMm = (p: Problem, panDeg: number, restDeg: number): number =>
  restDeg === panDeg ? 0 : reachMm(p) * (sinDeg(restDeg) - sinDeg(panDeg));

/** Height of the hollow of the knee on the seat less what reaches down from it: positive, the feet hang. */
export function footGapMm(p: Problem, v: SetValues): number {
  if (p.raisedDeg !== null) return legOf(p, v).gapMm;
  const fromRear = hollowFromRearMm(p, v);
  const lying = panPointMm(p, v, fromRear);
  const gap = lying - (supportMm(p, v, lying) + p.body.shoeHeel + p.lowerLegMm);
  return p.hasSlope && gap > 0 ? fallenLeg(gap, fromRear, panDegOf(p, v), chordDegOf(p, v)).gapMm : gap;
}

export const upperArmMm = (p: Problem): number => p.body.shoulderHeightSitting - p.body.elbowHeightSitting;

/** Clear distance between the pads: spacing of the arms and slide of the pads. */
export const clearMm = (v: SetValues): number => v.armWidth + orZero(v.padSlide);

const padWidthMm = (p: Problem): number => p.seat.padWidthMm;

/** Of soft tissue at the hips so much gives, mm (assumed). */
export const HIP_GIVES_MM = 10;

/** Upper arm out from the body over the pads as set; NaN where it cannot be told. */
export const spreadDeg = (p: Problem, v: SetValues): number =>
  armOutDeg(clearMm(v), padWidthMm(p), p.body.elbowToElbowBreadth, p.forearmBreadthMm, upperArmMm(p));

/** The clear distance between pads at which the upper arm is out by `deg`. */
export const clearAtSpread = (p: Problem, deg: number): number =>
  clearForArmOut(deg, padWidthMm(p), p.body.elbowToElbowBreadth, p.forearmBreadthMm, upperArmMm(p));

/** From the middle to an elbow that lies over its pad. */
export const elbowHalfMm = (p: Problem, v: SetValues): number => (clearMm(v) + padWidthMm(p)) / 2;

/** Shoulder height of the relaxed trunk, above the datum along it. */
export const shoulderUpMm = (p: Problem, backDeg: number): number =>
  p.body.shoulderHeightSitting - slumpMm(SLUMPS.shoulder, p.hasBack, backDeg);

/** Where the head begins to stay level on the relaxed trunk, above the datum along it. */
export const pivotUpMm = (p: Problem, backDeg: number): number =>
  p.headPivotMm - slumpMm(SLUMPS.neck, p.hasBack, backDeg);

/** Underside of the relaxed elbow above the seated datum, at a lean, with the upper arm out by `outDeg`. */
export function elbowAtLeanMm(p: Problem, backDeg: number, outDeg: number): number {
  const { shoulderHeightSitting, elbowHeightSitting } = p.body;
  const slump = slumpMm(SLUMPS.shoulder, p.hasBack, backDeg);
  // Upright it is what was measured, the shoulder known or not.
  if (backDeg === 0 && outDeg === 0) return elbowHeightSitting - slump;
  return elbowAbove(shoulderHeightSitting - slump, elbowHeightSitting - slump, backDeg, 0, outDeg);
}

/** The same as set. */
export const elbowAboveSeatMm = (p: Problem, v: SetValues, outDeg: number): number =>
  elbowAtLeanMm(p, trunkDegOf(v), outDeg);

/** Underside of the hanging elbow above the floor. */
export const elbowMm = (p: Problem, v: SetValues): number => datumMm(p, v) + elbowAboveSeatMm(p, v, 0);

/**
 * The elbow on its pad: out as far as the pads stand, hanging where that is unknown. Pads that cannot be moved in height
 * are met at the lean that the method wants: nobody is leaned back to come down to them.
 */
export const elbowOnPadMm = (p: Problem, v: SetValues): number =>
  elbowAtLeanMm(p, p.padsAtDeg ?? trunkDegOf(v), Math.max(0, orZero(spreadDeg(p, v))));

/** The seated datum in the side view. */
export function datumPoint(p: Problem, v: SetValues): Point {
  const axis = p.seat.axisFromRearMm;
  const fromRear = datumFromRearMm(p, v);
  return { x: axis + (fromRear - axis) * cosDeg(panDegOf(p, v)), z: panPointMm(p, v, fromRear) };
}

/** The shoulder in the side view: up the leaning trunk. */
export function shoulderPoint(p: Problem, v: SetValues): Point {
  const datum = datumPoint(p, v);
  const back = trunkDegOf(v);
  const up = shoulderUpMm(p, back);
  return { x: datum.x - up * sinDeg(back), z: datum.z + up * cosDeg(back) };
}

/** A pad's middle stands this share of its length before the datum where nobody said where its end is (assumed). */
const PAD_BEFORE_DATUM = 0.65;
const DATUM_BEFORE_BACK_MM = datumFromRear(0, 0);

/** Front end of pads of a length, where nobody said where it is. */
export const padFrontByLength = (lengthMm: number): number =>
  DATUM_BEFORE_BACK_MM + PAD_BEFORE_DATUM * lengthMm;

/**
 * Front end of the pads before the back support's most forward point, as set. Arms on the back lean with it: by as much
 * as at the height of the elbow, where pads belong.
 */
export function padFrontMm(p: Problem, v: SetValues): number {
  const { padLengthMm, armsMoveWithBack } = p.seat;
  const front = Number.isNaN(p.seat.padFrontMm) ? padFrontByLength(padLengthMm) : p.seat.padFrontMm;
  const back = trunkDegOf(v);
  if (!armsMoveWithBack || back === 0) return front + orZero(v.armDepth);
  const elbow = elbowAtLeanMm(p, back, 0);
  const up = Number.isNaN(elbow) ? orZero(v.armHeight) : elbow;
  return front + orZero(v.armDepth) - up * sinDeg(back);
}

/** Front end of the pads before the hanging elbow. */
export const padBeforeElbowMm = (p: Problem, v: SetValues): number =>
  padFrontMm(p, v) - shoulderPoint(p, v).x;

/** How near pads may come to a desk that they cannot pass under, mm. */
export const SHORT_OF_DESK_MM = 20;
/** What a pad needs between its top and a desk that it passes under, mm (assumed). */
export const UNDER_DESK_MM = 10;

/** How thick a pad and what holds it are, mm (assumed). */
const PAD_THICK_MM = 30;

/** Room between pads and thighs: over them, or beside the hips, whichever is more. */
export const padOverThighMm = (p: Problem, v: SetValues): number =>
  Math.max(v.armHeight - PAD_THICK_MM - p.body.thighClearance, clearMm(v) - p.body.hipBreadthSitting);

/** Front end of the pads to 20 mm short of the desk's edge, with the hands where they work. */
export const padBeforeDeskMm = (p: Problem, v: SetValues): number =>
  p.gripMm - (p.inputs.place?.keysFromEdgeMm ?? NaN) - SHORT_OF_DESK_MM - padBeforeElbowMm(p, v);

/** Room between the pads' top and the desk's underside beyond what passing under it needs. */
export const padUnderDeskMm = (p: Problem, v: SetValues): number =>
  v.deskHeight - (p.inputs.place?.deskThicknessMm ?? NaN) - (datumMm(p, v) + v.armHeight) - UNDER_DESK_MM;

/** The middle of what a pad carries of the forearm, before the elbow, mm. */
const CARRIED_AT_MM = 125;

/**
 * Pads above the seated datum where they follow the desk: level with its top, or, of methods that carry the forearm and
 * leave the elbow free, under the middle of the forearm on its way to the hands; as far as the elbow's band lets them.
 */
export function padAtDeskMm(p: Problem, v: SetValues): number {
  const elbow = elbowOnPadMm(p, v);
  const { lo, hi } = bandOf(p.targets.armHeight);
  const wanted =
    p.inputs.method.armsTo === 'forearm'
      ? elbow + CARRIED_AT_MM * sinDeg(forearmDeg(p, v))
      : v.deskHeight - datumMm(p, v);
  return Math.max(elbow + lo, Math.min(elbow + hi, wanted));
}

/** Where the hands work, above the floor: on the hand controls, or on the keyboard on the desk; NaN where nowhere. */
export function handsMm(p: Problem, v: SetValues): number {
  const { place } = p.inputs;
  return place?.handControls?.heightMm ?? v.deskHeight + (place?.keyboardThicknessMm ?? 0);
}

/** Slope of the forearm from the hanging elbow to the hands, positive rising to the hands, degrees. */
export const forearmDeg = (p: Problem, v: SetValues): number =>
  asinDeg((handsMm(p, v) - elbowMm(p, v)) / p.forearmMm);

/** The lean at which the head meets its rest: as set, and at least the method's. */
export const restDegOf = (p: Problem, v: SetValues): number =>
  Math.max(trunkDegOf(v), Math.min(p.inputs.method.headRestFromDeg, mostLeanDeg(p)));

/** As far as back and chair lean together; of a seat on which neither is described nobody knows. */
function mostLeanDeg({ variables: { backAngle, chairAngle } }: Problem): number {
  if (!backAngle && !chairAngle) return Infinity;
  const most = (variable: Variable | undefined): number => variable?.values[variable.values.length - 1] ?? 0;
  return most(backAngle) + most(chairAngle);
}

/** Nape above the datum along the back, at the angle from which the head leans on its rest. */
export function napeAlongBackMm(p: Problem, v: SetValues): number {
  const rest = restDegOf(p, v);
  const slump = slumpMm(SLUMPS.neck, p.hasBack, rest);
  return alongBack(p.headPivotMm - slump, p.body.napeHeight - slump, rest);
}

/** The level head's nape before the line of the leaning back. */
export const napeBeforeBackMm = (p: Problem, v: SetValues): number =>
  forwardOfBack(p.headPivotMm, p.body.napeHeight, restDegOf(p, v));

/** The lean at work, as far as that where the head meets its rest. */
export const uprightDegOf = (p: Problem, v: SetValues): number =>
  Math.min(trunkDegOf(v), p.inputs.method.headRestFromDeg);

/** The same at work: more upright the nape stands less far before the back, and the pad nearer to it. */
export const napeBeforeUprightMm = (p: Problem, v: SetValues): number =>
  forwardOfBack(p.headPivotMm, p.body.napeHeight, uprightDegOf(p, v));

/** Half the height of a head pad, mm (assumed): turned about its lower edge, its middle comes forward. */
const HEAD_PAD_HALF_MM = 60;
/** The head pad's face at its middle before the line of the back. */
export const padBeforeBackMm = (p: Problem, v: SetValues): number =>
  meaning(p, v, 'headDepth') + HEAD_PAD_HALF_MM * sinDeg(orZero(v.headAngle));

/** How far the seat stands forward against its hand controls. */
const foreAftMm = (p: Problem, v: SetValues): number => orZero(meaning(p, v, 'foreAft'));

/** Out of reach no angle tells how far: the missing millimetres are added, so that nearer is always better. */
const beyondReach = (one: number, two: number, far: number): number =>
  Math.max(0, far - (one + two)) + Math.min(0, far - Math.abs(one - two));

/** Inside angle of the elbow with the hand on its control; out of reach more than 180 by what is missing, mm. */
export function leverElbowDeg(p: Problem, v: SetValues): number {
  const grip = p.inputs.place?.handControls;
  if (!grip) return NaN;
  const shoulder = shoulderPoint(p, v);
  const far = Math.hypot(grip.forwardMm - (shoulder.x + foreAftMm(p, v)), grip.heightMm - shoulder.z);
  return sideAngleDeg(upperArmMm(p), p.gripMm, far) + beyondReach(upperArmMm(p), p.gripMm, far);
}

/** Whether something keeps its sign while an adjustment goes to `to`; tried out in place. */
function isSameSide(v: SetValues, kind: AdjustmentKind, to: number, before: () => number): boolean {
  const here = before() > 0;
  const stood = v[kind];
  v[kind] = to;
  const there = before() > 0;
  v[kind] = stood;
  return here === there;
}

/** Whether the hand stays on one side of the shoulder while something moves the seat to `to`. */
export function isOneWayToLever(p: Problem, v: SetValues, kind: AdjustmentKind, to: number): boolean {
  const grip = p.inputs.place?.handControls;
  if (!grip) return true;
  const before = (): number => grip.forwardMm - shoulderPoint(p, v).x - foreAftMm(p, v);
  return isSameSide(v, kind, to, before);
}

/** The hip, forward of where everything is counted from with the seat rearmost. */
const hipForwardMm = (p: Problem, v: SetValues): number =>
  datumPoint(p, v).x -
  HIP_ABOVE_PAN_MM * sinDeg(panDegOf(p, v)) +
  foreAftMm(p, v) +
  orZero(meaning(p, v, 'stationForeAft'));

/** Inside angle of the knee with the heel on the pedal, half down. */
export function pedalKneeDeg(p: Problem, v: SetValues): number {
  const heel = p.inputs.place?.pedals;
  if (!heel) return NaN;
  const hipMm = datumMm(p, v) + HIP_ABOVE_PAN_MM * cosDeg(panDegOf(p, v));
  const ankleMm = ANKLE_FRACTION * p.body.stature;
  const forward = heel.forwardMm - hipForwardMm(p, v);
  const far = Math.hypot(forward, heel.heightMm + p.body.shoeHeel + ankleMm - hipMm);
  const thigh = Math.hypot(reachMm(p) + KNEE_BEFORE_HOLLOW_MM, HIP_ABOVE_PAN_MM - KNEE_ABOVE_UNDERSIDE_MM);
  const shank = p.body.poplitealHeight + KNEE_ABOVE_UNDERSIDE_MM - ankleMm;
  return sideAngleDeg(thigh, shank, far) + beyondReach(thigh, shank, far);
}

/** Whether the pedal stays on one side of the hip while something moves the seat to `to`. */
export function isOneWayToPedal(p: Problem, v: SetValues, kind: AdjustmentKind, to: number): boolean {
  const heel = p.inputs.place?.pedals;
  if (!heel) return true;
  return isSameSide(v, kind, to, () => heel.forwardMm - hipForwardMm(p, v));
}

/** The eye above the floor: up to the pivot the trunk leans, above it the head stays level. */
export const eyeMm = (p: Problem, v: SetValues): number => datumMm(p, v) + eyeAtLeanMm(p, trunkDegOf(v));

/** The relaxed eye above the seated datum, at a lean. */
export function eyeAtLeanMm(p: Problem, backDeg: number): number {
  const lean = backDeg === 0 ? 0 : pivotUpMm(p, backDeg) * (cosDeg(backDeg) - 1);
  return lean + p.body.eyeHeightSitting - slumpMm(SLUMPS.eye, p.hasBack, backDeg);
}

/** Top of what is covered of the thigh, and of the knee, above the floor. */
export function legTopsMm(
  p: Problem,
  v: SetValues,
  leg: Leg = legOf(p, v),
): { readonly thigh: number; readonly knee: number } {
  const covered = leg.thighDeg > 0 ? reachMm(p) : 0;
  return {
    thigh: datumMm(p, v) + thighTopAbove(p.body.thighClearance, leg.thighDeg, covered),
    knee: leg.supportMm + p.body.shoeHeel + Math.max(0, leg.hangMm) + p.kneeMm,
  };
}

/** The highest of what has to go under the desk, a drawer or an apron, above the floor: as if under its plain underside. */
export function underDeskMm(p: Problem, v: SetValues, leg?: Leg): number {
  const tops = legTopsMm(p, v, leg);
  const { place } = p.inputs;
  if (!place) return Math.max(tops.thigh, tops.knee);
  const lower = overLegs(place);
  return Math.max(
    tops.thigh + lower.thighsMm - place.deskThicknessMm,
    tops.knee + lower.kneesMm - place.deskThicknessMm,
  );
}

/** Room between the thighs and what is over them: the desk's underside or a drawer. */
export function overThighsMm(p: Problem, v: SetValues, leg?: Leg): number {
  const { place } = p.inputs;
  return v.deskHeight - (place ? overLegs(place).thighsMm : 0) - legTopsMm(p, v, leg).thigh;
}

/** Lumbar apex above the loaded seat: in the back's own frame where the seat has a back height as well. */
export const apexMm = (v: SetValues): number =>
  Number.isNaN(v.lumbarApex) ? v.backHeight : v.lumbarApex + orZero(v.backHeight);

/** How far the screen's middle lies below the level of the eye, degrees. */
export const screenBelowDeg = (p: Problem, v: SetValues): number =>
  atan2Deg(eyeMm(p, v) - v.screenHeight, p.inputs.place?.screenDistanceMm ?? NaN);

/** Beyond this lean the head goes half of the way with the trunk, degrees (assumed). */
const HEAD_FOLLOWS_FROM_DEG = 10;

/** By how much the back's shape has turned the line of sight down from level, less what a far lean turns it up, degrees. */
export const sightDeg = (p: Problem, v: SetValues): number =>
  orZero(meaning(p, v, 'backProfile')) - Math.max(0, trunkDegOf(v) - HEAD_FOLLOWS_FROM_DEG) / 2;
