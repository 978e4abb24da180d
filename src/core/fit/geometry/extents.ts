/**
 * Between which ends the quantities of the set seat lie while adjustments range over a span: `lo` and `hi` hold each
 * adjustment's least and greatest value. Never too narrow. Everything that every box of a search asks for is worked out
 * once a box, without making anything new.
 */
import type { Interval } from '../../target';
import { overLegs } from '../../place';
import {
  ANKLE_FRACTION,
  CARRIED_FROM_DEG,
  SHANK_FORWARD_MOST_DEG,
  THIGH_MOST_DEG,
  datumFromRear,
  hollowFromRear,
  thighTopAbove,
} from '../../posture';
import { asinDeg, atan2Deg, cosDeg, sinDeg } from '../../units';
import { lowestPoint } from '../cost/curve';
import { chordDegOf, panDegOf, pushMm, reachMm, trunkDegOf, underFootMm } from './on-seat';
import { elbowAtLeanMm, padFrontAtRearMm, shoulderUpMm } from './arms';
import { eyeAtLeanMm, sightDeg } from './head';
import { handsMm, padsMayReachMm } from './at-place';
import { oncePer } from '../problem/once';
import type { Problem, SetValues } from '../problem/problem';

interface Ends {
  lo: number;
  hi: number;
}

const none = (): Ends => ({ lo: NaN, hi: NaN });

function setEnds(ends: Ends, a: number, b: number): void {
  ends.lo = a <= b ? a : b;
  ends.hi = a <= b ? b : a;
}

/** The product of two intervals. */
function setProduct(
  ends: Ends,
  { a, b, c, d }: { readonly a: number; readonly b: number; readonly c: number; readonly d: number },
): void {
  const [ac, ad, bc, bd] = [a * c, a * d, b * c, b * d];
  ends.lo = Math.min(ac, ad, bc, bd);
  ends.hi = Math.max(ac, ad, bc, bd);
}

/** The lean at which elbow and eye stand highest: the trunk straightens against the back and then goes down with it. */
const peaks = oncePer((p) => ({
  elbow: lowestPoint((deg) => -elbowAtLeanMm(p, deg, 0), 0, CARRIED_FROM_DEG),
  eye: lowestPoint((deg) => -eyeAtLeanMm(p, deg), 0, CARRIED_FROM_DEG),
}));

/** Beside a peak that was looked for nothing is higher than it by more than this, mm. */
const PEAK_SLACK_MM = 1e-3;

/** A height that rises with the lean up to `peak` and falls beyond. */
function setPeaked(ends: Ends, at: (deg: number) => number, peak: number, { lo, hi }: Interval): void {
  const a = at(lo);
  const b = hi === lo ? a : at(hi);
  ends.lo = Math.min(a, b);
  ends.hi = lo < hi && lo < peak && peak < hi ? at(peak) + PEAK_SLACK_MM : Math.max(a, b);
}

/** The quantities of the set posture over a span. Call `update` whenever the span has changed. */
export class Extents {
  readonly lo: SetValues;
  readonly hi: SetValues;
  /** Angle of the pan; every angle that turns it raises it. */
  readonly pan: Ends = none();
  readonly trunk: Ends = none();
  /** Where the seated heights count from, above the floor. */
  readonly datum: Ends = none();
  readonly gap: Ends = none();
  /** The gap before the thigh falls on a dropped front. */
  readonly bareGap: Ends = none();
  readonly thigh: Ends = none();
  readonly trunkThigh: Ends = none();
  /** Of the desk's top with what lies on it less the elbow; its underside less the legs, and less the thighs alone. */
  readonly deskTop: Ends = none();
  readonly deskContact: Ends = none();
  readonly deskClearance: Ends = none();
  /** How much higher legs, and thighs alone, are than the hanging elbow, with what hangs lower than the desk over them. */
  readonly legsOverElbow: Ends = none();
  readonly thighsOverElbow: Ends = none();

  /** The hollow of the knee with the thigh at rest, above the floor. */
  private readonly hollow: Ends = none();
  /** What the feet stand on: with a foot ring either of two, as high as the seat puts them nearer. */
  private readonly support: Ends = none();
  /** Of the underside of the hanging elbow above the datum. */
  readonly elbow: Ends = none();
  private readonly eye: Ends = none();
  /** Top of the thigh above the datum. */
  private readonly thighTop: Ends = none();
  /** How far the thigh falls on a dropped front. */
  readonly fall: Ends = { lo: 0, hi: 0 };
  /** Sine of the pan's angle. */
  private readonly sine: Ends = none();
  /** From the tilt axis to the datum and to the hollow of the knee, along the pan. */
  private readonly datumFromAxis: Ends = none();
  private readonly hollowFromAxis: Ends = none();
  private readonly product: Ends = none();
  /** How far forward of the rearmost place the sitter sits. */
  private readonly push: Ends = none();
  /** By how much a raised knee lifts the hollow, and how far the sole hangs. */
  private readonly raised: Ends = { lo: 0, hi: 0 };
  private readonly hang: Ends = none();
  private readonly legTops: Ends = none();

  private readonly reach: number;
  private readonly axis: number;
  private readonly legMm: number;
  /** The hollow of the knee above the foot support with the foot as far forward as it goes: lower it never is. */
  private readonly forwardLeg: number;
  private readonly hasDesk: boolean;
  private readonly keysMm: number;
  /** Desk top to what is over the thighs, and before the knees. */
  private readonly thighsMm: number;
  private readonly kneesMm: number;

  /** @param fixed what does not range */
  constructor(
    readonly p: Problem,
    fixed: SetValues,
  ) {
    this.hasDesk = p.variables.deskHeight !== undefined;
    this.lo = { ...fixed };
    this.hi = { ...fixed };
    this.reach = reachMm(p);
    this.axis = p.seat.axisFromRearMm;
    const { shoeHeel, stature } = p.body;
    this.legMm = shoeHeel + p.lowerLegMm;
    const ankle = ANKLE_FRACTION * stature;
    this.forwardLeg = shoeHeel + ankle + (p.lowerLegMm - ankle) * cosDeg(SHANK_FORWARD_MOST_DEG);
    const { place } = p.inputs;
    const over = place ? overLegs(place) : { thighsMm: 0, kneesMm: 0 };
    this.keysMm = place?.keyboardThicknessMm ?? 0;
    this.thighsMm = over.thighsMm;
    this.kneesMm = over.kneesMm;
  }

  /** @param withLegs whether anything that is asked for depends on how the legs stand */
  update(withLegs: boolean): void {
    const { p, lo, hi, pan, trunk, sine } = this;
    const [panLo, panHi] = [panDegOf(p, lo), panDegOf(p, hi)];
    sine.lo = panLo === 0 ? 0 : sinDeg(panLo);
    sine.hi = panHi === panLo ? sine.lo : sinDeg(panHi);
    pan.lo = panLo;
    pan.hi = panHi;
    const [trunkLo, trunkHi] = [trunkDegOf(lo), trunkDegOf(hi)];
    const isTurned = trunkLo !== trunk.lo || trunkHi !== trunk.hi;
    trunk.lo = trunkLo;
    trunk.hi = trunkHi;
    const isLevel = panLo === 0 && panHi === 0;
    const { push } = this;
    const { recessMm } = p.seat;
    push.lo = pushMm(p, lo);
    push.hi = pushMm(p, hi);
    this.datumFromAxis.lo = datumFromRear(recessMm, push.lo, p.adultShare) - this.axis;
    this.datumFromAxis.hi = datumFromRear(recessMm, push.hi, p.adultShare) - this.axis;
    this.point(this.datum, this.datumFromAxis, isLevel);
    if (withLegs) {
      this.hollowFromAxis.lo = this.hollowAt(push.lo) - this.axis;
      this.hollowFromAxis.hi = this.hollowAt(push.hi) - this.axis;
      this.point(this.hollow, this.hollowFromAxis, isLevel);
      this.raise();
      this.feet();
      this.thighs();
      this.trunkThigh.lo = 90 + trunkLo - this.thigh.hi;
      this.trunkThigh.hi = 90 + trunkHi - this.thigh.lo;
    }
    if (!this.hasDesk) return;
    if (isTurned) setPeaked(this.elbow, (deg) => elbowAtLeanMm(p, deg, 0), peaks(p).elbow, trunk);
    this.atDesk(withLegs);
  }

  /** The hollow of the knee along the pan from its rear end, with the sitter so far forward. */
  private hollowAt(push: number): number {
    return hollowFromRear(this.p.body.buttockPoplitealLength, this.p.seat.recessMm, push);
  }

  /** Of a point of the pan above the floor. */
  private point(ends: Ends, fromAxis: Ends, isLevel: boolean): void {
    ends.lo = this.lo.seatHeight;
    ends.hi = this.hi.seatHeight;
    if (isLevel) return;
    const { product, sine } = this;
    setProduct(product, { a: fromAxis.lo, b: fromAxis.hi, c: sine.lo, d: sine.hi });
    ends.lo += product.lo;
    ends.hi += product.hi;
  }

  /** A method that has the knee rise off the pan lifts the hollow of the knee. */
  private raise(): void {
    const { raisedDeg } = this.p;
    if (raisedDeg === null) return;
    const raised = sinDeg(raisedDeg);
    this.raised.lo = this.reach * Math.max(0, raised - this.sine.hi);
    this.raised.hi = this.reach * Math.max(0, raised - this.sine.lo);
    this.hollow.lo += this.raised.lo;
    this.hollow.hi += this.raised.hi;
  }

  private feet(): void {
    const { p, lo, hi, hollow, support, gap, hang, raised } = this;
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
    this.bareGap.lo = gap.lo;
    this.bareGap.hi = gap.hi;
    hang.lo = gap.lo - raised.hi;
    hang.hi = gap.hi - raised.lo;
  }

  /**
   * Of the thigh's underside. It lies at rest on the pan, or, on a seat too low for the foot to go further forward,
   * above it: the greater of the angle at rest and asin(sin α + (raised − hollow)/reach), which is straight in sin α.
   * Where the front drops, it may fall below the pan.
   */
  private thighs(): void {
    const { p, lo, hi, pan, sine, support, reach, thigh, thighTop, product, hollowFromAxis } = this;
    // Of the sine: what does not depend on the pan, and how much of the pan's own sine is left.
    setProduct(product, {
      a: 1 - hollowFromAxis.hi / reach,
      b: 1 - hollowFromAxis.lo / reach,
      c: sine.lo,
      d: sine.hi,
    });
    const sineLo = (support.lo + this.forwardLeg - hi.seatHeight) / reach + product.lo;
    const sineHi = (support.hi + this.forwardLeg - lo.seatHeight) / reach + product.hi;
    const [restLo, restHi] = [this.restAt(pan.lo, product.lo, false), this.restAt(pan.hi, product.hi, true)];
    // The foot as far forward as it goes, and flat: between them where the thigh is wanted.
    const flat = (this.legMm - this.forwardLeg) / reach;
    const lifted = (rest: number, by: number): number =>
      Math.max(rest, Math.min(THIGH_MOST_DEG, asinDeg(by)));
    const wanted = p.thighDeg;
    thigh.lo = Math.max(lifted(restLo, sineLo), Math.min(lifted(restLo, sineLo + flat), wanted));
    thigh.hi = Math.max(lifted(restHi, sineHi), Math.min(lifted(restHi, sineHi + flat), wanted));
    if (p.hasSlope) this.falls();
    const { thighClearance } = p.body;
    const a = thighTopAbove(thighClearance, thigh.lo, thigh.lo > 0 ? reach : 0);
    const b = thigh.hi === thigh.lo ? a : thighTopAbove(thighClearance, thigh.hi, thigh.hi > 0 ? reach : 0);
    setEnds(thighTop, a, b);
    if (thigh.lo <= 0 && thigh.hi >= 0) thighTop.lo = thighClearance;
    if (p.hasSlope) this.sink();
  }

  /** A hanging thigh falls: by so much less is left. */
  private sink(): void {
    const { fall, gap, hang } = this;
    if (this.p.raisedDeg !== null) {
      gap.lo -= Math.max(0, Math.min(hang.hi, fall.hi));
      gap.hi -= Math.max(0, Math.min(hang.lo, fall.lo));
    }
    if (hang.lo > 0) hang.lo = Math.max(0, hang.lo - fall.hi);
    if (hang.hi > 0) hang.hi = Math.max(0, hang.hi - fall.lo);
    if (this.p.raisedDeg !== null) return;
    gap.lo = hang.lo;
    gap.hi = hang.hi;
  }

  /** An end of how the thigh lies at rest: on the pan, or as far up as a method raises the knee and the foot bears it. */
  private restAt(panDeg: number, share: number, isHigh: boolean): number {
    const { raisedDeg } = this.p;
    if (raisedDeg === null || raisedDeg <= panDeg) return panDeg;
    const { support, lo, hi } = this;
    const stands = isHigh ? support.hi - lo.seatHeight : support.lo - hi.seatHeight;
    const borne = asinDeg((stands + this.legMm) / this.reach + share);
    return Math.max(panDeg, Math.min(raisedDeg, borne));
  }

  /** How far a hanging thigh can fall on the chord of a dropped front. */
  private falls(): void {
    const { p, lo, hi, pan, thigh, fall, hang, axis } = this;
    const [steep, flat] = [chordDegOf(p, lo), chordDegOf(p, hi)];
    const [near, far] = [this.hollowFromAxis.lo + axis, this.hollowFromAxis.hi + axis];
    const by = (deg: number): number => near * (sinDeg(deg) - sinDeg(deg + flat));
    fall.lo = Math.max(0, Math.min(by(pan.lo), by(pan.hi)));
    // sin a − sin (a + c) is greatest about a = −c/2; never more than 2 sin(c/2).
    fall.hi =
      pan.lo === pan.hi ? far * (sinDeg(pan.lo) - sinDeg(pan.lo + steep)) : 2 * far * sinDeg(-steep / 2);
    // A hanging thigh falls as far as the foot needs, or as the chord lets it.
    if (hang.hi > 0) thigh.lo = Math.min(thigh.lo, asinDeg(this.sine.lo - Math.min(hang.hi, fall.hi) / near));
    if (hang.lo > 0) thigh.hi = asinDeg(this.sine.hi - Math.min(hang.lo, fall.lo) / far);
  }

  private atDesk(withLegs: boolean): void {
    const { lo, hi, datum, elbow, deskTop, deskContact, deskClearance, thighTop } = this;
    deskTop.lo = lo.deskHeight + this.keysMm - (datum.hi + elbow.hi);
    deskTop.hi = hi.deskHeight + this.keysMm - (datum.lo + elbow.lo);
    if (!withLegs) return;
    this.legsUp();
    deskContact.lo = lo.deskHeight - this.legTops.hi;
    deskContact.hi = hi.deskHeight - this.legTops.lo;
    deskClearance.lo = lo.deskHeight - this.thighsMm - (datum.hi + thighTop.hi);
    deskClearance.hi = hi.deskHeight - this.thighsMm - (datum.lo + thighTop.lo);
    this.overElbow();
  }

  /** The lowest that a desk's top can be over thighs and knees. */
  private legsUp(): void {
    const { p, thigh, reach, support, hang, datum, thighTop, legTops } = this;
    const knee = p.body.shoeHeel + p.kneeMm + this.kneesMm;
    // However low the seat, the thigh ends above the hollow of the knee, and the more so the steeper it rises.
    const rise = Math.max(0, thigh.lo);
    const over =
      rise === 0
        ? p.body.thighClearance
        : thighTopAbove(p.body.thighClearance, rise, reach) - reach * sinDeg(rise);
    const canTell = thigh.hi < THIGH_MOST_DEG && !p.hasSlope && p.raisedDeg === null;
    const end = canTell ? support.lo + this.forwardLeg + over : -Infinity;
    legTops.lo = Math.max(
      Math.max(datum.lo + thighTop.lo, end) + this.thighsMm,
      support.lo + knee + Math.max(0, hang.lo),
    );
    legTops.hi = Math.max(datum.hi + thighTop.hi + this.thighsMm, support.hi + knee + Math.max(0, hang.hi));
  }

  /** The same against the elbow: the seat's height hardly enters. */
  private overElbow(): void {
    const { p, sine, reach, datum, thighTop, support, elbow, legsOverElbow, thighsOverElbow } = this;
    // The knee: with the foot down, its height above the support; with the foot hanging, along the pan from the datum.
    const [a, b] = [reach * sine.lo, reach * sine.hi];
    const raised = p.raisedDeg === null ? -Infinity : reach * sinDeg(p.raisedDeg);
    const below = p.kneeMm - p.lowerLegMm + this.kneesMm;
    const standing = p.body.shoeHeel + p.kneeMm + this.kneesMm;
    const lo = Math.max(
      thighTop.lo + this.thighsMm,
      support.lo + standing - datum.hi,
      Math.min(a, b) + below - this.fall.hi,
    );
    const hi = Math.max(
      thighTop.hi + this.thighsMm,
      support.hi + standing - datum.lo,
      Math.max(a, b, raised) + below,
    );
    legsOverElbow.lo = lo + this.keysMm - elbow.hi;
    legsOverElbow.hi = hi + this.keysMm - elbow.lo;
    thighsOverElbow.lo = thighTop.lo + this.thighsMm + this.keysMm - elbow.hi;
    thighsOverElbow.hi = thighTop.hi + this.thighsMm + this.keysMm - elbow.lo;
  }

  /** Whether heights and leans, and the legs where they matter, are the same all over the span. */
  isStill(withLegs: boolean): boolean {
    const { datum, trunk, thigh, hang, support } = this;
    if (datum.lo !== datum.hi || trunk.lo !== trunk.hi) return false;
    return !withLegs || (thigh.lo === thigh.hi && hang.lo === hang.hi && support.lo === support.hi);
  }

  /** Of the pads' slope less the forearm's. */
  armAngle(): Interval {
    const { p, lo, hi, datum, elbow, trunk } = this;
    if (!this.hasDesk) setPeaked(elbow, (deg) => elbowAtLeanMm(p, deg, 0), peaks(p).elbow, trunk);
    const slope = (hands: number, at: number): number => asinDeg((hands - at) / p.forearmMm);
    return {
      lo: lo.armAngle - slope(handsMm(p, hi), datum.lo + elbow.lo),
      hi: hi.armAngle - slope(handsMm(p, lo), datum.hi + elbow.hi),
    };
  }

  /** At most: the front end of the pads to where the desk stops them. */
  padBeforeDeskMost(): number {
    const { p, lo, elbow, trunk, pan, datumFromAxis, product, axis } = this;
    const leastCos = Math.min(cosDeg(pan.lo), cosDeg(pan.hi));
    const mostCos = pan.lo <= 0 && pan.hi >= 0 ? 1 : Math.max(cosDeg(pan.lo), cosDeg(pan.hi));
    setProduct(product, { a: datumFromAxis.lo, b: datumFromAxis.hi, c: leastCos, d: mostCos });
    const datumMost = axis + product.hi;
    // The shoulder goes back by its height, and arms that move with the back by that of the elbow.
    const withBack = p.seat.armsMoveWithBack;
    setProduct(product, {
      a: shoulderUpMm(p, trunk.lo) - (withBack ? elbow.hi : 0),
      b: shoulderUpMm(p, trunk.hi) - (withBack ? elbow.lo : 0),
      c: sinDeg(trunk.lo),
      d: sinDeg(trunk.hi),
    });
    const depth = Number.isNaN(lo.armDepth) ? 0 : lo.armDepth;
    return padsMayReachMm(p) - (padFrontAtRearMm(p) + depth - datumMost + product.lo);
  }

  /** Of the room behind the knee. */
  kneeRoom(): Interval {
    const { lo, hi, push } = this;
    return { lo: this.hollowAt(push.lo) - hi.seatDepth, hi: this.hollowAt(push.hi) - lo.seatDepth };
  }

  /** Of how far the screen's middle lies below the line of sight. */
  gaze(): Interval {
    const { p, lo, hi, eye, trunk, datum } = this;
    setPeaked(eye, (deg) => eyeAtLeanMm(p, deg), peaks(p).eye, trunk);
    const far = p.inputs.place?.screenDistanceMm ?? NaN;
    // What turns the sight down is greatest with the roundest back and the trunk most upright.
    const down = sightDeg(p, { ...hi, backAngle: lo.backAngle, chairAngle: lo.chairAngle });
    const up = sightDeg(p, { ...lo, backAngle: hi.backAngle, chairAngle: hi.chairAngle });
    return {
      lo: atan2Deg(datum.lo + eye.lo - hi.screenHeight, far) - down,
      hi: atan2Deg(datum.hi + eye.hi - lo.screenHeight, far) - up,
    };
  }
}
