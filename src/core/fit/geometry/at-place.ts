/** What is met at the place as set: desk, hand controls, pedals and screen. */
import { meaning, type Problem, type SetValues } from '../problem/problem';
import { elbowMm, elbowOnPadMm, padBeforeElbowMm, shoulderPoint, upperArmMm } from './arms';
import {
  type Leg,
  datumMm,
  datumPoint,
  hipAboveMm,
  kneeAboveMm,
  kneeBeforeMm,
  legTopsMm,
  orZero,
  panDegOf,
  reachMm,
} from './on-seat';
import { bandOf } from '../../target';
import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../../units';
import { ANKLE_FRACTION, sideAngleDeg } from '../../posture';
import { type AdjustmentKind } from '../../seat';
import { overLegs } from '../../place';
import { eyeMm } from './head';

/** How near pads may come to a desk that they cannot pass under, mm. */
export const SHORT_OF_DESK_MM = 20;

/** What a pad needs between its top and a desk that it passes under, mm (assumed). */
export const UNDER_DESK_MM = 10;

/**
 * Front end of the pads to 20 mm short of the desk's edge, with the hands where they work.
 * @returns mm, positive where they meet the desk. Definition.
 */
export const padBeforeDeskMm = (p: Problem, v: SetValues): number =>
  padsMayReachMm(p) - padBeforeElbowMm(p, v);

/**
 * How far before the elbow pads may reach that do not pass under the desk.
 * @returns mm; NaN where nobody said where the hands work. Definition.
 */
export const padsMayReachMm = (p: Problem): number =>
  p.gripMm - (p.inputs.place?.keysFromEdgeMm ?? NaN) - SHORT_OF_DESK_MM;

/**
 * Room between the pads' top and the desk's underside beyond what passing under it needs.
 * @returns mm, negative where they do not pass. Definition.
 */
export const padUnderDeskMm = (p: Problem, v: SetValues): number =>
  v.deskHeight - (p.inputs.place?.deskThicknessMm ?? NaN) - (datumMm(p, v) + v.armHeight) - UNDER_DESK_MM;

/** The middle of what a pad carries of the forearm, before the elbow, mm. */
export const CARRIED_AT_MM = 125;

/**
 * Pads above the seated datum where they follow the desk: level with its top, or, of methods that carry the forearm and
 * leave the elbow free, under the middle of the forearm on its way to the hands; as far as the elbow's band lets them.
 * @returns mm. Common practice, no source.
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

/**
 * Where the hands work, above the floor: on the hand controls, or on the keyboard on the desk; NaN where nowhere.
 * @returns mm. Definition.
 */
export function handsMm(p: Problem, v: SetValues): number {
  const { place } = p.inputs;
  return place?.handControls?.heightMm ?? v.deskHeight + (place?.keyboardThicknessMm ?? 0);
}

/**
 * Slope of the forearm from the hanging elbow to the hands, positive rising to the hands, degrees.
 * @returns degrees; NaN where the hands work nowhere. Definition (geometry).
 */
export const forearmDeg = (p: Problem, v: SetValues): number =>
  asinDeg((handsMm(p, v) - elbowMm(p, v)) / p.forearmMm);

/** How far the seat stands forward against its hand controls. */
const foreAftMm = (p: Problem, v: SetValues): number => orZero(meaning(p, v, 'foreAft'));

/** Out of reach no angle tells how far: the missing millimetres are added, so that nearer is always better. */
const beyondReach = (one: number, two: number, far: number): number =>
  Math.max(0, far - (one + two)) + Math.min(0, far - Math.abs(one - two));

/**
 * Inside angle of the elbow with the hand on its control; out of reach more than 180 by what is missing, mm.
 * @returns degrees; NaN where the place has no hand controls. Definition (law of cosines).
 */
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

/**
 * Whether the hand stays on one side of the shoulder while something moves the seat to `to`.
 * @param to in the adjustment’s unit
 * @returns false where the elbow’s angle turns round on the way. Definition.
 */
export function isOneWayToLever(p: Problem, v: SetValues, kind: AdjustmentKind, to: number): boolean {
  const grip = p.inputs.place?.handControls;
  if (!grip) return true;
  const before = (): number => grip.forwardMm - shoulderPoint(p, v).x - foreAftMm(p, v);
  return isSameSide(v, kind, to, before);
}

/** The hip, forward of where everything is counted from with the seat rearmost. */
const hipForwardMm = (p: Problem, v: SetValues): number =>
  datumPoint(p, v).x -
  hipAboveMm(p) * sinDeg(panDegOf(p, v)) +
  foreAftMm(p, v) +
  orZero(meaning(p, v, 'stationForeAft'));

/**
 * Inside angle of the knee with the heel on the pedal, half down.
 * @returns degrees; NaN where the place has no pedals. Definition (law of cosines).
 */
export function pedalKneeDeg(p: Problem, v: SetValues): number {
  const heel = p.inputs.place?.pedals;
  if (!heel) return NaN;
  const hipMm = datumMm(p, v) + hipAboveMm(p) * cosDeg(panDegOf(p, v));
  const ankleMm = ANKLE_FRACTION * p.body.stature;
  const forward = heel.forwardMm - hipForwardMm(p, v);
  const far = Math.hypot(forward, heel.heightMm + p.body.shoeHeel + ankleMm - hipMm);
  const thigh = Math.hypot(reachMm(p) + kneeBeforeMm(p), hipAboveMm(p) - kneeAboveMm(p));
  const shank = p.body.poplitealHeight + kneeAboveMm(p) - ankleMm;
  return sideAngleDeg(thigh, shank, far) + beyondReach(thigh, shank, far);
}

/**
 * Whether the pedal stays on one side of the hip while something moves the seat to `to`.
 * @param to in the adjustment’s unit
 * @returns false where the knee’s angle turns round on the way. Definition.
 */
export function isOneWayToPedal(p: Problem, v: SetValues, kind: AdjustmentKind, to: number): boolean {
  const heel = p.inputs.place?.pedals;
  if (!heel) return true;
  return isSameSide(v, kind, to, () => heel.forwardMm - hipForwardMm(p, v));
}

/**
 * The highest of what has to go under the desk, a drawer or an apron, above the floor: as if under its plain underside.
 * @returns mm; NaN where it was not measured. Definition.
 */
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

/**
 * Room between the thighs and what is over them: the desk's underside or a drawer.
 * @returns mm, negative where they meet. Definition.
 */
export function overThighsMm(p: Problem, v: SetValues, leg?: Leg): number {
  const { place } = p.inputs;
  return v.deskHeight - (place ? overLegs(place).thighsMm : 0) - legTopsMm(p, v, leg).thigh;
}

/**
 * How far the screen's middle lies below the level of the eye, degrees.
 * @returns degrees, positive below; NaN without a screen. Definition (geometry).
 */
export const screenBelowDeg = (p: Problem, v: SetValues): number =>
  atan2Deg(eyeMm(p, v) - v.screenHeight, p.inputs.place?.screenDistanceMm ?? NaN);
