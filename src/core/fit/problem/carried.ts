/** What another adjustment carries along: nobody sets it, it stands where its leader puts it. */
import {
  adjustmentOf,
  kindNumber,
  leaderOf,
  valuesOf,
  type Adjustment,
  type AdjustmentKind,
  type SeatModel,
} from '../../seat';
import type { Problem, SetValues, Variable } from './problem';

/** An adjustment that is carried along, and where it stands for each position of the one that carries it. */
export interface Carried {
  readonly kind: AdjustmentKind;
  readonly leader: AdjustmentKind;
  /** Its own position for each of the leader's: never falling, or never rising. */
  readonly by: readonly number[];
}

const nearest = (values: readonly number[], wanted: number): number =>
  values.reduce((best, v, i) => (Math.abs(v - wanted) < Math.abs(values[best]! - wanted) ? i : best), 0);

/**
 * Where an adjustment stands for each position of its leader: from its own lowest place on, or against the leader from
 * its highest, by its ratio, as far as it goes; at the nearest of the places that it is offered at.
 */
function placesOf(adjustment: Adjustment, leader: Adjustment, ratio: number): number[] {
  const [own, led] = [valuesOf(adjustment), valuesOf(leader)];
  const from = ratio >= 0 ? own[0]! : own[own.length - 1]!;
  return led.map((value) => nearest(own, from + ratio * (value - led[0]!)));
}

/**
 * Everything of a seat that is carried along by something that is computed.
 * @returns empty where nothing is. Definition.
 */
export function carriedOf(seat: SeatModel): readonly Carried[] {
  let known = carriedIn.get(seat);
  if (!known) carriedIn.set(seat, (known = workedOut(seat)));
  return known;
}

/** Asked for every body that is tried on a seat. */
const carriedIn = new WeakMap<SeatModel, readonly Carried[]>();

function workedOut(seat: SeatModel): Carried[] {
  return seat.adjustments.flatMap((adjustment): Carried[] => {
    const { kind, holds } = adjustment;
    const leader = leaderOf(seat.adjustments, adjustment);
    if (holds.how !== 'follows' || !leader || adjustmentOf(seat.adjustments, kind) !== adjustment) return [];
    return [{ kind, leader: leader.kind, by: placesOf(adjustment, leader, holds.ratio) }];
  });
}

/**
 * How an adjustment is carried along.
 * @returns undefined where it is set by itself. Definition.
 */
export const carriedAs = (p: Problem, kind: AdjustmentKind): Carried | undefined =>
  p.carried.find((one) => one.kind === kind);

/**
 * Whether an adjustment is set at all.
 * @returns true where another one carries it. Definition.
 */
export const isCarried = (p: Problem, kind: AdjustmentKind): boolean => carriedAs(p, kind) !== undefined;

/** Between its places a leader carries along in a straight line, and beyond its ends not at all. */
function valueBeside(leader: Variable, own: Variable, { by }: Carried, at: number): number {
  const { values } = leader;
  let above = values.findIndex((value) => value >= at);
  if (above < 0) above = values.length - 1;
  const below = values[above]! <= at || above === 0 ? above : above - 1;
  const [a, b] = [own.values[by[below]!]!, own.values[by[above]!]!];
  if (above === below) return a;
  return a + ((b - a) * (at - values[below]!)) / (values[above]! - values[below]!);
}

/**
 * Sets one adjustment, and what it carries along with it; `v` is changed.
 * @param value in the adjustment’s unit
 */
export function put(p: Problem, v: SetValues, kind: AdjustmentKind, value: number): void {
  v[kind] = value;
  for (const one of p.carried) if (one.leader === kind) follow(p, v, one);
}

/**
 * Puts everything that is carried along where its leader has it; `v` is changed.
 * @returns `v` itself. Definition.
 */
export function carry(p: Problem, v: SetValues): SetValues {
  for (const one of p.carried) follow(p, v, one);
  return v;
}

function follow(p: Problem, v: SetValues, one: Carried): void {
  const [leader, own] = [p.byNumber[kindNumber(one.leader)], p.byNumber[kindNumber(one.kind)]];
  if (leader && own) v[one.kind] = valueBeside(leader, own, one, v[one.leader]);
}

/**
 * Kinds with those that carry them along: what moves when any of them is set.
 * @returns each once. Definition.
 */
export function withLeaders(p: Problem, kinds: readonly AdjustmentKind[]): readonly AdjustmentKind[] {
  if (p.carried.length === 0) return kinds;
  const leaders = p.carried.filter(({ kind }) => kinds.includes(kind)).map(({ leader }) => leader);
  return leaders.length === 0 ? kinds : [...new Set([...kinds, ...leaders])];
}
