/**
 * How sure it is that settings fit, as they stand: the true body is somewhere around what was measured and estimated, and
 * a seat's positions are somewhere around what its sheet says.
 */
import { DIMENSIONS, type DimensionId } from '../body';
import {
  computableConditions,
  inPlace,
  legOf,
  nudged,
  offBy,
  put,
  valuesOfSettings,
  type Condition,
  type Problem,
  type SetValues,
  type Settings,
  CONDITION_UNITS,
  type ConditionId,
} from '../fit';
import { bandOf } from '../target';
import { LEAST_SHARE_LEFT } from '../measuring';
import { looseness, type AdjustmentKind } from '../seat';
import { columnsOf, standardNormals, type Column, type Draws } from './draws';

export interface ConditionCertainty {
  readonly id: ConditionId;
  /** 0…1. */
  readonly probability: number;
}

/** The same with the measure that most of its doubt comes from; null where none does. */
export interface CausedCertainty extends ConditionCertainty {
  readonly cause: DimensionId | null;
}

/** One measure that, taken again, would settle most. */
export interface Settling {
  readonly dimension: DimensionId;
  /** p (1 − p) now, and what is to be expected of it afterwards. */
  readonly doubt: number;
  readonly then: number;
}

export interface SetCertainty {
  /** Of every condition that can be computed, the least certain first. */
  readonly each: readonly CausedCertainty[];
  /** That all of them are met at once, 0…1; never more than the least. */
  readonly all: number;
  readonly standardError: number;
  readonly count: number;
  /** null where nothing would settle anything worth speaking of. */
  readonly settle: Settling | null;
}

/** Inside or outside by less is the same, in the unit of the residual. */
export const INSIDE_SLACK = 0.05;
/** Bodies drawn with a measure alike are put together in so many groups. */
const GROUPS = 32;
/** Less than this of a doubt is not worth another measuring. */
const WORTH = 0.002;

/**
 * What is only switched by another adjustment (a lock by the lean) does not follow how far that one may be off.
 * @returns false where it follows by degrees. Definition.
 */
export const isSwitchedBy = (p: Problem, c: Condition, kind: AdjustmentKind): boolean =>
  CONDITION_UNITS[c.id] === 'own' && !c.owners(p).includes(kind);

/** The values as a condition takes them: off by what it follows, as set in what only switches it. */
function takenBy(p: Problem, c: Condition, off: SetValues, asSet: SetValues): SetValues {
  if (off === asSet || CONDITION_UNITS[c.id] !== 'own') return off;
  const taken = { ...asSet };
  for (const kind of c.owners(p)) taken[kind] = off[kind];
  return taken;
}

/**
 * How far inside both ends of its band each condition is; open ends are infinitely far.
 * @param asSet where `values` are off by how far positions may be off
 */
function marginsOf(
  p: Problem,
  values: SetValues,
  conditions: readonly Condition[],
  asSet: SetValues = values,
): Float64Array {
  const margins = new Float64Array(2 * conditions.length);
  const leg = legOf(p, values);
  conditions.forEach((c, i) => {
    const band = bandOf(p.targets[c.id]);
    const taken = takenBy(p, c, values, asSet);
    const residual = c.residual(p, taken, c.onLegs && taken === values ? leg : undefined);
    margins[2 * i] = residual - band.lo + INSIDE_SLACK;
    margins[2 * i + 1] = band.hi - residual + INSIDE_SLACK;
  });
  return margins;
}

/** How every margin follows something unsure, for each unit of it: upward and downward, in the order of the margins. */
interface Slopes {
  readonly up: Float64Array;
  readonly down: Float64Array;
}

/** What is not known exactly. */
interface Unsure {
  readonly slopes: readonly Slopes[];
  /** For each of them what it is off by, body after body. */
  readonly columns: readonly Column[];
}

/** Straight on either side of what is stated: a foot that goes forward, a thigh that lifts off the pan, bend a margin there. */
function slopes(base: Float64Array, above: Float64Array, below: Float64Array, step: number): Slopes {
  const per = (n: number): number => (Number.isFinite(n) ? n / step : 0);
  return {
    up: above.map((value, i) => per(value - base[i]!)),
    down: below.map((value, i) => per(base[i]! - value)),
  };
}

type Margins = (by: number) => Float64Array;

/** Conditions that are looked at, with their margins where nothing is off. */
interface Looked {
  readonly draws: Draws;
  readonly of: readonly Condition[];
  readonly base: Float64Array;
}

/** The body, by looking a spread to either side. */
function bodySlopes(p: Problem, settings: Settings, { draws, of, base }: Looked): Unsure {
  const { body } = p.inputs;
  const values = valuesOfSettings(p, settings);
  const followed = draws.ids.map((id) => {
    const step = Math.max(0.5, body[id]!.spread);
    const at: Margins = (by) => {
      if (id !== 'bodyMass') return marginsOf(nudged(p, id, by), values, of);
      const there = offBy(p, [id], Float64Array.of(by));
      return marginsOf(there, valuesOfSettings(there, settings), of);
    };
    return slopes(base, at(step), at(-step), step);
  });
  return { slopes: followed, columns: columnsOf(draws) };
}

/**
 * The adjustments of which a position may be off: as far as their sheet says, else as is typical. What carries others
 * along comes first: they are off with it, and then by themselves.
 */
function looseOf(p: Problem, settings: Settings) {
  const leads = (kind: AdjustmentKind): boolean => p.carried.some(({ leader }) => leader === kind);
  return Object.values(p.variables)
    .flatMap(({ kind, adjustment }) => {
      const spread = looseness(adjustment, settings.positions[kind] ?? 0);
      return spread > 0 ? [{ kind, spread }] : [];
    })
    .sort((a, b) => Number(leads(b.kind)) - Number(leads(a.kind)));
}

/** The seat's and the place's own values; a unit is then a spread. */
function seatSlopes(p: Problem, settings: Settings, { draws, of, base }: Looked): Unsure {
  const values = valuesOfSettings(p, settings);
  const loose = looseOf(p, settings);
  const followed = loose.map(({ kind, spread }) => {
    const at: Margins = (by) => {
      const off = { ...values };
      put(p, off, kind, values[kind] + by);
      return marginsOf(p, off, of, values);
    };
    return slopes(base, at(spread), at(-spread), 1);
  });
  return { slopes: followed, columns: standardNormals(draws.count, loose.length) };
}

/** Adds to a margin what it follows: by one slope upward and by another downward. */
function follow(margin: Float64Array, column: Column, up: number, down: number): void {
  if (up === 0 && down === 0) return;
  if (up === down) for (let d = 0; d < margin.length; d++) margin[d]! += up * column[d]!;
  else
    for (let d = 0; d < margin.length; d++) {
      const x = column[d]!;
      margin[d]! += (x < 0 ? down : up) * x;
    }
}

/** Of each drawn body whether each condition holds, margins taken as straight on either side of each measure. */
function holding(base: Float64Array, unsure: readonly Unsure[], count: number) {
  const all = new Uint8Array(count).fill(1);
  const each = new Float64Array(base.length / 2);
  const [holds, margin] = [new Uint8Array(count), new Float64Array(count)];
  for (let c = 0; c < base.length; c += 2) {
    holds.fill(1);
    for (const side of [c, c + 1]) {
      if (!Number.isFinite(base[side]!)) continue;
      margin.fill(base[side]!);
      for (const { slopes, columns } of unsure)
        slopes.forEach(({ up, down }, i) => follow(margin, columns[i]!, up[side]!, down[side]!));
      for (let d = 0; d < count; d++) if (margin[d]! < 0) holds[d] = 0;
    }
    let n = 0;
    for (let d = 0; d < count; d++) {
      n += holds[d]!;
      all[d]! &= holds[d]!;
    }
    each[c / 2] = n;
  }
  return { all, each };
}

/**
 * What would be left of the doubt if one measure were taken again: bodies drawn with that measure alike are put
 * together, and how far they still disagree is averaged.
 */
function doubtAfter(all: Uint8Array, draws: Draws, number: number): number {
  const groups = groupsOf(draws, number);
  const [held, size] = [new Float64Array(GROUPS), new Float64Array(GROUPS)];
  for (let d = 0; d < draws.count; d++) {
    held[groups[d]!]! += all[d]!;
    size[groups[d]!]!++;
  }
  let left = 0;
  for (let g = 0; g < GROUPS; g++) {
    if (size[g] === 0) continue;
    const share = held[g]! / size[g]!;
    left += (size[g]! / draws.count) * share * (1 - share);
  }
  return left;
}

function groupBy({ count, off, ids }: Draws, number: number): Uint8Array {
  const values = Float64Array.from({ length: count }, (_, d) => off[d * ids.length + number]!);
  const sorted = values.slice().sort();
  const ends = Array.from({ length: GROUPS - 1 }, (_, g) => sorted[Math.floor(((g + 1) * count) / GROUPS)]!);
  return Uint8Array.from(values, (value) => {
    const group = ends.findIndex((end) => value < end);
    return group < 0 ? GROUPS - 1 : group;
  });
}

/** Which group a drawn body belongs to by one of its measures; worked out once for all seats. */
const grouped = new WeakMap<Draws, (Uint8Array | undefined)[]>();

function groupsOf(draws: Draws, number: number): Uint8Array {
  const known = grouped.get(draws) ?? [];
  grouped.set(draws, known);
  const found = known[number] ?? groupBy(draws, number);
  known[number] = found;
  return found;
}

/** The part of the doubt that a measuring whose error is `then` takes away of what one without error would. */
const sharpening = (spread: number, then: number): number => Math.max(0, 1 - (then / spread) ** 2);

function settling(p: Problem, all: Uint8Array, draws: Draws, probability: number): Settling | null {
  const doubt = probability * (1 - probability);
  let best: Settling | null = null;
  draws.ids.forEach((dimension, number) => {
    const { spread } = p.inputs.body[dimension]!;
    const gain = sharpening(spread, LEAST_SHARE_LEFT * DIMENSIONS[dimension].readingSd);
    if (gain === 0) return;
    const then = doubt - gain * (doubt - doubtAfter(all, draws, number));
    if (!best || then < best.then) best = { dimension, doubt, then };
  });
  const found = best as Settling | null;
  return found && found.doubt - found.then >= WORTH ? found : null;
}

/** The measure whose spread moves a residual most, at settings. */
function causeOf(p: Problem, values: SetValues, c: Condition): DimensionId | null {
  let most: { readonly id: DimensionId; readonly by: number } | null = null;
  for (const id of c.needs(p)) {
    const spread = p.inputs.body[id]?.spread ?? 0;
    if (spread === 0) continue;
    const by = Math.abs(
      c.residual(nudged(p, id, spread), values) - c.residual(nudged(p, id, -spread), values),
    );
    if (by > 0 && (!most || by > most.by)) most = { id, by };
  }
  return most?.id ?? null;
}

interface Held {
  readonly all: Uint8Array;
  readonly each: Float64Array;
}

function told(
  p: Problem,
  settings: Settings,
  {
    conditions,
    row: { all, each },
    draws,
  }: { readonly conditions: readonly Condition[]; readonly row: Held; readonly draws: Draws },
): SetCertainty {
  const values = valuesOfSettings(p, settings);
  const probability = all.reduce((sum, x) => sum + x, 0) / draws.count;
  return {
    each: conditions
      .map((c, i) => {
        const probability = each[i]! / draws.count;
        return { id: c.id, probability, cause: probability < 1 ? causeOf(p, values, c) : null };
      })
      .sort((a, b) => a.probability - b.probability || (a.id < b.id ? -1 : 1)),
    all: probability,
    standardError: Math.sqrt((probability * (1 - probability)) / draws.count),
    count: draws.count,
    settle: settling(p, all, draws, probability),
  };
}

/**
 * Quickly, for many seats: margins are taken as straight on either side of each measure, which with estimates of wide
 * spread can be off by a few points.
 * @param draws of this problem's body
 * @returns shares of bodies, 0 to 1, by condition and in all. Definition (margins taken as straight).
 */
export function quickCertainty(bare: Problem, settings: Settings, draws: Draws): SetCertainty {
  const p = inPlace(bare, settings.remedies);
  const conditions = computableConditions(p);
  const base = marginsOf(p, valuesOfSettings(p, settings), conditions);
  const unsure = [bodySlopes, seatSlopes].map((look) => look(p, settings, { draws, of: conditions, base }));
  return told(p, settings, { conditions, row: holding(base, unsure, draws.count), draws });
}

/** So many bodies between two looks at whether it is still wanted. */
const BATCH = 128;

/**
 * Exactly, but for the count of draws: every drawn body is set on the seat as it stands and every condition asked. Slower
 * by a hundred times; yields how far it is batch by batch, and last the whole.
 * @param draws of this problem's body
 * @returns shares of bodies, 0 to 1, by condition and in all. Definition (counted over the draws).
 * @example
 * last(certaintyOfSettings(problem, best, draws)).all <= 1 // => true
 */
export function* certaintyOfSettings(
  bare: Problem,
  settings: Settings,
  draws: Draws,
): Generator<SetCertainty, void> {
  const p = inPlace(bare, settings.remedies);
  const conditions = computableConditions(p);
  const held: Held = { all: new Uint8Array(draws.count), each: new Float64Array(conditions.length) };
  const loose = looseOf(p, settings);
  const normals = standardNormals(draws.count, loose.length);
  const stated = valuesOfSettings(p, settings);
  for (let d = 0; d < draws.count; d++) {
    const there = offBy(p, draws.ids, draws.off, d * draws.ids.length);
    const asSet = there.variables === p.variables ? stated : valuesOfSettings(there, settings);
    const set = { ...asSet };
    loose.forEach(({ kind, spread }, i) => put(there, set, kind, set[kind] + spread * normals[i]![d]!));
    const margins = marginsOf(there, set, conditions, asSet);
    let holds = 1;
    for (let c = 0; c < conditions.length; c++)
      if (margins[2 * c]! >= 0 && margins[2 * c + 1]! >= 0) held.each[c]!++;
      else holds = 0;
    held.all[d] = holds;
    if (d % BATCH === 0 && d > 0) yield { each: [], all: NaN, standardError: NaN, count: d, settle: null };
  }
  yield told(p, settings, { conditions, row: held, draws });
}
