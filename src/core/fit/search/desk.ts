/** What a desk costs at least: elbow and legs want it at different heights, and pads have to get past it. */
import { bandOf, type Interval } from '../../target';
import type { ConditionId } from '../conditions';
import { lowestSpan, type Curve } from '../cost/curve';
import type { Extents } from '../geometry/extents';
import { judgeOf, type Judge } from '../cost/judge';
import { UNDER_DESK_MM, padsMayReachMm } from '../geometry/at-place';
import { datumMm, trunkDegOf } from '../geometry/on-seat';
import { elbowAtLeanMm } from '../geometry/arms';
import type { Problem, SetValues } from '../problem/problem';
import type { Axis, Standing } from './choice';
import type { Group } from './group';
import { levelStretches, type Stretch } from './level';

/** Told together, by how far they pull a desk apart. */
export const AT_DESK: readonly ConditionId[] = ['deskTop', 'deskContact', 'deskClearance'];

/** Where about the elbow a desk is looked for, mm. */
const LOOKED = { lo: -400, hi: 600 };
/** Room over the legs is told in steps, so that many boxes ask for the same, mm. */
const OVER_STEP_MM = 0.25;
const KEY_STEP = 65_536;
/** So near to the best place is near enough, mm. */
const APART_MM = 1e-5;
/** Looks at a place for the cheapest desk, and at each for the cheapest pads: to half a millimetre. */
const LOOKS_UNDER = 16;
/** Further from the elbow nothing is looked for, mm. */
const FAR_MM = 600;

/** From where on, rounded up to a millimetre, something that holds far below no longer does. */
function lastWhere(holds: (mm: number) => boolean): number {
  let [below, above] = [-FAR_MM, FAR_MM];
  if (holds(above)) return Infinity;
  while (above - below > 1) {
    const middle = (below + above) >> 1;
    if (holds(middle)) below = middle;
    else above = middle;
  }
  return above;
}

/** A desk that is chosen once the stance stands. */
interface Chosen {
  readonly group: Group;
  readonly axis: Axis;
  readonly top: Curve;
  readonly contact: Curve | null;
  readonly clearance: Curve | null;
}

function chosenOf(groups: readonly Group[]): Chosen | null {
  const group = groups.find((g) => g.has('deskTop'));
  const axis = group?.axes.find((a) => a.key === 'deskHeight');
  const curve = (id: ConditionId): Curve | null =>
    group?.terms.find((t) => t.condition.id === id)?.curve ?? null;
  const top = curve('deskTop');
  if (!group || !axis || !top) return null;
  return { group, axis, top, contact: curve('deskContact'), clearance: curve('deskClearance') };
}

export class AtDesk {
  private readonly pads: Judge | null;
  private readonly chosen: Chosen | null;
  /** The group of pads that follow the desk, and what that costs at least. */
  private readonly followers: Group | null;
  private readonly stretches: readonly Stretch[];
  private readonly known = new Map<number, { readonly span: Interval; readonly cost: number }>();
  /** What pads under the desk cost at least, by how low they go against the elbow. */
  private readonly underKnown = new Map<number, number>();
  /** And before it. */
  private beforeKnown: number | null = null;

  constructor(
    private readonly p: Problem,
    private readonly groups: readonly Group[],
    private readonly axes: readonly Axis[],
    { pads, values }: { readonly pads: Judge | null; readonly values: SetValues },
  ) {
    this.pads = pads;
    this.chosen = chosenOf(groups);
    this.followers = groups.find((g) => g.has('padsLevel') && g.has('armHeight')) ?? null;
    this.stretches = this.followers ? this.stretchesOf(this.followers, values) : [];
  }

  /** Whether something is told of pads that follow the desk. */
  get isFollowed(): boolean {
    return this.stretches.length > 0;
  }

  private stretchesOf({ terms }: Group, v: SetValues): readonly Stretch[] {
    const curveOf = (id: ConditionId): Curve => terms.find(({ condition }) => condition.id === id)!.curve;
    return levelStretches(this.p, v, { arm: curveOf('armHeight'), level: curveOf('padsLevel') });
  }

  /** What a group costs at least by what the desk and pads that follow it ask together; 0 where it has neither. */
  leastOf(group: Group, span: Extents): number {
    const isChosen = group === this.chosen?.group;
    const least = isChosen ? this.least(span) : 0;
    if (group !== this.followers || this.stretches.length === 0) return least;
    return Math.max(least, group.besides + this.leastFollowed(span, isChosen));
  }

  /** The cheapest stretch of places that the desk can take over the elbow. */
  private leastFollowed({ deskTop, legsOverElbow, thighsOverElbow }: Extents, isChosen: boolean): number {
    const over = Math.floor(legsOverElbow.lo / OVER_STEP_MM);
    const above = Math.floor(thighsOverElbow.lo / OVER_STEP_MM);
    let least = Infinity;
    for (const { lo, hi, cost } of this.stretches) {
      if (hi < deskTop.lo || lo > deskTop.hi || cost >= least) continue;
      const where = { lo: Math.max(lo, deskTop.lo), hi: Math.min(hi, deskTop.hi) };
      least = Math.min(least, cost + (isChosen ? this.within(where, over, above) : 0));
    }
    return least === Infinity ? 0 : least;
  }

  /**
   * What elbow and legs cost together at a desk at least: each would be content with another height of it, and how far
   * these lie apart hardly depends on how high the seat stands.
   */
  private least({ deskTop, legsOverElbow, thighsOverElbow }: Extents): number {
    const { top, contact, clearance } = this.chosen!;
    const over = Math.floor(legsOverElbow.lo / OVER_STEP_MM);
    const above = Math.floor(thighsOverElbow.lo / OVER_STEP_MM);
    const key = over * KEY_STEP + above;
    let found = this.known.get(key);
    if (!found) {
      const raw = (x: number): number =>
        top.raw(x) +
        (contact ? contact.raw(x - over * OVER_STEP_MM) || 0 : 0) +
        (clearance ? clearance.raw(x - above * OVER_STEP_MM) || 0 : 0);
      const span = lowestSpan(raw, { ...this.looked(over, above), apart: APART_MM });
      found = { span, cost: this.within(span, over, above) };
      this.known.set(key, found);
    }
    // All curves are convex: out of reach of the best place the nearer end is.
    if (deskTop.hi < found.span.lo) return this.within({ lo: deskTop.hi, hi: deskTop.hi }, over, above);
    if (deskTop.lo > found.span.hi) return this.within({ lo: deskTop.lo, hi: deskTop.lo }, over, above);
    return found.cost;
  }

  /** Where elbow and legs can cost least together: from where the elbow wants the desk up to where the legs are free. */
  private looked(over: number, above: number): { readonly from: number; readonly to: number } {
    const { top, contact, clearance } = this.chosen!;
    const from = Math.max(LOOKED.lo, Math.min(LOOKED.hi, top.lowest));
    // Legs that nobody measured are in nobody's way.
    const free = (curve: Curve | null, mm: number): number =>
      curve && !Number.isNaN(mm) ? curve.freeFrom + mm : from;
    const to = Math.max(free(contact, over * OVER_STEP_MM), free(clearance, above * OVER_STEP_MM));
    return { from, to: Math.max(from, Math.min(LOOKED.hi, to)) };
  }

  /** What elbow, legs and thighs cost at least while the desk stands within a span about the elbow. */
  private within({ lo, hi }: Interval, over: number, above: number): number {
    const { top, contact, clearance } = this.chosen!;
    let sum = top.leastPenalty(lo, hi);
    if (contact) sum += contact.leastPenalty(-Infinity, hi - over * OVER_STEP_MM) || 0;
    if (clearance) sum += clearance.leastPenalty(-Infinity, hi - above * OVER_STEP_MM) || 0;
    return sum;
  }

  /**
   * What pads under the desk cost at least, over a box: what is left to spend lets the desk stand only so high over the
   * elbow and the pads only so low under it; what room that leaves between them does not hang on the stance.
   * @param leasts what each group costs at least; @param left what may be spent beyond
   */
  leastUnderIn(span: Extents, leasts: readonly number[], left: number): number {
    const { p } = this;
    const top = judgeOf(p, 'deskTop')?.curve;
    const arm = judgeOf(p, 'armHeight')?.curve;
    if (!top || !arm || p.padsAtDeg !== null) return 0;
    const shareOf = (id: ConditionId): number | null => {
      const i = this.groups.findIndex((g) => g.has(id));
      return i < 0 ? null : leasts[i]!;
    };
    const desk = shareOf('deskTop') ?? top.leastPenalty(span.deskTop.lo, span.deskTop.hi);
    const arms = shareOf('armHeight') ?? 0;
    const high = lastWhere((mm) => top.leastPenalty(mm, Infinity) <= desk + left);
    const low = -lastWhere((mm) => arm.leastPenalty(-Infinity, -mm) <= arms + left);
    const { deskThicknessMm = 0, keyboardThicknessMm = 0 } = p.inputs.place ?? {};
    const lost = deskThicknessMm + keyboardThicknessMm + UNDER_DESK_MM;
    const room = Math.min(high, span.deskTop.hi) - low - lost;
    const apart = this.pads!.curve.leastPenalty(-Infinity, room);
    const lowest = p.variables.armHeight!.values[0]! - span.elbow.hi;
    if (!Number.isFinite(lowest)) return apart;
    const onStance = shareOf('deskTop') === null ? desk : 0;
    const counted = onStance + this.counted(['deskTop', 'armHeight', 'padsLevel'], leasts);
    return Math.max(apart, this.together(Math.floor(lowest), lost, { top, arm }) - counted);
  }

  /** What is counted already of conditions, beyond what their groups cost without them. */
  private counted(ids: readonly ConditionId[], leasts: readonly number[]): number {
    let sum = 0;
    this.groups.forEach((g, i) => {
      if (ids.some((id) => g.has(id))) sum += Math.max(0, leasts[i]! - g.besides);
    });
    return sum;
  }

  /**
   * What pads before the desk cost at least beyond what is counted: to carry the forearm they want to reach further than
   * the desk lets them, and where they end is one number.
   */
  leastBefore(leasts: readonly number[]): number {
    const reach = this.groups.some((g) => g.has('padReach')) ? judgeOf(this.p, 'padReach')?.curve : undefined;
    const may = padsMayReachMm(this.p);
    if (!reach || Number.isNaN(may)) return 0;
    this.beforeKnown ??= this.reachingShort(reach, may);
    return this.beforeKnown - this.counted(['padReach'], leasts);
  }

  private reachingShort(reach: Curve, may: number): number {
    const short = (end: number): number => this.pads!.curve.leastPenalty(-Infinity, may - end);
    const f = (end: number): number => reach.leastPenalty(end, end) + short(end);
    const { lo, hi } = lowestSpan(f, { from: LOOKED.lo, to: LOOKED.hi, apart: APART_MM });
    return reach.leastPenalty(lo, hi) + short(lo);
  }

  /**
   * What a desk over the elbow, pads under it and the room between the two cost together at least: the higher the desk
   * and the lower the pads, the more room. All three are convex as long as the pads are used.
   * @param lowest of the pads against the elbow, mm; @param lost of the room: desk, keyboard and what passing needs, mm
   */
  private together(
    lowest: number,
    lost: number,
    { top, arm }: { readonly top: Curve; readonly arm: Curve },
  ): number {
    const known = this.underKnown.get(lowest);
    if (known !== undefined) return known;
    const { curve: pads } = this.pads!;
    const overElbow = (x: number): number => top.leastPenalty(x, Infinity);
    // Where pads follow the desk they never do so below the elbow's band.
    const level = judgeOf(this.p, 'padsLevel')?.curve;
    const least = bandOf(this.p.targets.armHeight).lo;
    const low = (y: number): number =>
      arm.leastInUse(-Infinity, y) + (level ? level.leastPenalty(-Infinity, y - least) : 0);
    const past = (room: number): number => pads.leastPenalty(-Infinity, room);
    const looks = LOOKS_UNDER;
    /** The cheapest pads under a desk so high, told low. */
    const underneath = (x: number): number => {
      const f = (y: number): number => low(y) + past(x - y - lost);
      const { lo, hi } = lowestSpan(f, { from: lowest, to: FAR_MM, apart: 0, looks });
      return low(hi) + past(x - lo - lost);
    };
    const leastOf = (f: (x: number) => number): number => {
      const { lo, hi } = lowestSpan((x) => overElbow(x) + f(x), {
        from: LOOKED.lo,
        to: LOOKED.hi,
        apart: 0,
        looks,
      });
      return overElbow(lo) + f(hi);
    };
    const inUse = leastOf(underneath);
    const unused = arm.leastUnused + leastOf((x) => past(x - lowest - lost));
    const found = Math.min(inUse, unused);
    this.underKnown.set(lowest, found);
    return found;
  }

  /**
   * The same as the stance stands: beyond what everything costs without knowing of the desk.
   * @param costs of each group; @param left what may be spent beyond them
   */
  leastUnder(s: Standing, costs: readonly number[], left: number): number {
    const { p } = this;
    const arm = judgeOf(p, 'armHeight');
    const pads = this.groups.findIndex((g) => g.has('armHeight'));
    const { chosen } = this;
    // Only where both are still to be chosen, and apart, is their cost known apart from everything else.
    if (!chosen || !arm || pads < 0 || chosen.group === this.groups[pads] || left === Infinity) return 0;
    const desk = this.groups.indexOf(chosen.group);
    const room =
      this.highestDesk(s, costs[desk]! + left) - this.lowestPads(s, arm.curve, costs[pads]! + left);
    const under = room - (p.inputs.place?.deskThicknessMm ?? 0) - datumMm(p, s.v) - UNDER_DESK_MM;
    return this.pads!.curve.leastPenalty(-Infinity, under);
  }

  /** The highest that a desk can stand at a cost. */
  private highestDesk(s: Standing, cost: number): number {
    const { axis, group, top } = this.chosen!;
    const { residual } = group.terms.find(({ condition }) => condition.id === 'deskTop')!;
    const stood = s.v.deskHeight;
    let [below, above] = [-1, axis.values.length];
    while (above - below > 1) {
      const middle = (below + above) >> 1;
      s.v.deskHeight = axis.values[middle]!;
      // Only what costs more with a higher desk matters: that rises all the way.
      if (top.leastPenalty(residual(s.p, s.v, s.leg), Infinity) <= cost) below = middle;
      else above = middle;
    }
    s.v.deskHeight = stood;
    return axis.values[Math.max(0, below)]!;
  }

  /** The lowest that pads can stand at a cost. */
  private lowestPads({ p, v }: Standing, curve: Curve, cost: number): number {
    const { values } = this.axes.find((a) => a.key === 'armHeight')!;
    const elbow = elbowAtLeanMm(p, p.padsAtDeg ?? trunkDegOf(v), 0);
    let [below, above] = [-1, values.length - 1];
    while (above - below > 1) {
      const middle = (below + above) >> 1;
      // An arm held out stands higher still over the same pads.
      if (curve.leastPenalty(-Infinity, values[middle]! - elbow) <= cost) above = middle;
      else below = middle;
    }
    return values[above]!;
  }
}
