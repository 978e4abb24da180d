/**
 * Where the parts of this body and this seat lie in the side view, mm (frame: core/posture/frame.ts). A point of
 * the body is null where a measure it needs is missing: nothing is drawn that nobody measured.
 */
import { ANKLE_FRACTION, FOOT_FRACTION, type Point } from '../../posture';
import { cosDeg, sinDeg } from '../../units';
import {
  apexMm,
  datumFromRearMm,
  hipAboveMm,
  kneeAboveMm,
  kneeBeforeMm,
  legOf,
  orZero,
  panDegOf,
  panPointMm,
  pushMm,
  standsOutMm,
  reachMm,
  trunkDegOf,
} from './on-seat';
import { elbowAboveSeatMm, padFrontMm, shoulderUpMm } from './arms';
import { eyeAtLeanMm, padBeforeBackMm, pivotUpMm } from './head';
import { handsMm } from './at-place';
import type { Problem, SetValues } from '../problem/problem';

export interface Figure {
  readonly hip: Point | null;
  readonly hollow: Point | null;
  readonly knee: Point | null;
  readonly ankle: Point | null;
  readonly heel: Point | null;
  readonly toe: Point | null;
  readonly smallOfBack: Point | null;
  readonly shoulder: Point | null;
  readonly elbow: Point | null;
  readonly hand: Point | null;
  readonly nape: Point | null;
  readonly eye: Point | null;
}

export interface SeatFigure {
  readonly rear: Point;
  readonly front: Point;
  readonly panDeg: number;
  readonly backDeg: number;
  /** The back support's line: its foot and its top. */
  readonly backFoot: Point;
  readonly backTop: Point;
  readonly lumbar: Point | null;
  /** The front third of a pan that drops on its own. */
  readonly dropped: { readonly from: Point; readonly to: Point } | null;
  readonly pad: { readonly from: Point; readonly to: Point } | null;
  readonly head: Point | null;
}

const EYE_BEFORE_NAPE_MM = 150;
const known = (p: Point): Point | null => (Number.isNaN(p.x + p.z) ? null : p);
const go = (from: Point, dx: number, dz: number): Point => ({ x: from.x + dx, z: from.z + dz });

function panPoint(p: Problem, v: SetValues, fromRear: number): Point {
  const axis = p.seat.axisFromRearMm;
  return { x: axis + (fromRear - axis) * cosDeg(panDegOf(p, v)), z: panPointMm(p, v, fromRear) };
}

/** A point `up` along the leaning trunk from the seated datum, `behind` it. */
function alongTrunk(datum: Point, backDeg: number, up: number, behind = 0): Point {
  return go(
    datum,
    -up * sinDeg(backDeg) - behind * cosDeg(backDeg),
    up * cosDeg(backDeg) - behind * sinDeg(backDeg),
  );
}

/** Rule and views of one frame all ask for the same figure. */
function onceFor<T>(work: (p: Problem, v: SetValues) => T): (p: Problem, v: SetValues) => T {
  let last: { readonly p: Problem; readonly v: SetValues; readonly made: T } | null = null;
  return (p, v) => {
    if (last?.p !== p || last.v !== v) last = { p, v, made: work(p, v) };
    return last.made;
  };
}

/**
 * The set body.
 * @returns points in mm; null for those whose measures are missing. Definition (geometry).
 */
export const figureOf = onceFor(makeFigure);

function makeFigure(p: Problem, v: SetValues): Figure {
  const { body } = p;
  const back = trunkDegOf(v);
  const datum = panPoint(p, v, datumFromRearMm(p, v));
  const leg = legOf(p, v);
  const reach = reachMm(p);
  const thigh = { x: cosDeg(leg.thighDeg), z: sinDeg(leg.thighDeg) };
  const hollow = go(datum, reach * thigh.x, reach * thigh.z);
  const knee = go(
    hollow,
    kneeBeforeMm(p) * thigh.x - kneeAboveMm(p) * thigh.z,
    kneeBeforeMm(p) * thigh.z + kneeAboveMm(p) * thigh.x,
  );
  const ankleMm = ANKLE_FRACTION * body.stature;
  const shank = body.poplitealHeight - ankleMm;
  const ankle = { x: knee.x + shank * sinDeg(leg.shankDeg), z: hollow.z - shank * cosDeg(leg.shankDeg) };
  const sole = ankle.z - ankleMm;
  const foot = FOOT_FRACTION * body.stature;
  const shoulder = alongTrunk(datum, back, shoulderUpMm(p, back));
  const elbow = { x: shoulder.x, z: datum.z + elbowAboveSeatMm(p, v, 0) };
  const at = handsMm(p, v);
  const hands = Number.isNaN(at) ? elbow.z : at;
  const forearm = p.gripMm;
  const drop = Math.max(-1, Math.min(1, (elbow.z - hands) / forearm));
  const pivot = alongTrunk(datum, back, pivotUpMm(p, back));
  const nape = go(pivot, 0, body.napeHeight - p.headPivotMm);
  return {
    hip: known(go(datum, -hipAboveMm(p) * sinDeg(back), hipAboveMm(p) * cosDeg(back))),
    hollow: known(hollow),
    knee: known(knee),
    ankle: known(ankle),
    heel: known({ x: ankle.x - foot * 0.25, z: sole }),
    toe: known({ x: ankle.x + foot * 0.75, z: sole }),
    smallOfBack: known(alongTrunk(datum, back, body.smallOfBackHeight, datumFromRearMm(p, v) - pushMm(p, v))),
    shoulder: known(shoulder),
    elbow: known(elbow),
    hand: known(go(elbow, forearm * Math.sqrt(1 - drop * drop), -forearm * drop)),
    nape: known(nape),
    eye: known({
      x: pivot.x + EYE_BEFORE_NAPE_MM,
      z: datum.z + eyeAtLeanMm(p, back),
    }),
  };
}

/**
 * The set seat.
 * @returns points in mm; null for what nobody described. Definition (geometry).
 */
export const seatFigureOf = onceFor(makeSeatFigure);

function makeSeatFigure(p: Problem, v: SetValues): SeatFigure {
  const { backTopMm } = p.seat;
  const back = trunkDegOf(v);
  const support = panPoint(p, v, 0);
  const datum = panPoint(p, v, datumFromRearMm(p, v));
  const behind = datumFromRearMm(p, v) - orZero(v.backReach);
  const alongBack = (up: number, before = 0): Point => alongTrunk(datum, back, up, behind - before);
  return {
    rear: support,
    front: panPoint(p, v, orZero(v.seatDepth)),
    dropped: p.hasSlope ? droppedFront(p, v) : null,
    panDeg: panDegOf(p, v),
    backDeg: back,
    backFoot: alongBack(Math.min(90, backTopMm / 2)),
    backTop: alongBack(backTopMm),
    lumbar: known(alongBack(apexMm(v), orZero(standsOutMm(p, v)))),
    pad: padOf(p, v, datum.z),
    head: known(alongBack(v.headHeight, orZero(padBeforeBackMm(p, v)))),
  };
}

/** Where the dropped front third begins and ends. */
function droppedFront(p: Problem, v: SetValues): { readonly from: Point; readonly to: Point } {
  const from = panPoint(p, v, (v.seatDepth * 2) / 3);
  const deg = panDegOf(p, v) + orZero(v.frontSlope);
  return { from, to: go(from, (v.seatDepth / 3) * cosDeg(deg), (v.seatDepth / 3) * sinDeg(deg)) };
}

function padOf(p: Problem, v: SetValues, datumZ: number): SeatFigure['pad'] {
  const length = p.seat.padLengthMm;
  const front = padFrontMm(p, v);
  const top = datumZ + v.armHeight;
  if (Number.isNaN(length + front + top)) return null;
  const deg = orZero(v.armAngle);
  const middle = { x: front - length / 2, z: top };
  const half = { x: (length / 2) * cosDeg(deg), z: (length / 2) * sinDeg(deg) };
  return { from: go(middle, -half.x, -half.z), to: go(middle, half.x, half.z) };
}
