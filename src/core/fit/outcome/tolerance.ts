/** How far a setting may be off before something that fits as set does not any more. */
import { leftOver } from '../../target';
import { CONDITION_UNITS, computable, missingFor, ownedBy, scopeOf, type Condition } from '../conditions';
import { message, type Message, type MessageValue } from '../../message';
import { ADJUSTMENT_KINDS, ADJUSTMENT_UNITS, NAMED_KINDS, type AdjustmentKind } from '../../seat';
import { ownValue } from '../conditions/saying';
import { isCarried, put, withLeaders } from '../problem/carried';
import { oncePer } from '../problem/once';
import type { Problem, SetValues } from '../problem/problem';

/** Sizes in the adjustment's unit, rounded down to what it is offered in; null: nothing fails however far it goes. */
export interface Tolerance {
  readonly below: number | null;
  readonly above: number | null;
}

/** So many of the finest steps are looked at: 128 mm, 64°, 16 turns. */
const FURTHEST = 128;

const judgedBy = oncePer(
  (p) =>
    new Map<AdjustmentKind, readonly Condition[]>(
      Object.values(p.variables).map(({ kind }) => [
        kind,
        computable(p).filter(
          (c) => p.targets[c.id].weight > 0 && withLeaders(p, scopeOf(p, c)).includes(kind),
        ),
      ]),
    ),
);

const isInside = (p: Problem, v: SetValues, c: Condition): boolean =>
  leftOver(p.targets[c.id], CONDITION_UNITS[c.id], c.residual(p, v)) === 0;

/** The most steps one way with which `holds` still does; `FURTHEST` where it never fails. */
function mostSteps(holds: (steps: number) => boolean): number {
  let [good, bad] = [0, 1];
  while (bad <= FURTHEST && holds(bad)) [good, bad] = [bad, bad * 2];
  if (bad > FURTHEST) return FURTHEST;
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

/**
 * How far below and above where it stands an adjustment may truly be, with all others as set, before the first of what
 * fits now leaves its band. Whether a position is there does not matter.
 * @returns in the adjustment’s unit, 0 or more, Infinity where nothing fails; null where it does not fit itself, or
 *   nothing fails at all. Definition.
 */
export function toleranceOf(p: Problem, v: SetValues, kind: AdjustmentKind): Tolerance | null {
  const variable = p.variables[kind];
  if (!variable || NAMED_KINDS.includes(kind) || isCarried(p, kind)) return null;
  const own = (ownedBy(p).get(kind) ?? []).filter((c) => missingFor(p, c).length === 0);
  if (!own.every((c) => isInside(p, v, c))) return null;
  const fitting = (judgedBy(p).get(kind) ?? []).filter((c) => isInside(p, v, c));
  if (fitting.length === 0) return null;
  const step = ADJUSTMENT_UNITS[variable.adjustment.unit].finestStep;
  const there = { ...v };
  const along = (sign: 1 | -1): number | null => {
    const steps = mostSteps((n) => {
      put(p, there, kind, v[kind] + sign * n * step);
      return fitting.every((c) => isInside(p, there, c));
    });
    return steps === FURTHEST ? null : steps * step;
  };
  const found = { below: along(-1), above: along(1) };
  return found.below === null && found.above === null ? null : found;
}

const sideKey = (size: number | null): string => (size === null ? 'any' : size === 0 ? 'none' : 'some');

/**
 * A tolerance as a sentence; null where there is none to tell.
 * @returns null where there is none to tell. Definition.
 * @example
 * toleranceWords(problem, assessed.values, 'seatHeight')?.key // => 'tolerance.some.some'
 */
export function toleranceWords(p: Problem, v: SetValues, kind: AdjustmentKind): Message | null {
  const found = toleranceOf(p, v, kind);
  if (!found) return null;
  const { sign } = ADJUSTMENT_KINDS[kind];
  const unit = p.variables[kind]?.adjustment.unit;
  const said = (size: number | null): MessageValue =>
    unit === 'step' || unit === 'pump' ? { steps: Math.round(size ?? 0) } : ownValue(unit, size ?? 0);
  return message(`tolerance.${sideKey(found.below)}.${sideKey(found.above)}`, {
    below: said(found.below),
    above: said(found.above),
    less: { word: `less.${sign}` },
    more: { word: `more.${sign}` },
  });
}
