/**
 * The search on a seat of which something is carried along. What carries and what is carried are let loose from each
 * other first: nothing that they do together is cheaper. Where they then stand apart, the leader's range is cut between
 * the place where it stands and the one where it would have put the other, and both parts are searched.
 */
import type { AdjustmentKind } from '../../seat';
import type { Problem, SetValues } from '../problem/problem';
import { narrowed } from './axes';
import type { Axis } from './choice';
import { isBefore } from './ties';
import { Whole, type WholeFound } from './whole';

/** A leader and what it carries, as axes. */
interface Pair {
  readonly leader: number;
  readonly own: number;
  readonly by: readonly number[];
}

/** Between which positions each leader may stand. */
type Ranges = ReadonlyMap<AdjustmentKind, readonly [number, number]>;

interface Part {
  readonly ranges: Ranges;
  readonly axes: readonly Axis[];
  readonly found: WholeFound;
}

function pairsOf(p: Problem, axes: readonly Axis[]): Pair[] {
  const indexOf = (kind: AdjustmentKind): number => axes.findIndex((a) => a.key === kind);
  return p.carried
    .map(({ kind, leader, by }) => ({ leader: indexOf(leader), own: indexOf(kind), by }))
    .filter(({ leader, own }) => leader >= 0 && own >= 0);
}

/** Where an axis stands, counted from its kind's first position. */
const standsAt = ({ axes, found }: Part, i: number): number => axes[i]!.first + found.positions[i]!;

/** The last position of the lower part of a leader's range that tells the two apart. */
function cutOf(part: Part, { leader, own, by }: Pair, [from, to]: readonly [number, number]): number {
  const [stands, carried] = [standsAt(part, leader), standsAt(part, own)];
  let wished = from;
  for (let at = from; at <= to; at++)
    if (Math.abs(by[at]! - carried) < Math.abs(by[wished]! - carried)) wished = at;
  if (wished !== stands) return (wished + stands) >> 1;
  // Between two of its places: whichever side it lies on is cut off.
  const rises = by[to]! >= by[from]!;
  return carried > by[stands]! === rises ? stands : stands - 1;
}

/** Parts of what may be chosen, each with the best of it while nothing is tied together yet. */
class Together {
  private boxes = 0;
  private open: Part[] = [];
  private best: { readonly positions: readonly number[]; readonly penalty: number } | null = null;
  /** What was left unproved of parts that need no more cutting. */
  private unproved = Infinity;

  private readonly values: () => SetValues;
  private readonly budget: number;

  constructor(
    private readonly p: Problem,
    private readonly axes: readonly Axis[],
    private readonly pairs: readonly Pair[],
    { values, budget }: { readonly values: () => SetValues; readonly budget: number },
  ) {
    this.values = values;
    this.budget = budget;
  }

  search(): WholeFound | null {
    this.add(
      new Map(
        this.pairs.map(({ leader }) => {
          const { key, first, values } = this.axes[leader]!;
          return [key as AdjustmentKind, [first, first + values.length - 1] as const];
        }),
      ),
    );
    for (let next = this.next(); next; next = this.next()) this.look(next);
    if (!this.best) return null;
    const { positions, penalty } = this.best;
    const bound = Math.min(penalty, this.unproved, ...this.open.map(({ found }) => found.bound));
    return { positions, penalty, bound, boxes: this.boxes };
  }

  /** The most promising of the open parts; undefined where none can be better, or enough was looked at. */
  private next(): Part | undefined {
    const { best } = this;
    if (best) {
      this.open = this.open.filter(({ found }) => found.bound <= best.penalty);
      if (this.boxes >= this.budget) return undefined;
    }
    const [next] = this.open.sort((a, b) => a.found.bound - b.found.bound);
    this.open = this.open.slice(1);
    return next;
  }

  private look(part: Part): void {
    const pair = this.pairs.find(({ leader, own, by }) => standsAt(part, own) !== by[standsAt(part, leader)]);
    if (!pair) {
      this.take(part);
      return;
    }
    const kind = this.axes[pair.leader]!.key as AdjustmentKind;
    const [from, to] = part.ranges.get(kind)!;
    const at = standsAt(part, pair.leader);
    // Out of budget with nothing yet: what is carried is put where its leader stands.
    const cuts: readonly (readonly [number, number])[] =
      this.boxes >= this.budget
        ? [[at, at]]
        : [
            [from, cutOf(part, pair, [from, to])],
            [cutOf(part, pair, [from, to]) + 1, to],
          ];
    if (cuts.length === 1) this.unproved = Math.min(this.unproved, part.found.bound);
    for (const range of cuts) this.add(new Map([...part.ranges, [kind, range] as const]));
  }

  private add(ranges: Ranges): void {
    const { p, axes, pairs } = this;
    const within: Record<string, readonly [number, number]> = Object.fromEntries(ranges);
    for (const { leader, own, by } of pairs) {
      const [from, to] = ranges.get(axes[leader]!.key as AdjustmentKind)!;
      const [a, b] = [by[from]!, by[to]!];
      within[axes[own]!.key] = [Math.min(a, b), Math.max(a, b)];
    }
    const narrow = narrowed(axes, within);
    if (!narrow) return;
    const found = new Whole(p, narrow, this.values(), {
      budget: Math.max(1, this.budget - this.boxes),
    }).search();
    this.boxes += found.boxes;
    this.open.push({ ranges, axes: narrow, found });
  }

  private take(part: Part): void {
    const { found } = part;
    if (found.bound < found.penalty) this.unproved = Math.min(this.unproved, found.bound);
    const positions = this.axes.map((axis, i) => standsAt(part, i) - axis.first);
    const { best, p, axes } = this;
    const isBetter =
      !best ||
      found.penalty < best.penalty ||
      (found.penalty === best.penalty && isBefore(p, axes, positions, best.positions));
    if (isBetter) this.best = { positions, penalty: found.penalty };
  }
}

/**
 * The best of all settings in which everything that is carried along stands where its leader has it.
 * @param values fresh ones for each search
 * @param budget boxes opened at most in all
 * @returns null where the axes leave no such settings. Definition (branch and bound).
 */
export function searchTogether(
  p: Problem,
  axes: readonly Axis[],
  values: () => SetValues,
  budget: number,
): WholeFound | null {
  const pairs = pairsOf(p, axes);
  return pairs.length === 0
    ? new Whole(p, axes, values(), { budget }).search()
    : new Together(p, axes, pairs, { values, budget }).search();
}
