/** What a tape or a level says of a setting: which position that is. */
import { inPlace, valuesOfSettings, type Problem, type Settings } from '../fit';
import { checkOf } from '../card/checks';
import type { AdjustmentKind } from '../seat';

/** A reading and what it means. */
export interface TapeReading {
  /** The nearest position, from 0. */
  readonly position: number;
  /** Between which readings the adjustment goes, in the unit of the reading. */
  readonly lowest: number;
  readonly highest: number;
  /** Whether the reading lies beyond them by more than a tape errs. */
  readonly isOutside: boolean;
}

/** A tape errs by so much, mm or degrees (assumed). */
const ERRS = 5;

/**
 * Where an adjustment stands by what a tape or a level shows of it, everything else standing as it does.
 * @param value as read, mm or degrees
 * @returns null where neither a tape nor a level tells. Definition.
 * @example
 * positionByTape(problem, best, 'seatHeight', 449).position // => 5
 */
export function positionByTape(
  bare: Problem,
  settings: Settings,
  kind: AdjustmentKind,
  value: number,
): TapeReading | null {
  const shown = shownAt(bare, settings, kind);
  if (!shown) return null;
  const [lowest, highest] = [Math.min(...shown), Math.max(...shown)];
  const position = shown.reduce(
    (best, x, i) => (Math.abs(x - value) < Math.abs(shown[best]! - value) ? i : best),
    0,
  );
  const isOutside = !(lowest - ERRS <= value && value <= highest + ERRS);
  return { position, lowest, highest, isOutside };
}

/** What a tape shows at every position; null where it shows nothing. */
function shownAt(bare: Problem, settings: Settings, kind: AdjustmentKind): readonly number[] | null {
  const p = inPlace(bare, settings.remedies);
  const count = p.variables[kind]?.values.length ?? 0;
  const shown = Array.from({ length: count }, (_, position) => {
    const values = valuesOfSettings(p, {
      ...settings,
      positions: { ...settings.positions, [kind]: position },
    });
    const value = checkOf(p, { values }, kind)?.values.value;
    if (!value) return NaN;
    return 'mm' in value ? value.mm : 'deg' in value ? value.deg : NaN;
  });
  return shown.length > 1 && shown.every(Number.isFinite) ? shown : null;
}

/**
 * Whether a tape or a level tells where an adjustment stands, and in which unit.
 * @returns null where neither does. Definition.
 * @example
 * tapeUnitOf(problem, best, 'backAngle') // => 'deg'
 */
export function tapeUnitOf(bare: Problem, settings: Settings, kind: AdjustmentKind): 'mm' | 'deg' | null {
  const p = inPlace(bare, settings.remedies);
  if ((p.variables[kind]?.values.length ?? 0) < 2) return null;
  const value = checkOf(p, { values: valuesOfSettings(p, settings) }, kind)?.values.value;
  if (!value) return null;
  return 'deg' in value ? 'deg' : 'mm' in value ? 'mm' : null;
}
