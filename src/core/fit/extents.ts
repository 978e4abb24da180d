/**
 * Between which ends a quantity of the set seat lies while adjustments range over a box: `lo` and `hi` hold each
 * adjustment's least and greatest value. Never too narrow; exact where the box is one position.
 */
import type { Interval } from '../method';
import {
  ANKLE_FRACTION,
  SHANK_FORWARD_MOST_DEG,
  THIGH_MOST_DEG,
  elbowAbove,
  thighTopAbove,
} from '../posture';
import { asinDeg, cosDeg, sinDeg } from '../units';
import { datumFromRearMm, hollowFromRearMm, panDegOf } from './on-seat';
import type { Problem, SetValues } from './problem';

export interface Span {
  readonly lo: SetValues;
  readonly hi: SetValues;
}

const orZero = (value: number): number => (Number.isNaN(value) ? 0 : value);
const sum = (a: Interval, b: Interval): Interval => ({ lo: a.lo + b.lo, hi: a.hi + b.hi });
const ends = (a: number, b: number): Interval => (a <= b ? { lo: a, hi: b } : { lo: b, hi: a });

/** The pan follows seat angle and, where synchro ties them, back angle: both raise it. */
export const panExtent = (p: Problem, { lo, hi }: Span): Interval => ({
  lo: panDegOf(p, lo),
  hi: panDegOf(p, hi),
});

/** Of a point of the pan above the floor. */
export function pointExtent(p: Problem, span: Span, fromRearMm: number): Interval {
  const pan = panExtent(p, span);
  const height = { lo: span.lo.seatHeight, hi: span.hi.seatHeight };
  if (pan.lo === 0 && pan.hi === 0) return height;
  const arm = fromRearMm - p.inputs.seat.pan.axisFromRearMm;
  return sum(height, ends(arm * sinDeg(pan.lo), arm * sinDeg(pan.hi)));
}

export const hollowExtent = (p: Problem, span: Span): Interval =>
  pointExtent(p, span, hollowFromRearMm(p, span.lo));

export const datumExtent = (p: Problem, span: Span): Interval =>
  pointExtent(p, span, datumFromRearMm(p, span.lo));

export const gapExtent = (p: Problem, span: Span): Interval => {
  const hollow = hollowExtent(p, span);
  const leg = p.body.shoeHeel + p.body.poplitealHeight;
  return { lo: hollow.lo - span.hi.footrestMm - leg, hi: hollow.hi - span.lo.footrestMm - leg };
};

/** The hollow of the knee above the foot support with the foot as far forward as it goes: lower it never is. */
function forwardLegMm(p: Problem): number {
  const { poplitealHeight, shoeHeel, stature } = p.body;
  const ankle = ANKLE_FRACTION * stature;
  return shoeHeel + ankle + (poplitealHeight - ankle) * cosDeg(SHANK_FORWARD_MOST_DEG);
}

/**
 * Of the thigh's underside. It lies on the pan, or, on a seat too low for the foot to go further forward, above it:
 * the greater of the pan's angle and asin(sin α + (raised − hollow)/reach), which is straight in sin α.
 */
export function thighExtent(p: Problem, span: Span): Interval {
  const pan = panExtent(p, span);
  const leg = forwardLegMm(p);
  const hollowAt = hollowFromRearMm(p, span.lo);
  const reach = hollowAt - datumFromRearMm(p, span.lo);
  const arm = hollowAt - p.inputs.seat.pan.axisFromRearMm;
  const isLevel = pan.lo === 0 && pan.hi === 0;
  const [low, high] = [sinDeg(pan.lo), sinDeg(pan.hi)];
  // Of the sine: what does not depend on the pan, and how much of the pan's own sine is left.
  const most = (span.hi.footrestMm + leg - span.lo.seatHeight) / reach;
  const least = (span.lo.footrestMm + leg - span.hi.seatHeight) / reach;
  const share = isLevel ? 1 : 1 - arm / reach;
  return {
    lo: Math.max(pan.lo, Math.min(THIGH_MOST_DEG, asinDeg(least + share * (share > 0 ? low : high)))),
    hi: Math.max(pan.hi, Math.min(THIGH_MOST_DEG, asinDeg(most + share * (share > 0 ? high : low)))),
  };
}

export function trunkThighExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  return { lo: 90 + span.lo.backAngle - thigh.hi, hi: 90 + span.hi.backAngle - thigh.lo };
}

/** Of the underside of the hanging elbow above the datum; highest with the trunk upright. */
export function elbowExtent(p: Problem, { lo, hi }: Span): Interval {
  const { shoulderHeightSitting, elbowHeightSitting } = p.body;
  const [from, to] = [orZero(lo.backAngle), orZero(hi.backAngle)];
  if (from === 0 && to === 0) return { lo: elbowHeightSitting, hi: elbowHeightSitting };
  const a = elbowAbove(shoulderHeightSitting, elbowHeightSitting, from, 0, 0);
  const b = elbowAbove(shoulderHeightSitting, elbowHeightSitting, to, 0, 0);
  return { lo: Math.min(a, b), hi: from <= 0 && to >= 0 ? elbowHeightSitting : Math.max(a, b) };
}

/** Of the highest of what has to go under the desk, above the floor. */
export function underDeskExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  const reach = hollowFromRearMm(p, span.lo) - datumFromRearMm(p, span.lo);
  const a = thighTopAbove(p.body.thighClearance, thigh.lo, thigh.lo > 0 ? reach : 0);
  const b = thighTopAbove(p.body.thighClearance, thigh.hi, thigh.hi > 0 ? reach : 0);
  const least = thigh.lo <= 0 && thigh.hi >= 0 ? p.body.thighClearance : Math.min(a, b);
  const top = sum(datumExtent(p, span), { lo: least, hi: Math.max(a, b) });
  const gap = gapExtent(p, span);
  const knee = p.body.shoeHeel + p.body.kneeHeight;
  // However low the seat, the thigh ends above the hollow of the knee, and the more so the steeper it rises.
  const rise = Math.max(0, thigh.lo);
  const over = thighTopAbove(p.body.thighClearance, rise, reach) - reach * sinDeg(rise);
  const end = thigh.hi < THIGH_MOST_DEG ? span.lo.footrestMm + forwardLegMm(p) + over : -Infinity;
  return {
    lo: Math.max(top.lo, end, span.lo.footrestMm + knee + Math.max(0, gap.lo)),
    hi: Math.max(top.hi, span.hi.footrestMm + knee + Math.max(0, gap.hi)),
  };
}

/** Of how much higher what goes under the desk is than the hanging elbow: the seat's height hardly enters. */
export function legsOverElbowExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  const pan = panExtent(p, span);
  const reach = hollowFromRearMm(p, span.lo) - datumFromRearMm(p, span.lo);
  const { thighClearance, kneeHeight, poplitealHeight, shoeHeel } = p.body;
  const a = thighTopAbove(thighClearance, thigh.lo, thigh.lo > 0 ? reach : 0);
  const b = thighTopAbove(thighClearance, thigh.hi, thigh.hi > 0 ? reach : 0);
  const least = thigh.lo <= 0 && thigh.hi >= 0 ? thighClearance : Math.min(a, b);
  const [datum, elbow] = [datumExtent(p, span), elbowExtent(p, span)];
  // The knee: with the foot down, its height above the support; with the foot hanging, along the pan from the datum.
  const hanging = ends(reach * sinDeg(pan.lo), reach * sinDeg(pan.hi));
  const below = kneeHeight - poplitealHeight;
  const lo = Math.max(least, span.lo.footrestMm + shoeHeel + kneeHeight - datum.hi, hanging.lo + below);
  const hi = Math.max(
    Math.max(a, b),
    span.hi.footrestMm + shoeHeel + kneeHeight - datum.lo,
    hanging.hi + below,
  );
  return { lo: lo - elbow.hi, hi: hi - elbow.lo };
}
