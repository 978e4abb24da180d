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

/** What meets the floor and the desk. */
const BLOCK: readonly AdjustmentKind[] = [
  'seatAngle',
  'forwardTilt',
  'chairAngle',
  'frontSlope',
  'footRing',
  'footrest',
  'seatHeight',
  'deskHeight',
];
/** What the block stands on: how far forward the sitter sits, and where the back support is. */
const BEFORE: readonly (readonly AdjustmentKind[])[] = [
  ['lumbarDepth'],
  ['upperLumbar', 'lowerLumbar'],
  ['seatDepth', 'backReach'],
];
const AFTER: readonly (readonly AdjustmentKind[])[] = [
  ['backHeight', 'lumbarApex'],
  ['thoracic'],
  ['armWidth', 'padSlide'],
  ['armHeight', 'armDepth'],
  ['armPivot'],
  ['armAngle'],
  ['tiltTension'],
  ['tiltLock'],
  ['tiltLimiter'],
  ['headHeight'],
  ['headAngle'],
  ['headDepth'],
  ['foreAft'],
  ['stationForeAft'],
  ['suspensionWeight'],
  ['damper'],
  ['backProfile', 'screenHeight'],
  ['climate'],
];

/**
 * In which order adjustments are chosen. What pushes the sitter forward comes first, then the back angle alone (unless
 * synchro or a whole-chair tilt ties it to the pan), so that no desk ever leans a sitter back; then what meets the
 * floor and the desk together; then each of the rest, arm
 * width before arm height, and height and depth of the pads together: lower pads may pass under the desk that higher
 * ones run into. Desk and feet do not give way to pads.
 */
function makePlan(p: Problem): readonly Stage[] {
  const groups = (p.isTied ? ORDER_TIED : ORDER)
    .map((kinds) => kinds.filter((k) => p.variables[k]))
    .filter((kinds) => kinds.length > 0);
  const turn: Partial<Record<AdjustmentKind, number>> = {};
  groups.forEach((kinds, at) => kinds.forEach((k) => (turn[k] = at)));
  const stages = groups.map((kinds) => ({ kinds, conditions: [] as Condition[] }));
  for (const c of computable(p)) {
    let last = 0;
    for (const k of c.scope) last = Math.max(last, turn[k] ?? 0);
    stages[last]?.conditions.push(c);
  }
  return stages;
}

const ORDER: readonly (readonly AdjustmentKind[])[] = [...BEFORE, ['backAngle'], BLOCK, ...AFTER];
const ORDER_TIED: typeof ORDER = [...BEFORE, ['backAngle', ...BLOCK], ...AFTER];

export const planOf = oncePer(makePlan);

/** The conditions that decide an adjustment. */
export const decidingConditions = (p: Problem, kind: AdjustmentKind): readonly Condition[] =>
  planOf(p).find((s) => s.kinds.includes(kind))?.conditions ?? [];
