/** What elbow and desk cost pads that follow a desk: both want them at a height, and how far these lie apart is one number. */
import { bandOf, type Interval } from '../../target';
import { cosDeg } from '../../units';
import type { Curve } from '../cost/curve';
import { spreadDeg, upperArmMm } from '../geometry/arms';
import { CARRIED_AT_MM } from '../geometry/at-place';
import { orZero } from '../geometry/on-seat';
import type { Problem, SetValues } from '../problem/problem';

/** Where pads follow a desk is told in steps, and so is where they stand about it, mm. */
const STEP_MM = 0.5;
/** Pads further than that from where they follow the desk are told together, mm. */
const BESIDE_MM = 40;
/** So fine is it told where they follow it no further, mm. */
const FINE_MM = 0.02;
/** Nearer to each other no two places are told apart, mm. */
const NEAR_MM = 1e-4;
/** The desk over the elbow is told in steps, mm. */
const DESK_STEP_MM = 5;

/** A stretch of places of the desk over the hanging elbow, and what pads cost at least there. */
export interface Stretch {
  readonly lo: number;
  readonly hi: number;
  readonly cost: number;
}

/** Between which heights pads follow a desk that lies so far over the hanging elbow, mm over the elbow. */
type Followed = (deskOverElbow: number) => Interval;

/** By how much the elbow rises at most where pads hold the arms out, mm. */
function mostRaisedMm(p: Problem, v: SetValues): number {
  const widest = { ...v };
  for (const kind of ['armWidth', 'padSlide'] as const)
    widest[kind] = p.variables[kind]?.values.at(-1) ?? v[kind];
  return upperArmMm(p) * (1 - cosDeg(Math.max(0, orZero(spreadDeg(p, widest)))));
}

function followedOf(p: Problem, v: SetValues): { readonly follows: Followed; readonly over: Interval } {
  const { method, place } = p.inputs;
  const band = bandOf(p.targets.armHeight);
  const kept = (mm: number): number => Math.max(band.lo, Math.min(band.hi, mm));
  if (method.armsTo === 'forearm') {
    const share = CARRIED_AT_MM / p.forearmMm;
    return {
      follows: (d) => ({ lo: kept(share * d), hi: kept(share * d) }),
      over: { lo: band.lo / share, hi: band.hi / share },
    };
  }
  const keys = place?.keyboardThicknessMm ?? 0;
  const raised = mostRaisedMm(p, v);
  return {
    follows: (d) => ({ lo: kept(d - keys - raised), hi: kept(d - keys) }),
    over: { lo: band.lo + keys, hi: band.hi + keys + raised },
  };
}

const costsKnown = new WeakMap<Curve, WeakMap<Curve, Float64Array>>();

/** What pads cost at least for each step of where they follow the desk; a curve of the elbow belongs to one target. */
function costsOf(p: Problem, arm: Curve, level: Curve): Float64Array {
  let known = costsKnown.get(arm);
  if (!known) costsKnown.set(arm, (known = new WeakMap()));
  let costs = known.get(level);
  if (!costs) known.set(level, (costs = costsMade(p, arm, level)));
  return costs;
}

/** What two conditions cost together at least between two places: halved until it is known to `FINE_MM`. */
function leastOfBoth(least: (from: number, to: number) => number, ends: Interval): number {
  let found = Infinity;
  const look = (from: number, to: number, cost: number): void => {
    if (cost >= found) return;
    if (to - from <= FINE_MM) {
      found = cost;
      return;
    }
    const middle = (from + to) / 2;
    const [below, above] = [least(from, middle), least(middle, to)];
    if (below <= above) {
      look(from, middle, below);
      look(middle, to, above);
    } else {
      look(middle, to, above);
      look(from, middle, below);
    }
  };
  look(ends.lo, ends.hi, least(ends.lo, ends.hi));
  return found;
}

/** Of the lowest place that pads follow a desk to, of every step beyond it, and of the highest place. */
function costsMade(p: Problem, arm: Curve, level: Curve): Float64Array {
  const { lo, hi } = bandOf(p.targets.armHeight);
  const steps = Math.max(1, Math.ceil((hi - lo) / STEP_MM));
  const beside = Math.ceil(BESIDE_MM / STEP_MM);
  const places = steps + 2 * beside;
  // Beyond the first and the last place lies everything that is further.
  const from = (i: number): number => (i === 0 ? -Infinity : lo + (i - beside) * STEP_MM);
  const to = (i: number): number => (i === places - 1 ? Infinity : lo + (i + 1 - beside) * STEP_MM);
  const ofArm = Float64Array.from({ length: places }, (_, i) => arm.leastPenalty(from(i), to(i)));
  /** By how many steps a place is over where the desk is followed to. */
  const ofLevel = Float64Array.from({ length: places + steps }, (_, i) => {
    const off = (i - steps - beside) * STEP_MM;
    return level.leastPenalty(off - STEP_MM, off + STEP_MM);
  });
  const leastOver = (levelAt: (i: number) => number): number => {
    let least = Infinity;
    for (let i = 0; i < places; i++) least = Math.min(least, ofArm[i]! + levelAt(i));
    return least;
  };
  const between = (a: number, b: number) => (i: number) => level.leastPenalty(from(i) - b, to(i) - a);
  const ends = { lo: from(1), hi: to(places - 2) };
  /** Where they cannot follow it any further, which most desks that are not at elbow height come to. */
  const following = (mm: number): number =>
    Math.min(
      leastOfBoth((a, b) => arm.leastPenalty(a, b) + level.leastPenalty(a - mm, b - mm), ends),
      ofArm[0]! + between(mm, mm)(0),
      ofArm[places - 1]! + between(mm, mm)(places - 1),
    );
  const costs = [following(lo)];
  for (let step = 0; step < steps; step++) {
    const apart = between(lo + step * STEP_MM, lo + (step + 1) * STEP_MM);
    costs.push(leastOver((i) => (i === 0 || i === places - 1 ? apart(i) : ofLevel[i - step + steps]!)));
  }
  return Float64Array.from([...costs, following(hi)]);
}

/**
 * What pads that follow the desk cost at least, by how far its top lies over the hanging elbow.
 * @param arm what the elbow asks of them; @param level what the desk asks of them
 * @returns stretches that follow each other without a gap, the first and the last without an end, mm and millionths;
 *   none where nothing is told of them. Definition.
 */
export function levelStretches(
  p: Problem,
  v: SetValues,
  { arm, level }: { readonly arm: Curve; readonly level: Curve },
): Stretch[] {
  const { lo, hi } = bandOf(p.targets.armHeight);
  const isAtControls = p.inputs.method.armsTo === 'forearm' && p.inputs.place?.handControls;
  const { follows, over } = followedOf(p, v);
  const { lo: from, hi: to } = over;
  if (isAtControls || p.padsAtDeg !== null || !Number.isFinite(lo + hi + from + to)) return [];
  const costs = costsOf(p, arm, level);
  const stepAt = (mm: number): number =>
    mm <= lo + NEAR_MM
      ? 0
      : mm >= hi - NEAR_MM
        ? costs.length - 1
        : Math.min(costs.length - 2, 1 + Math.floor((mm - lo) / STEP_MM));
  const stretch = (a: number, b: number): Stretch => {
    const steps = costs.slice(stepAt(follows(a).lo - NEAR_MM / 2), stepAt(follows(b).hi + NEAR_MM / 2) + 1);
    return { lo: a, hi: b, cost: Math.min(...steps) };
  };
  const between = Math.max(1, Math.ceil((to - from) / DESK_STEP_MM));
  const ends = Array.from({ length: between + 1 }, (_, i) => from + ((to - from) * i) / between);
  return [
    stretch(-Infinity, from),
    ...ends.slice(1).map((end, i) => stretch(ends[i]!, end)),
    stretch(ends.at(-1)!, Infinity),
  ];
}
