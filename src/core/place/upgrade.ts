import { isLoose, upgradeAdjustment } from '../seat';
import { PLACE_DOCUMENT } from './schema-version';

/**
 * Returns a workstation's document in the form of now; one that is none is returned as it is.
 * @returns an unknown version as it is, for the schema to refuse. Definition.
 * @example
 * upgradePlace(place).schema // => 2
 */
export function upgradePlace(stored: unknown): unknown {
  if (!isLoose(stored) || 'schema' in stored) return stored;
  const { adjustments } = stored;
  return {
    ...stored,
    schema: PLACE_DOCUMENT,
    needs: [],
    seatClasses: [],
    adjustments: Array.isArray(adjustments)
      ? adjustments.map((a: unknown) => (isLoose(a) ? upgradeAdjustment(a) : a))
      : adjustments,
  };
}
