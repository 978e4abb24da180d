import type { AdjustmentKind } from '../seat';
import { conditionsOf, missingFor, type Condition } from './conditions';
import { oncePer } from './once';
import type { Problem } from './problem';

/** Adjustments chosen together, and the conditions that decide them. */
export interface Stage {
  readonly kinds: readonly AdjustmentKind[];
  readonly conditions: readonly Condition[];
}

/** The conditions that can be computed with what was measured. */
export const computable = oncePer((p): readonly Condition[] =>
  conditionsOf(p).filter((c) => missingFor(p, c).length === 0),
);

/**
 * In which order adjustments are chosen. The back angle comes first and alone (unless synchro ties it to the pan),
 * so that no desk ever leans a sitter back; then what meets the floor and the desk together; then each of the rest.
 */
function makePlan(p: Problem): readonly Stage[] {
  const block: AdjustmentKind[] = ['seatAngle', 'seatHeight', 'deskHeight'];
  const rest: AdjustmentKind[][] = [
    ['seatDepth'],
    ['lumbarApex'],
    ['armWidth'],
    ['armHeight'],
    ['tiltTension'],
    ['headHeight'],
  ];
  const order = p.isSynchro
    ? [['backAngle', ...block] as AdjustmentKind[], ...rest]
    : [['backAngle'] as AdjustmentKind[], block, ...rest];
  const left = new Set(computable(p));
  const placed = new Set<AdjustmentKind>();
  const stages: Stage[] = [];
  for (const group of order) {
    const kinds = group.filter((k) => p.variables[k]);
    kinds.forEach((k) => placed.add(k));
    const conditions = [...left].filter((c) => c.scope.every((k) => placed.has(k) || !p.variables[k]));
    conditions.forEach((c) => left.delete(c));
    if (kinds.length > 0) stages.push({ kinds, conditions });
  }
  return stages;
}

export const planOf = oncePer(makePlan);

/** The conditions that decide an adjustment. */
export const decidingConditions = (p: Problem, kind: AdjustmentKind): readonly Condition[] =>
  planOf(p).find((s) => s.kinds.includes(kind))?.conditions ?? [];
