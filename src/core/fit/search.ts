/**
 * Branch and bound over boxes of integer positions. What is compared is one vector: hard violation, penalty, ties in
 * written order, positions in the order of the axes; the least is found, and that nothing is less is proved by bounds.
 */

/** A box: on each axis the positions from `lo` to `hi`, both included. */
export interface Box {
  readonly lo: number[];
  readonly hi: number[];
}

/** Integers only: tenths beyond a hard bound, and millionths of penalty. */
export interface Cost {
  readonly hard: number;
  readonly penalty: number;
}

/** What a box costs at least, and where in it to look. */
export interface Bound extends Cost {
  /** On each axis the position near which the best is likely; NaN where there is nothing to go by. */
  readonly towards?: readonly number[];
}

export interface Space {
  /** Positions of each axis, at least 1. */
  readonly counts: readonly number[];
  /** How much one position of each axis matters beside the others: the axis that matters most is split. */
  readonly weights: readonly number[];
  /** No position of the box costs less; in a box of one position what it costs, exactly. */
  readonly costOf: (box: Box) => Bound;
  /** Ties in the order in which they count: no position of the box has less; exact for one position. */
  readonly ties: readonly ((box: Box) => number)[];
}

export interface Found extends Cost {
  readonly positions: readonly number[];
  /** Boxes looked at. */
  readonly nodes: number;
}

interface Best extends Cost {
  readonly ties: readonly number[];
  readonly positions: readonly number[];
}

/**
 * The last position of the lower part of a cut. A likely best is cut free, which leaves it alone after two cuts; one that
 * lies outside says nothing more, and the box is halved.
 */
const cutAt = (lo: number, hi: number, towards: number): number =>
  towards >= lo && towards <= hi ? Math.min(towards, hi - 1) : (lo + hi) >> 1;

class Search {
  nodes = 0;
  best: Best | null = null;

  constructor(private readonly space: Space) {}

  cost(box: Box): Bound {
    this.nodes++;
    return this.space.costOf(box);
  }

  /** Opens a box unless nothing in it can be better than the best so far. */
  visit(box: Box, cost: Bound): void {
    if (!this.mayBeBetter(box, cost)) return;
    const axis = this.widest(box);
    if (axis < 0) {
      this.best = {
        hard: cost.hard,
        penalty: cost.penalty,
        ties: this.space.ties.map((tie) => tie(box)),
        positions: box.lo.slice(),
      };
      return;
    }
    const middle = cutAt(box.lo[axis]!, box.hi[axis]!, cost.towards?.[axis] ?? NaN);
    const lower: Box = { lo: box.lo, hi: box.hi.slice() };
    lower.hi[axis] = middle;
    const upper: Box = { lo: box.lo.slice(), hi: box.hi };
    upper.lo[axis] = middle + 1;
    const below = this.cost(lower);
    const above = this.cost(upper);
    // The more promising half first: a good position is found early, and most boxes are then left unopened.
    if (this.isUpperFirst(upper, above, lower, below)) {
      this.visit(upper, above);
      this.visit(lower, below);
    } else {
      this.visit(lower, below);
      this.visit(upper, above);
    }
  }

  private isUpperFirst(upper: Box, above: Cost, lower: Box, below: Cost): boolean {
    if (above.hard !== below.hard) return above.hard < below.hard;
    if (above.penalty !== below.penalty) return above.penalty < below.penalty;
    const { ties } = this.space;
    for (let i = 0; i < ties.length; i++) {
      const high = ties[i]!(upper);
      const low = ties[i]!(lower);
      if (high !== low) return high < low;
    }
    return false;
  }

  private mayBeBetter(box: Box, cost: Cost): boolean {
    const { best } = this;
    if (!best) return true;
    const { ties } = this.space;
    if (cost.hard !== best.hard) return cost.hard < best.hard;
    if (cost.penalty !== best.penalty) return cost.penalty < best.penalty;
    for (let i = 0; i < ties.length; i++) {
      const tie = ties[i]!(box);
      if (tie !== best.ties[i]) return tie < best.ties[i]!;
    }
    for (let i = 0; i < box.lo.length; i++)
      if (box.lo[i] !== best.positions[i]) return box.lo[i]! < best.positions[i]!;
    return false;
  }

  /** The axis along which the box is widest, by what a position matters; −1 in a box of one position. */
  private widest({ lo, hi }: Box): number {
    let [axis, width] = [-1, 0];
    for (let i = 0; i < lo.length; i++) {
      const here = (hi[i]! - lo[i]!) * this.space.weights[i]!;
      if (here <= width) continue;
      [axis, width] = [i, here];
    }
    return axis;
  }
}

/**
 * The best position of a space, and after it the best of what is not near any before it, in order.
 * @param apart on each axis how many positions still count as near
 * @returns at most `count`, fewer where nothing is left
 */
export function searchSeveral(space: Space, count: number, apart: readonly number[]): Found[] {
  const { counts } = space;
  let open: Box[] = [{ lo: counts.map(() => 0), hi: counts.map((n) => n - 1) }];
  const found: Found[] = [];
  while (found.length < count && open.length > 0) {
    const best = searchAmong(space, open);
    found.push(best);
    const near: Box = {
      lo: best.positions.map((at, i) => at - apart[i]!),
      hi: best.positions.map((at, i) => at + apart[i]!),
    };
    open = open.flatMap((box) => without(box, near));
  }
  return found;
}

/** What of a box lies outside another, as boxes that do not overlap. */
function without(box: Box, taken: Box): Box[] {
  if (box.lo.some((lo, i) => lo > taken.hi[i]! || box.hi[i]! < taken.lo[i]!)) return [box];
  const boxes: Box[] = [];
  const [lo, hi] = [box.lo.slice(), box.hi.slice()];
  for (let i = 0; i < lo.length; i++) {
    const [from, to] = [taken.lo[i]!, taken.hi[i]!];
    if (lo[i]! < from) boxes.push({ lo: lo.slice(), hi: hi.map((h, k) => (k === i ? from - 1 : h)) });
    if (to < hi[i]!) boxes.push({ lo: lo.map((l, k) => (k === i ? to + 1 : l)), hi: hi.slice() });
    lo[i] = Math.max(lo[i]!, from);
    hi[i] = Math.min(hi[i]!, to);
  }
  return boxes;
}

/** The least of a space, with the number of boxes it took to prove it. */
export function search(space: Space): Found {
  const { counts } = space;
  return searchAmong(space, [{ lo: counts.map(() => 0), hi: counts.map((n) => n - 1) }]);
}

function searchAmong(space: Space, boxes: readonly Box[]): Found {
  const task = new Search(space);
  for (const box of boxes) task.visit(box, task.cost(box));
  const { hard, penalty, positions } = task.best!;
  return { hard, penalty, positions: [...positions], nodes: task.nodes };
}
