/** The positions that a search may choose from: of each adjustment all, those that are asked for, or one. */
import { panAngle } from '../../posture';
import { middleOfAim } from '../case/targets';
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, kindNumber, type AdjustmentKind } from '../../seat';
import { computable, ownedBy, scopeOf } from '../conditions';
import { leversOf } from '../cost/judge';
import { footrestCost } from '../cost/levers';
import { isCarried } from '../problem/carried';
import type { RemedySettings, Settings } from '../problem/inputs';
import { oncePer } from '../problem/once';
import type { Problem, Variable } from '../problem/problem';
import type { Axis } from './choice';

/** Footrest heights tried as a remedy, mm: a board cut to size, then what footrests come in (common practice). */
export const FOOTREST_HEIGHTS_MM = [
  0, 5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 170, 180,
];

/**
 * Adjustments that some measured condition speaks for; the others are left at rest. What is shown on no track is spoken
 * for by everything that it moves.
 */
const spokenFor = oncePer((p): readonly boolean[] => {
  const [own, moved] = [p.byNumber.map(() => false), p.byNumber.map(() => false)];
  for (const c of computable(p)) {
    for (const kind of c.owners(p)) own[kindNumber(kind)] = true;
    for (const kind of scopeOf(p, c)) moved[kindNumber(kind)] = true;
  }
  const shown = ownedBy(p);
  for (const { kind, leader } of p.carried) if (own[kindNumber(kind)]) own[kindNumber(leader)] = true;
  return own.map((isOwn, i) => isOwn || (moved[i]! && !shown.has(ADJUSTMENT_KIND_IDS[i]!)));
});

/**
 * Where an adjustment stands that nothing speaks for: at rest, straight or off, else in the middle.
 * @returns a position from 0. Common practice, no source.
 */
export function neutralPosition(p: Problem, { kind, values }: Variable): number {
  const { datum, units, rest } = ADJUSTMENT_KINDS[kind];
  if (rest !== 'none')
    return leversOf(p)
      .get(kind)!
      .reduce((best, cost, i, all) => (cost < all[best]! ? i : best), 0);
  if (units[0] !== 'deg' && datum !== 'off') return Math.floor((values.length - 1) / 2);
  return values.reduce((best, v, i) => (Math.abs(v) < Math.abs(values[best] ?? Infinity) ? i : best), 0);
}

/** What tips a seat forward of level. */
export const TIPPING: readonly AdjustmentKind[] = ['seatAngle', 'forwardTilt', 'chairAngle'];

/** How far the pan has risen with the back at the lean that the method works at, degrees; 0 where it stays. */
function panAtWork(p: Problem): number {
  const { leaning, variables, targets, uprightDeg, seat } = p;
  if (!variables.backAngle) return 0;
  const lean = leaning?.kind === 'backAngle' ? variables.backAngle.values[leaning.position]! : null;
  return panAngle(0, lean ?? middleOfAim(targets.backAngle), uprightDeg, seat.synchroRatio);
}

/**
 * The first position that may be chosen. A seat is never tipped forward unasked: no further than where the pan is nearest
 * to level at work, unless the method wants the thighs to fall, or the sitter tips it.
 * @returns a position from 0. Common practice, no source.
 */
export function firstAsked(p: Problem, { kind, values, adjustment }: Variable): number {
  if (!TIPPING.includes(kind) || adjustment.holds.how === 'passive' || isCarried(p, kind)) return 0;
  if ((p.targets.thigh.aimHi ?? 0) < 0) return 0;
  const risen = panAtWork(p);
  const tilt = (at: number): number => Math.abs(values[at]! + risen);
  return values.reduce((best, _, at) => (tilt(at) <= tilt(best) ? at : best), 0);
}

/** The lowest and highest position that something may take. */
export type Within = Readonly<Partial<Record<Axis['key'], readonly [number, number]>>>;

export interface SolveOptions {
  /** Remedies taken as given. */
  readonly remedies: RemedySettings;
  /** Choose a footrest as well, at the method's cost for using one. */
  readonly chooseFootrest?: boolean;
  /** Positions that stay as they are: the rest is set around them. A position that is not there is not held. */
  readonly held?: Settings['positions'];
  /** Boxes opened at most. */
  readonly budget?: number;
}

/**
 * One adjustment, or one remedy, as the search moves it.
 * @param values of all positions, in the adjustment’s unit
 * @param costs millionths of a point by position
 * @param from first position, 0 or more
 * @param to last position
 * @returns an axis between the two positions. Definition.
 */
export const axisOf = (
  key: Axis['key'],
  {
    values,
    costs,
    from,
    to,
  }: {
    readonly values: readonly number[];
    readonly costs: Float64Array;
    readonly from: number;
    readonly to: number;
  },
): Axis => {
  const isWhole = from === 0 && to === values.length - 1;
  return {
    key,
    first: from,
    values: isWhole ? values : values.slice(from, to + 1),
    costs: isWhole ? costs : costs.slice(from, to + 1),
  };
};

/**
 * What each position of an adjustment costs by itself.
 * @returns millionths of a point by position. Assumed.
 */
export function costsOf(p: Problem, { kind, values }: Variable): Float64Array {
  if (kind !== 'footrest') return leversOf(p).get(kind)!;
  return Float64Array.from(values, (mm) => footrestCost(p.inputs.method.footrestPenalty, mm));
}

/**
 * Every position that each adjustment may take, in the order of the kinds.
 * @returns one for everything that can be chosen. Definition.
 */
export function axesOf(p: Problem, { remedies, held = {}, chooseFootrest = false }: SolveOptions): Axis[] {
  const spoken = spokenFor(p);
  const flat = p.inputs.method.footrestPenalty;
  const footrests = chooseFootrest ? FOOTREST_HEIGHTS_MM : [remedies.footrestMm ?? 0];
  const footrestCosts = Float64Array.from(footrests, (mm) => footrestCost(flat, mm));
  const axes = [
    axisOf('footrestMm', { values: footrests, costs: footrestCosts, from: 0, to: footrests.length - 1 }),
  ];
  for (const kind of ADJUSTMENT_KIND_IDS) {
    const variable = p.variables[kind];
    if (!variable) continue;
    const carried = isCarried(p, kind);
    const kept = carried ? undefined : held[kind];
    const isHeld = kept !== undefined && variable.values[kept] !== undefined;
    const works = p.leaning?.kind === kind ? p.leaning.position : null;
    // What is carried along stands wherever its leader has it.
    const isFree = carried || (!isHeld && works === null && spoken[kindNumber(kind)]!);
    const from = isHeld ? kept : isFree ? firstAsked(p, variable) : (works ?? neutralPosition(p, variable));
    const to = isFree ? variable.values.length - 1 : from;
    axes.push(axisOf(kind, { values: variable.values, costs: costsOf(p, variable), from, to }));
  }
  return axes;
}

/**
 * The axes with some of them kept between two positions; null where nothing is left of one.
 * @returns a new list; null where nothing is left of one. Definition.
 */
export function narrowed(axes: readonly Axis[], within: Within): Axis[] | null {
  const found: Axis[] = [];
  for (const axis of axes) {
    const [lo, hi] = within[axis.key] ?? [-Infinity, Infinity];
    const from = Math.max(0, lo - axis.first);
    const to = Math.min(axis.values.length - 1, hi - axis.first);
    if (from > to) return null;
    found.push({
      ...axis,
      first: axis.first + from,
      values: axis.values.slice(from, to + 1),
      costs: axis.costs.slice(from, to + 1),
    });
  }
  return found;
}
