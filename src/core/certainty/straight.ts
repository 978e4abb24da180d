/** Every condition as straight rows, at the places where it begins to fail. */
import type { DimensionId } from '../body';
import {
  nudged,
  put,
  withLeaders,
  type Condition,
  type Problem,
  type SetValues,
  type ConditionId,
} from '../fit';
import { bandOf } from '../target';
import type { AdjustmentKind } from '../seat';
import { MOVING_BAND, edgesAlong, edgesOver, marginsOf, type Margin, type Side } from './edges';
import { NUDGE, stepOf, type Frame } from './frame';
import { rowOf, sdOf, type Row } from './linear';
import { INSIDE_SLACK, isSwitchedBy } from './set';

/** A leg changes its way of failing: beside the straight line of one way there is nothing to be told. */
const BENT_OTHERWISE: readonly ConditionId[] = [
  'padContact',
  'thigh',
  'trunkThigh',
  'deskContact',
  'deskClearance',
];
/** Less beside a straight line is nothing, mm or degrees. */
const LEAST_BEND = 0.2;

/** What adjustments that stop at few places do beside the straight line. */
function bendsOf(
  f: Frame,
  margin: Margin,
  { q, v, row: { move } }: { readonly q: Problem; readonly v: SetValues; readonly row: Row },
): Row['bends'] {
  const bends = new Map<number, readonly number[]>();
  const here = margin(q, v);
  const there = { ...v };
  f.kinds.forEach((kind, j) => {
    const mover = f.movers[j]!;
    if (move[j] === 0 || mover.type !== 'stops') return;
    const bent = mover.values.map((x) => {
      put(f.p, there, kind, x);
      return margin(q, there) - here - move[j]! * (x - v[kind]);
    });
    put(f.p, there, kind, v[kind]);
    if (bent.some((x) => Math.abs(x) > LEAST_BEND)) bends.set(j, bent);
  });
  return bends.size > 0 ? bends : undefined;
}

/** How much something follows an adjustment, and a measure. */
interface Slopes {
  readonly ofKind: (kind: AdjustmentKind) => number;
  readonly ofMeasure: (id: DimensionId) => number;
}

/** The straight row of what is `here`, by its slopes. */
function rowBy(
  f: Frame,
  c: Condition,
  {
    here,
    q,
    v,
    slopes,
  }: { readonly here: number; readonly q: Problem; readonly v: SetValues; readonly slopes: Slopes },
): Row {
  const move = new Array<number>(f.kinds.length).fill(0);
  const off = new Array<number>(f.unknowns.count).fill(0);
  let at = here;
  const mass = f.ids.indexOf('bodyMass');
  for (const kind of withLeaders(f.p, c.scope)) {
    if (!f.p.variables[kind]) continue;
    const by = slopes.ofKind(kind);
    if (!Number.isFinite(by) || by === 0) continue;
    const j = f.kinds.indexOf(kind);
    if (j >= 0) {
      move[j] = by;
      at -= by * v[kind];
    }
    const loose = f.loose.findIndex((l) => l.kind === kind);
    if (loose >= 0 && !isSwitchedBy(f.p, c, kind)) off[f.ids.length + loose]! += by * f.loose[loose]!.spread;
    if (mass >= 0) off[mass]! += by * (f.sinks[kind] ?? 0);
  }
  for (const id of c.needs(f.p)) {
    const i = f.ids.indexOf(id);
    if (i < 0) continue;
    const by = slopes.ofMeasure(id);
    if (!Number.isFinite(by)) continue;
    off[i]! += by;
    at -= by * (q.body[id] - f.p.body[id]);
  }
  return rowOf({ at, move, off, sd: sdOf(off, f.unknowns), bends: undefined });
}

const withBends = ({ at, move, off, sd }: Row, bends: Row['bends']): Row =>
  rowOf({ at, move, off, sd, bends });

/** The straight row that a margin is at some place where a condition begins to fail: there it is smooth. */
function rowAt(
  f: Frame,
  c: Condition,
  margin: Margin,
  { q, v }: { readonly q: Problem; readonly v: SetValues },
): Row {
  const here = margin(q, v);
  const there = { ...v };
  const row = rowBy(f, c, {
    here,
    q,
    v,
    slopes: {
      ofKind: (kind) => {
        const step = stepOf(f.p, kind);
        put(f.p, there, kind, v[kind] + step);
        const more = margin(q, there);
        put(f.p, there, kind, v[kind]);
        return (more - here) / step;
      },
      ofMeasure: (id) => (margin(q === f.p ? f.more(id) : nudged(q, id, NUDGE), v) - here) / NUDGE,
    },
  });
  return BENT_OTHERWISE.includes(c.id) ? row : withBends(row, bendsOf(f, margin, { q, v, row }));
}

/**
 * The straight row that a residual is at the best settings. They often lie where it turns: both sides tell the slope.
 */
function homeOf(f: Frame, c: Condition): Row {
  const known = f.home.get(c);
  if (known) return known;
  const { p, from } = f;
  const residual = (q: Problem, v: SetValues): number =>
    c.residual(q, v, c.onLegs ? f.legAt(q, v) : undefined);
  const here = residual(p, from);
  const row = rowBy(f, c, {
    here,
    q: p,
    v: from,
    slopes: {
      ofKind: (kind) => (residual(p, f.above(kind)) - residual(p, f.below(kind))) / (2 * stepOf(p, kind)),
      // What follows a measure without a turn is told from one side.
      ofMeasure: (id) =>
        c.isStraight
          ? (residual(f.more(id), from) - here) / NUDGE
          : (residual(f.more(id), from) - residual(f.less(id), from)) / (2 * NUDGE),
    },
  });
  const bends = BENT_OTHERWISE.includes(c.id) ? undefined : bendsOf(f, c.residual, { q: p, v: from, row });
  const home = withBends(row, bends);
  f.home.set(c, home);
  return home;
}

const negated = (values: readonly number[]): number[] => values.map((x) => -x);

const turned = ({ at, move, off, sd, bends }: Row, from: number): Row =>
  rowOf({
    at: from - at,
    move: negated(move),
    off: negated(off),
    sd,
    bends: bends && new Map([...bends].map(([j, values]) => [j, negated(values)])),
  });

/** One end of a condition's band as a row, by what its residual is at the best settings. */
function endOf(f: Frame, c: Condition, side: Side, margin: Margin): Row {
  // A band that moves with the body has slopes of its own.
  if (c.id === MOVING_BAND) return rowAt(f, c, margin, { q: f.p, v: f.from });
  const residual = homeOf(f, c);
  const band = bandOf(f.p.targets[c.id]);
  return side === 'hi'
    ? turned(residual, band.hi + INSIDE_SLACK)
    : rowOf({
        at: residual.at - band.lo + INSIDE_SLACK,
        move: residual.move,
        off: residual.off,
        sd: residual.sd,
        bends: residual.bends,
      });
}

/** Rows that are nearly one: of those the stricter is enough. */
const ALIKE = 0.03;
const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= ALIKE * Math.max(0.1, Math.abs(a));

function distinct(rows: readonly Row[]): Row[] {
  const kept: Row[] = [];
  for (const row of rows) {
    const twin = kept.findIndex(
      (k) => k.move.every((x, j) => isNear(x, row.move[j]!)) && k.off.every((x, i) => isNear(x, row.off[i]!)),
    );
    if (twin < 0) kept.push(row);
  }
  return kept;
}

/** Thighs do not fall too far where the pan holds them up, or else where the feet do: either is enough. */
const ONE_IS_ENOUGH: Partial<Record<ConditionId, Side>> = { thigh: 'lo', trunkThigh: 'hi' };

const mostAtEase = (f: Frame, rows: readonly Row[]): Row =>
  rows.reduce((best, row) => (hereOf(f, row) > hereOf(f, best) ? row : best));

/** A condition as straight rows; of one that is straight itself also its residual and how wide its band is. */
export interface Straightened {
  readonly rows: readonly Row[];
  /** The residual above the lower end of its band, or below the upper one, where that is the only one. */
  readonly along: { readonly residual: Row; readonly width: number } | null;
}

/**
 * Straight rows for both ends of a condition's band: one for each place where it begins to fail.
 * @returns rows and what they follow; without rows where the condition never fails. Definition.
 */
export function straightened(f: Frame, c: Condition): Straightened {
  const margins = marginsOf(f.p, c);
  if (c.isStraight) {
    const rows = margins.map(({ side, margin }) => endOf(f, c, side, margin));
    const { lo, hi } = bandOf(f.p.targets[c.id]);
    const width = hi - lo + 2 * INSIDE_SLACK;
    return { rows, along: rows[0] && c.id !== MOVING_BAND ? { residual: rows[0], width } : null };
  }
  const rows = margins.flatMap(({ side, margin }) => {
    const all = withLeaders(f.p, c.scope).filter((kind) => f.kinds.includes(kind));
    // A leg begins to fail in several ways: a foot hangs, or a thigh lifts off the pan.
    const isBent = BENT_OTHERWISE.includes(c.id) || (c.onLegs && f.p.hasSlope);
    // Two ways of failing: what lifts the thigh off the pan, and what tips the pan.
    const tip = all.find((kind, n) => n > 0 && f.p.variables[kind]!.adjustment.unit === 'deg');
    const movers = isBent && tip ? [all[0]!, tip] : all.slice(0, 1);
    const places = movers.flatMap((kind) => edgesAlong(f, margin, kind));
    if (places.length > 0) {
      const found = distinct(places.map((v) => rowAt(f, c, margin, { q: f.p, v })));
      if (ONE_IS_ENOUGH[c.id] !== side) return found;
      return [mostAtEase(f, [endOf(f, c, side, margin), ...found])];
    }
    const bodies = edgesOver(f, c, margin);
    if (bodies.length > 0) return distinct(bodies.map((q) => rowAt(f, c, margin, { q, v: f.from })));
    return [endOf(f, c, side, margin)];
  });
  return { rows, along: null };
}

/** What a row comes to at the best settings for the mean body. */
const hereOf = ({ kinds, from }: Frame, { at, move }: Row): number =>
  kinds.reduce((sum, kind, j) => sum + move[j]! * from[kind], at);
