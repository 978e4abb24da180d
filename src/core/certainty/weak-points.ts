import type { ConditionCertainty, SetCertainty } from './set';

/** From here on a condition needs no naming beside a weaker one. */
const SURE = 0.9;
const MOST_NAMED = 3;
/** Nothing is weak where all are as sure as this. */
const ALL_SURE = 0.99;
/** What the rest comes to is told in steps of so much, rounded down. */
const STEP = 0.05;

export interface WeakPoints {
  /** The weakest first. */
  readonly named: readonly ConditionCertainty[];
  /** Every other condition is at least as sure, 0…1; null where there is no other. */
  readonly rest: number | null;
}

/**
 * What most speaks against settings, and how sure everything else is.
 * @returns null in place of a point where nothing is judged. Definition.
 * @example
 * weakPoints(certainty).named.length > 0 // => true
 */
export function weakPoints({ each }: Pick<SetCertainty, 'each'>): WeakPoints {
  const weakest = each[0];
  if (!weakest || weakest.probability >= ALL_SURE) return { named: [], rest: null };
  const weak = each.filter((c) => c.probability < SURE).slice(0, MOST_NAMED);
  const named = weak.length > 0 ? weak : [weakest];
  const next = each[named.length];
  return { named, rest: next ? Math.floor(next.probability / STEP + 1e-9) * STEP : null };
}
