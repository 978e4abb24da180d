/**
 * Between which ends a quantity of the set seat lies while adjustments range over a box: `lo` and `hi` hold each
 * adjustment's least and greatest value. Never too narrow; exact where the box is one position.
 */
import type { Interval } from '../method';
import { ANKLE_FRACTION, SHANK_FORWARD_MOST_DEG, elbowAbove, thighTopAbove } from '../posture';
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

/**
 * Of the thigh's underside. It lies on the pan, or, on a seat too low for the foot to go further forward, above it:
 * the greater of the pan's angle and asin(sin α + (raised − hollow)/reach), which is straight in sin α.
 */
export function thighExtent(p: Problem, span: Span): Interval {
  const pan = panExtent(p, span);
  const { poplitealHeight, shoeHeel, stature } = p.body;
  const ankle = ANKLE_FRACTION * stature;
  const leg = shoeHeel + ankle + (poplitealHeight - ankle) * cosDeg(SHANK_FORWARD_MOST_DEG);
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
    lo: Math.max(pan.lo, asinDeg(least + share * (share > 0 ? low : high))),
    hi: Math.max(pan.hi, asinDeg(most + share * (share > 0 ? high : low))),
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
  return {
    lo: Math.max(top.lo, span.lo.footrestMm + knee + Math.max(0, gap.lo)),
    hi: Math.max(top.hi, span.hi.footrestMm + knee + Math.max(0, gap.hi)),
  };
}
