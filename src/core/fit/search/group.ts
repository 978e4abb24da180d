import type { ConditionId, Condition } from '../conditions';
import type { Extents } from '../geometry/extents';
import { datumMm, legOf, trunkDegOf } from '../geometry/on-seat';
import type { SetValues } from '../problem/problem';
import { isStill, type Box } from './box';
import type { Axis, Choice, Standing, Term } from './choice';

/** Whether a condition hangs on heights and leans alone. */
const isByHeights = ({ scope, levelScope }: Condition): boolean =>
  levelScope !== undefined || !scope.includes('backReach');

/** What a group came to; of one that did not stay under a limit only that limit. */
interface Known {
  readonly cost: number;
  readonly positions: readonly number[] | null;
}

/** Every position is worked out once that takes no more than so many looks for each time the least of a box was asked for. */
const LOOKS_AN_ASK = 5;

/** What a group is made of. */
export interface GroupParts {
  readonly axes: readonly Axis[];
  readonly choice: Choice;
  readonly terms: readonly Term[];
  /** Axes of the stance that it depends on. */
  readonly on: readonly number[];
  /** The axes of the stance. */
  readonly stance: readonly Axis[];
  /** Terms that depend on the stance. */
  readonly standing: readonly Term[];
  /** What it costs at least, wherever the stance stands. */
  readonly floor: number;
  /** The same of what is neither told together with the pads and the desk; 0 where no pads have to get past one. */
  readonly besides: number;
  /** Whether it hangs on no height: what it comes to is then kept, for the same is asked again and again. */
  readonly isFree: boolean;
  /** The same without what hangs on more than the lean: never at a higher cost, and the same for every stance that leans so. */
  readonly lighter: readonly Group[];
}

/** Adjustments that are chosen together once the stance stands. */
export class Group {
  private readonly known = new Map<number | string, Known>();
  /** What it costs at each place of the one axis of the stance that it depends on, once that is worth while. */
  private table: Float64Array | null = null;
  private askedInVain = 0;
  /** How many places were looked at when it was last worked out. */
  private looksOnce = Infinity;
  /** Where everything stood that was chosen last. */
  positions: readonly number[] = [];
  readonly isKept: boolean;
  /** Whether it hangs on heights and leans alone: how far forward one sits does not matter by itself. */
  private readonly isByHeights: boolean;
  private readonly onLegs: boolean;
  /** The one quantity of the stance that it hangs on, where there is only one. */
  private readonly through: Condition['through'];

  readonly axes: readonly Axis[];
  readonly choice: Choice;
  readonly terms: readonly Term[];
  readonly on: readonly number[];
  readonly floor: number;
  readonly besides: number;
  private readonly stance: readonly Axis[];
  private readonly lighter: readonly Group[];

  constructor({ axes, choice, terms, on, stance, standing, floor, besides, isFree, lighter }: GroupParts) {
    this.besides = besides;
    this.axes = axes;
    this.choice = choice;
    this.terms = terms;
    this.on = on;
    this.stance = stance;
    this.floor = floor;
    this.lighter = lighter;
    const [first] = standing;
    const { through } = first?.condition ?? {};
    this.through = standing.every(({ condition }) => condition.through === through) ? through : undefined;
    this.isKept = isFree || this.through !== undefined;
    this.isByHeights = !this.isKept && standing.every(({ condition }) => isByHeights(condition));
    this.onLegs = terms.some(({ condition }) => condition.onLegs);
  }

  has(id: ConditionId): boolean {
    return this.terms.some(({ condition }) => condition.id === id);
  }

  /** @returns its cost; Infinity where it does not stay under the limit */
  cost(s: Standing, box: Box, limit: number): number {
    if (!this.isKept && !this.isByHeights) {
      s.turn++;
      const cost = this.choice.solve(s, limit);
      if (cost < Infinity) this.positions = this.where();
      return cost;
    }
    return this.kept(s, this.keyAt(s, box), limit);
  }

  private keyAt(s: Standing, box: Box): number | string {
    if (this.through) return this.through(s.p, s.v);
    if (this.isByHeights) return this.heightsOf(s);
    let key = 0;
    for (const a of this.on) key = key * this.stance[a]!.values.length + box.lo[a]!;
    return key;
  }

  /** The heights and leans that it hangs on. */
  private heightsOf({ p, v, leg }: Standing): string {
    const key = `${datumMm(p, v)} ${trunkDegOf(v)}`;
    if (!this.onLegs) return key;
    const { thighDeg, hangMm, supportMm } = leg ?? legOf(p, v);
    return `${key} ${thighDeg} ${hangMm} ${supportMm}`;
  }

  private kept(s: Standing, key: number | string, limit: number): number {
    let found = this.known.get(key);
    if (!found || (!found.positions && found.cost < limit)) {
      const looked = s.looks;
      s.turn++;
      const cost = this.choice.solve(s, limit);
      this.looksOnce = s.looks - looked;
      found = cost < Infinity ? { cost, positions: this.where() } : { cost: limit, positions: null };
      this.known.set(key, found);
    } else if (found.positions) this.put(s, found.positions);
    if (!found.positions) return Infinity;
    this.positions = found.positions;
    return found.cost;
  }

  /** What it costs at least in a box, of which `s` has the lower ends and `upper` the upper ones. */
  leastIn(
    s: Standing,
    upper: SetValues,
    { box, span, limit }: { readonly box: Box; readonly span: Extents | null; readonly limit: number },
  ): number {
    if (this.isByHeights && span?.isStill(this.onLegs)) {
      const cost = this.kept(s, this.heightsOf(s), limit);
      return cost < Infinity ? cost : limit;
    }
    if (this.through) {
      const key = this.through(s.p, s.v);
      return key === this.through(s.p, upper) ? this.kept(s, key, Infinity) : this.floor;
    }
    if (this.lighter.length > 0) {
      let sum = 0;
      for (const group of this.lighter) sum += group.leastIn(s, upper, { box, span, limit });
      return Math.max(sum, this.floor);
    }
    if (!this.isKept) return this.floor;
    if (isStill(box, this.on)) return this.kept(s, this.keyAt(s, box), Infinity);
    return Math.max(this.floor, this.leastTabulated(s, box));
  }

  /** The least over a box of what is kept, once it has been asked for often enough; 0 before. */
  private leastTabulated(s: Standing, { lo, hi }: Box): number {
    const [only] = this.on;
    if (only === undefined || this.on.length > 1) return 0;
    if (!this.table) {
      if (++this.askedInVain * LOOKS_AN_ASK < this.looksOnce * this.stance[only]!.values.length) return 0;
      this.table = this.tabulated(s, only);
    }
    let least = Infinity;
    for (let at = lo[only]!; at <= hi[only]!; at++) if (this.table[at]! < least) least = this.table[at]!;
    return least;
  }

  /** What it costs at each place of the one axis of the stance that it depends on. */
  private tabulated(s: Standing, axis: number): Float64Array {
    const { key, values } = this.stance[axis]!;
    const stood = s.v[key];
    const table = Float64Array.from(values, (value, at) => {
      s.v[key] = value;
      return this.kept(s, at, Infinity);
    });
    s.v[key] = stood;
    return table;
  }

  private where(): number[] {
    const at = new Map<Axis, number>();
    this.choice.chosen((axis, position) => at.set(axis, position));
    return this.axes.map((axis) => at.get(axis)!);
  }

  private put(s: Standing, positions: readonly number[]): void {
    for (let i = 0; i < this.axes.length; i++) s.v[this.axes[i]!.key] = this.axes[i]!.values[positions[i]!]!;
  }
}
