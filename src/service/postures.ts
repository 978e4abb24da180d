import { caseDoubts, solvePosture, type FitInputs, type Posture, type RemedySettings } from '../core/fit';
import type { PostureSet } from '../contract';

/** Every posture solved by itself, with the remedies that are in use; without settings where nothing can be computed. */
export function solvedPostures(
  inputs: FitInputs | null,
  postures: readonly Posture[],
  remedies: RemedySettings,
): PostureSet[] {
  const isSound = inputs !== null && postures.length > 0 && caseDoubts(inputs).length === 0;
  return postures.map(({ name, task, leanDeg }) => {
    const posture = { name, ...(task && { task }), ...(leanDeg !== undefined && { leanDeg }) };
    return { ...posture, settings: isSound ? solvePosture(inputs, posture, remedies) : null };
  });
}
