/**
 * Between which ends the quantities of the set seat lie while the adjustments that are chosen together range over a
 * span: `lo` and `hi` hold each adjustment's least and greatest value. Never too narrow.
 *
 * Everything that every box of a search asks for is worked out once a box, without making anything new; what does not
 * change in a search (how far forward the sitter sits) once a search.
 */
import type { Interval } from '../method';
import { overLegs } from '../place';
import {
  ANKLE_FRACTION,
  SHANK_FORWARD_MOST_DEG,
  THIGH_MOST_DEG,
  elbowAbove,
  thighTopAbove,
} from '../posture';
import { asinDeg, cosDeg, sinDeg } from '../units';
import {
  SHORT_OF_DESK_MM,
  UNDER_DESK_MM,
  chordDegOf,
  datumFromRearMm,
  hollowFromRearMm,
  orZero,
  padFrontByLength,
  panDegOf,
  reachMm,
  spreadDeg,
  trunkDegOf,
  underFootMm,
} from './on-seat';
import type { Problem, SetValues } from './problem';

export interface Span {
  readonly lo: SetValues;
  readonly hi: SetValues;
}

interface Ends {
  lo: number;
  hi: number;
}

const none = (): Ends => ({ lo: NaN, hi: NaN });

function setEnds(ends: Ends, a: number, b: number): void {
  ends.lo = a <= b ? a : b;
  ends.hi = a <= b ? b : a;
}

/** The quantities of the set posture over a span. Call `update` whenever the span has changed. */
export class Extents implements Span {
  readonly lo: SetValues;
  readonly hi: SetValues;
  /** Angle of the pan; every angle that turns it raises it. */
  readonly pan: Ends = none();
  readonly trunk: Ends = none();
  /** Where the seated heights count from, above the floor. */
  readonly datum: Ends = none();
  /** The hollow of the knee with the thigh on the pan's own line, above the floor. */
  readonly hollow: Ends = none();
  /** What the feet stand on: with a foot ring either of two, as high as the seat puts them nearer. */
  readonly support: Ends = none();
  readonly gap: Ends = none();
  readonly thigh: Ends = none();
  readonly trunkThigh: Ends = none();
  /** Of the underside of the hanging elbow above the datum; highest with the trunk upright. */
  readonly elbow: Ends = none();
  /** Of the desk's top with what lies on it less the elbow. */
  readonly deskTop: Ends = none();
  readonly deskClearance: Ends = none();
  /** Top of the thigh above the datum. */
  private readonly thighTop: Ends = none();
  private readonly fall: Ends = { lo: 0, hi: 0 };
  /** Sine of the pan's angle. */
  private readonly sine: Ends = none();

  /** Upper arm out from the body over the pads. */
  private readonly out: number;
  private readonly datumFromRear: number;
  private readonly hollowFromRear: number;
  private readonly reach: number;
  private readonly axis: number;
  private readonly legMm: number;
  /** The hollow of the knee above the foot support with the foot as far forward as it goes: lower it never is. */
  private readonly forwardLeg: number;
  /** The highest of what has to go under the desk, above the floor. */
  private readonly legTops: Ends = none();
  private readonly hasDesk: boolean;
  /** How much lower than the desk's plain underside a drawer and an apron hang. */
  private readonly lowerThighs: number;
  private readonly lowerKnees: number;

  /** @param fixed what is already chosen: it holds how far forward the sitter sits */
  constructor(
    readonly p: Problem,
    fixed: SetValues,
  ) {
    this.hasDesk = p.variables.deskHeight !== undefined;
    this.lo = { ...fixed };
    this.hi = { ...fixed };
    this.out = Math.max(0, orZero(spreadDeg(p, fixed)));
    this.datumFromRear = datumFromRearMm(p, fixed);
    this.hollowFromRear = hollowFromRearMm(p, fixed);
    this.reach = reachMm(p);
    this.axis = p.seat.axisFromRearMm;
    const { shoeHeel, stature } = p.body;
    this.legMm = shoeHeel + p.lowerLegMm;
    const ankle = ANKLE_FRACTION * stature;
    this.forwardLeg = shoeHeel + ankle + (p.lowerLegMm - ankle) * cosDeg(SHANK_FORWARD_MOST_DEG);
    const { place } = p.inputs;
    const lower = place && overLegs(place);
    this.lowerThighs = lower ? lower.thighsMm - place.deskThicknessMm : 0;
    this.lowerKnees = lower ? lower.kneesMm - place.deskThicknessMm : 0;
  }

  /** @param withLegs whether anything that is asked for depends on how the legs stand */
  update(withLegs = true): void {
    const { p, lo, hi, pan, trunk, sine } = this;
    const [panLo, panHi] = [panDegOf(p, lo), panDegOf(p, hi)];
    if (panLo !== pan.lo) sine.lo = sinDeg(panLo);
    if (panHi !== pan.hi) sine.hi = panHi === panLo ? sine.lo : sinDeg(panHi);
    pan.lo = panLo;
    pan.hi = panHi;
    const [trunkLo, trunkHi] = [trunkDegOf(lo), trunkDegOf(hi)];
    const isTurned = trunkLo !== trunk.lo || trunkHi !== trunk.hi;
    trunk.lo = trunkLo;
    trunk.hi = trunkHi;
    if (isTurned) this.elbows();
    const isLevel = panLo === 0 && panHi === 0;
    this.point(this.datum, this.datumFromRear, isLevel);
    if (withLegs) {
      this.point(this.hollow, this.hollowFromRear, isLevel);
      this.feet();
      this.thighs(isLevel);
      this.trunkThigh.lo = 90 + trunkLo - this.thigh.hi;
      this.trunkThigh.hi = 90 + trunkHi - this.thigh.lo;
    }
    if (this.hasDesk) this.atDesk(withLegs);
  }

  /** Of a point of the pan above the floor. */
  private point(ends: Ends, fromRear: number, isLevel: boolean): void {
    ends.lo = this.lo.seatHeight;
    ends.hi = this.hi.seatHeight;
    if (isLevel) return;
    const arm = fromRear - this.axis;
    const [a, b] = [arm * this.sine.lo, arm * this.sine.hi];
    ends.lo += Math.min(a, b);
    ends.hi += Math.max(a, b);
  }

  private feet(): void {
    const { p, lo, hi, hollow, support, gap } = this;
    const [low, high] = [underFootMm(p, lo), underFootMm(p, hi)];
    support.lo = low;
    support.hi = high;
    if (!Number.isNaN(lo.footRing)) {
      const always = lo.footRing > high && hollow.lo - this.legMm > (hi.footRing + high) / 2;
      const never = hi.footRing <= low || hollow.hi - this.legMm <= (lo.footRing + low) / 2;
      if (always) support.lo = lo.footRing;
      if (!never) support.hi = Math.max(hi.footRing, high);
    }
    gap.lo = hollow.lo - support.hi - this.legMm;
    gap.hi = hollow.hi - support.lo - this.legMm;
  }

  /**
   * Of the thigh's underside. It lies on the pan, or, on a seat too low for the foot to go further forward, above it:
   * the greater of the pan's angle and asin(sin α + (raised − hollow)/reach), which is straight in sin α. Where the
   * front drops, it may fall below the pan.
   */
  private thighs(isLevel: boolean): void {
    const { p, lo, hi, pan, support, reach, thigh, thighTop, gap } = this;
    const { lo: low, hi: high } = this.sine;
    // Of the sine: what does not depend on the pan, and how much of the pan's own sine is left.
    const most = (support.hi + this.forwardLeg - lo.seatHeight) / reach;
    const least = (support.lo + this.forwardLeg - hi.seatHeight) / reach;
    const share = isLevel ? 1 : 1 - (this.hollowFromRear - this.axis) / reach;
    const sineLo = least + share * (share > 0 ? low : high);
    const sineHi = most + share * (share > 0 ? high : low);
    thigh.lo = sineLo <= low ? pan.lo : Math.max(pan.lo, Math.min(THIGH_MOST_DEG, asinDeg(sineLo)));
    thigh.hi = sineHi <= high ? pan.hi : Math.max(pan.hi, Math.min(THIGH_MOST_DEG, asinDeg(sineHi)));
    if (p.hasSlope) this.falls();
    const { thighClearance } = p.body;
    const a = thighTopAbove(thighClearance, thigh.lo, thigh.lo > 0 ? reach : 0);
    const b = thigh.hi === thigh.lo ? a : thighTopAbove(thighClearance, thigh.hi, thigh.hi > 0 ? reach : 0);
    setEnds(thighTop, a, b);
    if (thigh.lo <= 0 && thigh.hi >= 0) thighTop.lo = thighClearance;
    const { fall } = this;
    gap.lo = gap.lo > 0 ? Math.max(0, gap.lo - fall.hi) : gap.lo;
    gap.hi = gap.hi > 0 ? Math.max(0, gap.hi - fall.lo) : gap.hi;
  }

  /** How far a hanging thigh can fall on the chord of a dropped front. */
  private falls(): void {
    const { p, lo, hi, pan, thigh, fall, gap, hollowFromRear } = this;
    const [steep, flat] = [chordDegOf(p, lo), chordDegOf(p, hi)];
    const by = (deg: number): number => hollowFromRear * (sinDeg(deg) - sinDeg(deg + flat));
    fall.lo = Math.max(0, Math.min(by(pan.lo), by(pan.hi)));
    // sin a − sin (a + c) is greatest about a = −c/2; never more than 2 sin(c/2).
    fall.hi =
      pan.lo === pan.hi
        ? hollowFromRear * (sinDeg(pan.lo) - sinDeg(pan.lo + steep))
        : 2 * hollowFromRear * sinDeg(-steep / 2);
    // A hanging thigh falls as far as the foot needs, or as the chord lets it.
    const fallen = (deg: number, by: number): number => asinDeg(sinDeg(deg) - by / hollowFromRear);
    if (gap.hi > 0) thigh.lo = Math.min(thigh.lo, fallen(pan.lo, Math.min(gap.hi, fall.hi)));
    if (gap.lo > 0) thigh.hi = fallen(pan.hi, Math.min(gap.lo, fall.lo));
  }

  private elbows(): void {
    const { shoulderHeightSitting: shoulder, elbowHeightSitting: elbow } = this.p.body;
    const { lo: from, hi: to } = this.trunk;
    // Upright it is what was measured, the shoulder known or not.
    const a = from === 0 ? elbow : elbowAbove(shoulder, elbow, from, 0, 0);
    const b = to === 0 ? elbow : to === from ? a : elbowAbove(shoulder, elbow, to, 0, 0);
    this.elbow.lo = Math.min(a, b);
    this.elbow.hi = from <= 0 && to >= 0 ? elbow : Math.max(a, b);
  }

  private atDesk(withLegs: boolean): void {
    const { p, lo, hi, datum, elbow, deskTop, deskClearance } = this;
    const { keyboardThicknessMm = 0, deskThicknessMm = 0 } = p.inputs.place ?? {};
    deskTop.lo = lo.deskHeight + keyboardThicknessMm - (datum.hi + elbow.hi);
    deskTop.hi = hi.deskHeight + keyboardThicknessMm - (datum.lo + elbow.lo);
    if (!withLegs) return;
    this.legsUp();
    deskClearance.lo = lo.deskHeight - deskThicknessMm - this.legTops.hi;
    deskClearance.hi = hi.deskHeight - deskThicknessMm - this.legTops.lo;
  }

  /** Of the pads' top less the elbow on them, with the upper arm out as far as the pads stand. */
  armOnPad(): Interval {
    const { shoulderHeightSitting: shoulder, elbowHeightSitting: elbow } = this.p.body;
    const { lo: from, hi: to } = this.trunk;
    const a = from === 0 && this.out === 0 ? elbow : elbowAbove(shoulder, elbow, from, 0, this.out);
    const b = to === 0 && this.out === 0 ? elbow : elbowAbove(shoulder, elbow, to, 0, this.out);
    const most = from <= 0 && to >= 0 ? elbowAbove(shoulder, elbow, 0, 0, this.out) : Math.max(a, b);
    return { lo: this.lo.armHeight - Math.max(a, b, most), hi: this.hi.armHeight - Math.min(a, b) };
  }

  /** Of the pads' front end before the hanging elbow. */
  padReach(): Interval {
    const { p, lo, hi, pan, trunk } = this;
    const { padLengthMm, armsMoveWithBack } = p.seat;
    const end = Number.isNaN(p.seat.padFrontMm) ? padFrontByLength(padLengthMm) : p.seat.padFrontMm;
    const front = end - this.axis;
    const arm = this.datumFromRear - this.axis;
    const [low, high] = [cosDeg(pan.lo), cosDeg(pan.hi)];
    const flat = pan.lo <= 0 && pan.hi >= 0 ? 1 : Math.max(low, high);
    const [near, far] = [arm * Math.min(low, high), arm * flat];
    const { shoulderHeightSitting: shoulder } = p.body;
    const short = shoulder - (armsMoveWithBack ? hi.armHeight : 0);
    const long = shoulder - (armsMoveWithBack ? lo.armHeight : 0);
    const [less, more] = [sinDeg(trunk.lo), sinDeg(trunk.hi)];
    const behind = [short * less, short * more, long * less, long * more];
    return {
      lo: front + orZero(lo.armDepth) + Math.min(...behind) - Math.max(near, far),
      hi: front + orZero(hi.armDepth) + Math.max(...behind) - Math.min(near, far),
    };
  }

  /** Of what pads leave before a desk that they cannot pass under; 0 where they can. */
  padAtDesk(): Interval {
    const { p, lo, hi, datum } = this;
    const { deskThicknessMm = 0, keysFromEdgeMm = NaN } = p.inputs.place ?? {};
    const pads = this.padReach();
    const edge = p.gripMm - keysFromEdgeMm - SHORT_OF_DESK_MM;
    const always = datum.hi + hi.armHeight + UNDER_DESK_MM <= lo.deskHeight - deskThicknessMm;
    const never = datum.lo + lo.armHeight + UNDER_DESK_MM > hi.deskHeight - deskThicknessMm;
    if (always) return { lo: 0, hi: 0 };
    const room = { lo: edge - pads.hi, hi: edge - pads.lo };
    return never ? room : { lo: Math.min(0, room.lo), hi: Math.max(0, room.hi) };
  }

  /** Whether the foot gap moves only by what moves the seat and what the feet stand on. */
  get isGapPlain(): boolean {
    return this.pan.lo === this.pan.hi && this.fall.hi === 0;
  }

  private legsUp(): void {
    const { p, thigh, reach, support, gap, datum, thighTop, lowerThighs, legTops } = this;
    const knee = p.body.shoeHeel + p.kneeMm + this.lowerKnees;
    // However low the seat, the thigh ends above the hollow of the knee, and the more so the steeper it rises.
    const rise = Math.max(0, thigh.lo);
    const over =
      rise === 0
        ? p.body.thighClearance
        : thighTopAbove(p.body.thighClearance, rise, reach) - reach * sinDeg(rise);
    const canTell = thigh.hi < THIGH_MOST_DEG && !p.hasSlope;
    const end = canTell ? support.lo + this.forwardLeg + over : -Infinity;
    legTops.lo = Math.max(
      Math.max(datum.lo + thighTop.lo, end) + lowerThighs,
      support.lo + knee + Math.max(0, gap.lo),
    );
    legTops.hi = Math.max(datum.hi + thighTop.hi + lowerThighs, support.hi + knee + Math.max(0, gap.hi));
  }

  /** Of how much higher what goes under the desk is than the hanging elbow: the seat's height hardly enters. */
  legsOverElbow(): Interval {
    const { p, sine, reach, datum, thighTop, support, lowerThighs, lowerKnees, elbow } = this;
    // The knee: with the foot down, its height above the support; with the foot hanging, along the pan from the datum.
    const [a, b] = [reach * sine.lo, reach * sine.hi];
    const below = p.kneeMm - p.lowerLegMm + lowerKnees;
    const standing = p.body.shoeHeel + p.kneeMm + lowerKnees;
    const lo = Math.max(
      thighTop.lo + lowerThighs,
      support.lo + standing - datum.hi,
      Math.min(a, b) + below - this.fall.hi,
    );
    const hi = Math.max(thighTop.hi + lowerThighs, support.hi + standing - datum.lo, Math.max(a, b) + below);
    return { lo: lo - elbow.hi, hi: hi - elbow.lo };
  }
}
