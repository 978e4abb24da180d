import { ADJUSTMENT_KIND_IDS, kindNumber, type AdjustmentKind } from '../seat';
import { CONDITIONS, conditionsOf, missingFor, type Condition } from './conditions';
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
  const stages: { readonly kinds: AdjustmentKind[]; readonly conditions: Condition[] }[] = [];
  const turn = new Array<number>(ADJUSTMENT_KIND_IDS.length).fill(0);
  for (const group of p.isTied ? ORDER_TIED : ORDER) {
    const kinds: AdjustmentKind[] = [];
    for (const number of group) {
      const variable = p.byNumber[number];
      if (!variable) continue;
      turn[number] = stages.length;
      kinds.push(variable.kind);
    }
    if (kinds.length > 0) stages.push({ kinds, conditions: [] });
  }
  for (const c of computable(p)) {
    let last = 0;
    for (const number of SCOPES.get(c)!) last = Math.max(last, turn[number]!);
    stages[last]?.conditions.push(c);
  }
  return stages;
}

const SCOPES: ReadonlyMap<Condition, readonly number[]> = new Map(
  CONDITIONS.map((c) => [c, c.scope.map(kindNumber)]),
);
const numbered = (groups: readonly (readonly AdjustmentKind[])[]): number[][] =>
  groups.map((kinds) => kinds.map(kindNumber));
const ORDER = numbered([...BEFORE, ['backAngle'], BLOCK, ...AFTER]);
const ORDER_TIED = numbered([...BEFORE, ['backAngle', ...BLOCK], ...AFTER]);

export const planOf = oncePer(makePlan);

/** The conditions that decide an adjustment. */
export const decidingConditions = (p: Problem, kind: AdjustmentKind): readonly Condition[] =>
  planOf(p).find((s) => s.kinds.includes(kind))?.conditions ?? [];
