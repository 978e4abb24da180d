/** The equations of the set seat and the body on it, one a function. Frame and signs: ./frame.ts. */
import { acosDeg, asinDeg, atan2Deg, cosDeg, sinDeg, tanDeg } from '../units';
import { SEATED_DATUM_FROM_REAR_MM, SHANK_FORWARD_MOST_DEG, THIGH_MOST_DEG } from './frame';

/**
 * Height of a point on the pan.
 * @param h lift reading under this body, mm: top of the front edge with the pan level
 * @param fromRear distance along the pan from its rear end, mm
 * @param axis tilt axis from the rear end, mm
 * @param panDeg pan angle
 * @returns mm. Definition (geometry).
 */
export function panHeight(h: number, fromRear: number, axis: number, panDeg: number): number {
  return h + (fromRear - axis) * sinDeg(panDeg);
}

/**
 * Pan angle of a synchro seat: `ratio` back degrees carry the pan one degree; null leaves the pan alone.
 * @param seatAngleDeg the pan’s own angle, degrees
 * @param backDeg lean, degrees
 * @param uprightDeg lean at which the pan stands at its own angle
 * @param ratio back degrees for one of the pan
 * @returns degrees, positive with the front up. Definition.
 */
export function panAngle(
  seatAngleDeg: number,
  backDeg: number,
  uprightDeg: number,
  ratio: number | null,
): number {
  return ratio === null ? seatAngleDeg : seatAngleDeg + (backDeg - uprightDeg) / ratio;
}

/**
 * Hollow of the knee from the pan's rear end, mm: length less the recess behind, plus what pushes forward.
 * @returns mm. Definition.
 */
export function hollowFromRear(buttockPoplitealMm: number, recessMm: number, pushMm: number): number {
  return buttockPoplitealMm - recessMm + pushMm;
}

/**
 * Where the seated heights are counted from, along the pan from its rear end, mm.
 * @param share how large the body is against an adult's; 1 for adults
 * @returns mm. Definition.
 */
export function datumFromRear(recessMm: number, pushMm: number, share = 1): number {
  return SEATED_DATUM_FROM_REAR_MM * share - recessMm + pushMm;
}

/**
 * How a leg stands when the hollow of the knee would lie at `hollowMm` on the pan: hanging where the seat is too
 * high. Where it is too low the foot stands anywhere between flat under a raised knee and as far forward as it goes,
 * where the thigh comes nearest to what is wanted; lower still, the knee rises.
 *
 * @param hollowMm height of the hollow with the thigh at `restDeg`, mm
 * @param soleMm foot support plus shoe, mm
 * @param poplitealMm lower leg length, mm
 * @param ankleMm ankle height, mm
 * @param reachMm along the thigh from the seated datum to the hollow, mm
 * @param panDeg pan angle
 * @param wantedDeg where the thigh is wanted
 * @param restDeg how the thigh lies where a method raises the knee off the pan; otherwise the pan angle
 * @returns `gapMm` positive when the feet dangle, or the knee is not raised as far as the method has it; negative when
 *   the seat is too low; shank and thigh angles in degrees. Definition (geometry).
 */
export function legPosture({
  hollowMm,
  soleMm,
  poplitealMm,
  ankleMm,
  reachMm,
  panDeg,
  wantedDeg,
  restDeg = panDeg,
}: {
  readonly hollowMm: number;
  readonly soleMm: number;
  readonly poplitealMm: number;
  readonly ankleMm: number;
  readonly reachMm: number;
  readonly panDeg: number;
  readonly wantedDeg: number;
  readonly restDeg?: number;
}): { readonly gapMm: number; readonly shankDeg: number; readonly thighDeg: number } {
  const gapMm = hollowMm - (soleMm + poplitealMm);
  if (gapMm >= 0) {
    const fallen = restDeg === panDeg ? panDeg : asinDeg(sinDeg(restDeg) - gapMm / reachMm);
    return { gapMm, shankDeg: 0, thighDeg: Math.max(panDeg, fallen) };
  }
  const shank = poplitealMm - ankleMm;
  const lifted = (mm: number): number => Math.min(THIGH_MOST_DEG, asinDeg(sinDeg(restDeg) + mm / reachMm));
  const forward = soleMm + ankleMm + shank * cosDeg(SHANK_FORWARD_MOST_DEG) - hollowMm;
  const lowest = forward <= 0 ? restDeg : lifted(forward);
  const thighDeg = Math.max(lowest, Math.min(lifted(-gapMm), wantedDeg));
  const standsMm = hollowMm + reachMm * (sinDeg(thighDeg) - sinDeg(restDeg));
  const shankDeg = Math.min(SHANK_FORWARD_MOST_DEG, acosDeg((standsMm - soleMm - ankleMm) / shank));
  return { gapMm, shankDeg, thighDeg };
}

/**
 * Angle of the line on which a thigh lies whose front third of pan has dropped by `slopeDeg` (0 or less), below the
 * pan's own line: from the rear end to the dropped edge. −10° gives −3.3°.
 * @returns degrees, 0 or less. Definition (geometry).
 */
export const chordDeg = (slopeDeg: number): number => atan2Deg(sinDeg(slopeDeg) / 3, 1);

/**
 * How far the hollow of the knee may fall where the front of the pan drops, mm.
 * @param fromRearMm hollow of the knee along the pan from its rear end
 * @param panDeg pan angle, positive with the front up
 * @param chord how far below the pan's own line the thigh may fall, degrees, 0 or less
 * @returns mm, 0 or more. Definition (geometry).
 */
export const mayFall = (fromRearMm: number, panDeg: number, chord: number): number =>
  fromRearMm * (sinDeg(panDeg) - sinDeg(panDeg + chord));

/**
 * A hanging leg on a pan whose front third has dropped: the thigh falls, about the pan's rear end, until the foot
 * stands or the thigh lies on the chord.
 *
 * @param gapMm by how much the foot would hang with the thigh on the pan's own line, positive, mm
 * @param fromRearMm hollow of the knee from the pan's rear end, mm
 * @param chord how far the thigh may fall, degrees, 0 or less
 * @returns what is left of the gap and how far the knee came down, mm; the thigh’s angle, degrees. Definition
 *   (geometry).
 */
export function fallenLeg(
  gapMm: number,
  fromRearMm: number,
  panDeg: number,
  chord: number,
): { readonly gapMm: number; readonly fallMm: number; readonly thighDeg: number } {
  const most = mayFall(fromRearMm, panDeg, chord);
  const fallMm = Math.min(gapMm, most);
  const thighDeg = fallMm < most ? asinDeg(sinDeg(panDeg) - fallMm / fromRearMm) : panDeg + chord;
  return { gapMm: gapMm - fallMm, fallMm, thighDeg };
}

/**
 * How far a lumbar pushes the sitter forward: what of its depth neither the hollow of the back takes up nor the
 * seat depth, measured with the lumbar at its flattest, already counts. mm
 * @returns mm, 0 or more. Definition.
 */
export const lumbarPush = (lumbarDepthMm: number, flattestMm: number, hollowDepthMm: number): number =>
  Math.max(0, lumbarDepthMm - Math.max(flattestMm, hollowDepthMm));

/**
 * A landmark of the level head before the line of the leaning back, square to it, mm.
 * @returns mm, positive before it. Definition (geometry).
 */
export const forwardOfBack = (pivotMm: number, landmarkMm: number, backDeg: number): number =>
  (landmarkMm - pivotMm) * sinDeg(backDeg);

/**
 * The angle between two sides of a triangle from the third one, degrees: 180 where that is too long, 0 too short.
 * @param one a side next to the angle, any unit
 * @param two the other, same unit
 * @param third opposite, same unit
 * @returns degrees, 0 to 180. Definition (law of cosines).
 */
export function sideAngleDeg(one: number, two: number, third: number): number {
  const cosine = (one * one + two * two - third * third) / (2 * one * two);
  return acosDeg(Math.max(-1, Math.min(1, cosine)));
}

/** How much lower a relaxed trunk stands than an erect one, mm: with nothing behind it, and against a leaning back. */
export interface Slump {
  readonly free: number;
  readonly leaning: number;
}

/**
 * Seated heights are taken erect and used relaxed. Eye: Pheasant, from memory; the others assumed. Against a back from
 * this lean on the trunk is carried; more upright the slump grows in a straight line.
 */
export const SLUMPS = {
  eye: { free: 40, leaning: 20 },
  neck: { free: 25, leaning: 15 },
  shoulder: { free: 20, leaning: 10 },
} as const satisfies Record<string, Slump>;
export const CARRIED_FROM_DEG = 10;

/**
 * By how much a relaxed trunk is lower than an erect one.
 * @param hasBack whether there is a back to lean against
 * @param backDeg lean from vertical, degrees
 * @returns mm, 0 or more. Assumed.
 */
export function slumpMm({ free, leaning }: Slump, hasBack: boolean, backDeg: number): number {
  if (!hasBack || backDeg <= 0) return free;
  return free + (leaning - free) * Math.min(1, backDeg / CARRIED_FROM_DEG);
}

/**
 * Angle between trunk and the underside of the thigh.
 * @returns degrees. Definition.
 */
export const trunkThighDeg = (backDeg: number, thighDeg: number): number => 90 + backDeg - thighDeg;

/**
 * Inside angle of the knee.
 * @returns degrees. Definition.
 */
export const kneeDeg = (thighDeg: number, shankDeg: number): number => 90 - thighDeg + shankDeg;

/**
 * Underside of the elbow above the seated datum, mm.
 * @param shoulderMm shoulder height sitting; @param elbowMm elbow height sitting
 * @param backDeg trunk angle; @param forwardDeg, @param outDeg upper arm from hanging. Hanging and upright gives
 * `elbowMm`; 25° forward and 20° out gives 0.8517 elbow + 0.1483 shoulder (Parcells et al. 1999 after Chaffin & Anderson).
 * @returns mm. Source: Parcells et al. 1999 after Chaffin & Anderson.
 */
export function elbowAbove({
  shoulderMm,
  elbowMm,
  backDeg,
  forwardDeg,
  outDeg,
}: {
  readonly shoulderMm: number;
  readonly elbowMm: number;
  readonly backDeg: number;
  readonly forwardDeg: number;
  readonly outDeg: number;
}): number {
  return shoulderMm * cosDeg(backDeg) - (shoulderMm - elbowMm) * cosDeg(forwardDeg) * cosDeg(outDeg);
}

/**
 * Upper arm out from the body so that the elbow lies over the pad's middle, degrees; negative where the pads stand
 * closer than the elbows hang.
 * @returns degrees; NaN where a measure is missing. Definition (geometry).
 */
export function armOutDeg(
  clearMm: number,
  {
    padWidthMm,
    elbowBreadthMm,
    forearmBreadthMm,
    upperArmMm,
  }: {
    readonly padWidthMm: number;
    readonly elbowBreadthMm: number;
    readonly forearmBreadthMm: number;
    readonly upperArmMm: number;
  },
): number {
  return asinDeg((clearMm + padWidthMm - (elbowBreadthMm - forearmBreadthMm)) / (2 * upperArmMm));
}

/**
 * The clear distance between pads that puts the upper arm out by `outDeg`: the inverse of `armOutDeg`.
 * @returns mm. Definition (geometry).
 */
export function clearForArmOut(
  outDeg: number,
  {
    padWidthMm,
    elbowBreadthMm,
    forearmBreadthMm,
    upperArmMm,
  }: {
    readonly padWidthMm: number;
    readonly elbowBreadthMm: number;
    readonly forearmBreadthMm: number;
    readonly upperArmMm: number;
  },
): number {
  return 2 * upperArmMm * sinDeg(outDeg) + (elbowBreadthMm - forearmBreadthMm) - padWidthMm;
}

/**
 * A landmark of the head above the datum, along the back: up to `pivotMm` the trunk leans, above it the head stays level.
 * @returns mm. Definition (geometry).
 */
export function alongBack(pivotMm: number, landmarkMm: number, backDeg: number): number {
  return pivotMm + (landmarkMm - pivotMm) * cosDeg(backDeg);
}

/**
 * A landmark of the head above the datum, vertically.
 * @returns mm. Definition (geometry).
 */
export function headAbove(pivotMm: number, landmarkMm: number, backDeg: number): number {
  return pivotMm * cosDeg(backDeg) + (landmarkMm - pivotMm);
}

/**
 * Top of the thigh above the datum, mm, at `along` in front of it.
 * @param along mm before the datum
 * @returns mm. Definition (geometry).
 */
export function thighTopAbove(thighClearanceMm: number, thighDeg: number, along: number): number {
  return along * tanDeg(thighDeg) + thighClearanceMm / cosDeg(thighDeg);
}

/**
 * Moment of head, arms and trunk about the hip when leaning back, N·m.
 * Winter (2009), Table 4.1: 0.678 of body mass, centre at 0.626 of hip to shoulder; segment 0.288 of stature
 * (Drillis & Contini 1966).
 * @returns N·m.
 */
export function trunkMomentNm(massKg: number, statureMm: number, backDeg: number): number {
  return (
    TRUNK_MASS_FRACTION *
    massKg *
    GRAVITY *
    TRUNK_CENTRE_FRACTION *
    HIP_TO_SHOULDER_FRACTION *
    (statureMm / 1000) *
    sinDeg(backDeg)
  );
}

export const TRUNK_MASS_FRACTION = 0.678;
export const TRUNK_CENTRE_FRACTION = 0.626;
export const HIP_TO_SHOULDER_FRACTION = 0.288;
const GRAVITY = 9.81;

/**
 * Inside angle of the elbow with the upper arm hanging and the hand at `handsMm`; 90° with the forearm level, more
 * with the hand lower than the elbow.
 * @returns degrees. Definition (geometry).
 */
export function elbowDeg(elbowMm: number, handsMm: number, forearmMm: number): number {
  return 90 + asinDeg((elbowMm - handsMm) / forearmMm);
}

/** Hands before the middle of a keyboard, each this far from it, mm (common practice). */
const HAND_FROM_MIDDLE_MM = 60;

/**
 * How far a forearm turns in, degrees, from an elbow `elbowHalfMm` beside the middle to a hand before a keyboard: what
 * an arm pad has to turn to lie under it. 0 where the elbow is nearer the middle than the hand.
 * asin((elbow half-spacing − hand half-spacing) / forearm–hand length).
 * @returns degrees, 0 or more. Definition (geometry).
 */
export function padTurnDeg(elbowHalfMm: number, forearmHandMm: number): number {
  const across = Math.max(0, elbowHalfMm - HAND_FROM_MIDDLE_MM);
  return asinDeg(Math.min(1, across / forearmHandMm));
}
