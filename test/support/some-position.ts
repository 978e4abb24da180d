/** Whether some position of a seat fits a body, by looking: nothing is taken for straight that is not. */
import {
  axesOf,
  computableConditions,
  type Condition,
  type Problem,
  type SetValues,
} from '../../src/core/fit';
import { followingOf } from '../../src/core/fit/conditions';
import { emptyValues } from '../../src/core/fit/problem/problem';
import { bandOf } from '../../src/core/target';
import type { AdjustmentKind } from '../../src/core/seat';

const SLACK = 0.05;

/** Fixed first: what everything else hangs on. With these given, the rest falls apart into pieces that are alone. */
const FIRST: readonly AdjustmentKind[] = [
  'backAngle',
  'chairAngle',
  'seatAngle',
  'forwardTilt',
  'frontSlope',
  'lumbarDepth',
];

const holds = (p: Problem, c: Condition, v: SetValues): boolean => {
  const band = bandOf(p.targets[c.id]);
  const residual = c.residual(p, v);
  return band.lo - SLACK <= residual && residual <= band.hi + SLACK;
};

/** Where an adjustment may be set: what works by itself stands, and nobody is tipped forward unasked. */
const placesOf = (p: Problem, kind: AdjustmentKind): readonly number[] =>
  axesOf(p, { remedies: {} }).find(({ key }) => key === kind)!.values;

interface Piece {
  readonly kinds: AdjustmentKind[];
  readonly conditions: Condition[];
}

/** Adjustments that share a condition, together. */
function piecesOf(kinds: readonly AdjustmentKind[], conditions: readonly Condition[]): Piece[] {
  let pieces: Piece[] = kinds.map((kind) => ({ kinds: [kind], conditions: [] }));
  for (const c of conditions) {
    const own = pieces.filter((piece) => piece.kinds.some((kind) => c.scope.includes(kind)));
    if (own.length === 0) continue;
    const joined: Piece = {
      kinds: own.flatMap((piece) => piece.kinds),
      conditions: [...own.flatMap((piece) => piece.conditions), c],
    };
    pieces = [...pieces.filter((piece) => !own.includes(piece)), joined];
  }
  return pieces;
}

/** The plan of looking, the same for every body on this seat. */
export interface Looking {
  readonly first: readonly AdjustmentKind[];
  /** Conditions that hang on nothing but the first ones: for each, those that can be asked once it stands. */
  readonly early: readonly (readonly Condition[])[];
  readonly pieces: readonly Piece[];
  readonly places: ReadonlyMap<AdjustmentKind, readonly number[]>;
}

export function lookingOf(p: Problem): Looking {
  const kinds = Object.values(p.variables).map((x) => x.kind);
  const first = FIRST.filter((kind) => kinds.includes(kind));
  const rest = kinds.filter((kind) => !first.includes(kind));
  const conditions = computableConditions(p);
  const isEarly = (c: Condition): boolean => !c.scope.some((kind) => rest.includes(kind));
  const order: readonly AdjustmentKind[] = ['seatHeight', 'armWidth', 'padSlide', 'seatDepth'];
  const rank = (kind: AdjustmentKind): number => (order.includes(kind) ? order.indexOf(kind) : order.length);
  return {
    first,
    places: new Map(kinds.map((kind) => [kind, placesOf(p, kind)])),
    early: first.map((kind, n) =>
      conditions.filter(
        (c) => isEarly(c) && c.scope.includes(kind) && !first.slice(n + 1).some((k) => c.scope.includes(k)),
      ),
    ),
    pieces: piecesOf(
      rest,
      conditions.filter((c) => !isEarly(c)),
    ).map((piece) => ({ ...piece, kinds: piece.kinds.sort((a, b) => rank(a) - rank(b)) })),
  };
}

/** Whether the last adjustment of a piece has a value that meets its conditions: by where they follow it straight. */
function lastFits(
  p: Problem,
  v: SetValues,
  { kind, values }: { readonly kind: AdjustmentKind; readonly values: readonly number[] },
  conditions: readonly Condition[],
): boolean {
  let [lo, hi] = [-Infinity, Infinity];
  const bent: Condition[] = [];
  v[kind] = values[0]!;
  for (const c of conditions) {
    const follows = followingOf(c, kind);
    if (!c.isStraight || typeof follows !== 'number') {
      bent.push(c);
      continue;
    }
    const band = bandOf(p.targets[c.id]);
    const here = c.residual(p, v);
    const ends = [band.lo - SLACK, band.hi + SLACK].map((end) => values[0]! + follows * (end - here));
    lo = Math.max(lo, Math.min(...ends));
    hi = Math.min(hi, Math.max(...ends));
  }
  for (const value of values) {
    if (value < lo || value > hi) continue;
    v[kind] = value;
    if (bent.every((c) => holds(p, c, v))) return true;
  }
  return false;
}

function pieceFits(
  p: Problem,
  v: SetValues,
  { kinds, conditions }: Piece,
  places: Looking['places'],
): boolean {
  const [kind, ...rest] = kinds;
  if (!kind) return true;
  const now = conditions.filter((c) => !rest.some((k) => c.scope.includes(k)));
  if (rest.length === 0) return lastFits(p, v, { kind, values: places.get(kind)! }, now);
  const later = conditions.filter((c) => !now.includes(c));
  for (const value of places.get(kind)!) {
    v[kind] = value;
    if (now.every((c) => holds(p, c, v)) && pieceFits(p, v, { kinds: rest, conditions: later }, places))
      return true;
  }
  return false;
}

/** @param plan of a problem with the same seat, place and measures */
export function somePositionFits(p: Problem, plan: Looking): boolean {
  const v = emptyValues({});
  const tryFirst = (n: number): boolean => {
    const kind = plan.first[n];
    if (kind)
      return plan.places.get(kind)!.some((value) => {
        v[kind] = value;
        return plan.early[n]!.every((c) => holds(p, c, v)) && tryFirst(n + 1);
      });
    return plan.pieces.every((piece) => pieceFits(p, v, piece, plan.places));
  };
  return tryFirst(0);
}
