/**
 * How sure it is that some position of a seat fits: every condition is taken as straight where it begins to fail, what
 * can be moved is eliminated, and drawn bodies are asked what is left.
 */
import type { DimensionId } from '../body';
import {
  computableConditions,
  inPlace,
  legOf,
  nudged,
  valuesOfSettings,
  type Condition,
  type Leg,
  type Problem,
  type SetValues,
  type Settings,
} from '../fit';
import { bandOf, outsideBy, type ConditionId } from '../method';
import {
  ABOVE_SEAT_KINDS,
  ADJUSTMENT_UNITS,
  heightShift,
  positionSpread,
  type AdjustmentKind,
} from '../seat';
import { shareInBand } from './along';
import { columnsOf, standardNormals, type Draws } from './draws';
import { countWithin, plainShare, regionOf, sdOf, type Mover, type Row, type Unknowns } from './linear';
import { INSIDE_SLACK, type ConditionCertainty } from './set';

export interface ChooseCertainty {
  /** That some position meets each condition, all others left aside; the least certain first. */
  readonly each: readonly ConditionCertainty[];
  /** That some position meets all of them at once, 0…1; never more than the least. */
  readonly all: number;
  readonly standardError: number;
  readonly count: number;
  /** The least certain condition; at a tie the one furthest outside its band at the best settings. null: all are sure. */
  readonly limiting: ConditionId | null;
}

/** What a seat has that can be moved, and everything that is not known exactly. */
interface Frame {
  readonly p: Problem;
  /** The best settings. */
  readonly from: SetValues;
  readonly kinds: readonly AdjustmentKind[];
  readonly movers: readonly Mover[];
  readonly ids: readonly DimensionId[];
  /** Adjustments whose sheet says how far they may be off, after the measures. */
  readonly loose: readonly { readonly kind: AdjustmentKind; readonly spread: number }[];
  readonly unknowns: Unknowns;
  /** By how much the heights of the seat follow a kilogram. */
  readonly sinks: Readonly<Partial<Record<AdjustmentKind, number>>>;
  /** How far beyond its ends an adjustment is followed to where a condition fails. */
  readonly reach: (kind: AdjustmentKind) => number;
  /** Each measure a little more and a little less, made when first asked for. */
  readonly around: (id: DimensionId) => readonly [Problem, Problem];
  /** The best settings with one adjustment a little higher and a little lower. */
  readonly beside: (kind: AdjustmentKind) => readonly [SetValues, SetValues];
  /** How the leg stands at the best settings, or beside them, or with a measure a little off. */
  readonly legAt: (q: Problem, v: SetValues) => Leg;
  /** What has been found out at the best settings. */
  readonly home: Map<Condition, Row>;
}

/** Made when first asked for. */
function onceEach<K, T>(make: (key: K) => T): (key: K) => T {
  const made = new Map<K, T>();
  return (key) => {
    let found = made.get(key);
    if (found === undefined) made.set(key, (found = make(key)));
    return found;
  };
}

/** How far to either side a measure is looked at, mm or kg: less than any repeat tolerance. */
const NUDGE = 1;
/** From how far apart on two neighbouring positions are looked at one by one, in parts of what is called close. */
const FINE_PARTS = 2;
/** How far beyond its ends an adjustment is followed to where a condition fails, in what is called close. */
const BEYOND_CLOSE = 15;
const MOST_LOOKS = 16;
/** So near to nothing is near enough, mm or degrees. */
const NEAR = 0.1;

const isFine = (values: readonly number[], closeBy: number): boolean =>
  (values[values.length - 1]! - values[0]!) / (values.length - 1) <= closeBy / FINE_PARTS;

/** An arm held out lifts the elbow, the more the further out: what slides is looked at in so many places. */
const BENDING: readonly AdjustmentKind[] = ['armWidth', 'padSlide'];
const PLACES = 4;

function moverOf(p: Problem, kind: AdjustmentKind): Mover {
  const { values, adjustment } = p.variables[kind]!;
  if (BENDING.includes(kind) && p.variables.armHeight && values.length > PLACES) {
    const places = Array.from({ length: PLACES }, (_, n) =>
      Math.round((n * (values.length - 1)) / (PLACES - 1)),
    );
    return { type: 'stops', values: places.map((at) => values[at]!) };
  }
  if (!isFine(values, ADJUSTMENT_UNITS[adjustment.unit].closeBy)) return { type: 'stops', values };
  return { type: 'slides', lo: values[0]!, hi: values[values.length - 1]! };
}

function sinksOf(p: Problem): Frame['sinks'] {
  const mass = p.inputs.body.bodyMass?.value;
  if (mass === undefined) return {};
  const [less, more] = [heightShift(p.inputs.seat, mass - NUDGE), heightShift(p.inputs.seat, mass + NUDGE)];
  const above = (more.aboveSeat - less.aboveSeat) / (2 * NUDGE);
  return {
    seatHeight: (more.ofSeat - less.ofSeat) / (2 * NUDGE),
    ...Object.fromEntries(ABOVE_SEAT_KINDS.map((kind) => [kind, above])),
  };
}

/** Settings with one adjustment elsewhere: a copy of the same shape is read several times as fast as another object. */
function withValue(v: SetValues, kind: AdjustmentKind, value: number): SetValues {
  const copy = { ...v };
  copy[kind] = value;
  return copy;
}

/** How far to either side an adjustment is looked at. */
const stepOf = (p: Problem, kind: AdjustmentKind): number =>
  ADJUSTMENT_UNITS[p.variables[kind]!.adjustment.unit].finestStep / 2;

function frameOf(p: Problem, settings: Settings, draws: Draws): Frame {
  const present = Object.values(p.variables);
  const kinds = present.filter((v) => v.values.length > 1).map((v) => v.kind);
  const loose = present.flatMap(({ kind, adjustment }) => {
    const spread = positionSpread(adjustment, settings.positions[kind] ?? 0);
    return spread > 0 ? [{ kind, spread }] : [];
  });
  const from = valuesOfSettings(p, settings);
  const legs = new Map<Problem | SetValues, Leg>();
  return {
    p,
    from,
    kinds,
    movers: kinds.map((kind) => moverOf(p, kind)),
    ids: draws.ids,
    loose,
    unknowns: {
      covariance: draws.covariance,
      together: draws.ids.length,
      count: draws.ids.length + loose.length,
    },
    sinks: sinksOf(p),
    reach: (kind) => BEYOND_CLOSE * ADJUSTMENT_UNITS[p.variables[kind]!.adjustment.unit].closeBy,
    around: onceEach((id) => [nudged(p, id, NUDGE), nudged(p, id, -NUDGE)]),
    beside: onceEach((kind) => {
      const step = stepOf(p, kind);
      return [withValue(from, kind, from[kind] + step), withValue(from, kind, from[kind] - step)];
    }),
    legAt: (q, v) => {
      const key = q === p ? v : q;
      let leg = legs.get(key);
      if (!leg) legs.set(key, (leg = legOf(q, v)));
      return leg;
    },
    home: new Map(),
  };
}

/** How far inside one end of its band a condition is. */
type Margin = (p: Problem, v: SetValues) => number;

type Side = 'lo' | 'hi';

/** Both ends of a band move with the body where a method says so; elsewhere they stand still. */
const MOVING_BAND: ConditionId = 'kneeRoom';

function marginsOf(p: Problem, c: Condition): { readonly side: Side; readonly margin: Margin }[] {
  const band = bandOf(p.targets[c.id]);
  const margins: Readonly<Record<Side, Margin>> =
    c.id === MOVING_BAND
      ? {
          lo: (q, v) => c.residual(q, v) - bandOf(q.targets[c.id]).lo + INSIDE_SLACK,
          hi: (q, v) => bandOf(q.targets[c.id]).hi - c.residual(q, v) + INSIDE_SLACK,
        }
      : {
          lo: (q, v) => c.residual(q, v) - band.lo + INSIDE_SLACK,
          hi: (q, v) => band.hi - c.residual(q, v) + INSIDE_SLACK,
        };
  return (['lo', 'hi'] as const)
    .filter((side) => Number.isFinite(band[side]))
    .map((side) => ({ side, margin: margins[side] }));
}

/** Where a margin is nothing between two places, of which one is inside. */
function crossing(
  margin: (x: number) => number,
  inside: number,
  atInside: number,
  outside: number,
  atOutside: number,
): number {
  let [good, bad] = [inside, outside];
  let [above, below] = [atInside, atOutside];
  let last = 0;
  for (let n = 0; n < MOST_LOOKS; n++) {
    const x = good + ((bad - good) * above) / (above - below);
    const here = margin(x);
    if (Math.abs(here) < NEAR) return x;
    // Of two on one side the other end is told to give way (Illinois).
    if (here > 0) {
      [good, above] = [x, here];
      if (last > 0) below /= 2;
    } else {
      [bad, below] = [x, here];
      if (last < 0) above /= 2;
    }
    last = here;
  }
  return (good + bad) / 2;
}

/** Where a condition begins to fail while one adjustment alone is moved to either side. */
function edgesAlong({ p, from, reach }: Frame, margin: Margin, kind: AdjustmentKind): SetValues[] {
  const { values } = p.variables[kind]!;
  const moved: SetValues = { ...from };
  const of = (x: number): number => {
    moved[kind] = x;
    return margin(p, moved);
  };
  const here = from[kind];
  const inside = of(here);
  const beyond = reach(kind);
  return [values[0]! - beyond, values[values.length - 1]! + beyond].flatMap((end) => {
    const there = of(end);
    if (Number.isNaN(there) || there >= 0 === inside >= 0) return [];
    const x = inside >= 0 ? crossing(of, here, inside, end, there) : crossing(of, end, there, here, inside);
    return [withValue(from, kind, x)];
  });
}

/** The same while one measure is off: for a seat on which nothing moves. */
function edgesOver({ p, from, ids }: Frame, c: Condition, margin: Margin): Problem[] {
  const here = margin(p, from);
  return c
    .needs(p)
    .filter((id) => ids.includes(id))
    .flatMap((id) =>
      [-3, 3].flatMap((far) => {
        const end = far * p.inputs.body[id]!.spread;
        const of = (by: number): number => margin(nudged(p, id, by), from);
        const there = of(end);
        if (there >= 0 === here >= 0) return [];
        const by = here >= 0 ? crossing(of, 0, here, end, there) : crossing(of, end, there, 0, here);
        return [nudged(p, id, by)];
      }),
    );
}

/** A leg changes its way of failing: beside the straight line of one way there is nothing to be told. */
const BENT_OTHERWISE: readonly ConditionId[] = ['thigh', 'trunkThigh', 'deskClearance'];
/** Less beside a straight line is nothing, mm or degrees. */
const LEAST_BEND = 0.2;

/** What adjustments that stop at few places do beside the straight line. */
function bendsOf(f: Frame, margin: Margin, q: Problem, v: SetValues, { move }: Row): Row['bends'] {
  const bends = new Map<number, readonly number[]>();
  const here = margin(q, v);
  const there = { ...v };
  f.kinds.forEach((kind, j) => {
    const mover = f.movers[j]!;
    if (move[j] === 0 || mover.type !== 'stops') return;
    const bent = mover.values.map((x) => {
      there[kind] = x;
      return margin(q, there) - here - move[j]! * (x - v[kind]);
    });
    there[kind] = v[kind];
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
function rowBy(f: Frame, c: Condition, here: number, q: Problem, v: SetValues, slopes: Slopes): Row {
  const move = new Array<number>(f.kinds.length).fill(0);
  const off = new Array<number>(f.unknowns.count).fill(0);
  let at = here;
  const mass = f.ids.indexOf('bodyMass');
  for (const kind of c.scope) {
    if (!f.p.variables[kind]) continue;
    const by = slopes.ofKind(kind);
    if (!Number.isFinite(by) || by === 0) continue;
    const j = f.kinds.indexOf(kind);
    if (j >= 0) {
      move[j] = by;
      at -= by * v[kind];
    }
    const loose = f.loose.findIndex((l) => l.kind === kind);
    if (loose >= 0) off[f.ids.length + loose]! += by * f.loose[loose]!.spread;
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
  return { at, move, off, sd: sdOf(off, f.unknowns) };
}

/** The straight row that a margin is at some place where a condition begins to fail: there it is smooth. */
function rowAt(f: Frame, c: Condition, margin: Margin, q: Problem, v: SetValues): Row {
  const here = margin(q, v);
  const there = { ...v };
  const row = rowBy(f, c, here, q, v, {
    ofKind: (kind) => {
      const step = stepOf(f.p, kind);
      there[kind] = v[kind] + step;
      const more = margin(q, there);
      there[kind] = v[kind];
      return (more - here) / step;
    },
    ofMeasure: (id) => (margin(q === f.p ? f.around(id)[0] : nudged(q, id, NUDGE), v) - here) / NUDGE,
  });
  return BENT_OTHERWISE.includes(c.id) ? row : { ...row, bends: bendsOf(f, margin, q, v, row) };
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
  const row = rowBy(f, c, residual(p, from), p, from, {
    ofKind: (kind) => {
      const [more, less] = f.beside(kind);
      return (residual(p, more) - residual(p, less)) / (2 * stepOf(p, kind));
    },
    ofMeasure: (id) => {
      const [more, less] = f.around(id);
      return (residual(more, from) - residual(less, from)) / (2 * NUDGE);
    },
  });
  const bends = BENT_OTHERWISE.includes(c.id) ? undefined : bendsOf(f, c.residual, p, from, row);
  const home = { ...row, bends };
  f.home.set(c, home);
  return home;
}

const turned = ({ at, move, off, sd, bends }: Row, from: number): Row => ({
  at: from - at,
  move: move.map((x) => -x),
  off: off.map((x) => -x),
  sd,
  bends: bends && new Map([...bends].map(([j, values]) => [j, values.map((x) => -x)])),
});

/** One end of a condition's band as a row, by what its residual is at the best settings. */
function endOf(f: Frame, c: Condition, side: Side, margin: Margin): Row {
  // A band that moves with the body has slopes of its own.
  if (c.id === MOVING_BAND) return rowAt(f, c, margin, f.p, f.from);
  const residual = homeOf(f, c);
  const band = bandOf(f.p.targets[c.id]);
  return side === 'hi'
    ? turned(residual, band.hi + INSIDE_SLACK)
    : { ...residual, at: residual.at - band.lo + INSIDE_SLACK };
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

function mostAtEase({ kinds, from }: Frame, rows: readonly Row[]): Row {
  const here = ({ at, move }: Row): number => kinds.reduce((sum, kind, j) => sum + move[j]! * from[kind], at);
  return rows.reduce((best, row) => (here(row) > here(best) ? row : best));
}

/** A condition as straight rows; of one that is straight itself also its residual and how wide its band is. */
interface Straightened {
  readonly rows: readonly Row[];
  /** The residual above the lower end of its band, or below the upper one, where that is the only one. */
  readonly along: { readonly residual: Row; readonly width: number } | null;
}

/** Straight rows for both ends of a condition's band: one for each place where it begins to fail. */
function straightened(f: Frame, c: Condition): Straightened {
  const margins = marginsOf(f.p, c);
  if (c.isStraight) {
    const rows = margins.map(({ side, margin }) => endOf(f, c, side, margin));
    const { lo, hi } = bandOf(f.p.targets[c.id]);
    const width = hi - lo + 2 * INSIDE_SLACK;
    return { rows, along: rows[0] && c.id !== MOVING_BAND ? { residual: rows[0], width } : null };
  }
  const rows = margins.flatMap(({ side, margin }) => {
    const all = c.scope.filter((kind) => f.kinds.includes(kind));
    // A leg begins to fail in several ways: a foot hangs, or a thigh lifts off the pan.
    const isBent = BENT_OTHERWISE.includes(c.id) || (c.onLegs && f.p.hasSlope);
    // Two ways of failing: what lifts the thigh off the pan, and what tips the pan.
    const tip = all.find((kind, n) => n > 0 && f.p.variables[kind]!.adjustment.unit === 'deg');
    const movers = isBent && tip ? [all[0]!, tip] : all.slice(0, 1);
    const places = movers.flatMap((kind) => edgesAlong(f, margin, kind));
    if (places.length > 0) {
      const found = distinct(places.map((v) => rowAt(f, c, margin, f.p, v)));
      if (ONE_IS_ENOUGH[c.id] !== side) return found;
      return [mostAtEase(f, [endOf(f, c, side, margin), ...found])];
    }
    const bodies = edgesOver(f, c, margin);
    if (bodies.length > 0) return distinct(bodies.map((q) => rowAt(f, c, margin, q, f.from)));
    return [endOf(f, c, side, margin)];
  });
  return { rows, along: null };
}

/**
 * How sure it is that some position of this seat fits, each condition alone and all at once.
 * @param best settings of this problem: remedies in use count as given
 * @param draws of this problem's body
 */
export function certaintyOfSeat(bare: Problem, best: Settings, draws: Draws): ChooseCertainty {
  const p = inPlace(bare, best.remedies);
  const f = frameOf(p, best, draws);
  const drawn = [...columnsOf(draws), ...standardNormals(draws.count, f.loose.length)];
  const conditions = computableConditions(p);
  const straight = conditions.map((c) => straightened(f, c));
  const shareFor = (of: readonly Row[]): number => {
    const region = regionOf(of, f.movers, f.unknowns);
    return plainShare(region, f.unknowns) ?? countWithin(region, drawn, draws.count) / draws.count;
  };
  const outside = (c: Condition): number =>
    Math.abs(outsideBy(bandOf(p.targets[c.id]), c.residual(p, f.from)));
  const each = conditions
    .map((c, i) => {
      const { rows, along } = straight[i]!;
      const probability = along ? shareInBand(along.residual, along.width, f.movers) : shareFor(rows);
      return { id: c.id, probability, outside: outside(c) };
    })
    .sort((a, b) => a.probability - b.probability || b.outside - a.outside || (a.id < b.id ? -1 : 1));
  const least = each[0];
  const all = Math.min(shareFor(straight.flatMap(({ rows }) => rows)), least?.probability ?? 1);
  return {
    each: each.map(({ id, probability }) => ({ id, probability })),
    all,
    standardError: Math.sqrt((all * (1 - all)) / draws.count),
    count: draws.count,
    limiting: least && (least.probability < 1 || least.outside > 0) ? least.id : null,
  };
}
