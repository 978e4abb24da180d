/** What pulls the seat's height and the footrest apart, told together by straight lines. */
import type { Interval } from '../../target';
import type { ConditionId, Condition } from '../conditions';
import { MILLION, lowestSpan, type Curve } from '../cost/curve';
import type { Extents } from '../geometry/extents';
import { underFootMm } from '../geometry/on-seat';
import type { Problem } from '../problem/problem';

/** A condition on the stance alone. */
export interface Loose {
  readonly condition: Condition;
  readonly curve: Curve;
  /** Axes of the stance that it depends on. */
  readonly on: readonly number[];
}

/** A condition whose residual follows the seat's height and what the feet stand on straight. */
interface Tangent {
  readonly curve: Curve;
  readonly extent: (x: Extents) => Interval;
  /** By what it is told alone. */
  readonly plain: (x: Extents) => Interval;
  readonly byHeight: number;
  readonly bySupport: number;
}

/** Rounding residuals and costs takes off no more than this, millionths. */
const ROUNDINGS = 2e3;
/** Near enough to where they are least together for lines that touch them there. */
const LOOKS = 9;

/** By how much each condition follows the seat's height and what the feet stand on. */
const FOLLOWS: Partial<Record<ConditionId, readonly [byHeight: number, bySupport: number]>> = {
  footGap: [1, -1],
  deskTop: [-1, 0],
  deskContact: [-1, 0],
  deskClearance: [-1, 0],
  headroom: [-1, 0],
};

/** Those conditions of the stance that pull height and footrest apart. */
function tangentsOf(p: Problem, loose: readonly Loose[]): Tangent[] {
  const isPlain = !p.hasSlope && !p.variables.footRing;
  return loose.flatMap(({ condition: { id, extent: plain }, curve }): Tangent[] => {
    const follows = FOLLOWS[id];
    if (!follows || !plain || curve.convexTo < Infinity || (id === 'footGap' && !isPlain)) return [];
    // Thighs alone under a desk: knees only raise the cost.
    const extent = id === 'deskContact' ? (x: Extents) => x.deskClearance : plain;
    const [byHeight, bySupport] = follows;
    return [{ curve, extent, plain, byHeight, bySupport }];
  });
}

export class Tangents {
  private readonly tangents: readonly Tangent[];
  private readonly lines: { lo: number; hi: number }[];

  constructor(
    private readonly p: Problem,
    loose: readonly Loose[],
  ) {
    this.tangents = tangentsOf(p, loose);
    this.lines = this.tangents.map(() => ({ lo: 0, hi: 0 }));
  }

  /**
   * What conditions that pull the seat's height and the footrest apart cost together beyond what each costs alone: each
   * is at least as dear as a straight line that touches its curve, and of straight lines the sum is least at an end.
   */
  added(span: Extents): number {
    const { tangents, lines } = this;
    if (tangents.length < 2) return 0;
    const [low, high] = [span.lo.seatHeight, span.hi.seatHeight];
    const [flat, raised] = [underFootMm(this.p, span.lo), underFootMm(this.p, span.hi)];
    const feet = (flat + raised) / 2;
    let apart = 0;
    for (let i = 0; i < tangents.length; i++) {
      const { curve, extent, plain, byHeight, bySupport } = tangents[i]!;
      const told = plain(span);
      apart += curve.leastPenalty(told.lo, told.hi);
      const { lo, hi } = extent(span);
      const line = lines[i]!;
      // What neither height nor footrest moves.
      line.lo =
        lo -
        (byHeight > 0 ? byHeight * low : byHeight * high) -
        (bySupport > 0 ? bySupport * flat : bySupport * raised);
      line.hi =
        hi -
        (byHeight > 0 ? byHeight * high : byHeight * low) -
        (bySupport > 0 ? bySupport * raised : bySupport * flat);
    }
    const at = (h: number): number => {
      let sum = 0;
      for (let i = 0; i < tangents.length; i++) sum += tangents[i]!.curve.raw(this.onLine(i, h, feet));
      return sum;
    };
    const about = lowestSpan(at, { from: low, to: high, apart: 0, looks: LOOKS });
    const height = (about.lo + about.hi) / 2;
    let [together, perHeight, perSupport] = [0, 0, 0];
    for (let i = 0; i < tangents.length; i++) {
      const { curve, byHeight, bySupport } = tangents[i]!;
      const here = this.onLine(i, height, feet);
      const slope = curve.slope(here);
      together += curve.raw(here) - slope * here + (slope > 0 ? slope * lines[i]!.lo : slope * lines[i]!.hi);
      perHeight += slope * byHeight;
      perSupport += slope * bySupport;
    }
    together +=
      Math.min(perHeight * low, perHeight * high) + Math.min(perSupport * flat, perSupport * raised);
    // Residuals are rounded before they are judged, and each cost after it.
    return Math.max(0, Math.floor(MILLION * together) - ROUNDINGS - apart);
  }

  private onLine(i: number, height: number, support: number): number {
    const { byHeight, bySupport } = this.tangents[i]!;
    const { lo, hi } = this.lines[i]!;
    return byHeight * height + bySupport * support + (lo + hi) / 2;
  }
}
