/** Where this body lies on the seat as set: what conditions, drawing and angles all stand on. Lengths in mm. */
import { kindNumber } from '../../seat';
import { meaning, meant, type Problem, type SetValues } from '../problem/problem';
import {
  ANKLE_FRACTION,
  HIP_ABOVE_PAN_MM,
  KNEE_ABOVE_UNDERSIDE_MM,
  KNEE_BEFORE_HOLLOW_MM,
  chordDeg,
  datumFromRear,
  fallenLeg,
  hollowFromRear,
  legPosture,
  lumbarPush,
  mayFall,
  panAngle,
  panHeight,
  thighTopAbove,
  type Point,
} from '../../posture';
import { cosDeg, sinDeg } from '../../units';

/**
 * What is not there pushes nothing.
 * @param value any unit
 * @returns 0 for NaN. Definition.
 */
export const orZero = (value: number): number => (Number.isNaN(value) ? 0 : value);

/**
 * Pan angle as set: level where the seat has no angle of its own.
 * @returns degrees, positive with the front up. Definition.
 */
export function panDegOf(p: Problem, v: SetValues): number {
  if (!p.panTilts) return 0;
  const own = orZero(v.seatAngle) + orZero(v.forwardTilt) + orZero(v.chairAngle);
  return panAngle(own, orZero(v.backAngle), p.uprightDeg, p.seat.synchroRatio);
}

/**
 * Lean of back and trunk: the back's own angle and that of the whole chair.
 * @returns degrees from vertical, positive leaning back. Definition.
 */
export const trunkDegOf = (v: SetValues): number => orZero(v.backAngle) + orZero(v.chairAngle);

/**
 * How far the thigh may fall below the pan's own line where the front third drops, degrees; 0 or less.
 * @returns degrees. Definition (geometry).
 */
export const chordDegOf = (p: Problem, v: SetValues): number =>
  p.isPerched ? PERCHED_CHORD_DEG : p.hasSlope ? chordDeg(orZero(v.frontSlope)) : 0;

/** Off the front of a perch the thigh falls as far as the foot needs, at most so far below the pan's own line (assumed). */
const PERCHED_CHORD_DEG = -60;

/**
 * A point of the pan above the floor; with the pan level the distance does not matter and may be unknown.
 * @returns mm. Definition (geometry).
 */
export function panPointMm(p: Problem, v: SetValues, fromRearMm: number): number {
  const pan = panDegOf(p, v);
  return pan === 0 ? v.seatHeight : panHeight(v.seatHeight, fromRearMm, p.seat.axisFromRearMm, pan);
}

const LUMBAR_DEPTH = kindNumber('lumbarDepth');
const UPPER_LUMBAR = kindNumber('upperLumbar');
const LOWER_LUMBAR = kindNumber('lowerLumbar');

/** What stands out by choice: the lumbar, or the greater of two zones; NaN where there is nothing of the kind. */
function ownLumbarDepthMm({ byNumber }: Problem, v: SetValues): number {
  // Every box of a search asks: by number it is found much faster than by name.
  const own = meant(byNumber[LUMBAR_DEPTH], v.lumbarDepth);
  if (!Number.isNaN(own)) return own;
  const upper = meant(byNumber[UPPER_LUMBAR], v.upperLumbar);
  const lower = meant(byNumber[LOWER_LUMBAR], v.lowerLumbar);
  return Number.isNaN(lower) ? upper : Number.isNaN(upper) ? lower : Math.max(upper, lower);
}

/**
 * Lumbar support depth with a roll over it; NaN where nothing stands out by choice.
 * @returns mm. Definition.
 */
export function lumbarDepthMm(p: Problem, v: SetValues): number {
  const own = ownLumbarDepthMm(p, v);
  if (p.rollMm === 0) return own;
  return (Number.isNaN(own) ? p.flattestMm : own) + p.rollMm;
}

/**
 * Lumbar support depth of one of two zones with a roll over it.
 * @returns mm; NaN where the seat has no such zone. Definition.
 */
export const zoneMm = (p: Problem, v: SetValues, zone: 'upperLumbar' | 'lowerLumbar'): number =>
  meaning(p, v, zone) + p.rollMm;

/**
 * How far the lumbar stands out beyond its flattest.
 * @returns mm, 0 or more. Definition.
 */
export const standsOutMm = (p: Problem, v: SetValues): number => lumbarDepthMm(p, v) - p.flattestMm;

/**
 * How far the sitter sits forward of where the back support is at its flattest and rearmost.
 * @returns mm, 0 or more. Definition (docs/model.md).
 */
export function pushMm(p: Problem, v: SetValues): number {
  let push = v.backCushionMm;
  if (!p.hasPush) return push;
  push += orZero(v.backReach);
  const depth = lumbarDepthMm(p, v);
  // Where nobody measured the hollow it is taken to hold what the lumbar gives.
  if (Number.isNaN(depth) || Number.isNaN(p.body.smallOfBackDepth)) return push;
  return push + lumbarPush(depth, p.flattestMm, p.body.smallOfBackDepth);
}

/**
 * The hollow of the knee along the pan from its rear end.
 * @returns mm; NaN without a buttock–popliteal length. Definition.
 */
export const hollowFromRearMm = (p: Problem, v: SetValues): number =>
  hollowFromRear(p.body.buttockPoplitealLength, p.seat.recessMm, pushMm(p, v));

/**
 * The seated datum along the pan from its rear end.
 * @returns mm. Definition.
 */
export const datumFromRearMm = (p: Problem, v: SetValues): number =>
  datumFromRear(p.seat.recessMm, pushMm(p, v), p.adultShare);

/**
 * From the seated datum to the hollow of the knee, along the thigh: what pushes forward moves both.
 * @returns mm; NaN without a buttock–popliteal length. Definition.
 */
export const reachMm = (p: Problem): number =>
  hollowFromRear(p.body.buttockPoplitealLength, 0, 0) - datumFromRear(0, 0, p.adultShare);

/**
 * Hip centre above the pan under this body.
 * @returns mm. Assumed; of a child in proportion.
 */
export const hipAboveMm = (p: Problem): number => HIP_ABOVE_PAN_MM * p.adultShare;

/**
 * Knee centre above the underside of this body's thigh.
 * @returns mm. Assumed; of a child in proportion.
 */
export const kneeAboveMm = (p: Problem): number => KNEE_ABOVE_UNDERSIDE_MM * p.adultShare;

/**
 * Knee centre in front of the knee's hollow.
 * @returns mm. Assumed; of a child in proportion.
 */
export const kneeBeforeMm = (p: Problem): number => KNEE_BEFORE_HOLLOW_MM * p.adultShare;

/**
 * Where the seated heights count from, above the floor.
 * @returns mm. Definition (geometry).
 */
export const datumMm = (p: Problem, v: SetValues): number => panPointMm(p, v, datumFromRearMm(p, v));

/**
 * The top of the front edge above the floor, as a tape finds it with the sitter seated.
 * @returns mm. Definition (geometry).
 */
export const frontEdgeMm = (p: Problem, v: SetValues): number => {
  const edge = panPointMm(p, v, v.seatDepth);
  if (!p.hasSlope) return edge;
  const pan = panDegOf(p, v);
  return edge + (v.seatDepth / 3) * (sinDeg(pan + orZero(v.frontSlope)) - sinDeg(pan));
};

/**
 * What lies under the feet without a foot ring, above the floor: a footrest or pedals.
 * @returns mm; 0 on the floor. Definition.
 */
export const underFootMm = (p: Problem, v: SetValues): number =>
  Math.max(v.footrestMm, orZero(v.footrest), p.inputs.place?.pedals?.heightMm ?? 0);

/**
 * What the feet stand on, above the floor: a footrest, pedals, or, where the seat has one and it is nearer to the
 * soles, the foot ring.
 * @param hollowMm height of the hollow of the knee above the floor, mm
 * @returns mm. Definition.
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
  /** The same before the thigh falls on a dropped front, and how far it may fall there. */
  readonly bareGapMm: number;
  readonly mayFallMm: number;
  /** How far the sole hangs above its support; 0 or less: it stands. */
  readonly hangMm: number;
  readonly shankDeg: number;
  readonly thighDeg: number;
}

/**
 * How the legs stand as set: gap under the feet in mm, angles in degrees.
 * @returns NaN where leg or thigh was not measured. Definition (geometry).
 */
export function legOf(p: Problem, v: SetValues): Leg {
  const pan = panDegOf(p, v);
  const rest = thighRestDeg(p, pan);
  const raised = raisedMm(p, pan, rest);
  const fromRear = hollowFromRearMm(p, v);
  const lying = panPointMm(p, v, fromRear) + raised;
  const support = supportMm(p, v, lying);
  const sole = support + p.body.shoeHeel;
  const ankle = ANKLE_FRACTION * p.body.stature;
  const leg = legPosture({
    hollowMm: lying,
    soleMm: sole,
    poplitealMm: p.lowerLegMm,
    ankleMm: ankle,
    reachMm: reachMm(p),
    panDeg: pan,
    wantedDeg: p.thighDeg,
    restDeg: rest,
  });
  // Asked for thousands of times: read field by field, because objects of two shapes are several times as slow.
  let [hollowMm, gapMm, thighDeg] = [lying, leg.gapMm, leg.thighDeg];
  let hangMm = gapMm - raised;
  const bareGapMm = gapMm;
  let mayFallMm = 0;
  if (p.hasSlope) {
    const chord = chordDegOf(p, v);
    if (hangMm > 0) {
      const fallen = fallenLeg(hangMm, fromRear, pan, chord);
      hollowMm -= fallen.fallMm;
      gapMm -= fallen.fallMm;
      hangMm = fallen.gapMm;
      thighDeg = fallen.thighDeg;
    }
    mayFallMm = mayFall(fromRear, pan, chord);
  }
  return {
    hollowMm,
    supportMm: support,
    gapMm,
    bareGapMm,
    mayFallMm,
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

/**
 * Height of the hollow of the knee on the seat less what reaches down from it: positive, the feet hang.
 * @returns mm; NaN where the leg was not measured. Definition.
 */
export function footGapMm(p: Problem, v: SetValues): number {
  if (p.raisedDeg !== null) return legOf(p, v).gapMm;
  const gap = bareGapMm(p, v);
  if (!p.hasSlope || !(gap > 0)) return gap;
  return fallenLeg(gap, hollowFromRearMm(p, v), panDegOf(p, v), chordDegOf(p, v)).gapMm;
}

/**
 * The same before the thigh falls on a dropped front.
 * @returns mm; NaN where the leg was not measured. Definition.
 */
export function bareGapMm(p: Problem, v: SetValues): number {
  if (p.raisedDeg !== null) return legOf(p, v).bareGapMm;
  const lying = panPointMm(p, v, hollowFromRearMm(p, v));
  return lying - (supportMm(p, v, lying) + p.body.shoeHeel + p.lowerLegMm);
}

/**
 * How far the hollow of the knee may fall with the thigh on a dropped front.
 * @returns mm, 0 where nothing drops. Definition (geometry).
 */
export const mayFallMm = (p: Problem, v: SetValues): number =>
  p.hasSlope ? mayFall(hollowFromRearMm(p, v), panDegOf(p, v), chordDegOf(p, v)) : 0;

/**
 * The seated datum in the side view.
 * @returns mm. Definition.
 */
export function datumPoint(p: Problem, v: SetValues): Point {
  const axis = p.seat.axisFromRearMm;
  const fromRear = datumFromRearMm(p, v);
  return { x: axis + (fromRear - axis) * cosDeg(panDegOf(p, v)), z: panPointMm(p, v, fromRear) };
}

/**
 * Top of what is covered of the thigh, and of the knee, above the floor.
 * @returns mm; NaN where it was not measured. Definition (geometry).
 */
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

/**
 * Lumbar apex above the loaded seat: in the back's own frame where the seat has a back height as well.
 * @returns mm; NaN where the seat has none. Definition.
 */
export const apexMm = (v: SetValues): number =>
  Number.isNaN(v.lumbarApex) ? v.backHeight : v.lumbarApex + orZero(v.backHeight);
