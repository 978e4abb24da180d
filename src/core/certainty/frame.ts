/** What of a seat can be moved, and everything about it and the sitter that is not known exactly. */
import type { DimensionId } from '../body';
import {
  axesOf,
  isCarried,
  isPassive,
  legOf,
  nudged,
  put,
  valuesOfSettings,
  type Condition,
  type Leg,
  type Problem,
  type SetValues,
  type Settings,
} from '../fit';
import { ABOVE_SEAT_KINDS, ADJUSTMENT_UNITS, heightShift, looseness, type AdjustmentKind } from '../seat';
import type { Draws } from './draws';
import type { Mover, Row, Unknowns } from './linear';

/** What a seat has that can be moved, and everything that is not known exactly. */
export interface Frame {
  readonly p: Problem;
  /** The best settings. */
  readonly from: SetValues;
  readonly kinds: readonly AdjustmentKind[];
  readonly movers: readonly Mover[];
  readonly ids: readonly DimensionId[];
  /** Adjustments that may be off, and how far, after the measures. */
  readonly loose: readonly { readonly kind: AdjustmentKind; readonly spread: number }[];
  readonly unknowns: Unknowns;
  /** By how much the heights of the seat follow a kilogram. */
  readonly sinks: Readonly<Partial<Record<AdjustmentKind, number>>>;
  /** How far beyond its ends an adjustment is followed to where a condition fails. */
  readonly reach: (kind: AdjustmentKind) => number;
  /** With one measure a little more, and a little less. */
  readonly more: (id: DimensionId) => Problem;
  readonly less: (id: DimensionId) => Problem;
  /** The best settings with one adjustment a little higher, and a little lower. */
  readonly above: (kind: AdjustmentKind) => SetValues;
  readonly below: (kind: AdjustmentKind) => SetValues;
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
export const NUDGE = 1;
/** From how far apart on two neighbouring positions are looked at one by one, in parts of what is called close. */
const FINE_PARTS = 2;
/** How far beyond its ends an adjustment is followed to where a condition fails, in what is called close. */
const BEYOND_CLOSE = 15;

const isFine = (values: readonly number[], closeBy: number): boolean =>
  (values[values.length - 1]! - values[0]!) / (values.length - 1) <= closeBy / FINE_PARTS;

/** An arm held out lifts the elbow, the more the further out: what slides is looked at in so many places. */
const BENDING: readonly AdjustmentKind[] = ['armWidth', 'padSlide'];
const PLACES = 4;

function moverOf(p: Problem, kind: AdjustmentKind, values: readonly number[]): Mover {
  const { adjustment } = p.variables[kind]!;
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

/**
 * Settings with one adjustment elsewhere: a copy of the same shape is read several times as fast as another object.
 * @param value in the adjustment’s own unit
 * @returns the copy; `v` stays as it is. Definition.
 */
export function withValue(p: Problem, v: SetValues, kind: AdjustmentKind, value: number): SetValues {
  const copy = { ...v };
  put(p, copy, kind, value);
  return copy;
}

/**
 * How far to either side an adjustment is looked at.
 * @returns in the adjustment’s own unit, above 0. Assumed.
 */
export const stepOf = (p: Problem, kind: AdjustmentKind): number =>
  ADJUSTMENT_UNITS[p.variables[kind]!.adjustment.unit].finestStep / 2;

/**
 * The problem as set, with what may be off.
 * @returns what the looks from these settings have in common. Definition.
 */
export function frameOf(p: Problem, settings: Settings, draws: Draws): Frame {
  const present = Object.values(p.variables);
  // Only what may be chosen: what works by itself, or is never set unasked, cannot be counted on.
  const chosen = axesOf(p, { remedies: settings.remedies }).flatMap(({ key, values }) => {
    if (key === 'footrestMm' || values.length <= 1 || isCarried(p, key) || isPassive(p.variables[key]!))
      return [];
    return [{ kind: key, values }];
  });
  const kinds = chosen.map(({ kind }) => kind);
  const loose = present.flatMap(({ kind, adjustment }) => {
    const spread = looseness(adjustment, settings.positions[kind] ?? 0);
    return spread > 0 ? [{ kind, spread }] : [];
  });
  const from = valuesOfSettings(p, settings);
  const legs = new Map<Problem | SetValues, Leg>();
  return {
    p,
    from,
    kinds,
    movers: chosen.map(({ kind, values }) => moverOf(p, kind, values)),
    ids: draws.ids,
    loose,
    unknowns: {
      covariance: draws.covariance,
      together: draws.ids.length,
      count: draws.ids.length + loose.length,
    },
    sinks: sinksOf(p),
    reach: (kind) => BEYOND_CLOSE * ADJUSTMENT_UNITS[p.variables[kind]!.adjustment.unit].closeBy,
    more: onceEach((id) => nudged(p, id, NUDGE)),
    less: onceEach((id) => nudged(p, id, -NUDGE)),
    above: onceEach((kind) => withValue(p, from, kind, from[kind] + stepOf(p, kind))),
    below: onceEach((kind) => withValue(p, from, kind, from[kind] - stepOf(p, kind))),
    legAt: (q, v) => {
      const key = q === p ? v : q;
      let leg = legs.get(key);
      if (!leg) legs.set(key, (leg = legOf(q, v)));
      return leg;
    },
    home: new Map(),
  };
}
