import { USUAL_FINGERS_MM } from '../../target';
import type { FitInputs } from './inputs';

/**
 * The hand that a method checks with, mm; null where it checks with none or nobody measured it.
 * @returns by count of fingers, mm; null where none is checked with or it was not measured. Definition.
 */
export function handOf({ method, body, fitterHandMm }: FitInputs): Readonly<Record<3 | 4, number>> | null {
  if (!method.fingers) return null;
  const three = method.fingers.whose === 'sitter' ? body.threeFingerBreadth?.value : fitterHandMm?.[3];
  const four = method.fingers.whose === 'sitter' ? body.fourFingerBreadth?.value : fitterHandMm?.[4];
  if (three === undefined && four === undefined) return null;
  return { 3: three ?? USUAL_FINGERS_MM[3], 4: four ?? USUAL_FINGERS_MM[4] };
}
