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
import { overLegs } from '../place';
import {
  chordDegOf,
  datumFromRearMm,
  hollowFromRearMm,
  panDegOf,
  reachMm,
  underFootMm,
  trunkDegOf,
} from './on-seat';
import type { Problem, SetValues } from './problem';

export interface Span {
  readonly lo: SetValues;
  readonly hi: SetValues;
}

const sum = (a: Interval, b: Interval): Interval => ({ lo: a.lo + b.lo, hi: a.hi + b.hi });
const ends = (a: number, b: number): Interval => (a <= b ? { lo: a, hi: b } : { lo: b, hi: a });

/** The pan follows every angle that turns it and, where synchro ties them, the back angle: all raise it. */
export const panExtent = (p: Problem, { lo, hi }: Span): Interval => ({
  lo: panDegOf(p, lo),
  hi: panDegOf(p, hi),
});

export const trunkExtent = ({ lo, hi }: Span): Interval => ({ lo: trunkDegOf(lo), hi: trunkDegOf(hi) });

/** Of a point of the pan above the floor. */
export function pointExtent(p: Problem, span: Span, fromRearMm: number): Interval {
  const pan = panExtent(p, span);
  const height = { lo: span.lo.seatHeight, hi: span.hi.seatHeight };
  if (pan.lo === 0 && pan.hi === 0) return height;
  const arm = fromRearMm - p.inputs.seat.pan.axisFromRearMm;
  return sum(height, ends(arm * sinDeg(pan.lo), arm * sinDeg(pan.hi)));
}

/** The hollow of the knee with the thigh on the pan's own line. */
export const hollowExtent = (p: Problem, span: Span): Interval =>
  pointExtent(p, span, hollowFromRearMm(p, span.lo));

export const datumExtent = (p: Problem, span: Span): Interval =>
  pointExtent(p, span, datumFromRearMm(p, span.lo));

/** Of what the feet stand on: with a foot ring either of two, as high as the seat puts them nearer. */
export function supportExtent(p: Problem, span: Span): Interval {
  const { lo, hi } = span;
  if (Number.isNaN(lo.footRing)) return { lo: underFootMm(p, lo), hi: underFootMm(p, hi) };
  const hollow = hollowExtent(p, span);
  const under = { lo: underFootMm(p, lo), hi: underFootMm(p, hi) };
  const leg = p.body.shoeHeel + p.lowerLegMm;
  const always = lo.footRing > under.hi && hollow.lo - leg > (hi.footRing + under.hi) / 2;
  const never = hi.footRing <= under.lo || hollow.hi - leg <= (lo.footRing + under.lo) / 2;
  return { lo: always ? lo.footRing : under.lo, hi: never ? under.hi : Math.max(hi.footRing, under.hi) };
}

/** By how much the foot would hang with the thigh on the pan's own line. */
function lyingGapExtent(p: Problem, span: Span): Interval {
  const hollow = hollowExtent(p, span);
  const support = supportExtent(p, span);
  const leg = p.body.shoeHeel + p.lowerLegMm;
  return { lo: hollow.lo - support.hi - leg, hi: hollow.hi - support.lo - leg };
}

/** How far a hanging thigh can fall on the chord of a dropped front, mm. */
function fallExtent(p: Problem, span: Span): Interval {
  const fromRear = hollowFromRearMm(p, span.lo);
  const pan = panExtent(p, span);
  const [low, high] = [chordDegOf(p, span.lo), chordDegOf(p, span.hi)];
  const fall = (deg: number) => fromRear * (sinDeg(deg) - sinDeg(deg + high));
  // sin a − sin (a + c) is greatest about a = −c/2; never more than 2 sin(c/2).
  const most = 2 * fromRear * sinDeg(-low / 2);
  return { lo: Math.max(0, Math.min(fall(pan.lo), fall(pan.hi))), hi: most };
}

export function gapExtent(p: Problem, span: Span): Interval {
  const lying = lyingGapExtent(p, span);
  if (!p.hasSlope) return lying;
  const fall = fallExtent(p, span);
  const after = (gap: number, by: number): number => (gap > 0 ? Math.max(0, gap - by) : gap);
  return { lo: after(lying.lo, fall.hi), hi: after(lying.hi, fall.lo) };
}

/** The hollow of the knee above the foot support with the foot as far forward as it goes: lower it never is. */
function forwardLegMm(p: Problem): number {
  const { shoeHeel, stature } = p.body;
  const ankle = ANKLE_FRACTION * stature;
  return shoeHeel + ankle + (p.lowerLegMm - ankle) * cosDeg(SHANK_FORWARD_MOST_DEG);
}

/**
 * Of the thigh's underside. It lies on the pan, or, on a seat too low for the foot to go further forward, above it:
 * the greater of the pan's angle and asin(sin α + (raised − hollow)/reach), which is straight in sin α. Where the
 * front drops, it may fall below the pan.
 */
export function thighExtent(p: Problem, span: Span): Interval {
  const pan = panExtent(p, span);
  const leg = forwardLegMm(p);
  const reach = reachMm(p);
  const arm = hollowFromRearMm(p, span.lo) - p.inputs.seat.pan.axisFromRearMm;
  const isLevel = pan.lo === 0 && pan.hi === 0;
  const [low, high] = [sinDeg(pan.lo), sinDeg(pan.hi)];
  const support = supportExtent(p, span);
  // Of the sine: what does not depend on the pan, and how much of the pan's own sine is left.
  const most = (support.hi + leg - span.lo.seatHeight) / reach;
  const least = (support.lo + leg - span.hi.seatHeight) / reach;
  const share = isLevel ? 1 : 1 - arm / reach;
  const lo = Math.max(pan.lo, Math.min(THIGH_MOST_DEG, asinDeg(least + share * (share > 0 ? low : high))));
  const hi = Math.max(pan.hi, Math.min(THIGH_MOST_DEG, asinDeg(most + share * (share > 0 ? high : low))));
  if (!p.hasSlope) return { lo, hi };
  const gap = lyingGapExtent(p, span);
  return { lo: gap.hi > 0 ? Math.min(lo, pan.lo + chordDegOf(p, span.lo)) : lo, hi };
}

export function trunkThighExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  const trunk = trunkExtent(span);
  return { lo: 90 + trunk.lo - thigh.hi, hi: 90 + trunk.hi - thigh.lo };
}

/** Of the underside of the hanging elbow above the datum; highest with the trunk upright. */
export function elbowExtent(p: Problem, span: Span): Interval {
  const { shoulderHeightSitting, elbowHeightSitting } = p.body;
  const { lo: from, hi: to } = trunkExtent(span);
  if (from === 0 && to === 0) return { lo: elbowHeightSitting, hi: elbowHeightSitting };
  const a = elbowAbove(shoulderHeightSitting, elbowHeightSitting, from, 0, 0);
  const b = elbowAbove(shoulderHeightSitting, elbowHeightSitting, to, 0, 0);
  return { lo: Math.min(a, b), hi: from <= 0 && to >= 0 ? elbowHeightSitting : Math.max(a, b) };
}

/** Of the top of the thigh above the datum. */
function thighTopExtent(p: Problem, thigh: Interval): Interval {
  const reach = reachMm(p);
  const { thighClearance } = p.body;
  const a = thighTopAbove(thighClearance, thigh.lo, thigh.lo > 0 ? reach : 0);
  const b = thighTopAbove(thighClearance, thigh.hi, thigh.hi > 0 ? reach : 0);
  const least = thigh.lo <= 0 && thigh.hi >= 0 ? thighClearance : Math.min(a, b);
  return { lo: least, hi: Math.max(a, b) };
}

/** How much lower than the desk's plain underside a drawer and an apron hang. */
function lowerBy(p: Problem): { readonly thighs: number; readonly knees: number } {
  const { place } = p.inputs;
  if (!place) return { thighs: 0, knees: 0 };
  const { thighsMm, kneesMm } = overLegs(place);
  return { thighs: thighsMm - place.deskThicknessMm, knees: kneesMm - place.deskThicknessMm };
}

/** Of the highest of what has to go under the desk, above the floor. */
export function underDeskExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  const reach = reachMm(p);
  const lower = lowerBy(p);
  const top = sum(datumExtent(p, span), thighTopExtent(p, thigh));
  const gap = gapExtent(p, span);
  const support = supportExtent(p, span);
  const knee = p.body.shoeHeel + p.kneeMm + lower.knees;
  // However low the seat, the thigh ends above the hollow of the knee, and the more so the steeper it rises.
  const rise = Math.max(0, thigh.lo);
  const over = thighTopAbove(p.body.thighClearance, rise, reach) - reach * sinDeg(rise);
  const canTell = thigh.hi < THIGH_MOST_DEG && !p.hasSlope;
  const end = canTell ? support.lo + forwardLegMm(p) + over : -Infinity;
  return {
    lo: Math.max(top.lo + lower.thighs, end + lower.thighs, support.lo + knee + Math.max(0, gap.lo)),
    hi: Math.max(top.hi + lower.thighs, support.hi + knee + Math.max(0, gap.hi)),
  };
}

/** Of how much higher what goes under the desk is than the hanging elbow: the seat's height hardly enters. */
export function legsOverElbowExtent(p: Problem, span: Span): Interval {
  const thigh = thighExtent(p, span);
  const pan = panExtent(p, span);
  const reach = reachMm(p);
  const lower = lowerBy(p);
  const { shoeHeel } = p.body;
  const top = thighTopExtent(p, thigh);
  const [datum, elbow] = [datumExtent(p, span), elbowExtent(p, span)];
  const support = supportExtent(p, span);
  // The knee: with the foot down, its height above the support; with the foot hanging, along the pan from the datum.
  const hanging = ends(reach * sinDeg(pan.lo), reach * sinDeg(pan.hi));
  const below = p.kneeMm - p.lowerLegMm;
  const drop = p.hasSlope ? fallExtent(p, span).hi : 0;
  const lo = Math.max(
    top.lo + lower.thighs,
    support.lo + shoeHeel + p.kneeMm - datum.hi + lower.knees,
    hanging.lo + below - drop + lower.knees,
  );
  const hi = Math.max(
    top.hi + lower.thighs,
    support.hi + shoeHeel + p.kneeMm - datum.lo + lower.knees,
    hanging.hi + below + lower.knees,
  );
  return { lo: lo - elbow.hi, hi: hi - elbow.lo };
}
