/** The conditions of a good set seat: each one residual on the set seat, in the unit of `CONDITION_UNITS`. */
import { missingOf, type DimensionId } from '../body';
import type { ConditionId, Interval } from '../method';
import { trunkMomentNm, trunkThighDeg } from '../posture';
import { positionCount, type AdjustmentKind, type Effort } from '../seat';
import {
  clearAtSpread,
  datumMm,
  elbowAboveSeatMm,
  elbowOnPadMm,
  hollowFromRearMm,
  legOf,
  napeAlongBackMm,
  panDegOf,
  spreadDeg,
  underDeskMm,
} from './on-seat';
import {
  datumExtent,
  elbowExtent,
  gapExtent,
  thighExtent,
  trunkThighExtent,
  underDeskExtent,
  type Span,
} from './extents';
import { oncePer } from './once';
import type { Problem, SetValues } from './problem';

export interface Condition {
  readonly id: ConditionId;
  /** The adjustment on whose track the condition is shown, and that is not computed where it lacks a measure. */
  readonly owner: (p: Problem) => AdjustmentKind;
  /** Everything its residual depends on; absent adjustments do not count. */
  readonly scope: readonly AdjustmentKind[];
  /** Whether this seat and place have what it speaks of. */
  readonly applies: (p: Problem) => boolean;
  readonly needs: (p: Problem) => readonly DimensionId[];
  readonly residual: (p: Problem, v: SetValues) => number;
  /**
   * Between which ends it lies while adjustments range over a span; absent where it only rises, or only falls, with
   * the one adjustment that is chosen while it decides.
   */
  readonly extent?: (p: Problem, span: Span) => Interval;
  /**
   * How the residual follows the owner's value: by as much (1), against it (−1), by an inverse of its own, or
   * not shown on the track (null).
   */
  readonly onTrack: 1 | -1 | null | ((p: Problem, residual: number) => number);
  /** Whether it follows exactly so, at every value. */
  readonly isStraight?: true;
}

const has = (kind: AdjustmentKind) => (p: Problem) => p.variables[kind] !== undefined;
const FEET: readonly AdjustmentKind[] = ['seatHeight', 'seatAngle', 'backAngle'];
const ELBOW: readonly DimensionId[] = ['elbowHeightSitting', 'shoulderHeightSitting'];

const legNeeds = (p: Problem): DimensionId[] =>
  p.panTilts ? ['poplitealHeight', 'shoeHeel', 'buttockPoplitealLength'] : ['poplitealHeight', 'shoeHeel'];
const thighNeeds = (): readonly DimensionId[] => [
  'poplitealHeight',
  'shoeHeel',
  'buttockPoplitealLength',
  'stature',
];
const leans = (p: Problem): boolean => p.variables.backAngle?.values.some((v) => v !== 0) ?? false;
const elbowNeeds = (p: Problem): readonly DimensionId[] => (leans(p) ? ELBOW : ['elbowHeightSitting']);
const tensionNeeds = (p: Problem): readonly DimensionId[] =>
  p.variables.tiltTension?.adjustment.effort?.by === 'mass' ? ['bodyMass'] : ['bodyMass', 'stature'];

/** How far between the seat's lightest and stiffest this trunk lies, 0…1. */
export function tensionFraction(effort: Effort, p: Problem): number {
  const { body } = p;
  const share =
    effort.by === 'mass'
      ? (body.bodyMass - effort.lightestKg) / (effort.stiffestKg - effort.lightestKg)
      : (momentAt(p, effort.atDeg) - effort.lightestNm) / (effort.stiffestNm - effort.lightestNm);
  return Math.min(1, Math.max(0, share));
}

const momentAt = (p: Problem, deg: number): number => trunkMomentNm(p.body.bodyMass, p.body.stature, deg);

/**
 * The tension that balances this trunk, in the adjustment's unit: turns from the lightest, or the position (from 0).
 * `n` turns: `f · n`; `n` positions: `round(f (n − 1))`, halves down.
 */
export function balancedTension(p: Problem): number {
  const variable = p.variables.tiltTension;
  const effort = variable?.adjustment.effort;
  if (!variable || !effort) return NaN;
  const fraction = tensionFraction(effort, p);
  const lowest = variable.values[0] ?? NaN;
  const highest = variable.values[variable.values.length - 1] ?? NaN;
  if (variable.adjustment.unit === 'turn') return lowest + fraction * (highest - lowest);
  const steps = positionCount(variable.adjustment) - 1;
  return lowest + Math.ceil(Math.round((fraction * steps - 0.5) * 1e6) / 1e6);
}

export const CONDITIONS: readonly Condition[] = [
  {
    id: 'footGap',
    owner: () => 'seatHeight',
    scope: FEET,
    applies: has('seatHeight'),
    needs: legNeeds,
    residual: (p, v) => footGapMm(p, v),
    extent: gapExtent,
    onTrack: 1,
  },
  {
    id: 'thigh',
    owner: (p) => (p.variables.seatAngle ? 'seatAngle' : 'seatHeight'),
    scope: FEET,
    applies: has('seatHeight'),
    needs: thighNeeds,
    residual: (p, v) => legOf(p, v).thighDeg,
    extent: thighExtent,
    onTrack: 1,
  },
  {
    id: 'backAngle',
    owner: () => 'backAngle',
    scope: ['backAngle'],
    applies: has('backAngle'),
    needs: () => [],
    residual: (_, v) => v.backAngle,
    onTrack: 1,
  },
  {
    id: 'trunkThigh',
    owner: () => 'backAngle',
    scope: FEET,
    applies: has('backAngle'),
    needs: thighNeeds,
    residual: (p, v) => trunkThighDeg(v.backAngle, legOf(p, v).thighDeg),
    extent: trunkThighExtent,
    onTrack: 1,
  },
  {
    id: 'kneeRoom',
    owner: () => 'seatDepth',
    scope: ['seatDepth'],
    applies: has('seatDepth'),
    needs: () => ['buttockPoplitealLength'],
    residual: (p, v) => hollowFromRearMm(p, v) - v.seatDepth,
    onTrack: -1,
    isStraight: true,
  },
  {
    id: 'lumbarHeight',
    owner: () => 'lumbarApex',
    scope: ['lumbarApex'],
    applies: (p) => has('lumbarApex')(p) && p.inputs.body.smallOfBackHeight !== undefined,
    needs: () => ['smallOfBackHeight'],
    residual: (p, v) => v.lumbarApex - p.body.smallOfBackHeight,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'lumbarByPractice',
    owner: () => 'lumbarApex',
    scope: ['lumbarApex'],
    applies: (p) => has('lumbarApex')(p) && p.inputs.body.smallOfBackHeight === undefined,
    needs: () => [],
    residual: (_, v) => v.lumbarApex,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'tension',
    owner: () => 'tiltTension',
    scope: ['tiltTension'],
    applies: has('tiltTension'),
    needs: tensionNeeds,
    residual: (p, v) => v.tiltTension - balancedTension(p),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'armSpread',
    owner: () => 'armWidth',
    scope: ['armWidth'],
    applies: has('armWidth'),
    needs: () => ['elbowToElbowBreadth', ...ELBOW],
    residual: spreadDeg,
    onTrack: clearAtSpread,
  },
  {
    id: 'hipClearance',
    owner: () => 'armWidth',
    scope: ['armWidth'],
    applies: has('armWidth'),
    needs: () => ['hipBreadthSitting'],
    residual: (p, v) => v.armWidth - p.body.hipBreadthSitting,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'armHeight',
    owner: () => 'armHeight',
    scope: ['armHeight', 'armWidth', 'backAngle'],
    applies: has('armHeight'),
    needs: elbowNeeds,
    residual: (p, v) => v.armHeight - elbowOnPadMm(p, v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'headHeight',
    owner: () => 'headHeight',
    scope: ['headHeight', 'backAngle'],
    applies: has('headHeight'),
    needs: () => ['napeHeight', 'shoulderHeightSitting'],
    residual: (p, v) => v.headHeight - napeAlongBackMm(p, v),
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'deskTop',
    owner: () => 'deskHeight',
    scope: [...FEET, 'deskHeight'],
    applies: has('deskHeight'),
    needs: elbowNeeds,
    residual: (p, v) =>
      v.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0) - (datumMm(p, v) + elbowAboveSeatMm(p, v, 0)),
    extent: deskTopExtent,
    onTrack: 1,
    isStraight: true,
  },
  {
    id: 'deskClearance',
    owner: () => 'deskHeight',
    scope: [...FEET, 'deskHeight'],
    applies: has('deskHeight'),
    needs: () => [...thighNeeds(), 'thighClearance', 'kneeHeight'],
    residual: (p, v) => v.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0) - underDeskMm(p, v),
    extent: deskClearanceExtent,
    onTrack: 1,
    isStraight: true,
  },
];

function footGapMm(p: Problem, v: SetValues): number {
  const hollow = panDegOf(p, v) === 0 ? v.seatHeight : legOf(p, v).hollowMm;
  return hollow - (v.footrestMm + p.body.shoeHeel + p.body.poplitealHeight);
}

export function deskTopExtent(p: Problem, span: Span): Interval {
  const keyboard = p.inputs.place?.keyboardThicknessMm ?? 0;
  const [datum, elbow] = [datumExtent(p, span), elbowExtent(p, span)];
  return {
    lo: span.lo.deskHeight + keyboard - (datum.hi + elbow.hi),
    hi: span.hi.deskHeight + keyboard - (datum.lo + elbow.lo),
  };
}

export function deskClearanceExtent(p: Problem, span: Span): Interval {
  const thickness = p.inputs.place?.deskThicknessMm ?? 0;
  const under = underDeskExtent(p, span);
  return {
    lo: span.lo.deskHeight - thickness - under.hi,
    hi: span.hi.deskHeight - thickness - under.lo,
  };
}

/** Between which ends a residual lies while adjustments range over a span. */
export function extentOf(p: Problem, condition: Condition, span: Span): Interval {
  if (condition.extent) return condition.extent(p, span);
  const [a, b] = [condition.residual(p, span.lo), condition.residual(p, span.hi)];
  return { lo: Math.min(a, b), hi: Math.max(a, b) };
}

/** The conditions that speak of something this seat and place have. */
export const conditionsOf = oncePer((p): readonly Condition[] => CONDITIONS.filter((c) => c.applies(p)));

/** Of those, the ones shown on the track of an adjustment. */
export const ownedBy = oncePer((p): ReadonlyMap<AdjustmentKind, readonly Condition[]> => {
  const owned = new Map<AdjustmentKind, Condition[]>();
  for (const c of conditionsOf(p)) owned.set(c.owner(p), [...(owned.get(c.owner(p)) ?? []), c]);
  return owned;
});

/** What a condition would need and nobody has measured; empty where it can be computed. */
export const missingFor = (p: Problem, c: Condition): readonly DimensionId[] =>
  missingByCondition(p).get(c) ?? missingOf(p.inputs.body, c.needs(p));

const missingByCondition = oncePer(
  (p): ReadonlyMap<Condition, readonly DimensionId[]> =>
    new Map(conditionsOf(p).map((c) => [c, missingOf(p.inputs.body, c.needs(p))])),
);
