/** How well readings repeat: technical error of measurement (Ulijaszek & Kerr 1999, from memory). */
import type { DimensionId } from '../body';

export interface Repeatability {
  readonly pairs: number;
  /** √(Σd² / 2N), in the unit of the readings. */
  readonly tem: number;
  /** Of the mean, 0…1. */
  readonly relative: number;
  /** 1 − TEM² / SD²; NaN where no spread of people is given. */
  readonly reliability: number;
}

/** Two readings that one fitter took of one dimension of one person. */
export interface Pair<D extends DimensionId = DimensionId> {
  readonly fitter: string;
  readonly dimension: D;
  readonly readings: readonly [number, number];
}

/**
 * How well each fitter's readings of each dimension repeat.
 * @param sdOf how much people differ in a dimension; NaN where nobody knows
 * @returns without those who never measured anything twice. Definition.
 * @example
 * repeatabilityByFitter([{ fitter: 'Signy', dimension: 'stature', readings: [1702, 1704] }], () => 60).length // => 1
 */
export function repeatabilityByFitter<D extends DimensionId>(
  pairs: readonly Pair<D>[],
  sdOf: (id: D) => number,
): { readonly fitter: string; readonly dimension: D; readonly found: Repeatability }[] {
  const grouped = new Map<string, Pair<D>[]>();
  for (const pair of pairs) {
    const key = JSON.stringify([pair.fitter, pair.dimension]);
    grouped.set(key, [...(grouped.get(key) ?? []), pair]);
  }
  return [...grouped.values()].flatMap((of) => {
    const { fitter, dimension } = of[0]!;
    const found = repeatability(
      of.map((p) => p.readings),
      sdOf(dimension),
    );
    return found ? [{ fitter, dimension, found }] : [];
  });
}

/**
 * How well readings repeat.
 * @param pairs two readings of the same dimension of the same person
 * @param sd how much people differ, in the same unit
 * @returns errors in the unit of the pairs; null without pairs. Source: technical error of measurement, √(Σd²/2n)
 *   (Ulijaszek & Kerr 1999, from memory).
 * @example
 * repeatability([[1702, 1704], [1698, 1700]]).tem // => 1.414
 */
export function repeatability(pairs: readonly (readonly [number, number])[], sd = NaN): Repeatability | null {
  if (pairs.length === 0) return null;
  const squares = pairs.reduce((sum, [a, b]) => sum + (a - b) ** 2, 0);
  const mean = pairs.reduce((sum, [a, b]) => sum + (a + b) / 2, 0) / pairs.length;
  const tem = Math.sqrt(squares / (2 * pairs.length));
  return { pairs: pairs.length, tem, relative: tem / mean, reliability: 1 - tem ** 2 / sd ** 2 };
}
