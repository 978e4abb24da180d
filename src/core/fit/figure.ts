/**
 * Where the parts of this body and this seat lie in the side view, mm (frame: core/posture/frame.ts). A point of
 * the body is null where a measure it needs is missing: nothing is drawn that nobody measured.
 */
import {
  ANKLE_FRACTION,
  FOOT_FRACTION,
  FOREARM_FRACTION,
  HAND_FRACTION,
  HIP_ABOVE_PAN_MM,
  KNEE_ABOVE_UNDERSIDE_MM,
  KNEE_BEFORE_HOLLOW_MM,
  headAbove,
  type Point,
} from '../posture';
import { cosDeg, sinDeg } from '../units';
import { datumFromRearMm, elbowAboveSeatMm, hollowFromRearMm, legOf, panDegOf, panPointMm } from './on-seat';
import type { Problem, SetValues } from './problem';

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
  readonly pad: { readonly from: Point; readonly to: Point } | null;
  readonly head: Point | null;
}

const EYE_BEFORE_NAPE_MM = 150;
const orZero = (value: number): number => (Number.isNaN(value) ? 0 : value);
const known = (p: Point): Point | null => (Number.isNaN(p.x + p.z) ? null : p);
const go = (from: Point, dx: number, dz: number): Point => ({ x: from.x + dx, z: from.z + dz });

function panPoint(p: Problem, v: SetValues, fromRear: number): Point {
  const axis = p.inputs.seat.pan.axisFromRearMm;
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

/** The set body. */
export const figureOf = onceFor(makeFigure);

function makeFigure(p: Problem, v: SetValues): Figure {
  const { body } = p;
  const back = orZero(v.backAngle);
  const datum = panPoint(p, v, datumFromRearMm(p, v));
  const leg = legOf(p, v);
  const reach = hollowFromRearMm(p, v) - datumFromRearMm(p, v);
  const thigh = { x: cosDeg(leg.thighDeg), z: sinDeg(leg.thighDeg) };
  const hollow = go(datum, reach * thigh.x, reach * thigh.z);
  const knee = go(
    hollow,
    KNEE_BEFORE_HOLLOW_MM * thigh.x - KNEE_ABOVE_UNDERSIDE_MM * thigh.z,
    KNEE_BEFORE_HOLLOW_MM * thigh.z + KNEE_ABOVE_UNDERSIDE_MM * thigh.x,
  );
  const ankleMm = ANKLE_FRACTION * body.stature;
  const shank = body.poplitealHeight - ankleMm;
  const ankle = { x: knee.x + shank * sinDeg(leg.shankDeg), z: hollow.z - shank * cosDeg(leg.shankDeg) };
  const sole = ankle.z - ankleMm;
  const foot = FOOT_FRACTION * body.stature;
  const shoulder = alongTrunk(datum, back, body.shoulderHeightSitting);
  const elbow = { x: shoulder.x, z: datum.z + elbowAboveSeatMm(p, v, 0) };
  const hands = Number.isNaN(v.deskHeight)
    ? elbow.z
    : v.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0);
  const forearm = (FOREARM_FRACTION + HAND_FRACTION / 2) * body.stature;
  const drop = Math.max(-1, Math.min(1, (elbow.z - hands) / forearm));
  const nape = go(shoulder, 0, body.napeHeight - body.shoulderHeightSitting);
  return {
    hip: known(go(datum, -HIP_ABOVE_PAN_MM * sinDeg(back), HIP_ABOVE_PAN_MM * cosDeg(back))),
    hollow: known(hollow),
    knee: known(knee),
    ankle: known(ankle),
    heel: known({ x: ankle.x - foot * 0.25, z: sole }),
    toe: known({ x: ankle.x + foot * 0.75, z: sole }),
    smallOfBack: known(alongTrunk(datum, back, body.smallOfBackHeight, datumFromRearMm(p, v))),
    shoulder: known(shoulder),
    elbow: known(elbow),
    hand: known(go(elbow, forearm * Math.sqrt(1 - drop * drop), -forearm * drop)),
    nape: known(nape),
    eye: known({
      x: shoulder.x + EYE_BEFORE_NAPE_MM,
      z: datum.z + headAbove(body.shoulderHeightSitting, body.eyeHeightSitting, back),
    }),
  };
}

/** The set seat. */
export const seatFigureOf = onceFor(makeSeatFigure);

function makeSeatFigure(p: Problem, v: SetValues): SeatFigure {
  const { seat } = p.inputs;
  const back = orZero(v.backAngle);
  const support = panPoint(p, v, 0);
  const datum = panPoint(p, v, datumFromRearMm(p, v));
  const alongBack = (up: number): Point => alongTrunk(datum, back, up, datumFromRearMm(p, v));
  const padLength = seat.armPad?.lengthMm ?? NaN;
  const padTop = datum.z + v.armHeight;
  const hasPad = !Number.isNaN(padLength + padTop);
  return {
    rear: support,
    front: panPoint(p, v, orZero(v.seatDepth)),
    panDeg: panDegOf(p, v),
    backDeg: back,
    backFoot: alongBack(Math.min(90, seat.back.topMm / 2)),
    backTop: alongBack(seat.back.topMm),
    lumbar: known(alongBack(v.lumbarApex)),
    pad: hasPad
      ? {
          from: { x: datum.x - padLength * 0.35, z: padTop },
          to: { x: datum.x + padLength * 0.65, z: padTop },
        }
      : null,
    head: known(alongBack(v.headHeight)),
  };
}
