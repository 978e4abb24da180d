import { isLoose, upgradeAdjustment } from '../seat';
import { PLACE_DOCUMENT } from './schema-version';

/** Returns a workstation's document in the form of now; one that is none is returned as it is. */
export function upgradePlace(document: unknown): unknown {
  if (!isLoose(document) || 'schema' in document) return document;
  const { adjustments } = document;
  return {
    ...document,
    schema: PLACE_DOCUMENT,
    needs: [],
    seatClasses: [],
    adjustments: Array.isArray(adjustments)
      ? adjustments.map((a: unknown) => (isLoose(a) ? upgradeAdjustment(a) : a))
      : adjustments,
  };
}
