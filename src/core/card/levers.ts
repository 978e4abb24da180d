/** Of everything that is set, the few levers that each who shares a seat has to move. */
import { completeSettings, costOf, type Assessment, type Settings } from '../fit';
import type { AdjustmentKind } from '../seat';

/** More than this nobody moves on sitting down (common practice, no source). */
export const MOST_LEVERS = 3;

/** Where somebody else leaves an adjustment, as shares of its range, while nobody knows of others (assumed). */
const LEFT_AT = [0.25, 0.75] as const;
/** A seat that rides on another’s mass is not safe: this is set anew by each. */
const SAFETY: AdjustmentKind = 'suspensionWeight';
/** Less than this, in millionths of a point, is not worth a move. */
const NOTICED = 1;

export interface SharedLevers {
  /** In the order of setting. */
  readonly kinds: readonly AdjustmentKind[];
  /** From the settings of how many others they were told; 0: from the ranges alone. */
  readonly others: number;
}

/** Where others leave an adjustment: as they have set it, else at the quarters of its range. */
function elsewhere(a: Assessment, kind: AdjustmentKind, others: readonly Settings[]): readonly number[] {
  const last = a.problem.variables[kind]!.values.length - 1;
  const known = others.flatMap((settings) => settings.positions[kind] ?? []).filter((i) => i <= last);
  return known.length > 0 ? known : LEFT_AT.map((share) => Math.round(share * last));
}

/**
 * The adjustments that cost this sitter most where they stay as somebody else leaves them, at most three. The mass that
 * a suspension rides on is among them, whatever it costs.
 * @param among what may be moved, in the order of setting
 * @param others as others have this seat set; none: the quarters of each range are taken instead (assumed)
 * @returns none where nothing can be moved. Definition.
 * @example
 * sharedLevers(assessed, ['seatHeight', 'armHeight'], []) // => { kinds: ['seatHeight', 'armHeight'], others: 0 }
 */
export function sharedLevers(
  a: Assessment,
  among: readonly AdjustmentKind[],
  others: readonly Settings[],
): SharedLevers {
  const bare = a.problem.bare?.problem ?? a.problem;
  const settings = completeSettings(bare, a.settings);
  const asSet = costOf(bare, settings).penalty;
  const isMoved = (kind: AdjustmentKind) =>
    a.outcomes.find((o) => o.kind === kind)?.words.key !== 'position.weighing';
  const costs = among.filter(isMoved).map((kind) => {
    if (kind === SAFETY) return { kind, more: Infinity };
    const places = elsewhere(a, kind, others);
    const sum = places.reduce(
      (total, position) =>
        total +
        Math.max(
          0,
          costOf(bare, { ...settings, positions: { ...settings.positions, [kind]: position } }).penalty -
            asSet,
        ),
      0,
    );
    return { kind, more: sum / places.length };
  });
  const dearest = costs
    .filter(({ more }) => more >= NOTICED)
    .sort((x, y) => y.more - x.more)
    .slice(0, MOST_LEVERS)
    .map(({ kind }) => kind);
  return { kinds: among.filter((kind) => dearest.includes(kind)), others: others.length };
}
