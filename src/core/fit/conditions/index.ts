import type { Target } from '../../target';
/** The conditions of a good set seat: each one residual on the set seat, in the unit of `CONDITION_UNITS`. */
import { estimatedOf, isMeasured, missingOf, type DimensionId } from '../../body';
import type { AdjustmentKind } from '../../seat';
import { oncePer } from '../problem/once';
import type { Problem } from '../problem/problem';
import { ARM_CONDITIONS } from './arms';
import { BACK_CONDITIONS } from './back';
import { followingOf, type Condition, type ConditionRow } from './condition';
import { HEAD_CONDITIONS } from './head';
import { LEG_CONDITIONS } from './legs';
import { OPERATOR_CONDITIONS } from './operator';
import { PLACE_CONDITIONS } from './place';

export { followingOf, type Alternative, type Condition, type CureKey } from './condition';
export { SCREEN_TARGETS } from './place';

const ROWS = [
  ...LEG_CONDITIONS,
  ...BACK_CONDITIONS,
  ...ARM_CONDITIONS,
  ...HEAD_CONDITIONS,
  ...OPERATOR_CONDITIONS,
  ...PLACE_CONDITIONS,
] as const;

export type ConditionId = (typeof ROWS)[number]['id'];
export const CONDITION_IDS: readonly ConditionId[] = ROWS.map((c) => c.id);

/** What each residual is counted in. */
export const CONDITION_UNITS = Object.fromEntries(ROWS.map((c) => [c.id, c.unit])) as Readonly<
  Record<ConditionId, ConditionRow['unit']>
>;

/** The targets that every method starts from; each may put its own in their place. */
export const COMMON_TARGETS = Object.fromEntries(
  ROWS.flatMap((c) => (c.target ? [[c.id, c.target]] : [])),
) as Readonly<Record<Exclude<ConditionId, 'kneeRoom'>, Target>>;

/** All alike, whatever they leave out: what is asked for thousands of times is then found at once. */
const alike = (c: (typeof ROWS)[number]): Condition => ({
  id: c.id,
  unit: c.unit,
  target: c.target,
  cures: c.cures,
  owners: c.owners,
  scope: c.scope,
  levelScope: c.levelScope,
  either: c.either,
  through: c.through,
  unused: c.unused,
  refusedBelow: c.refusedBelow,
  isOneWay: c.isOneWay,
  applies: c.applies,
  needs: c.needs,
  onlyMeasured: c.onlyMeasured,
  isSolid: c.isSolid,
  residual: c.residual,
  extent: c.extent,
  onTrack: c.onTrack,
  isStraight: c.isStraight,
  forgiving: c.forgiving,
  says: c.says,
  variant: c.variant,
  steps: c.steps,
  onLegs: c.scope.includes('footRing'),
  onDesk: c.scope.includes('deskHeight'),
});

export const CONDITIONS: readonly Condition[] = ROWS.map(alike);

const BY_ID: ReadonlyMap<ConditionId, Condition> = new Map(CONDITIONS.map((c) => [c.id, c]));

/**
 * A condition by its name.
 * @returns the one row of that name; every id has one. Definition.
 */
export const conditionOf = (id: ConditionId): Condition => BY_ID.get(id)!;

const SOLIDS: ReadonlySet<ConditionId> = new Set(CONDITIONS.filter((c) => c.isSolid).map((c) => c.id));

/**
 * Whether a condition speaks of two solid things that must not meet.
 * @returns false for comfort. Definition.
 */
export const isSolid = (id: ConditionId): boolean => SOLIDS.has(id);

/**
 * The conditions that depend on a kind of adjustment.
 * @returns in the order of the conditions; empty where none does. Definition.
 */
export const conditionsFor = (kind: AdjustmentKind): readonly Condition[] =>
  CONDITIONS.filter((c) => c.scope.includes(kind));

/**
 * What a condition depends on, on this seat.
 * @returns kinds that this seat or place has. Definition.
 */
export const scopeOf = (p: Problem, c: Condition): readonly AdjustmentKind[] =>
  c.levelScope && !p.panTilts && !p.hasSlope ? c.levelScope : c.scope;

/**
 * Whether a residual goes up or down by as much as an adjustment's value does.
 * @returns false where it follows otherwise or not at all. Definition.
 */
export const followsStraight = (c: ConditionRow, kind: AdjustmentKind): boolean => {
  const follows = followingOf(c, kind);
  return follows === 1 || follows === -1;
};

/**
 * The conditions that speak of something this seat and place have.
 * @returns in the order of the conditions. Definition.
 */
export const conditionsOf = oncePer((p): readonly Condition[] => CONDITIONS.filter((c) => c.applies(p)));

/**
 * Of those, the ones shown on the track of an adjustment.
 * @returns by kind; empty lists where an adjustment owns none. Definition.
 */
export const ownedBy = oncePer((p): ReadonlyMap<AdjustmentKind, readonly Condition[]> => {
  const owned = new Map<AdjustmentKind, Condition[]>();
  for (const c of conditionsOf(p))
    for (const kind of c.owners(p)) owned.set(kind, [...(owned.get(kind) ?? []), c]);
  return owned;
});

/**
 * What a condition would need and nobody has measured; empty where it can be computed.
 * @returns in the order of need. Definition.
 */
export const missingFor = (p: Problem, c: Condition): readonly DimensionId[] =>
  missingByCondition(p).get(c) ?? lackingFor(p, c);

function lackingFor(p: Problem, c: Condition): readonly DimensionId[] {
  const { body } = p.inputs;
  return c.onlyMeasured ? c.needs(p).filter((id) => !isMeasured(body, id)) : missingOf(body, c.needs(p));
}

const missingByCondition = oncePer(
  (p): ReadonlyMap<Condition, readonly DimensionId[]> =>
    new Map(conditionsOf(p).map((c) => [c, lackingFor(p, c)])),
);

/**
 * What a condition is computed from and was only estimated.
 * @returns empty where all was measured or stated. Definition.
 */
export const estimatedFor = (p: Problem, c: Condition): readonly DimensionId[] =>
  estimatedByCondition(p).get(c) ?? estimatedOf(p.inputs.body, c.needs(p));

const estimatedByCondition = oncePer(
  (p): ReadonlyMap<Condition, readonly DimensionId[]> =>
    new Map(conditionsOf(p).map((c) => [c, estimatedOf(p.inputs.body, c.needs(p))])),
);

/**
 * The conditions that can be computed with what was measured.
 * @returns in the order of the conditions. Definition.
 */
export const computable = oncePer((p): readonly Condition[] =>
  conditionsOf(p).filter((c) => missingFor(p, c).length === 0),
);
