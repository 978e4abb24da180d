import { CONDITION_UNITS, aimOf, bandOf, hardOf, outsideBy, type ConditionId, type Target } from '../method';

/** Residuals are compared after rounding to this, so that engines that differ in a last bit agree. */
const RESIDUAL_STEP = 1e-3;
const MILLION = 1e6;
/** How much steeper the penalty rises beyond the band. */
const BEYOND_BAND = 10;
/** The distance from aim to band's edge counts as at least this much: mm; degrees. */
const LEAST_EDGE = { mm: 1, deg: 0.5, turn: 0.125 } as const;

export const roundResidual = (value: number): number => Math.round(value / RESIDUAL_STEP) * RESIDUAL_STEP;

/** What one residual costs. */
export interface Cost {
  /** Beyond a hard bound, in tenths of a millimetre or of a degree; integer. */
  readonly hard: number;
  /** Integer millionths. */
  readonly penalty: number;
}

/**
 * The penalty of a residual: 0 in the aim, rising straight to `weight` at the band's edge, ten times as steep
 * beyond. With no band on a side the aim is the edge.
 */
export function penaltyOf(id: ConditionId, target: Target, residual: number): Cost {
  const value = roundResidual(residual);
  const offAim = outsideBy(aimOf(target), value);
  const hard = Math.round(Math.abs(outsideBy(hardOf(target), value)) * 10);
  if (offAim === 0) return { hard, penalty: 0 };
  const band = bandOf(target);
  const aim = aimOf(target);
  const edge = offAim > 0 ? band.hi - aim.hi : aim.lo - band.lo;
  const least = LEAST_EDGE[CONDITION_UNITS[id]];
  const width = Math.max(Number.isFinite(edge) ? edge : 0, least);
  const inside = Math.min(Math.abs(offAim), Number.isFinite(edge) ? edge : 0);
  const beyond = Math.abs(offAim) - inside;
  return { hard, penalty: Math.round((target.weight * (inside + BEYOND_BAND * beyond) * MILLION) / width) };
}
