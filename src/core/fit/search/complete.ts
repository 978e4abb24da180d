import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../../seat';
import { inPlace } from '../case/in-place';
import { NO_REMEDIES, REMEDY_IDS, sizeInUse, type Settings } from '../problem/inputs';
import type { Problem } from '../problem/problem';
import { solve } from './solve';

function isWhole(p: Problem, settings: Settings): boolean {
  return ADJUSTMENT_KIND_IDS.every((kind) => {
    const variable = p.variables[kind];
    const position = settings.positions[kind];
    return variable ? position !== undefined && position < variable.values.length : position === undefined;
  });
}

/**
 * Settings that have a position for every adjustment of this seat and place, and for nothing else: what is missing
 * takes its best position. Whole settings come back as they are.
 * @returns new settings, or the same where nothing was missing. Definition.
 * @example
 * sameSettings(completeSettings(problem, null), best) // => true
 */
export function completeSettings(bare: Problem, settings: Settings | null): Settings {
  const p = inPlace(bare, settings?.remedies ?? NO_REMEDIES);
  if (settings && isWhole(p, settings)) return settings;
  const remedies = settings?.remedies ?? NO_REMEDIES;
  const best = solve(p, { remedies }).settings;
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const kind of ADJUSTMENT_KIND_IDS) {
    const variable = p.variables[kind];
    if (!variable) continue;
    const given = settings?.positions[kind];
    positions[kind] =
      given !== undefined && given < variable.values.length ? given : (best.positions[kind] ?? 0);
  }
  return { positions, remedies };
}

/**
 * Whether two settings put everything at the same place.
 * @returns remedies included. Definition.
 * @example
 * sameSettings(best, { ...best, positions: {} }) // => false
 */
export function sameSettings(a: Settings, b: Settings): boolean {
  return (
    REMEDY_IDS.every((id) => sizeInUse(a.remedies, id) === sizeInUse(b.remedies, id)) &&
    ADJUSTMENT_KIND_IDS.every((kind) => a.positions[kind] === b.positions[kind])
  );
}
